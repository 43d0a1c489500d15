import type { HullFigures } from '@quay/core/docking/hull';
import { ahead } from '@quay/core/docking/place';
import { OUTLINE, type Scene } from '@quay/core/docking/scene';
import { G, Path } from 'react-native-svg';
import { type Tones, useTones } from '../../ui/theme';
import { type Chart, landOf, lineTo } from './chart';

/** What lies round a place: land, shallows, docks, walls, other boats. Drawn once; boats are drawn over it. */

const FAR_M = 300;
/** Shallower than this is drawn as a shoal, in drafts. */
const SHOAL_DRAFTS = 1.6;

const FILL: Readonly<Record<Scene['hard'][number]['is'], keyof Tones>> = {
  dock: 'rope',
  bank: 'warningPale',
  wall: 'soft',
  gate: 'ropeDark',
  boat: 'hull',
};

export const Water = ({ scene, hull, chart }: { scene: Scene; hull: HullFigures; chart: Chart }) => {
  const tones = useTones();
  const { shore } = scene;
  const shoal = shore && landOf(ahead(shore.at, shore.outDeg, (SHOAL_DRAFTS * hull.draftM) / shore.slope), shore.outDeg, FAR_M);
  return (
    <G>
      {shoal ? <Path d={lineTo(shoal.map(chart.at), true)} fill={tones.warningPale} opacity={0.55} /> : null}
      {shore ? (
        <Path
          d={lineTo(landOf(shore.at, shore.outDeg, FAR_M).map(chart.at), true)}
          fill={tones.warningPale}
          stroke={tones.ropeDark}
          strokeWidth={2}
        />
      ) : null}
      {scene.hard.map(({ is, outline }, i) => (
        <Path
          key={i}
          d={lineTo(outline.map(chart.at), true)}
          fill={tones[FILL[is]]}
          stroke={tones.ink}
          strokeWidth={is === 'bank' ? 0 : 1.5}
          strokeLinejoin="round"
        />
      ))}
    </G>
  );
};

/** Her outline with the bow up, in pixels about her middle. */
export const outlinePath = ({ lengthM, beamM }: Pick<HullFigures, 'lengthM' | 'beamM'>, scale: number): string =>
  lineTo(
    OUTLINE.map(([ahead, across]) => [((across * beamM) / 2) * scale, -ahead * lengthM * scale] as const),
    true,
  );
