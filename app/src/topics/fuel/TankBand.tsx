import type { Estimate } from '@quay/core/fuel/fuse';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { ClipPath, Defs, G, Line, Path, Rect } from 'react-native-svg';
import { useTones } from '../../ui/theme';

const HEIGHT = 56;
const EDGE = 3;
const ROUND = 14;

/** A tank lying before one, full to the right: what is surely in it, what may be, and the likeliest between. */
export const TankBand = ({
  id,
  estimate,
  capacityL,
  unusableL,
  label,
}: {
  id: string;
  estimate: Estimate;
  capacityL: number;
  unusableL: number;
  label: string;
}) => {
  const tones = useTones();
  const [width, setWidth] = useState(320);
  const x = (litres: number) => EDGE + (Math.max(0, Math.min(capacityL, litres)) / capacityL) * (width - 2 * EDGE);
  const [low, value, high] = [x(estimate.low), x(estimate.value), x(estimate.high)];
  return (
    <View role="img" aria-label={label} onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)} testID={`tank-${id}`}>
      <Svg width={width} height={HEIGHT} aria-hidden>
        <Defs>
          <ClipPath id={`tank-in-${id}`}>
            <Rect x={EDGE} y={EDGE} width={width - 2 * EDGE} height={HEIGHT - 2 * EDGE} rx={ROUND - EDGE} />
          </ClipPath>
        </Defs>
        <Rect x={1.5} y={1.5} width={width - 3} height={HEIGHT - 3} rx={ROUND} fill={tones.card} stroke={tones.ink} strokeWidth={3} />
        <G clipPath={`url(#tank-in-${id})`}>
          <Rect x={0} y={0} width={low} height={HEIGHT} fill={tones.primary} />
          <Rect x={low} y={0} width={Math.max(0, high - low)} height={HEIGHT} fill={tones.warning} opacity={0.6} />
          {unusableL > 0 ? <Rect x={0} y={0} width={x(unusableL)} height={HEIGHT} fill={tones.dark} opacity={0.55} /> : null}
        </G>
        {[0.25, 0.5, 0.75].map((share) => (
          <Line
            key={share}
            x1={x(share * capacityL)}
            y1={HEIGHT - 14}
            x2={x(share * capacityL)}
            y2={HEIGHT - EDGE}
            stroke={tones.ink}
            strokeWidth={2}
          />
        ))}
        <Path
          d={`M${value} ${EDGE}v${HEIGHT - 2 * EDGE}M${value - 8} ${EDGE}h16l-8 10z`}
          stroke={tones.ink}
          strokeWidth={3}
          fill={tones.ink}
        />
      </Svg>
    </View>
  );
};
