import type { ReactNode } from 'react';
import Svg, { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { type Tones, useTones } from '../../ui/theme';

/** Controls as they are seen on a boat, each on a field of 96 by 72. `share` runs from 0 to 1 through the positions. */
type Drawn = { share: number; on: boolean; tones: Tones };

const key = ({ share, tones }: Drawn): ReactNode => (
  <G>
    <Circle cx={48} cy={36} r={30} fill={tones.hull} stroke={tones.ink} strokeWidth={3} />
    <G transform={`rotate(${-60 + share * 120} 48 36)`}>
      <Rect x={41} y={10} width={14} height={46} rx={7} fill={tones.dark} stroke={tones.line} strokeWidth={1} />
      <Circle cx={48} cy={17} r={3.2} fill={tones.warning} />
    </G>
  </G>
);

const lever = ({ share, tones }: Drawn): ReactNode => (
  <G>
    <Rect x={42} y={4} width={12} height={64} rx={6} fill={tones.line} stroke={tones.soft} strokeWidth={1.5} />
    <Rect x={22} y={56 - share * 48 - 2} width={52} height={18} rx={8} fill={tones.primary} stroke={tones.ink} strokeWidth={2.5} />
    <Circle cx={48} cy={56 - share * 48 + 7} r={4} fill={tones.warning} />
  </G>
);

const toggle = ({ on, tones }: Drawn): ReactNode => (
  <G>
    <Rect x={28} y={6} width={40} height={60} rx={10} fill={tones.dark} stroke={tones.line} strokeWidth={1.5} />
    <Rect x={33} y={on ? 10 : 36} width={30} height={26} rx={7} fill={on ? tones.warning : tones.hull} stroke={tones.ink} strokeWidth={2} />
    <Line
      x1={48}
      y1={on ? 17 : 43}
      x2={48}
      y2={on ? 29 : 55}
      stroke={on ? tones.onWarning : tones.soft}
      strokeWidth={3}
      strokeLinecap="round"
    />
  </G>
);

const cord = ({ on, tones }: Drawn): ReactNode => (
  <G>
    <Circle cx={26} cy={36} r={13} fill={on ? tones.danger : tones.hull} stroke={tones.ink} strokeWidth={3} />
    <Path
      d={on ? 'M39 36c6-14 10 14 16 0s10 14 16 0 8 8 12 0' : 'M58 62c6-14 8 8 13-4s6 6 12-4'}
      fill="none"
      stroke={tones.danger}
      strokeWidth={4}
      strokeLinecap="round"
    />
    {on ? <Circle cx={26} cy={36} r={5} fill={tones.onDanger} /> : <Rect x={47} y={56} width={14} height={10} rx={3} fill={tones.danger} />}
  </G>
);

/** A shore lead: in its socket, or out and hanging. */
const plug = ({ on, tones }: Drawn): ReactNode => (
  <G>
    <Rect x={8} y={16} width={26} height={40} rx={6} fill={tones.hull} stroke={tones.ink} strokeWidth={3} />
    <Circle cx={21} cy={28} r={3.5} fill={tones.ink} />
    <Circle cx={21} cy={44} r={3.5} fill={tones.ink} />
    <G x={on ? 0 : 22} y={on ? 0 : 8}>
      {on ? null : <Path d="M30 28h10M30 44h10" stroke={tones.soft} strokeWidth={4} strokeLinecap="round" />}
      <Rect x={36} y={18} width={20} height={36} rx={5} fill={tones.warning} stroke={tones.ink} strokeWidth={3} />
      <Path
        d={on ? 'M56 36c14 0 6 24 20 24' : 'M56 36c8 0 4 16 12 18'}
        fill="none"
        stroke={tones.warning}
        strokeWidth={5}
        strokeLinecap="round"
      />
    </G>
  </G>
);

const button = ({ on, tones }: Drawn): ReactNode => (
  <G>
    <Circle cx={48} cy={36} r={29} fill={tones.dark} stroke={tones.line} strokeWidth={1.5} />
    <Circle cx={48} cy={36} r={on ? 17 : 21} fill={on ? tones.warning : tones.primary} stroke={tones.ink} strokeWidth={3} />
  </G>
);

const knob = ({ share, tones }: Drawn): ReactNode => (
  <G>
    <Rect x={10} y={14} width={14} height={44} rx={4} fill={tones.dark} />
    <Rect x={24} y={31} width={12 + share * 26} height={10} fill={tones.soft} />
    <Rect x={36 + share * 26} y={18} width={20} height={36} rx={9} fill={tones.danger} stroke={tones.ink} strokeWidth={3} />
  </G>
);

const valve = ({ on, tones }: Drawn): ReactNode => (
  <G>
    <Rect x={8} y={30} width={80} height={14} rx={4} fill={tones.hull} stroke={tones.ink} strokeWidth={2.5} />
    <G transform={`rotate(${on ? 0 : 90} 48 37)`}>
      <Rect x={38} y={32} width={46} height={10} rx={5} fill={on ? tones.warning : tones.danger} stroke={tones.ink} strokeWidth={2.5} />
    </G>
    <Circle cx={48} cy={37} r={7} fill={tones.ink} />
  </G>
);

const leg = ({ on, tones }: Drawn): ReactNode => (
  <G>
    <Rect x={0} y={46} width={96} height={26} fill={tones.water} />
    <Path d="M0 46q12-7 24 0t24 0t24 0t24 0" fill="none" stroke={tones.ripple} strokeWidth={2.5} />
    <Path d="M4 14h34v34H4Z" fill={tones.hull} stroke={tones.ink} strokeWidth={2.5} />
    <G transform={`rotate(${on ? 0 : -62} 44 22)`}>
      <Path d="M40 8h24v18h-6v30h8v6H50v-6h2V26h-12Z" fill={tones.dark} stroke={tones.line} strokeWidth={1} />
      <Line x1={58} y1={50} x2={58} y2={68} stroke={tones.warning} strokeWidth={5} strokeLinecap="round" />
    </G>
  </G>
);

const hatch = ({ on, tones }: Drawn): ReactNode => (
  <G>
    <Rect x={14} y={40} width={68} height={26} rx={4} fill={tones.dark} />
    <Path d={on ? 'M14 40 30 8h56L82 40Z' : 'M14 32h68v10H14Z'} fill={tones.hull} stroke={tones.ink} strokeWidth={3} />
  </G>
);

const pedal = ({ share, tones }: Drawn): ReactNode => (
  <G>
    <Path d="M14 62h68" stroke={tones.ink} strokeWidth={4} strokeLinecap="round" />
    <G transform={`rotate(${-26 + share * 24} 76 58)`}>
      <Rect x={16} y={48} width={62} height={12} rx={6} fill={tones.primary} stroke={tones.ink} strokeWidth={2.5} />
    </G>
  </G>
);

const pump = ({ on, tones }: Drawn): ReactNode => (
  <G>
    <Rect x={34} y={34} width={28} height={34} rx={5} fill={tones.hull} stroke={tones.ink} strokeWidth={3} />
    <Line x1={48} y1={on ? 24 : 8} x2={48} y2={36} stroke={tones.soft} strokeWidth={6} />
    <Rect x={28} y={on ? 18 : 2} width={40} height={10} rx={5} fill={tones.danger} stroke={tones.ink} strokeWidth={2.5} />
  </G>
);

const act = ({ on, tones }: Drawn): ReactNode => (
  <G>
    <Rect x={26} y={14} width={44} height={44} rx={12} fill={on ? tones.primary : tones.card} stroke={tones.primary} strokeWidth={3.5} />
    {on ? (
      <Path d="m36 37 9 9 17-19" fill="none" stroke={tones.onPrimary} strokeWidth={5.5} strokeLinecap="round" strokeLinejoin="round" />
    ) : null}
  </G>
);

const DRAWINGS = { key, lever, switch: toggle, cord, plug, button, knob, valve, leg, pedal, hatch, pump, act } as const;

/** @param at place of the position @param of how many there are */
export const ControlDrawing = ({ widget, at, of, size = 96 }: { widget: keyof typeof DRAWINGS; at: number; of: number; size?: number }) => {
  const tones = useTones();
  return (
    <Svg width={size} height={size * 0.75} viewBox="0 0 96 72" style={{ pointerEvents: 'none' }}>
      {DRAWINGS[widget]({ share: of > 1 ? at / (of - 1) : 0, on: at > 0, tones })}
    </Svg>
  );
};
