import type { Plan, Spot } from '@quay/core/fleet/drawing';
import type { Station } from '@quay/core/fleet/rows';
import { say } from '@quay/core/words/words';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { onKey } from '../../../../platform/browser';
import { PinBoard } from '../../../../platform/drawing/pinBoard';
import { Button } from '../../../../ui/controls/button';
import { useRoom } from '../../../../ui/room';
import { FACE, useTones } from '../../../../ui/theme';
import { Body, Small } from '../../../../ui/words';
import { snapped } from '../strokes/shapes';

/** A press of an arrow moves a station so far, and so fine they are placed, metres. */
const STEP = 0.05;

/**
 * The stations on the boat, in the order of the walk: pulled where they belong, or moved by the arrows. They are kept together,
 * once they lie where they should.
 */
export const StationBoard = ({
  plan,
  stations,
  width,
  busy,
  onKeep,
  onAdd,
}: {
  plan: Plan;
  stations: readonly Station[];
  width: number;
  busy: boolean;
  onKeep: (moved: ReadonlyMap<string, Spot>) => void;
  onAdd: (at: Spot) => void;
}) => {
  const { t, i18n } = useTranslation();
  const tones = useTones();
  const { wide } = useRoom();
  const [moved, setMoved] = useState<ReadonlyMap<string, Spot>>(new Map());
  const [selected, setSelected] = useState<string>();
  // What was kept is where the book says.
  useEffect(() => setMoved(new Map()), [stations]);
  const spotOf = ({ id, at }: Station): Spot => moved.get(id) ?? at;
  const move = (id: string, to: Spot) => {
    const [x, y] = snapped(to, STEP);
    const within: Spot = [Math.min(plan.lengthM, Math.max(0, x)), Math.min(plan.beamM / 2, Math.max(-plan.beamM / 2, y))];
    setMoved(new Map(moved).set(id, within));
    setSelected(id);
  };
  const chosen = stations.find(({ id }) => id === selected);
  useEffect(() =>
    onKey((key) => {
      const by = { ArrowLeft: [-STEP, 0], ArrowRight: [STEP, 0], ArrowUp: [0, -STEP], ArrowDown: [0, STEP] }[key];
      if (!chosen || !by) return false;
      const [x, y] = spotOf(chosen);
      move(chosen.id, [x + by[0]!, y + by[1]!]);
      return true;
    }),
  );
  const height = Math.round(Math.max(140, Math.min(wide ? 360 : 160, (width * plan.beamM) / plan.lengthM + 40)));
  return (
    <View style={{ gap: 8 }}>
      <View style={{ backgroundColor: tones.water, overflow: 'hidden' }}>
        <PinBoard
          plan={plan}
          pins={stations.map((station, i) => ({ id: station.id, label: String(i + 1), at: spotOf(station) }))}
          selected={selected}
          width={width}
          height={height}
          colours={tones}
          font={FACE.slabBold}
          onSelect={setSelected}
          onMove={move}
          onPlace={onAdd}
        />
      </View>
      <View style={{ paddingHorizontal: 12, gap: 8 }}>
        {chosen ? (
          <Body>{t('stationBoard.chosen', { name: say(chosen.name, i18n.language) })}</Body>
        ) : (
          <Small>{t('stationBoard.how')}</Small>
        )}
        {moved.size > 0 ? (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            <Button
              mode="contained"
              label={t('stationBoard.keep', { count: moved.size })}
              busy={busy}
              onPress={() => onKeep(moved)}
              testID="keep-stations"
            />
            <Button mode="outlined" label={t('stationBoard.back')} onPress={() => setMoved(new Map())} testID="stations-back" />
          </View>
        ) : null}
      </View>
    </View>
  );
};
