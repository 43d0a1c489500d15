import { Pressable, View } from 'react-native';
import Svg, { Circle, Ellipse, G, Line, Path } from 'react-native-svg';
import { useTones } from '../theme';

export type Knot = { id: string; name: string; completed: boolean };

/** Progress of a walk: a rope with one knot per stop, drawn tight when it is completed; also the way to jump. */
export const Rope = ({
  knots,
  at,
  onJump,
  width,
  spoken,
}: {
  knots: readonly Knot[];
  at: number;
  onJump: (index: number) => void;
  width: number;
  spoken: (knot: Knot, index: number) => string;
}) => {
  const tones = useTones();
  const step = (width - 24) / knots.length;
  const x = (i: number) => 12 + step * (i + 0.5);
  return (
    <View style={{ height: 52, width }}>
      <Svg width={width} height={52} style={{ position: 'absolute' }} aria-hidden>
        <Line x1={0} y1={28} x2={width} y2={28} stroke={tones.ropeDark} strokeWidth={9} />
        <Line x1={0} y1={28} x2={width} y2={28} stroke={tones.rope} strokeWidth={6} />
        <Line x1={0} y1={28} x2={width} y2={28} stroke={tones.ropeDark} strokeWidth={6} strokeDasharray="1.5 7" opacity={0.7} />
        {knots.map((knot, i) =>
          i === at ? (
            <Circle key={knot.id} cx={x(i)} cy={27} r={15} fill={tones.warning} stroke={tones.ink} strokeWidth={3} />
          ) : knot.completed ? (
            <G key={knot.id} x={x(i)} y={26}>
              <Path d="M-13 3c4-14 22-14 26 0-4 13-22 13-26 0Z" fill={tones.rope} stroke={tones.ropeDark} strokeWidth={2} />
              <Path d="M-9-2C-2 6 2 6 9-2M-9 8C-2 0 2 0 9 8" stroke={tones.ropeDark} strokeWidth={2.4} fill="none" />
            </G>
          ) : (
            <Ellipse key={knot.id} cx={x(i)} cy={24} rx={11} ry={9} fill={tones.ground} stroke={tones.rope} strokeWidth={4} />
          ),
        )}
        {knots[at]?.completed ? <Path d={`M${x(at) - 6} 27l5 6 8-11`} stroke={tones.ink} strokeWidth={3} fill="none" /> : null}
      </Svg>
      <View style={{ flexDirection: 'row', paddingHorizontal: 12 }} role="tablist">
        {knots.map((knot, i) => (
          <Pressable
            key={knot.id}
            role="tab"
            aria-selected={i === at}
            aria-label={spoken(knot, i)}
            onPress={() => onJump(i)}
            style={{ width: step, height: 52 }}
            testID={`stop-${knot.id}`}
          />
        ))}
      </View>
    </View>
  );
};
