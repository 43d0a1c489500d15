import { hullFigures, type HullFigures } from '../docking/hull';
import type { Hull } from '../fleet/hull';

/** A boat of each kind, of a size that is let: length and beam, m. */
const SIZES = {
  pontoon: [7, 2.5],
  rib: [6, 2.4],
  electricLaunch: [5.2, 1.9],
  houseboat: [14, 4.4],
  canalBoat: [12, 2.1],
  riverCruiser: [10, 3.3],
  launch: [6, 2.2],
} as const;
export type HullKind = keyof typeof SIZES;
export const HULL_KINDS = Object.keys(SIZES) as HullKind[];
export const hullOf = (kind: HullKind, given: Hull = {}): HullFigures =>
  hullFigures({ kind, plan: { lengthM: SIZES[kind][0], beamM: SIZES[kind][1], strokes: [] } }, given).hull;
