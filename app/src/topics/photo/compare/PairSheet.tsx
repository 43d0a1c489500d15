import { type StoredHireEvent } from '@quay/core/record/event';
import { changeComparison, type ComparisonBox } from '@quay/contract/compare';
import { boxName } from '@quay/core/condition/boxes';
import { MEASURED } from '@quay/core/photo/measured';
import { say } from '@quay/core/words/words';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Pressable, useWindowDimensions, View } from 'react-native';
import { call, NoAnswer, Refused } from '../../../local/api';
import { useErrorWords } from '../../../local/errorWords';
import type { HireView } from '../../../local/hire';
import { Notice } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { ModalSheet } from '../../../ui/controls/modalSheet';
import { useTones } from '../../../ui/theme';
import { Range } from '../../../platform/range';
import { Body, Slab, Small } from '../../../ui/words';
import { PairPictures } from './PairPictures';
import { LearntHere } from './LearntHere';
import { percentOf } from './percent';
import { boxesByRank, type Pair } from './useComparisons';

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
  const errorWords = useErrorWords();
  const tones = useTones();
  const client = useQueryClient();
  const screen = useWindowDimensions().width;
  const width = Math.min(screen, 640) - 36;
  const [chosen, setChosen] = useState<number>();
  const [fault, setFault] = useState<string>();
  /** The box that was put aside last; the bar that usually undoes lies below this sheet. */
  const [aside, setAside] = useState<StoredHireEvent[]>();
  const { pack, record } = view;
  const hireId = pack.hire.id;
  const surface = pack.book.surfaces.find(({ id }) => id === comparison.surface);
  const name = surface ? say(surface.name, i18n.language) : comparison.surface;
  const { shown, fainter } = boxesByRank(record, comparison);
  const [fainterShown, setFainterShown] = useState(0);
  const boxes = [...shown, ...fainter.slice(0, fainterShown)];
  const box = chosen === undefined ? undefined : boxes[chosen];
  const change = async (what: 'cancel' | 'again') => {
    setFault(undefined);
    try {
      await call(changeComparison, { params: { hireId, out: comparison.out, back: comparison.back }, body: { do: what } });
      await client.invalidateQueries({ queryKey: ['comparisons', hireId] });
    } catch (error) {
      if (error instanceof NoAnswer) setFault(t('pair.offline'));
      else if (error instanceof Refused) setFault(errorWords(error));
      else throw error;
    }
  };
  const done = comparison.state === 'done';
  const dismiss = async (one: ComparisonBox) => {
    const added = await view.add([{ kind: 'boxDismissed', photo: comparison.back, x: one.x, y: one.y }]);
    setChosen(undefined);
    setAside(added);
  };
  const words = {
    queued: t('pair.queued'),
    running: t('pair.running'),
    cancelled: t('pair.cancelled'),
    failed: t('pair.failed', { why: comparison.reason ?? '' }),
    refused: t(`pair.reason.${(comparison.reason ?? 'otherPlace') as 'dark'}`),
    here: t('pair.here'),
    done:
      shown.length > 0
        ? t('pair.found', { count: shown.length })
        : comparison.boxes.some(({ strength }) => strength >= comparison.learnt.shownFrom)
          ? t('pair.judged')
          : t('pair.nothing'),
  };
  const open = comparison.state === 'queued' || comparison.state === 'running';
  return (
    <ModalSheet
      title={name}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        box && onMark ? (
          <>
            <Button mode="contained" label={t('pair.mark')} onPress={() => onMark(box)} testID="box-mark" />
            <Button mode="outlined" label={t('pair.dismiss')} onPress={() => void dismiss(box)} testID="box-dismiss" />
          </>
        ) : null
      }
    >
      {fault ? <Notice kind="stop" title={fault} /> : null}
      <Notice
        kind={done ? 'ok' : comparison.state === 'refused' || comparison.state === 'failed' ? 'stop' : 'ask'}
        title={words[comparison.state]}
      >
        {done ? (
          <Body>{t('pair.person', { found: MEASURED.found, wrong: MEASURED.pairsWithFalseBox })}</Body>
        ) : (
          <Body>{t('pair.asTheyAre')}</Body>
        )}
        {aside ? (
          <Button
            mode="outlined"
            label={t('pair.bringBack')}
            onPress={() => void view.undo(aside).then(() => setAside(undefined))}
            style={{ alignSelf: 'flex-start' }}
            testID="box-back"
          />
        ) : null}
        {open ? <Button mode="outlined" label={t('pair.callOff')} onPress={() => void change('cancel')} testID="pair-cancel" /> : null}
        {comparison.state === 'failed' || comparison.state === 'cancelled' ? (
          <Button mode="outlined" label={t('pair.again')} onPress={() => void change('again')} testID="pair-again" />
        ) : null}
      </Notice>
      <PairPictures hireId={hireId} out={comparison.out} back={comparison.back} compared={done} name={name} width={width}>
        {({ width: across, height: down }) =>
          boxes.map((one, i) => (
            <Pressable
              key={boxName(one)}
              role="button"
              aria-label={t(i < shown.length ? 'pair.box' : 'pair.faintBox', { n: i + 1, likely: percentOf(one.strength) })}
              aria-pressed={i === chosen}
              onPress={() => setChosen(i === chosen ? undefined : i)}
              testID={`box-${i + 1}`}
              style={{
                position: 'absolute',
                left: one.x * across - 6,
                top: one.y * down - 6,
                minWidth: 44,
                minHeight: 44,
                width: one.width * across + 12,
                height: one.height * down + 12,
                borderWidth: i === chosen ? 5 : 3,
                borderStyle: i < shown.length ? 'solid' : 'dashed',
                borderColor: i === chosen ? tones.warning : tones.danger,
                borderRadius: 8,
              }}
            >
              <View
                style={{
                  position: 'absolute',
                  right: -10,
                  top: -14,
                  backgroundColor: tones.warning,
                  borderRadius: 12,
                  paddingHorizontal: 7,
                }}
              >
                <Slab size={17} tone="onWarning">
                  {i + 1}
                </Slab>
              </View>
            </Pressable>
          ))
        }
      </PairPictures>
      {done && fainter.length > 0 ? (
        <View style={{ gap: 2 }}>
          <Range
            most={fainter.length}
            value={Math.min(fainterShown, fainter.length)}
            onValue={(count) => {
              setFainterShown(count);
              setChosen(undefined);
            }}
            label={t('pair.fainter')}
            spoken={t('pair.fainterOf', { count: fainterShown, of: fainter.length })}
            colour={tones.primary}
            width={width}
            testID="fainter"
          />
          <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
            <Small>{t('pair.fainter')}</Small>
            <Small>{t('pair.fainterOf', { count: fainterShown, of: fainter.length })}</Small>
          </View>
        </View>
      ) : null}
      {done ? <LearntHere boat={pack.hire.boat} hireId={hireId} surface={comparison.surface} learnt={comparison.learnt} /> : null}
    </ModalSheet>
  );
};
