import type { FuelShown, Steering } from '@quay/core/fleet/starter/systems';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { FACE, useTones } from '../../../ui/theme';

/** What is asked for, drawn: each as one finds it on a boat. */

const SIZE = { width: 96, height: 74 };

/** What shows how much fuel is left. */
export const Shown = ({ how, on }: { how: FuelShown; on: boolean }) => {
  const tones = useTones();
  const ink = on ? tones.primary : tones.soft;
  const stroke = { stroke: ink, strokeWidth: 3, fill: 'none', strokeLinecap: 'round' } as const;
  return (
    <Svg {...SIZE} viewBox="0 0 96 74" aria-hidden>
      {how === 'needle' ? (
        <G>
          <Path d="M14 60a34 34 0 0 1 68 0" {...stroke} />
          <Path d="M20 46l6 3M48 26v7M76 46l-6 3" {...stroke} />
          <Path d="M48 60L66 36" {...stroke} strokeWidth={5} />
          <Circle cx={48} cy={60} r={5} fill={ink} />
        </G>
      ) : how === 'sightLine' ? (
        <G>
          <Rect x={38} y={6} width={20} height={62} rx={10} {...stroke} />
          <Path d="M40 36h16v22a8 8 0 0 1-16 0z" fill={on ? tones.primary : tones.line} />
          <Path d="M66 14h8M66 27h5M66 40h8M66 53h5" {...stroke} />
        </G>
      ) : how === 'dipstick' ? (
        <G>
          <Path d="M40 8h16M48 8v58" {...stroke} strokeWidth={5} />
          <Path d="M48 40v26" stroke={on ? tones.warning : tones.line} strokeWidth={7} />
          <Path d="M56 22h8M56 34h8M56 46h8M56 58h8" {...stroke} />
        </G>
      ) : how === 'sender' ? (
        <G>
          <Rect x={14} y={18} width={68} height={40} rx={8} {...stroke} />
          <SvgText x={48} y={47} textAnchor="middle" fontFamily={FACE.slabBold} fontSize={25} fill={ink}>
            62 %
          </SvgText>
        </G>
      ) : (
        <G>
          <Rect x={10} y={22} width={76} height={32} rx={6} {...stroke} />
          <Line x1={29} y1={22} x2={29} y2={54} stroke={ink} strokeWidth={2} />
          <Line x1={48} y1={22} x2={48} y2={54} stroke={ink} strokeWidth={2} />
          <Line x1={67} y1={22} x2={67} y2={54} stroke={ink} strokeWidth={2} />
          {['0', '4', '1', '7'].map((digit, i) => (
            <SvgText key={i} x={19.5 + i * 19} y={46} textAnchor="middle" fontFamily={FACE.slabBold} fontSize={21} fill={ink}>
              {digit}
            </SvgText>
          ))}
        </G>
      )}
    </Svg>
  );
};

/** What one steers with, seen from above. */
export const Steered = ({ by, on }: { by: Steering; on: boolean }) => {
  const tones = useTones();
  const ink = on ? tones.primary : tones.soft;
  const stroke = { stroke: ink, strokeWidth: 4, fill: 'none', strokeLinecap: 'round' } as const;
  return (
    <Svg {...SIZE} viewBox="0 0 96 74" aria-hidden>
      {by === 'wheel' ? (
        <G>
          <Circle cx={48} cy={37} r={26} {...stroke} />
          <Circle cx={48} cy={37} r={6} fill={ink} />
          <Path d="M48 31V11M53 40l17 10M43 40L26 50" {...stroke} />
        </G>
      ) : (
        <G>
          <Path d="M16 14v46M16 37h14" {...stroke} />
          <Path d="M30 37L80 22" {...stroke} strokeWidth={7} />
          <Path d="M70 44a40 40 0 0 1-6 18M58 62l6 1 4-5" {...stroke} strokeWidth={3} />
        </G>
      )}
    </Svg>
  );
};
