import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Path, Rect } from 'react-native-svg';
import { useTones } from '../../ui/theme';

/** A boat at a quay: a bollard, a line with its knot, the water. */
export const Emblem = () => {
  const tones = useTones();
  const [{ width, height }, setSize] = useState({ width: 390, height: 260 });
  const water = height * 0.66;
  const wave = (y: number) =>
    `M0 ${y}${Array.from({ length: Math.ceil(width / 40) + 1 }, (_, i) => (i === 0 ? 'q20-12 40 0' : 't40 0')).join('')}V${height}H0Z`;
  const middle = width / 2;
  return (
    <View style={{ flex: 1 }} onLayout={({ nativeEvent: { layout } }) => setSize({ width: layout.width, height: layout.height })}>
      <Svg width={width} height={height} aria-hidden>
        <Rect width={width} height={height} fill={tones.ground} />
        <Circle cx={middle + 96} cy={water - 100} r={30} fill={tones.warning} />
        <G x={middle - 40} y={water - 16}>
          <Path d="M-70 0H120Q104 46 70 50H-40Q-64 40-70 0Z" fill={tones.card} stroke={tones.ink} strokeWidth={4} strokeLinejoin="round" />
          <Path d="M-66 14H114" stroke={tones.primary} strokeWidth={8} />
          <Path d="M-20 0V-46H44V0M-20-46L-34-58H62L44-46" fill={tones.glass} stroke={tones.ink} strokeWidth={4} strokeLinejoin="round" />
        </G>
        <Path d={wave(water + 16)} fill={tones.water} />
        <Path d={wave(water + 36)} fill={tones.waterDeep} />
        <G x={width < 600 ? 0 : middle - 330}>
          <Rect x={0} y={water - 30} width={66} height={height} fill={tones.hull} stroke={tones.ink} strokeWidth={4} />
          <Path d="M30 0" />
          <Rect x={22} y={water - 62} width={22} height={34} rx={6} fill={tones.ink} />
          <Rect x={15} y={water - 68} width={36} height={13} rx={6} fill={tones.ink} />
        </G>
        <Path
          d={`M${(width < 600 ? 0 : middle - 330) + 44} ${water - 46}Q${middle - 120} ${water + 18} ${middle - 108} ${water - 14}`}
          stroke={tones.ropeDark}
          strokeWidth={9}
          fill="none"
          strokeLinecap="round"
        />
        <Path
          d={`M${(width < 600 ? 0 : middle - 330) + 44} ${water - 46}Q${middle - 120} ${water + 18} ${middle - 108} ${water - 14}`}
          stroke={tones.rope}
          strokeWidth={5}
          fill="none"
          strokeLinecap="round"
        />
      </Svg>
    </View>
  );
};
