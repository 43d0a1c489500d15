import { mdiCamera, mdiImageOutline } from '@mdi/js';
import { useTranslation } from 'react-i18next';
import type { PhotoSource } from '../../platform/photo';
import { Sign } from '../../ui/press';

/** Two ways to a picture: take it now, or choose one that is on the phone already. */
export const PhotoSigns = ({
  label,
  onPick,
  busy,
  testID,
}: {
  label: string;
  onPick: (source: PhotoSource) => void;
  busy: boolean;
  testID: string;
}) => {
  const { t } = useTranslation();
  return (
    <>
      <Sign path={mdiCamera} label={label} onPress={() => onPick('camera')} disabled={busy} testID={testID} />
      <Sign
        path={mdiImageOutline}
        label={t('photo.choose', { label })}
        onPress={() => onPick('file')}
        disabled={busy}
        testID={`${testID}-file`}
      />
    </>
  );
};
