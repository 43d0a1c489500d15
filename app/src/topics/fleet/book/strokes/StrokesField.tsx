import type { Plan, Stroke } from '@quay/core/fleet/drawing';
import { canDraw } from '@quay/core/fleet/drawing';
import { typedNumber } from '@quay/core/number/typed';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import Svg from 'react-native-svg';
import type { Field } from '../../../../platform/drawing/drawingBoard';
import { Tag } from '../../../../ui/board';
import { Button } from '../../../../ui/controls/button';
import { Strokes } from '../../../../ui/drawn/drawing';
import { lazyScreen } from '../../../../ui/lazyScreen';
import { useTones } from '../../../../ui/theme';
import { Small } from '../../../../ui/words';
import type { Draft } from '../draft';

const DrawingSheet = lazyScreen(
  () => import('../boards'),
  (file) => file.DrawingSheet,
);

/** Size of what is shown of a drawing in its row, px. */
const [SHOWN_WIDE, SHOWN_HIGH] = [320, 150];

const sizeIn = (row: Draft, field: string): number | undefined => {
  const typed = typeof row[field] === 'string' ? typedNumber(row[field]) : NaN;
  return typed > 0 ? typed : undefined;
};

/**
 * What a row is drawn on: the boat, metres from her stern and her middle line, or a surface, from 0 to 1 right and down.
 * Nothing while somebody has not said how large it is.
 */
const fieldOf = (row: Draft): { field: Field; boat: { lengthM: number; beamM: number } | undefined; ratio: number } | undefined => {
  if ('lengthM' in row) {
    const [lengthM, beamM] = [sizeIn(row, 'lengthM'), sizeIn(row, 'beamM')];
    if (lengthM === undefined || beamM === undefined) return undefined;
    return { field: { left: 0, top: -beamM / 2, width: lengthM, height: beamM }, boat: { lengthM, beamM }, ratio: lengthM / beamM };
  }
  const [width, height] = [sizeIn(row, 'widthM') ?? 1, sizeIn(row, 'heightM') ?? 1];
  return { field: { left: 0, top: 0, width: 1, height: 1 }, boat: undefined, ratio: width / height };
};

/** A drawing of a row: shown, and drawn on a board of its own. */
export const StrokesField = ({
  label,
  strokes,
  room,
  plan,
  fault,
  onSet,
}: {
  label: string;
  strokes: readonly Stroke[];
  /** The row that it is a field of. */
  room: Draft;
  /** The boat from above, which a surface can be made from. */
  plan: Plan | undefined;
  fault: string | undefined;
  onSet: (strokes: readonly Stroke[]) => void;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  const [open, setOpen] = useState(false);
  const on = fieldOf(room);
  const scale = on ? Math.min((SHOWN_WIDE - 16) / on.ratio, SHOWN_HIGH - 16) : 0;
  const place = on && {
    scale: on.boat ? scale / on.field.height : scale,
    x: ([x]: readonly [number, number]) => 8 + ((x - on.field.left) / on.field.width) * scale * on.ratio,
    y: ([, y]: readonly [number, number]) => 8 + ((y - on.field.top) / on.field.height) * scale,
  };
  return (
    <View style={{ gap: 6 }}>
      <Small>{label}</Small>
      {place && canDraw(strokes) ? (
        <View style={{ backgroundColor: tones.water, borderRadius: 12, alignSelf: 'flex-start' }}>
          <Svg width={scale * on.ratio + 16} height={scale + 16} aria-hidden>
            <Strokes strokes={strokes} place={place} />
          </Svg>
        </View>
      ) : (
        <Small>{t(on ? 'fleet.draw.nothing' : 'fleet.draw.sizeFirst')}</Small>
      )}
      {fault ? <Tag kind="stop">{fault}</Tag> : null}
      <Button
        mode="outlined"
        label={t(strokes.length > 0 ? 'fleet.draw.change' : 'fleet.draw.begin')}
        disabled={!on}
        onPress={() => setOpen(true)}
        style={{ alignSelf: 'flex-start' }}
        testID="draw"
      />
      {open && on ? (
        <DrawingSheet
          title={label}
          strokes={strokes}
          on={on}
          plan={plan}
          onKeep={(next) => {
            onSet(next);
            setOpen(false);
          }}
          onClose={() => setOpen(false)}
        />
      ) : null}
    </View>
  );
};
