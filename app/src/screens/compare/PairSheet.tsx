import { changeComparison, type ComparisonBox, comparisonPicture } from '@quay/contract/compare';
import { boxesLeft, boxName } from '@quay/core/record/boxes';
import { say } from '@quay/core/fleet/words';
import type { Held } from '@quay/core/record/held';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Pressable, useWindowDimensions, View } from 'react-native';
import { call, callForFile, NoAnswer, Refused } from '../../data/api';
import type { HireView } from '../../data/hire';
import { pictureOf } from '../../platform/picture';
import { type PairPicture, PairView, ShareSlider, type Shows } from '../../platform/pair';
import { Notice } from '../../ui/board';
import { Alt, Chip, Go } from '../../ui/press';
import { Sheet } from '../../ui/sheet';
import { useTones } from '../../ui/theme';
import { Body, Slab, Small } from '../../ui/words';
import type { Pair } from './useComparisons';

const SHOWS = ['slider', 'blink', 'heat'] as const satisfies readonly Shows[];
/** Both photographs of a surface as the machine laid them over each other; a box becomes a mark only when a person says so. */
export const PairSheet = ({
  view,
  comparison,
  onMark,
  onClose,
}: {
  view: HireView;
  comparison: Pair;
  /** Where a box is taken for a mark: its middle and size as shares of the photograph. Without it, boxes are only looked at. */
  onMark?: ((box: ComparisonBox) => void) | undefined;
  onClose: () => void;
}) => {
  const { t, i18n } = useTranslation();
  const tones = useTones();
  const client = useQueryClient();
  const screen = useWindowDimensions().width;
  const width = Math.min(screen, 640) - 36;
  const [shape, setShape] = useState(0.75);
  const height = Math.round(width * shape);
  const [shows, setShows] = useState<Shows>('slider');
  const [share, setShare] = useState(0.5);
  const [chosen, setChosen] = useState<number>();
  const [fault, setFault] = useState<string>();
  /** The box that was put aside last; the bar that usually undoes lies below this sheet. */
  const [aside, setAside] = useState<Held[]>();
  const { pack, record } = view;
  const hireId = pack.hire.id;
  const surface = pack.book.surfaces.find(({ id }) => id === comparison.surface);
  const name = surface ? say(surface.name, i18n.language) : comparison.surface;
  const boxes = boxesLeft(record, comparison.surface, comparison.back, comparison.boxes);
  const box = chosen === undefined ? undefined : boxes[chosen];
  const change = async (what: 'cancel' | 'again') => {
    setFault(undefined);
    try {
      await call(changeComparison, { params: { hireId, out: comparison.out, back: comparison.back }, body: { do: what } });
      await client.invalidateQueries({ queryKey: ['comparisons', hireId] });
    } catch (error) {
      if (error instanceof NoAnswer) setFault(t('pair.offline'));
      else if (error instanceof Refused) setFault(error.problem.title);
      else throw error;
    }
  };
  const { out, back } = comparison;
  const done = comparison.state === 'done';
  const load = useCallback(
    async (picture: PairPicture) => {
      const or = async (fetched: () => Promise<Blob | undefined>, otherwise?: () => Promise<Blob | undefined>) => {
        try {
          return await fetched();
        } catch (error) {
          if (error instanceof NoAnswer || error instanceof Refused) return otherwise?.();
          throw error;
        }
      };
      // As they are, until the machine has laid one over the other, and without signal.
      const asItIs = picture === 'heat' ? undefined : () => or(() => pictureOf(hireId, picture === 'back' ? back : out));
      return done ? or(() => callForFile(comparisonPicture, { params: { hireId, out, back, picture } }), asItIs) : asItIs?.();
    },
    [hireId, out, back, done],
  );
  const dismiss = async (one: ComparisonBox) => {
    const held = await view.add([{ kind: 'boxDismissed', photo: comparison.back, x: one.x, y: one.y }]);
    setChosen(undefined);
    setAside(held);
  };
  const words = {
    queued: t('pair.queued'),
    running: t('pair.running'),
    cancelled: t('pair.cancelled'),
    failed: t('pair.failed', { why: comparison.reason ?? '' }),
    refused: t(`pair.reason.${(comparison.reason ?? 'otherPlace') as 'dark'}`),
    here: t('pair.here'),
    done:
      comparison.boxes.length === 0 ? t('pair.nothing') : boxes.length === 0 ? t('pair.judged') : t('pair.found', { count: boxes.length }),
  };
  const open = comparison.state === 'queued' || comparison.state === 'running';
  return (
    <Sheet
      title={name}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        box && onMark ? (
          <>
            <Go label={t('pair.mark')} onPress={() => onMark(box)} testID="box-mark" />
            <Alt label={t('pair.dismiss')} onPress={() => void dismiss(box)} testID="box-dismiss" />
          </>
        ) : null
      }
    >
      {fault ? <Notice kind="stop" title={fault} /> : null}
      <Notice
        kind={done ? 'ok' : comparison.state === 'refused' || comparison.state === 'failed' ? 'stop' : 'ask'}
        title={words[comparison.state]}
      >
        {done ? <Body>{t('pair.person')}</Body> : <Body>{t('pair.asTheyAre')}</Body>}
        {aside ? (
          <Alt
            label={t('pair.bringBack')}
            onPress={() => void view.undo(aside).then(() => setAside(undefined))}
            style={{ alignSelf: 'flex-start' }}
            testID="box-back"
          />
        ) : null}
        {open ? <Alt label={t('pair.callOff')} onPress={() => void change('cancel')} testID="pair-cancel" /> : null}
        {comparison.state === 'failed' || comparison.state === 'cancelled' ? (
          <Alt label={t('pair.again')} onPress={() => void change('again')} testID="pair-again" />
        ) : null}
      </Notice>
      <View style={{ width, height }}>
        <PairView load={load} shows={shows} share={share} width={width} height={height} alt={t('pair.both', { name })} onShape={setShape} />
        {boxes.map((one, i) => (
          <Pressable
            key={boxName(one)}
            role="button"
            aria-label={t('pair.box', { n: i + 1 })}
            aria-pressed={i === chosen}
            onPress={() => setChosen(i === chosen ? undefined : i)}
            testID={`box-${i + 1}`}
            style={{
              position: 'absolute',
              left: one.x * width - 6,
              top: one.y * height - 6,
              minWidth: 44,
              minHeight: 44,
              width: one.width * width + 12,
              height: one.height * height + 12,
              borderWidth: i === chosen ? 5 : 3,
              borderColor: i === chosen ? tones.mari : tones.lead,
              borderRadius: 8,
            }}
          >
            <View
              style={{
                position: 'absolute',
                right: -10,
                top: -14,
                backgroundColor: tones.mari,
                borderRadius: 12,
                paddingHorizontal: 7,
              }}
            >
              <Slab size={17} tone="onMari">
                {i + 1}
              </Slab>
            </View>
          </Pressable>
        ))}
      </View>
      <View style={{ flexDirection: 'row', gap: 8, flexWrap: 'wrap' }} role="radiogroup" aria-label={t('pair.shows')}>
        {SHOWS.filter((one) => done || one !== 'heat').map((one) => (
          <Chip key={one} label={t(`pair.show.${one}`)} on={shows === one} onPress={() => setShows(one)} testID={`show-${one}`} />
        ))}
      </View>
      {shows === 'slider' ? (
        <View style={{ gap: 2 }}>
          <ShareSlider share={share} onShare={setShare} label={t('pair.share')} colour={tones.weed} width={width} />
          <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
            <Small>{t('compare.out')}</Small>
            <Small>{t('compare.in')}</Small>
          </View>
        </View>
      ) : null}
    </Sheet>
  );
};
