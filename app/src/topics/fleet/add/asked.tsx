import { Circle, G, Line, Path, Rect, Svg, Text as SvgText } from 'react-native-svg';
import type { ToiletKind } from '@quay/core/fleet/starter/systems';
import { FACE, useTones } from '../../../ui/theme';
import type { FigureName } from './newBoatForm';

/** What is asked of a boat, drawn: what is meant by it, and where one reads it. */

const SIZE = { width: 84, height: 64, viewBox: '0 0 96 74' };

/** A boat from above, bow to the right. */
const ABOVE = 'M14 22q0-5 5-5h38q16 0 26 20q-10 20-26 20H19q-5 0-5-5z';
/** A boat from her side, bow to the right, on her water. */
const BESIDE = 'M10 28h74q-4 18-16 24H20q-8-6-10-24z';
const WATER = 'M4 58q8-6 16 0t16 0t16 0t16 0t16 0';

/** What is asked for as a figure or in letters. */
export type Asked = FigureName | 'name' | 'hullNumber';

export const AskedDrawing = ({ of }: { of: Asked }) => {
  const tones = useTones();
  const line = { stroke: tones.ink, strokeWidth: 2.5, fill: 'none', strokeLinecap: 'round', strokeLinejoin: 'round' } as const;
  const measure = { ...line, stroke: tones.primary, strokeWidth: 3.5 };
  const words = { textAnchor: 'middle', fontFamily: FACE.slabBold, fill: tones.primary } as const;
  const plate = (
    <G>
      <Rect x={20} y={10} width={56} height={54} rx={6} {...line} fill={tones.card} />
      <Circle cx={27} cy={17} r={1.8} fill={tones.ink} />
      <Circle cx={69} cy={17} r={1.8} fill={tones.ink} />
    </G>
  );
  const drawn = () => {
    switch (of) {
      case 'name':
      case 'hullNumber':
        return (
          <G>
            <Path d={WATER} {...line} stroke={tones.soft} />
            <Path d={BESIDE} {...line} fill={tones.hull} />
            <SvgText x={of === 'name' ? 30 : 58} y={43} fontSize={of === 'name' ? 13 : 15} {...words}>
              {of === 'name' ? 'Aa' : 'N 7'}
            </SvgText>
          </G>
        );
      case 'lengthM':
        return (
          <G>
            <Path d={ABOVE} {...line} fill={tones.hull} />
            <Path d="M14 68H83M14 62v10M83 62v10" {...measure} />
          </G>
        );
      case 'beamM':
        return (
          <G>
            <Path d={ABOVE} {...line} fill={tones.hull} />
            <Path d="M44 17V57M37 17h14M37 57h14" {...measure} />
          </G>
        );
      case 'people':
        return (
          <G>
            {plate}
            {[36, 48, 60].map((x) => (
              <G key={x}>
                <Circle cx={x} cy={31} r={4.5} fill={tones.primary} />
                <Path d={`M${x - 6} 52v-6a6 6 0 0 1 12 0v6z`} fill={tones.primary} />
              </G>
            ))}
          </G>
        );
      case 'loadKg':
        return (
          <G>
            {plate}
            <Path d="M37 34h22l5 22H32z" fill={tones.primary} />
            <Circle cx={48} cy={29} r={5} {...measure} />
          </G>
        );
      case 'fuelL':
        return (
          <G>
            <Rect x={18} y={24} width={60} height={38} rx={8} {...line} />
            <Path d="M20 40h56v14a6 6 0 0 1-6 6H26a6 6 0 0 1-6-6z" fill={tones.primary} />
            <Path d="M60 24v-8h12v8M58 16h16" {...line} />
          </G>
        );
      default:
        return (
          <G>
            <Circle cx={32} cy={40} r={20} {...line} />
            <Path d="M32 27v13l9 6" {...line} />
            <Path d="M72 22q14 18 0 34q-14-16 0-34z" fill={tones.primary} />
          </G>
        );
    }
  };
  return (
    <Svg {...SIZE} aria-hidden>
      {drawn()}
    </Svg>
  );
};

/** A toilet by what one does to flush it. */
export const ToiletDrawing = ({ kind, on }: { kind: ToiletKind | 'none'; on: boolean }) => {
  const tones = useTones();
  const ink = on ? tones.primary : tones.soft;
  const line = { stroke: ink, strokeWidth: 3, fill: 'none', strokeLinecap: 'round', strokeLinejoin: 'round' } as const;
  const bowl = 'M26 34h36q0 18-12 22v10H38V56Q26 52 26 34zM22 34h44';
  return (
    <Svg {...SIZE} aria-hidden>
      {kind === 'none' ? (
        <Path d={`${bowl}M14 66L80 12`} {...line} />
      ) : (
        <G>
          <Path d={bowl} {...line} />
          {kind === 'hand' ? (
            <Path d="M78 66V30M70 66h16M78 30V14M70 14h16" {...line} />
          ) : kind === 'electric' ? (
            <G>
              <Rect x={70} y={16} width={20} height={20} rx={5} {...line} />
              <Circle cx={80} cy={26} r={4} fill={ink} />
            </G>
          ) : (
            <G>
              <Path d="M58 66h14l14-8" {...line} strokeWidth={5} />
              <Line x1={72} y1={66} x2={90} y2={66} stroke={ink} strokeWidth={3} />
            </G>
          )}
        </G>
      )}
    </Svg>
  );
};
