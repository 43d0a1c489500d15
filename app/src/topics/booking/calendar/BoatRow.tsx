import type { Calendar, CalendarHire } from '@quay/contract/calendar';
import { phaseOf } from '@quay/core/day/bookings';
import { instantOf } from '@quay/core/time/zone';
import { memo } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { type BarLook, TimeBar, TimeLane } from '../../../platform/timeline';
import { TouchableRipple } from '../../../ui/controls/touchableRipple';
import { whenOf } from '../../../ui/format';
import { FACE, type Tones, useTones } from '../../../ui/theme';
import { Bold, Small } from '../../../ui/words';
import { type Grid, leftOf, movable, NAMES, ROW } from './grid';

const lookOf = (hire: CalendarHire, tones: Tones, wished: boolean, clashing: boolean): BarLook => {
  if (wished)
    return clashing
      ? { ground: tones.dangerPale, edge: tones.danger, ink: tones.dangerText, face: FACE.text, dashed: true }
      : { ground: tones.warningPale, edge: tones.warning, ink: tones.warningText, face: FACE.text, dashed: true };
  const phase = phaseOf(hire.state);
  if (phase === 'out') return { ground: tones.water, edge: tones.primary, ink: tones.ink, face: FACE.text, dashed: false };
  if (phase === 'leaving')
    return { ground: tones.primaryPale, edge: tones.primary, ink: tones.primaryText, face: FACE.text, dashed: false };
  return { ground: tones.card, edge: tones.line, ink: tones.soft, face: FACE.text, dashed: false };
};

/** One boat and her time: who has her when, and when she is out of service. */
export const BoatRow = memo(function BoatRow({
  boat,
  grid,
  hires,
  outOfService,
  wish,
  byKeys,
  clashing,
  now,
  onOpen,
  onKey,
  onBoat,
  onNew,
}: {
  boat: Calendar['boats'][number];
  grid: Grid;
  /** Of her alone. */
  hires: readonly CalendarHire[];
  outOfService: readonly Calendar['outOfService'][number][];
  /** The hire that was pushed elsewhere and is not kept there yet. */
  wish: string | undefined;
  /** It was pushed there by keys. */
  byKeys: boolean;
  clashing: boolean;
  now: number;
  onOpen: (hire: string) => void;
  onKey: (hire: string, key: string, shift: boolean) => boolean;
  onBoat: (boat: string) => void;
  /** @param minutes after the first day begins */
  onNew: (boat: string, minutes: number) => void;
}) {
  const { t, i18n } = useTranslation();
  const tones = useTones();
  const place = (from: string, to: string) => {
    const [a, b] = [Math.max(0, leftOf(Date.parse(from), grid)), Math.min(grid.lane, leftOf(Date.parse(to), grid))];
    return { left: a, width: b - a };
  };
  return (
    <View style={{ flexDirection: 'row', height: ROW, borderTopWidth: 1, borderTopColor: tones.line }} testID={`lane-${boat.id}`}>
      <TouchableRipple
        role="button"
        aria-label={t('calendar.boat', { boat: boat.name })}
        onPress={() => onBoat(boat.id)}
        testID={`boat-${boat.id}`}
        style={{ width: NAMES, justifyContent: 'center', paddingRight: 8 }}
      >
        <View>
          <Bold size={16} lines={1}>
            {boat.name}
          </Bold>
          <Small size={13} lines={1}>
            {t('newHire.upTo', { hull: boat.hullNumber, count: boat.people })}
          </Small>
        </View>
      </TouchableRipple>
      <View style={{ width: grid.lane, position: 'relative' }}>
        <TimeLane width={grid.lane} height={ROW} onPress={(px) => onNew(boat.id, px / grid.pxPerMin)} />
        {grid.days.map((day) => (
          <View
            key={day}
            style={{
              position: 'absolute',
              left: leftOf(Date.parse(instantOf(`${day}T00:00`, grid.zone)), grid),
              top: 0,
              bottom: 0,
              width: 1,
              backgroundColor: tones.line,
              pointerEvents: 'none',
            }}
          />
        ))}
        <View
          style={{
            position: 'absolute',
            left: leftOf(now, grid),
            top: 0,
            bottom: 0,
            width: 2,
            backgroundColor: tones.danger,
            pointerEvents: 'none',
          }}
        />
        {outOfService.map((one) => (
          <View
            key={one.id}
            style={{
              position: 'absolute',
              top: 8,
              height: ROW - 16,
              ...place(one.from, one.to ?? new Date(grid.start + (grid.lane / grid.pxPerMin) * 60_000).toISOString()),
              backgroundColor: tones.line,
              borderRadius: 6,
              justifyContent: 'center',
              paddingHorizontal: 6,
              overflow: 'hidden',
            }}
          >
            <Small size={13} lines={1}>
              {one.why}
            </Small>
          </View>
        ))}
        {hires.map((hire) => {
          const { left, width } = place(hire.from, hire.to);
          if (width <= 0) return null;
          const may = movable(hire);
          const when = `${whenOf(hire.from, grid.zone, now, i18n.language)} – ${whenOf(hire.to, grid.zone, now, i18n.language)}`;
          return (
            <TimeBar
              key={hire.id}
              id={hire.id}
              left={left}
              width={width}
              height={ROW - 7}
              label={`${boat.name}, ${hire.renter}, ${when}, ${t(`hire.state.${hire.state}`)}`}
              text={hire.renter}
              look={lookOf(hire, tones, hire.id === wish, clashing)}
              pinned={!may.along}
              pullable={may.end}
              takesFocus={byKeys && hire.id === wish}
              onOpen={onOpen}
              onKey={onKey}
            />
          );
        })}
      </View>
    </View>
  );
});
