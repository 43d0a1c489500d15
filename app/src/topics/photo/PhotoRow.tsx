import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { PhotoSource } from '../../platform/photo';
import { Picture } from './picture';
import { Small } from '../../ui/words';
import { MOST_PHOTOS, PhotoSigns } from './PhotoSigns';

/** Small enough that two stand beside both signs on a phone. */
const [WIDTH, HEIGHT] = [84, 56];

/** The ways to a picture and those that are there; without one, what it should show. */
export const PhotoRow = ({
  hireId,
  photos,
  name,
  label,
  hint = label,
  shown = MOST_PHOTOS,
  always = false,
  busy,
  onPick,
  testID,
}: {
  hireId: string;
  photos: readonly string[];
  /** What they are of. */
  name: string;
  label: string;
  hint?: string;
  /** The last so many are shown. */
  shown?: number;
  /** Whether what it should show is said beside pictures, too. */
  always?: boolean;
  busy: boolean;
  onPick: (source: PhotoSource) => void;
  testID: string;
}) => {
  const { t } = useTranslation();
  const first = Math.max(0, photos.length - shown);
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10, ...(shown === MOST_PHOTOS ? { flexWrap: 'wrap' } : {}) }}>
      <PhotoSigns full={photos.length >= MOST_PHOTOS} label={label} onPick={onPick} busy={busy} testID={testID} />
      {photos.length === 0 || always ? <Small style={{ flex: 1 }}>{hint}</Small> : null}
      {photos.slice(first).map((sha, i) => (
        <Picture key={sha} hire={hireId} sha={sha} alt={t('photo.of', { n: first + i + 1, name })} width={WIDTH} height={HEIGHT} />
      ))}
    </View>
  );
};
