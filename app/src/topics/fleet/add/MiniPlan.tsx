import type { Plan } from '@quay/core/fleet/drawing';
import type { Station } from '@quay/core/fleet/rows';
import { memo } from 'react';
import Svg, { Circle, Polygon } from 'react-native-svg';
import { useTones } from '../../../ui/theme';

/** Of the drawing, px. */
const [WIDE, TALL] = [104, 44];

/** The boat's outline from above, bow to the right, and where on it a thing is. */
export const MiniPlan = memo(function MiniPlan({ plan, stations, at }: { plan: Plan; stations: readonly Station[]; at: string }) {
  const tones = useTones();
  const scale = Math.min((WIDE - 8) / plan.lengthM, (TALL - 6) / plan.beamM);
  const x = (metres: number) => WIDE / 2 + (metres - plan.lengthM / 2) * scale;
  const y = (metres: number) => TALL / 2 + metres * scale;
  const outline = plan.strokes.find((stroke) => stroke.draw === 'path' && stroke.closed);
  const spot = stations.find(({ id }) => id === at)?.at;
  return (
    <Svg width={WIDE} height={TALL} aria-hidden>
      {outline?.draw === 'path' ? (
        <Polygon
          points={outline.points.map(([along, across]) => `${x(along)},${y(across)}`).join(' ')}
          fill={tones.hull}
          stroke={tones.ink}
          strokeWidth={1.8}
          strokeLinejoin="round"
        />
      ) : null}
      {spot ? <Circle cx={x(spot[0])} cy={y(spot[1])} r={7} fill={tones.warning} stroke={tones.ink} strokeWidth={2} /> : null}
    </Svg>
  );
});
