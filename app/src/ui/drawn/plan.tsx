import type { Book } from '@quay/core/fleet/book';
import { Pressable, View } from 'react-native';
import Svg, { Circle, Path, Text as SvgText } from 'react-native-svg';
import { Strokes } from './drawing';
import { grouped } from './grouped';
import { pressedAt } from './pressedAt';
import { FACE, useTones } from '../theme';

export type PlanStop = { id: string; name: string; label: string; state: 'completed' | 'now' | 'open' | 'ask' };

/** Ripples across the ground the boat lies on. */
const ripple = (width: number, y: number) =>
  `M-12 ${y}${Array.from({ length: Math.ceil(width / 24) + 1 }, (_, i) => (i === 0 ? 'q12-7 24 0' : 't24 0')).join('')}`;

/**
 * The boat from above, drawn from her book: the map for walking, counting, marking and comparing.
 * Bow to the right on a phone, bow up where there is height.
 */
export const Plan = ({
  plan,
  stations,
  stops,
  width,
  height,
  bowUp = false,
  onStop,
  onPlace,
}: {
  plan: Book['plan'];
  stations: Book['stations'];
  stops: readonly PlanStop[];
  width: number;
  height: number;
  bowUp?: boolean;
  onStop?: (id: string) => void;
  /** Where on the boat was pressed: metres from the stern, and from the middle to starboard. */
  onPlace?: { label: string; at: (spot: [number, number]) => void };
}) => {
  const tones = useTones();
  const along = plan.lengthM + 1.1;
  const across = plan.beamM + 0.7;
  const scale = bowUp ? Math.min(height / along, width / across) : Math.min(width / along, height / across);
  const middle = plan.lengthM / 2 - 0.1;
  const place = {
    scale,
    x: ([x, y]: readonly [number, number]) => (bowUp ? width / 2 + y * scale : width / 2 + (x - middle) * scale),
    y: ([x, y]: readonly [number, number]) => (bowUp ? height / 2 - (x - middle) * scale : height / 2 + y * scale),
  };
  // Several at one station stand beside each other.
  const stopsAt = new Map(stations.map((station) => [station, stops.filter(({ id }) => id === station.id)] as const));
  const groups = [...stopsAt].filter(([, those]) => those.length > 0);
  const discs = grouped(
    groups.map(([{ at }, those]) => ({ x: place.x(at), y: place.y(at), count: those.length })),
    { width, height },
  );
  const spots = groups.flatMap(([{ id }, those], g) =>
    those.map((stop, i) => {
      const [x, y] = discs[g]![i]!;
      return { stop, key: `${id}-${i}`, x, y, r: stop.state === 'now' ? 19 : 13 };
    }),
  );
  return (
    <View style={{ width, height, backgroundColor: tones.water, overflow: 'hidden' }}>
      <Svg width={width} height={height} aria-hidden>
        <Path d={ripple(width, 18)} stroke={tones.ripple} strokeWidth={2} fill="none" />
        <Path d={ripple(width, height - 12)} stroke={tones.ripple} strokeWidth={2} fill="none" />
        <Strokes strokes={plan.strokes} place={place} />
        {spots.map(({ stop, key, x, y, r }) => (
          <Circle
            key={key}
            cx={x}
            cy={y}
            r={r}
            fill={stop.state === 'completed' ? tones.primary : stop.state === 'open' ? tones.card : tones.warning}
            stroke={stop.state === 'completed' ? tones.card : tones.ink}
            strokeWidth={stop.state === 'now' ? 3 : 2}
          />
        ))}
        {spots.map(({ stop, key, x, y }) =>
          stop.state === 'completed' ? (
            <Path key={key} d={`M${x - 6} ${y}l4 5 8-9`} stroke={tones.onPrimary} strokeWidth={3} fill="none" />
          ) : (
            <SvgText
              key={key}
              x={x}
              y={y + (stop.state === 'now' ? 7 : 5)}
              textAnchor="middle"
              fontFamily={FACE.slabBold}
              fontSize={stop.state === 'now' ? 20 : 15}
              fill={stop.state === 'open' ? tones.ink : tones.onWarning}
            >
              {stop.label}
            </SvgText>
          ),
        )}
      </Svg>
      {onPlace ? (
        <Pressable
          role="button"
          aria-label={onPlace.label}
          testID="plan-place"
          style={{ position: 'absolute', left: 0, top: 0, width, height, cursor: 'crosshair' as 'pointer' }}
          onPress={(event) => {
            const pressed = pressedAt(event);
            if (!pressed) return;
            const [px, py] = pressed;
            const along_ = bowUp ? (height / 2 - py) / scale + middle : (px - width / 2) / scale + middle;
            const aside = bowUp ? (px - width / 2) / scale : (py - height / 2) / scale;
            const within = (v: number, low: number, high: number) => Math.round(Math.min(high, Math.max(low, v)) * 100) / 100;
            onPlace.at([within(along_, 0, plan.lengthM), within(aside, -plan.beamM / 2, plan.beamM / 2)]);
          }}
        />
      ) : null}
      {onStop
        ? spots.map(({ stop, key, x, y }) => (
            // The rope is the way to jump for keyboards and screen readers; this is the same for a thumb on the plan.
            <Pressable
              key={key}
              aria-hidden
              tabIndex={-1}
              onPress={() => onStop(stop.id)}
              style={{ position: 'absolute', left: x - 26, top: y - 26, width: 52, height: 52 }}
            />
          ))
        : null}
    </View>
  );
};
