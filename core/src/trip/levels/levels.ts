import type { Book } from '../../fleet/book';
import type { Tank } from '../../fleet/rows';
import { currentOf, type HireRecord } from '../../events/record';
import type { Walk } from '../../events/parts';
import { happenedAt } from '../../events/stored';
import { gaugeRead, tankServed } from '../../fuel/events';
import { fillsOf, fuelOf } from '../../fuel/readings';
import type { LonLat } from '../../geometry/plane';
import { dateOf } from '../../time/zone';
import { distanceM } from '../../waters/position';
import type { Waters } from '../../waters/zone';
import { type Lasting, lastingOf, type Likely, pullOf } from './lasting';

/** A flush, L: the most one takes. */
const FLUSH_L = 3;
const HOUR_MS = 3_600_000;
/** Between two places to fill or to pump out on the way nobody is longer than this, h. */
const ON_THE_WAY_H = 36;
/** A place nearer to the base than this is the base's own, m. */
const OWN_M = 400;

const between = (low: number, high: number): Likely => ({ low, likely: (low + high) / 2, high });

/** What a lamp says of a tank: lit, hardly more than so many flushes go in; dark, at least so many do. */
const byLamp = (record: HireRecord, book: Book, tank: Tank, walk: Walk): Likely | undefined => {
  for (const gauge of book.gauges) {
    if (gauge.tank !== tank.id || gauge.reads !== 'lamp') continue;
    const lit = currentOf(record, [walk, 'gauge', gauge.id], gaugeRead)?.value.shown;
    if (lit === undefined) continue;
    const mark = Math.max(0, tank.capacityL - (gauge.flushesLeft ?? 0) * FLUSH_L);
    return lit > 0 ? between(mark, tank.capacityL) : between(0, mark);
  }
  return undefined;
};

/** What is in a tank as it was read on a walk, L; by its lamp where it has nothing else. */
const inItOf = (record: HireRecord, book: Book, tank: Tank, walk: Walk): Likely | undefined => {
  const read = fuelOf(record, book, tank)?.[walk];
  return read ? { low: read.low, likely: read.value, high: read.high } : byLamp(record, book, tank, walk);
};

/** What is full to the brim is so by eye; what was pumped out keeps its dregs. Shares of the tank. */
const [FULL, DREGS] = [0.95, 0.05];

type InIt = { inIt: Likely; fromMs: number };

/** The last time the renter filled or emptied a tank on the way, and what has been in it since; by their word. */
const servedOf = (record: HireRecord, tank: Tank, nowMs: number): InIt | undefined => {
  const served = (currentOf(record, ['served', tank.id], tankServed)?.currentEvents ?? []).map((stored) => ({
    atMs: happenedAt(stored),
    full: stored.event.body.did === 'filled',
  }));
  const brimmed = fillsOf(record, tank.id, 'renter').flatMap(({ brim, atMs }) => (brim ? [{ atMs, full: true }] : []));
  const last = [...served, ...brimmed].filter(({ atMs }) => atMs <= nowMs).sort((a, b) => b.atMs - a.atMs)[0];
  if (!last) return undefined;
  const { capacityL } = tank;
  return { fromMs: last.atMs, inIt: last.full ? between(FULL * capacityL, capacityL) : between(0, DREGS * capacityL) };
};

/** Where a tank can be filled, or emptied, on the way, elsewhere than at the base. */
const SERVES: Partial<Record<Tank['holds'], 'water' | 'pumpOut'>> = { fresh: 'water', waste: 'pumpOut' };
const onTheWay = (tank: Tank, waters: Waters | null | undefined, base: LonLat | undefined): boolean => {
  const kind = SERVES[tank.holds];
  return (
    kind !== undefined &&
    (waters?.features ?? []).some(
      ({ properties, geometry }) =>
        properties.kind === kind && geometry.type === 'Point' && (!base || distanceM(base, geometry.coordinates) > OWN_M),
    )
  );
};

/** Whether a hire lasts into another day of its base. */
export const isOvernight = ({ from, to }: { from: string; to: string }, zone: string): boolean => dateOf(from, zone) < dateOf(to, zone);

export type LevelsCase = {
  book: Book;
  base: { position?: LonLat | undefined };
  waters?: Waters | null | undefined;
  hire: { from: string; to: string; party: { adults: number; children: number } };
};

export type TankLasting = Lasting & {
  /** It has to last until here, ms since 1970: the end of the hire, or the next place to fill or empty it. */
  untilMs: number;
  fromMs: number;
  onTheWay: boolean;
};

/**
 * What there is in the tanks a party lives by, and how long it lasts from departure, or from when it was last filled or
 * emptied on the way; what ends first comes first. Tanks nobody read are left out.
 * @param nowMs what was entered later than this is not known yet; left out, everything is
 */
export const levelsOf = (record: HireRecord, of: LevelsCase, nowMs = Infinity): TankLasting[] => {
  const { book, base, waters, hire } = of;
  const people = hire.party.adults + hire.party.children;
  const [leavesMs, backMs] = [Date.parse(hire.from), Date.parse(hire.to)];
  return book.tanks
    .flatMap((tank): TankLasting[] => {
      const pull = pullOf(tank, book.outlets, people);
      const atFirst = pull && inItOf(record, book, tank, 'out');
      const found = pull && (servedOf(record, tank, nowMs) ?? (atFirst ? { inIt: atFirst, fromMs: leavesMs } : undefined));
      if (!pull || !found) return [];
      const { inIt, fromMs } = found;
      const way = onTheWay(tank, waters, base.position);
      const hireH = Math.max(0, backMs - fromMs) / HOUR_MS;
      const wantedH = way ? Math.min(hireH, ON_THE_WAY_H) : hireH;
      return [{ ...lastingOf(tank, inIt, pull, wantedH), fromMs, untilMs: fromMs + wantedH * HOUR_MS, onTheWay: way }];
    })
    .sort((a, b) => a.fromMs + a.hours.low * HOUR_MS - (b.fromMs + b.hours.low * HOUR_MS));
};
