import type { Book } from '../fleet/book';
import type { Hull } from '../fleet/hull';
import { HULL_RANGES } from '../fleet/hullRanges';

/** All figures of a hull that docking is computed from. */
export type Windage = { airDrag: number; airAreaM2: number; waterDrag: number; lateralAreaM2: number };
export type HullFigures = Windage & {
  lengthM: number;
  beamM: number;
  draftM: number;
  massKg: number;
  /** Of water carried along, as a share of the mass: ahead, sideways, turning. */
  added: { surge: number; sway: number; yaw: number };
  /** Drag along: N = dragK · v². */
  dragK: number;
  thrustAheadN: number;
  thrustAsternN: number;
  delayS: number;
  steers: 'rudder' | 'drive';
  tiller: boolean;
  walks: 'port' | 'starboard' | 'none';
  thrusterN: number;
};

/** Kinds differ in how deep they lie, how high they stand, how much they weigh for their size, and what pushes them. */
type Kind = {
  draft: number;
  height: number;
  /** Mass, kg a square metre of length times beam. */
  kgPerM2: number;
  /** Thrust, N a tonne. */
  thrustPerT: number;
  dragPerM2: number;
  steers: HullFigures['steers'];
  walks: HullFigures['walks'];
};
const KINDS: Readonly<Record<Book['kind'], Kind>> = {
  pontoon: { draft: 0.35, height: 1.1, kgPerM2: 75, thrustPerT: 900, dragPerM2: 60, steers: 'drive', walks: 'starboard' },
  rib: { draft: 0.45, height: 0.8, kgPerM2: 75, thrustPerT: 1600, dragPerM2: 45, steers: 'drive', walks: 'starboard' },
  electricLaunch: { draft: 0.4, height: 0.6, kgPerM2: 80, thrustPerT: 500, dragPerM2: 35, steers: 'rudder', walks: 'port' },
  houseboat: { draft: 0.55, height: 3.2, kgPerM2: 140, thrustPerT: 320, dragPerM2: 110, steers: 'drive', walks: 'none' },
  canalBoat: { draft: 0.6, height: 1.3, kgPerM2: 420, thrustPerT: 160, dragPerM2: 75, steers: 'rudder', walks: 'port' },
  riverCruiser: { draft: 0.75, height: 2.2, kgPerM2: 200, thrustPerT: 350, dragPerM2: 80, steers: 'rudder', walks: 'port' },
  launch: { draft: 0.45, height: 0.9, kgPerM2: 110, thrustPerT: 600, dragPerM2: 45, steers: 'rudder', walks: 'port' },
};
/** Of a flat side across the flow; hulls across the water drag like plates. */
const AIR_DRAG = 1;
const WATER_DRAG = 1.1;

export type Measured = Exclude<keyof Hull, 'trials'>;

const canBe = (field: Measured, value: unknown): boolean => {
  const range = (HULL_RANGES as Partial<Record<Measured, readonly [least: number, most: number]>>)[field];
  return range === undefined || (typeof value === 'number' && value >= range[0] && value <= range[1]);
};

/**
 * The figures of a hull, each as it is given or, where it is not, estimated from kind and size.
 * @returns the figures, the names of those that are estimated, and of those that were given but cannot be
 */
export const hullFigures = (
  book: Pick<Book, 'kind' | 'plan'>,
  given: Hull = {},
): { hull: HullFigures; estimated: Measured[]; wrong: Measured[] } => {
  const kind = KINDS[book.kind];
  const { lengthM, beamM } = book.plan;
  const estimated: Measured[] = [];
  const or = <K extends Measured>(field: K, estimate: NonNullable<Hull[K]>): NonNullable<Hull[K]> => {
    const value = given[field];
    if (value !== undefined && canBe(field, value)) return value as NonNullable<Hull[K]>;
    estimated.push(field);
    return estimate;
  };
  const massKg = or('massKg', lengthM * beamM * kind.kgPerM2);
  const draftM = or('draftM', kind.draft);
  const thrustAheadN = or('thrustAheadN', (massKg / 1000) * kind.thrustPerT);
  const hull: HullFigures = {
    lengthM,
    beamM,
    draftM,
    massKg,
    added: { surge: 0.06, sway: 0.7, yaw: 0.5 },
    airDrag: AIR_DRAG,
    airAreaM2: or('airAreaM2', lengthM * kind.height * 0.8),
    waterDrag: WATER_DRAG,
    lateralAreaM2: or('lateralAreaM2', lengthM * draftM * 0.85),
    dragK: or('dragK', beamM * draftM * kind.dragPerM2),
    thrustAheadN,
    // A propeller made to push ahead gives a good half of it astern.
    thrustAsternN: or('thrustAsternN', thrustAheadN * 0.55),
    delayS: or('delayS', 1.2),
    steers: or('steers', kind.steers),
    tiller: or('tiller', book.kind === 'canalBoat'),
    walks: or('walks', kind.walks),
    // Most boats have none: nothing is estimated.
    thrusterN: canBe('thrusterN', given.thrusterN) ? given.thrusterN! : 0,
  };
  const wrong = (Object.keys(given) as (keyof Hull)[]).filter(
    (field): field is Measured => field !== 'trials' && given[field] !== undefined && !canBe(field, given[field]),
  );
  return { hull, estimated, wrong };
};
