import { mdiCamera, mdiImageOutline } from '@mdi/js';
import { useTranslation } from 'react-i18next';
import type { PhotoSource } from '../../platform/photo';
import { IconButton } from '../../ui/controls/button';

/** As many pictures as one entry takes. */
export const MOST_PHOTOS = 12;

/** Two ways to a picture: take it now, or choose one that is on the phone already. */
export const PhotoSigns = ({
  label,
  onPick,
  busy,
  full = false,
  testID,
}: {
  label: string;
  onPick: (source: PhotoSource) => void;
  busy: boolean;
  /** No more fit beside each other in one entry. */
  full?: boolean;
  testID: string;
}) => {
  const { t } = useTranslation();
  return (
    <>
      <IconButton path={mdiCamera} label={label} onPress={() => onPick('camera')} disabled={busy || full} testID={testID} />
      <IconButton
        path={mdiImageOutline}
        label={t('photo.choose', { label })}
        onPress={() => onPick('file')}
        disabled={busy || full}
        testID={`${testID}-file`}
      />
    </>
  );
};
