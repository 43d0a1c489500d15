import type { Book } from '../fleet/book';
import type { Gauge, Tank } from '../fleet/rows';
import type { Walk } from '../events/parts';
import { isEntered, type HireRecord, currentOf } from '../events/record';
import { happenedAt } from '../events/stored';
import { fuelFilled, gaugeRead } from './events';
import { fuse, type Fused, type LevelMethod, type LevelReading } from './fuse';
import { figuresWith } from './learn';
import { litresShown } from './level';
import { bestNext } from './next';

/** What was read of tanks on a walk, and what it comes to in litres. */

const METHOD: Partial<Record<Gauge['reads'], LevelMethod>> = {
  needle: 'needle',
  percent: 'needle',
  // Eighths on a panel are read like a needle.
  figure: 'needle',
  sightLine: 'sightLine',
  dipstick: 'dipstick',
  sender: 'sender',
};

/** A reading of a gauge in litres, put right by what is known of that gauge. */
const readingOf = (gauge: Gauge, method: LevelMethod, tank: Tank, shown: number, askew: boolean): LevelReading => {
  const litres = litresShown(gauge, tank, shown) - (gauge.errors?.bias ?? 0) * tank.capacityL;
  return {
    method,
    gauge: gauge.id,
    litres: Math.min(tank.capacityL, Math.max(0, litres)),
    ...(askew ? { tilted: true } : {}),
    ...(gauge.errors ? { errors: figuresWith(method, gauge.errors) } : {}),
  };
};

const gaugeValue = (record: HireRecord, walk: Walk, gauge: string) => currentOf(record, [walk, 'gauge', gauge], gaugeRead)?.value;

/** Readings of one tank on a walk, in litres: its gauges, a totaliser that counts from the brim, and a fill to the brim. */
const levelReadings = (record: HireRecord, book: Book, tank: Tank, walk: Walk): LevelReading[] => [
  ...book.gauges.flatMap((gauge): LevelReading[] => {
    const method = METHOD[gauge.reads];
    const read = gaugeValue(record, walk, gauge.id);
    if (gauge.tank !== tank.id || !read) return [];
    if (gauge.reads === 'totaliser')
      return read.zeroed ? [{ method: 'sinceBrim', gauge: gauge.id, litres: Math.max(0, tank.capacityL - read.shown) }] : [];
    return method ? [readingOf(gauge, method, tank, read.shown, read.askew === true)] : [];
  }),
  ...(isEntered(record, [walk, 'brim', tank.id]) ? [{ method: 'brim' as const, litres: tank.capacityL }] : []),
];

/** Gauges of a tank that show a level, with the kind of reading each gives. */
export const gaugesOf = (book: Book, tank: Tank): { gauge: Gauge; method: LevelMethod }[] =>
  book.gauges.flatMap((gauge) => {
    const method = METHOD[gauge.reads];
    return gauge.tank === tank.id && method ? [{ gauge, method }] : [];
  });

/** The gauge of a tank to read next: the one not read yet that usually says most. */
export const nextGauge = (record: HireRecord, book: Book, tank: Tank, walk: Walk): Gauge | undefined => {
  const all = gaugesOf(book, tank);
  const read = all.filter(({ gauge }) => isEntered(record, [walk, 'gauge', gauge.id]));
  const left = all.filter((one) => !read.includes(one));
  const method = bestNext(
    left.map((one) => one.method),
    read.map((one) => one.method),
  );
  return left.find((one) => one.method === method)?.gauge;
};

/** Gauges whose reading was set aside, with how far they are from the others, L: above them positive. */
export const oddGauges = (fused: Fused, book: Book, walk: Walk): { gauge: Gauge; awayL: number }[] =>
  fused.odd.flatMap(({ gauge: id, when, awayL }) => {
    const gauge = when === walk ? book.gauges.find((one) => one.id === id) : undefined;
    return gauge ? [{ gauge, awayL }] : [];
  });

/** Fuller than this share, a tank of waste is to be pumped out. */
export const PUMP_OVER = 0.25;

/** What a tank was read at by its first gauge that shows a level, L; nothing more is known of a tank that holds no fuel. */
export const shownLevel = (record: HireRecord, book: Book, tank: Tank, walk: Walk): number | undefined => {
  for (const gauge of book.gauges) {
    const read = gauge.tank === tank.id && METHOD[gauge.reads] ? gaugeValue(record, walk, gauge.id) : undefined;
    if (read) return litresShown(gauge, tank, read.shown);
  }
  return undefined;
};

export type Fill = {
  litres: number;
  brim: boolean;
  paidMinor: number | undefined;
  photos: readonly string[];
  atMs: number;
  /** It stands on the renter's word. */
  byRenter: boolean;
};

/** Fills of a tank: two fills are two fills. */
export const fillsOf = (record: HireRecord, tank: string, by: 'renter' | 'operator'): Fill[] =>
  (currentOf(record, ['filled', tank], fuelFilled)?.currentEvents ?? []).flatMap((stored) => {
    const { body } = stored.event;
    if (body.by !== by) return [];
    const { litres, brim, paidMinor, photos = [] } = body;
    return [{ litres, brim, paidMinor, photos, atMs: happenedAt(stored), byRenter: stored.actor.role === 'renter' }];
  });

/** How many hours the engine ran, by its counter. */
export const hoursRun = (record: HireRecord, book: Book): number | undefined => {
  const counter = book.gauges.find(({ reads }) => reads === 'counter');
  if (!counter) return undefined;
  const [out, back] = (['out', 'in'] as const).map((walk) => currentOf(record, [walk, 'gauge', counter.id], gaugeRead)?.value.shown);
  return out === undefined || back === undefined ? undefined : back - out;
};

/** What a totaliser counted between out and in, L; nothing where it was zeroed on the way or went backwards. */
const totalised = (record: HireRecord, book: Book, tank: Tank): number | undefined => {
  const gauge = book.gauges.find((one) => one.reads === 'totaliser' && one.tank === tank.id);
  const [out, back] = gauge ? [gaugeValue(record, 'out', gauge.id), gaugeValue(record, 'in', gauge.id)] : [];
  return !out || !back || back.zeroed || back.shown < out.shown ? undefined : back.shown - out.shown;
};

/** What is in a fuel tank, out and (once read) in, with what went between. */
export const fuelOf = (record: HireRecord, book: Book, tank: Tank): Fused | undefined => {
  // Hours of the engine say nothing of a tank that it does not draw from.
  const hours = feedsEngine(tank) ? hoursRun(record, book) : undefined;
  const burn = book.engine.burnLPerHour;
  const counted = totalised(record, book, tank);
  const out = levelReadings(record, book, tank, 'out');
  const back = levelReadings(record, book, tank, 'in');
  const fused = fuse({
    capacityL: tank.capacityL,
    out,
    in: back,
    fillsL: fillsOf(record, tank.id, 'renter').reduce((sum, { litres }) => sum + litres, 0),
    use: [
      ...(counted === undefined ? [] : [{ method: 'totaliser' as const, litres: counted }]),
      ...(hours !== undefined && hours >= 0 && burn !== undefined ? [{ method: 'hours' as const, litres: hours * burn }] : []),
    ],
  });
  // What was in her at departure was read, shown and signed then: no reading of the return puts another figure there.
  const signed = back.length > 0 ? fuse({ capacityL: tank.capacityL, out })?.out : undefined;
  return fused && signed ? { ...fused, out: signed } : fused;
};

export const feedsEngine = ({ holds, feeds }: Pick<Tank, 'holds' | 'feeds'>): boolean =>
  (holds === 'petrol' || holds === 'diesel') && (feeds === undefined || feeds === 'engine');

export const fuelTanks = (book: Book): Tank[] => book.tanks.filter(({ holds }) => holds === 'petrol' || holds === 'diesel');
