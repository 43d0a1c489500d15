import { comparisonPicture } from '@quay/contract/compare';
import { type ReactNode, useCallback, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { callForFile, NoAnswer, Refused } from '../../../local/api';
import { pictureOf } from '../picture';
import { type PairPicture, PairView, ShareSlider, type Shows } from '../../../platform/pair';
import { ChoiceChip } from '../../../ui/controls/choiceChip';
import { useTones } from '../../../ui/theme';
import { Small } from '../../../ui/words';

const SHOWS = ['slider', 'blink', 'heat'] as const satisfies readonly Shows[];

/** What a way gives, or what another way gives where the quay does not answer or has none. */
const or = async (fetched: () => Promise<Blob | undefined>, otherwise?: () => Promise<Blob | undefined>) => {
  try {
    return await fetched();
  } catch (error) {
    if (error instanceof NoAnswer || error instanceof Refused) return otherwise?.();
    throw error;
  }
};

/**
 * Both photographs of a surface: as the machine laid them over each other, or as they are while it has not and without signal.
 * Under one slider, in turns, or as what differs.
 */
export const PairPictures = ({
  hireId,
  out,
  back,
  compared,
  name,
  width,
  children,
}: {
  hireId: string;
  out: string;
  back: string;
  /** Whether the machine is through with them. */
  compared: boolean;
  /** What is seen on them. */
  name: string;
  width: number;
  /** Laid over them. @param size px in which they are shown */
  children?: (size: { width: number; height: number }) => ReactNode;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  const [shape, setShape] = useState(0.75);
  const height = Math.round(width * shape);
  const [shows, setShows] = useState<Shows>('slider');
  const [share, setShare] = useState(0.5);
  const load = useCallback(
    async (picture: PairPicture) => {
      const asItIs = picture === 'heat' ? undefined : () => or(() => pictureOf(hireId, picture === 'back' ? back : out));
      return compared ? or(() => callForFile(comparisonPicture, { params: { hireId, out, back, picture } }), asItIs) : asItIs?.();
    },
    [hireId, out, back, compared],
  );
  return (
    <View style={{ gap: 8 }}>
      <View style={{ width, height }}>
        <PairView
          load={load}
          shows={shows}
          share={share}
          width={width}
          height={height}
          alt={t('over.both', { name })}
          onShape={setShape}
          onShare={setShare}
        />
        {children?.({ width, height })}
      </View>
      <View style={{ flexDirection: 'row', gap: 8, flexWrap: 'wrap' }} role="radiogroup" aria-label={t('over.shows')}>
        {SHOWS.filter((one) => compared || one !== 'heat').map((one) => (
          <ChoiceChip key={one} label={t(`over.show.${one}`)} on={shows === one} onPress={() => setShows(one)} testID={`show-${one}`} />
        ))}
      </View>
      {shows === 'slider' ? (
        <View style={{ gap: 2 }}>
          <ShareSlider share={share} onShare={setShare} label={t('over.share')} colour={tones.primary} width={width} />
          <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
            <Small>{t('over.out')}</Small>
            <Small>{t('over.in')}</Small>
          </View>
        </View>
      ) : null}
    </View>
  );
};
