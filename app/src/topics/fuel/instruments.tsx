import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { DragArea } from '../../ui/drawn/touch';
import { FACE, useTones } from '../../ui/theme';

type Props = { share: number; was: number | undefined; onSet: (share: number) => void; label: string };
/** Not among the styles a phone knows. */
const TO_PRESS = { cursor: 'pointer' } as object;
const clamp = (x: number) => Math.min(1, Math.max(0, x));

const SWEEP = (2 * Math.PI) / 3;
/** A needle over a third of a circle, empty on the left. */
export const Dial = ({ share, was, onSet, label }: Props) => {
  const tones = useTones();
  const [w, h, r] = [300, 190, 140];
  const [cx, cy] = [w / 2, 165];
  const angle = (s: number) => -Math.PI / 2 + (s - 0.5) * SWEEP;
  const tip = (s: number, of: number) => [cx + of * Math.cos(angle(s)), cy + of * Math.sin(angle(s))] as const;
  const arc = `M${tip(0, r).join(' ')}A${r} ${r} 0 0 1 ${tip(1, r).join(' ')}`;
  const hand = (s: number) => `M${cx} ${cy}L${tip(s, r - 18).join(' ')}`;
  const place = (x: number, y: number) => onSet(clamp((Math.atan2(y - cy, x - cx) + Math.PI / 2) / SWEEP + 0.5));
  return (
    <DragArea width={w} height={h} onDrag={({ x, y }) => place(x, y)}>
      <View role="img" aria-label={label} style={{ width: w, height: h, ...TO_PRESS }} testID="dial">
        <Svg width={w} height={h} style={{ pointerEvents: 'none' }}>
          <Path d={arc} stroke={tones.ink} strokeWidth={5} fill="none" />
          {Array.from({ length: 9 }, (_, i) => {
            const [a, b] = [tip(i / 8, r), tip(i / 8, r - (i % 4 === 0 ? 22 : 12))];
            return <Line key={i} x1={a[0]} y1={a[1]} x2={b[0]} y2={b[1]} stroke={tones.ink} strokeWidth={i % 4 === 0 ? 5 : 3} />;
          })}
          <G fontFamily={FACE.slabBold} fontSize={20} fill={tones.ink}>
            <SvgText
              x={tip(0, r - 40)[0]}
              y={tip(0, r - 40)[1] + 8}
              textAnchor="middle"
              fontFamily={FACE.slabBold}
              fontSize={20}
              fill={tones.ink}
            >
              E
            </SvgText>
            <SvgText
              x={tip(1, r - 40)[0]}
              y={tip(1, r - 40)[1] + 8}
              textAnchor="middle"
              fontFamily={FACE.slabBold}
              fontSize={20}
              fill={tones.ink}
            >
              F
            </SvgText>
          </G>
          {was === undefined ? null : (
            <Path d={hand(was)} stroke={tones.soft} strokeWidth={5} strokeDasharray="3 7" strokeLinecap="round" />
          )}
          <Path d={hand(share)} stroke={tones.danger} strokeWidth={7} strokeLinecap="round" />
          <Circle cx={cx} cy={cy} r={14} fill={tones.ink} />
        </Svg>
      </View>
    </DragArea>
  );
};

/** A level in a sight line: drag it to where it stands. */
export const Tube = ({ share, was, onSet, label }: Props) => {
  const tones = useTones();
  const [w, h, pad] = [150, 240, 14];
  const y = (s: number) => h - pad - s * (h - 2 * pad);
  return (
    <DragArea width={w} height={h} onDrag={({ y: at }) => onSet(clamp((h - pad - at) / (h - 2 * pad)))}>
      <View role="img" aria-label={label} style={{ width: w, height: h, ...TO_PRESS }} testID="tube">
        <Svg width={w} height={h} style={{ pointerEvents: 'none' }}>
          <Rect x={50} y={4} width={50} height={h - 8} rx={25} fill={tones.card} stroke={tones.ink} strokeWidth={3} />
          <Path d={`M52 ${y(share)}H98V${h - 30}a23 23 0 0 1-46 0Z`} fill={tones.warning} />
          <Line x1={38} y1={y(share)} x2={112} y2={y(share)} stroke={tones.danger} strokeWidth={6} strokeLinecap="round" />
          {was === undefined ? null : (
            <Line
              x1={30}
              y1={y(was)}
              x2={120}
              y2={y(was)}
              stroke={tones.soft}
              strokeWidth={4}
              strokeDasharray="3 7"
              strokeLinecap="round"
            />
          )}
          {[0, 0.25, 0.5, 0.75, 1].map((s) => (
            <Line key={s} x1={110} y1={y(s)} x2={s % 0.5 === 0 ? 136 : 126} y2={y(s)} stroke={tones.ink} strokeWidth={3} />
          ))}
        </Svg>
      </View>
    </DragArea>
  );
};
