import type { Book } from '../fleet/book';
import type { PaceRow } from '../fleet/rows';
import { monotone } from '../geometry/interpolate';

/** Revs, speed and what she burns, each from the other; what lies between two lines of the table is interpolated without overshooting. */

/** Through the water in calm, m/s, at the pace renters keep, where nobody tried her: slower than most, so that no way home is too short. */
const USUAL_KMH: Readonly<Record<Book['kind'], number>> = {
  pontoon: 15,
  rib: 25,
  electricLaunch: 6,
  houseboat: 9,
  canalBoat: 5,
  riverCruiser: 8,
  launch: 9,
};

/**
 * How much of their speed people take off against a wind, for each m/s of it above a light breeze: light flat boats most, a
 * canal has no chop. A rule of thumb on the careful side; tracks can teach better.
 */
export const CHOP_PER_MS: Readonly<Record<Book['kind'], number>> = {
  pontoon: 0.06,
  rib: 0.04,
  electricLaunch: 0.05,
  houseboat: 0.06,
  canalBoat: 0,
  riverCruiser: 0.03,
  launch: 0.05,
};

export type Pace = {
  /** Through the water in calm, m/s. */
  speedMs: number;
  rpm: number | undefined;
  lPerHour: number | undefined;
  /** Nobody tried it: it is what boats of her kind usually make. */
  estimated: boolean;
};

type Engine = Pick<Book['engine'], 'speeds' | 'burnLPerHour' | 'avoidRpm'>;
export type SpeedTable = {
  rows: readonly PaceRow[];
  /** Nothing outside the table, and where it has no revs, or no litres. */
  at: (kmh: number) => { rpm: number | undefined; lPerHour: number | undefined };
  kmhAt: (rpm: number) => number | undefined;
};

const rising = (rows: readonly (readonly [number, number])[]): boolean =>
  rows.length >= 2 && rows.every(([x, y], i) => i === 0 || (x > rows[i - 1]![0] && y >= rows[i - 1]![1]));

/** @returns nothing where there is no table, or one that contradicts itself: more revs for less speed, more speed for fewer litres */
export const speedTable = ({ speeds = [] }: Engine): SpeedTable | undefined => {
  if (speeds.length < 2) return undefined;
  const rows = [...speeds].sort((a, b) => a.kmh - b.kmh);
  const revs = rows.flatMap(({ rpm, kmh }) => (rpm === undefined ? [] : [[kmh, rpm] as const]));
  const litres = rows.flatMap(({ lPerHour, kmh }) => (lPerHour === undefined ? [] : [[kmh, lPerHour] as const]));
  const speedsRise = rows.every(({ kmh }, i) => i === 0 || kmh > rows[i - 1]!.kmh);
  const wrong = (given: readonly (readonly [number, number])[]) => given.length > 1 && !rising(given);
  if (!speedsRise || wrong(revs) || wrong(litres)) return undefined;
  const within = (given: readonly (readonly [number, number])[], x: number) =>
    given.length >= 2 && x >= given[0]![0] && x <= given.at(-1)![0] ? monotone(given)(x) : undefined;
  const byRevs = revs.map(([kmh, rpm]) => [rpm, kmh] as const);
  return {
    rows,
    at: (kmh) => ({ rpm: within(revs, kmh), lPerHour: within(litres, kmh) }),
    kmhAt: (rpm) => (rising(byRevs) ? within(byRevs, rpm) : undefined),
  };
};

/** The pace renters keep: where her table burns what she usually burns, else what boats of her kind make. */
export const usualPace = ({ kind, engine }: Pick<Book, 'kind' | 'engine'>): Pace => {
  const { burnLPerHour } = engine;
  const table = speedTable(engine);
  if (!table) return { speedMs: USUAL_KMH[kind] / 3.6, rpm: undefined, lPerHour: burnLPerHour, estimated: true };
  const { rows } = table;
  // By litres where both say them, else two thirds up the table.
  const byLitres = rows.flatMap((row) =>
    row.lPerHour === undefined || burnLPerHour === undefined ? [] : [{ row, off: Math.abs(row.lPerHour - burnLPerHour) }],
  );
  const row = byLitres.sort((a, b) => a.off - b.off)[0]?.row ?? rows[Math.floor(((rows.length - 1) * 2) / 3)]!;
  return { speedMs: row.kmh / 3.6, rpm: row.rpm, lPerHour: row.lPerHour ?? burnLPerHour, estimated: false };
};

/** The line of the table at which a kilometre takes the fewest litres, of those the limit allows and at which she does not shake. @param limitKmh none: undefined */
export const mostEconomical = (engine: Engine, limitKmh?: number): (PaceRow & { lPerKm: number }) | undefined =>
  (speedTable(engine)?.rows ?? [])
    .flatMap((row) => {
      const [from, to] = engine.avoidRpm ?? [Infinity, Infinity];
      const shakes = row.rpm !== undefined && row.rpm >= from && row.rpm <= to;
      return row.lPerHour === undefined || shakes || row.kmh > (limitKmh ?? Infinity) ? [] : [{ ...row, lPerKm: row.lPerHour / row.kmh }];
    })
    .sort((a, b) => a.lPerKm - b.lPerKm)[0];

/** The most revs that keep a limit; nothing where the table does not reach down or up to it. */
export const revsWithin = (engine: Engine, limitKmh: number): number | undefined => {
  const rpm = speedTable(engine)?.at(limitKmh).rpm;
  // Rounded down: the needle is read in fifties.
  return rpm === undefined ? undefined : Math.floor(rpm / 50) * 50;
};
