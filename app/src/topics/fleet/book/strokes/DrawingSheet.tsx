import { mdiArrangeBringToFront, mdiArrangeSendToBack, mdiDeleteOutline, mdiRedo, mdiUndo, mdiVectorPolylinePlus } from '@mdi/js';
import type { Plan, Spot, Stroke } from '@quay/core/fleet/drawing';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useWindowDimensions, View } from 'react-native';
import { DrawingBoard, type Field } from '../../../../platform/drawing/drawingBoard';
import { FileDrop } from '../../../../platform/fileDrop';
import { onKey } from '../../../../platform/browser';
import { strokesOfSvg, SvgRefused } from '../../../../platform/drawing/svgStrokes';
import { Notice } from '../../../../ui/board';
import { Button, IconButton } from '../../../../ui/controls/button';
import { CheckboxRow } from '../../../../ui/controls/checkboxRow';
import { ChoiceChip } from '../../../../ui/controls/choiceChip';
import { ModalSheet, roomBeside } from '../../../../ui/controls/modalSheet';
import { useTones, WIDE } from '../../../../ui/theme';
import { Small } from '../../../../ui/words';
import { useHistory } from './history';
import { BoatPalette, SurfacePalette } from './palettes';
import { changed, hullOutline, isEven, mirrored, moved, snapped, thingAt, TONES, twinOf, withMorePoints, withPoint } from './shapes';

/** How fine it is drawn: 5 cm on a boat, a hundredth of a surface. */
const [BOAT_GRID, SURFACE_GRID] = [0.05, 0.01];

type On = { field: Field; boat: { lengthM: number; beamM: number } | undefined; ratio: number };

/** A board to draw on: an outline from a form, things put aboard, pulled and moved on both sides at once. */
export const DrawingSheet = ({
  title,
  strokes: first,
  on: { field, boat, ratio },
  plan,
  onKeep,
  onClose,
}: {
  title: string;
  strokes: readonly Stroke[];
  on: On;
  /** The boat from above, which a surface can be made from. */
  plan: Plan | undefined;
  onKeep: (strokes: readonly Stroke[]) => void;
  onClose: () => void;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  const window = useWindowDimensions();
  const { now: strokes, put, undo, redo } = useHistory<readonly Stroke[]>(first);
  const [selected, setSelected] = useState<number>();
  const [both, setBoth] = useState(boat !== undefined);
  const [fine, setFine] = useState(true);
  const [fault, setFault] = useState<string>();
  const grid = fine ? (boat ? BOAT_GRID : SURFACE_GRID) : 0.001;
  const chosen = selected === undefined ? undefined : strokes[selected];
  const width = window.width >= WIDE ? roomBeside(window.width) : window.width - 36;
  const height = Math.round(Math.max(170, Math.min(width / ratio + 32, window.height * 0.46)));
  const onGrid = (stroke: Stroke): Stroke => {
    if (stroke.draw === 'path') return stroke;
    const at = snapped(stroke.at, grid);
    return stroke.draw === 'box' ? { ...stroke, at, size: snapped(stroke.size, grid) } : { ...stroke, at };
  };
  const change = (i: number, stroke: Stroke) => put(changed(strokes, i, onGrid(stroke), both));
  const middle: Spot = [field.left + field.width / 2, field.top + field.height / 2];
  const add = (more: readonly Stroke[]) => {
    put([...strokes, ...more]);
    setSelected(strokes.length);
  };
  const instead = (all: readonly Stroke[]) => {
    put(all);
    setSelected(undefined);
  };
  const drop = () => {
    if (selected === undefined) return;
    const twin = both ? twinOf(strokes, selected) : undefined;
    put(strokes.filter((_, i) => i !== selected && i !== twin));
    setSelected(undefined);
  };
  const nudge = (by: Spot) => {
    if (selected !== undefined && chosen) put(changed(strokes, selected, moved(chosen, by), both));
  };
  useEffect(() =>
    onKey((key) => {
      const by: Readonly<Record<string, Spot>> = {
        ArrowLeft: [-grid, 0],
        ArrowRight: [grid, 0],
        ArrowUp: [0, -grid],
        ArrowDown: [0, grid],
      };
      if (selected === undefined) return false;
      if (key === 'Delete' || key === 'Backspace') drop();
      else if (by[key]) nudge(by[key]);
      else return false;
      return true;
    }),
  );
  const bring = async (file: File) => {
    setFault(undefined);
    try {
      put(strokesOfSvg(await file.text(), field));
      setSelected(undefined);
    } catch (error) {
      if (!(error instanceof SvgRefused)) throw error;
      setFault(t(`fleet.draw.svg.${error.why}`));
    }
  };
  const layer = (to: 'front' | 'back') => {
    if (selected === undefined || !chosen) return;
    const others = strokes.filter((_, i) => i !== selected);
    put(to === 'front' ? [...others, chosen] : [chosen, ...others]);
    setSelected(to === 'front' ? others.length : 0);
  };
  const tools = (
    <View style={{ gap: 10 }}>
      {fault ? <Notice kind="stop" title={fault} /> : null}
      {boat ? (
        <>
          <CheckboxRow label={t('fleet.draw.both')} on={both} onChange={setBoth} testID="draw-both" />
          <BoatPalette
            onForm={(form) =>
              // Another outline takes the place of the one there is.
              instead([...hullOutline(form, boat.lengthM, boat.beamM), ...strokes.filter(({ tone }) => tone !== 'hull')])
            }
            onThing={(thing) => {
              // On both sides it begins beside the middle, so that each is seen.
              const aside: Spot = both ? [middle[0], boat.beamM / 4] : middle;
              const one = thingAt(thing, snapped(aside, grid), boat);
              add(both && !isEven(one) ? [one, mirrored(one)] : [one]);
            }}
          />
        </>
      ) : (
        <SurfacePalette plan={plan} onInstead={instead} onAdd={(one) => add([one])} onUnder={(one) => put([one, ...strokes])} />
      )}
      <CheckboxRow label={t(boat ? 'fleet.draw.grid' : 'fleet.draw.surfaceGrid')} on={fine} onChange={setFine} testID="draw-grid" />
      <FileDrop accept={['.svg', 'image/svg+xml']} onFile={(file) => void bring(file)}>
        {(choose) => (
          <View style={{ gap: 4 }}>
            <Small>{t('fleet.draw.svgWhy')}</Small>
            <Button
              mode="outlined"
              label={t('fleet.draw.fromSvg')}
              onPress={choose}
              style={{ alignSelf: 'flex-start' }}
              testID="from-svg"
            />
          </View>
        )}
      </FileDrop>
    </View>
  );
  return (
    <ModalSheet
      beside={tools}
      title={title}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={<Button mode="contained" label={t('fleet.draw.keep')} onPress={() => onKeep(strokes)} testID="keep-drawing" />}
    >
      <View style={{ gap: 10 }}>
        <View style={{ backgroundColor: tones.water, borderRadius: 12, overflow: 'hidden', alignSelf: 'center' }}>
          <DrawingBoard
            strokes={strokes}
            field={field}
            width={width}
            height={height}
            selected={selected}
            colours={{ ...tones, chosen: tones.primary }}
            middle={boat !== undefined}
            onSelect={setSelected}
            onChange={change}
            onPoint={(i, n, to) => {
              const stroke = strokes[i];
              if (stroke?.draw !== 'path') return;
              const next = withPoint(stroke, n, snapped(to, grid), both);
              put(isEven(stroke) ? strokes.map((same, j) => (j === i ? next : same)) : changed(strokes, i, next, both));
            }}
          />
        </View>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 4, alignItems: 'center' }}>
          <IconButton path={mdiUndo} label={t('common.undo')} onPress={() => undo?.()} disabled={!undo} plain testID="draw-undo" />
          <IconButton path={mdiRedo} label={t('fleet.draw.redo')} onPress={() => redo?.()} disabled={!redo} plain testID="draw-redo" />
          {chosen ? (
            <>
              <IconButton path={mdiArrangeSendToBack} label={t('fleet.draw.back')} onPress={() => layer('back')} plain testID="draw-back" />
              <IconButton
                path={mdiArrangeBringToFront}
                label={t('fleet.draw.front')}
                onPress={() => layer('front')}
                plain
                testID="draw-front"
              />
              {chosen.draw === 'path' ? (
                <IconButton
                  path={mdiVectorPolylinePlus}
                  label={t('fleet.draw.morePoints')}
                  onPress={() => put(strokes.map((same, i) => (i === selected ? withMorePoints(chosen) : same)))}
                  plain
                  testID="draw-more-points"
                />
              ) : null}
              <IconButton path={mdiDeleteOutline} label={t('fleet.draw.drop')} onPress={drop} plain testID="draw-drop" />
            </>
          ) : (
            <Small>{t('fleet.draw.press')}</Small>
          )}
        </View>
        {chosen ? (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }} role="radiogroup" aria-label={t('fleet.draw.tone')}>
            {TONES.map((tone) => (
              <ChoiceChip
                key={tone}
                label={t(`fleet.draw.tones.${tone}`)}
                on={(chosen.tone ?? 'line') === tone}
                onPress={() => put(changed(strokes, selected!, { ...chosen, tone }, both))}
                testID={`tone-${tone}`}
              />
            ))}
          </View>
        ) : null}
      </View>
    </ModalSheet>
  );
};
