import { hasSlot, slot, slotsUnder, type HireRecord } from '../events/record';
import { evidenceGiven, markPlaced, surfaceLooked } from '../condition/events';
import { fuelFilled, gaugeRead } from '../fuel/events';
import type { Briefing } from '../briefing/compose';
import type { Mark } from '../condition/marks';
import type { Book } from '../fleet/book';
import { bladesToShow } from '../condition/propeller';
import type { Gauge, Propeller, Surface, Tank } from '../fleet/rows';
import type { Point } from '../fleet/telling';
import { routeOf, type Stop } from '../fleet/route';
import { fuse, type Fused, type LevelMethod, type LevelReading } from '../fuel/fuse';
import { figuresWith } from '../fuel/learn';
import { litresShown } from '../fuel/level';
import { bestNext } from '../fuel/next';
import type { Walk } from '../events/parts';

/** What a stop still lacks before its knot can be tied without leaving something out. */
export type Lack = {
  points: string[];
  fittings: string[];
  gauges: string[];
  surfaces: string[];
  propellers: string[];
  checks: string[];
  /** Sides looked at, gauges read and propellers judged of which a picture is asked for and not there yet. */
  pictures: string[];
};
export type StopState = Stop & { tied: boolean; lacks: Lack; left: number };

/** Marks of a walk as they stand. A walk in starts without any: what is not seen again is not assumed. */
export const marksOf = (record: HireRecord, walk: Walk): Mark[] =>
  slotsUnder(record, [walk, 'mark'], markPlaced).map(({ value }) => value.mark);

const lookedAt = (record: HireRecord, walk: Walk, surface: string) => slot(record, [walk, 'surface', surface], surfaceLooked)?.value;

/** Whether a picture of the whole surface is asked for on this walk and is not there yet. */
export const wantsPicture = (record: HireRecord, walk: Walk, surface: Surface, alone: boolean): boolean =>
  (surface.picture === 'always' || (alone && surface.picture === 'alone')) &&
  (lookedAt(record, walk, surface.id)?.photos.length ?? 0) === 0;

/** Whether a picture of what a gauge reads is asked for on this walk and is not there yet, though it was read. */
export const wantsGaugePicture = (record: HireRecord, walk: Walk, gauge: Gauge, alone: boolean): boolean => {
  if (gauge.picture !== 'always' && !(alone && gauge.picture === 'alone')) return false;
  const read = slot(record, [walk, 'gauge', gauge.id], gaugeRead)?.value;
  return read !== undefined && (read.photos?.length ?? 0) === 0;
};

/** Whether pictures of a propeller's blades are asked for and are not all there yet, though she was judged. */
export const wantsBlades = (record: HireRecord, walk: Walk, propeller: Propeller): boolean => {
  const given = slot(record, [walk, 'propeller', propeller.id], evidenceGiven)?.value;
  return given !== undefined && given.state !== 'notSeen' && given.photos.length < bladesToShow(propeller);
};

/** Whether the renter has read a point at home and has nothing to see of it on the boat: it need not be read again. */
export const readAtHome = (record: HireRecord, point: Pick<Point, 'id' | 'show'>): boolean =>
  point.show === undefined && hasSlot(record, ['home', point.id]);

/**
 * The walk as far as it has come, in the order of the route.
 * @param briefing what is told on the way out; without one, all the points of the book
 * @param alone the renter makes this walk without staff
 */
export const walkState = (record: HireRecord, book: Book, walk: Walk, briefing?: Briefing, alone = false): StopState[] =>
  routeOf({
    ...book,
    ...(briefing ? { points: briefing.tell.map(({ point }) => point) } : {}),
    propellers: propellersToJudge(book, alone),
  }).map((stop) => {
    const open = (prefix: string, rows: readonly { id: string }[]) =>
      rows.filter(({ id }) => !hasSlot(record, [walk, prefix, id])).map(({ id }) => id);
    const lacks: Lack = {
      // Telling belongs to the way out; coming in, nobody is briefed.
      points:
        walk === 'out'
          ? open(
              'point',
              stop.points.filter((point) => point.weight === 'must' && !(alone && readAtHome(record, point))),
            )
          : [],
      fittings: open('count', stop.fittings),
      gauges: open('gauge', stop.gauges),
      surfaces: open('surface', stop.surfaces),
      propellers: open('propeller', stop.propellers),
      // How she comes back is looked at when she comes back.
      checks: walk === 'in' ? open('check', stop.checks) : [],
      // What nobody looked at yet is open once, not twice.
      pictures: [
        ...stop.surfaces.filter(
          (surface) => lookedAt(record, walk, surface.id) !== undefined && wantsPicture(record, walk, surface, alone),
        ),
        ...stop.gauges.filter((gauge) => wantsGaugePicture(record, walk, gauge, alone)),
        ...stop.propellers.filter((propeller) => wantsBlades(record, walk, propeller)),
      ].map(({ id }) => id),
    };
    const left = Object.values(lacks).reduce((sum, ids) => sum + ids.length, 0);
    return { ...stop, tied: hasSlot(record, [walk, 'tied', stop.station.id]), lacks, left };
  });

/** Propellers that are judged on a walk: nobody who is alone with a strange boat puts an arm through a hatch to feel one. */
export const propellersToJudge = ({ propellers }: Pick<Book, 'propellers'>, alone: boolean): Propeller[] =>
  propellers.filter(({ evidence }) => !(alone && evidence === 'feltThroughHatch'));

/** The stop to go on to: the next one that is not tied, else any other that is not; nothing when all others are. */
export const nextLoose = (stops: readonly Pick<StopState, 'tied'>[], at: number): number | undefined => {
  const loose = stops.flatMap(({ tied }, i) => (tied || i === at ? [] : [i]));
  return loose.find((i) => i > at) ?? loose[0];
};

const METHOD: Partial<Record<Gauge['reads'], LevelMethod>> = {
  needle: 'needle',
  percent: 'needle',
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

const gaugeValue = (record: HireRecord, walk: Walk, gauge: string) => slot(record, [walk, 'gauge', gauge], gaugeRead)?.value;

/** Readings of one tank on a walk, in litres: its gauges, a totaliser that counts from the brim, and a fill to the brim. */
export const levelReadings = (record: HireRecord, book: Book, tank: Tank, walk: Walk): LevelReading[] => [
  ...book.gauges.flatMap((gauge): LevelReading[] => {
    const method = METHOD[gauge.reads];
    const read = gaugeValue(record, walk, gauge.id);
    if (gauge.tank !== tank.id || !read) return [];
    if (gauge.reads === 'totaliser')
      return read.zeroed ? [{ method: 'sinceBrim', gauge: gauge.id, litres: Math.max(0, tank.capacityL - read.shown) }] : [];
    return method ? [readingOf(gauge, method, tank, read.shown, read.askew === true)] : [];
  }),
  ...(hasSlot(record, [walk, 'brim', tank.id]) ? [{ method: 'brim' as const, litres: tank.capacityL }] : []),
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
  const read = all.filter(({ gauge }) => hasSlot(record, [walk, 'gauge', gauge.id]));
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

/** Fills of a tank on the way: two fills are two fills. */
export const fillsOf = (
  record: HireRecord,
  tank: string,
  by: 'renter' | 'operator',
): { litres: number; brim: boolean; paidMinor: number | undefined }[] =>
  (slot(record, ['filled', tank], fuelFilled)?.standing ?? []).flatMap(({ event: { body } }) =>
    body.kind === 'fuelFilled' && body.by === by ? [{ litres: body.litres, brim: body.brim, paidMinor: body.paidMinor }] : [],
  );

/** How many hours the engine ran, by its counter. */
export const hoursRun = (record: HireRecord, book: Book): number | undefined => {
  const counter = book.gauges.find(({ reads }) => reads === 'counter');
  if (!counter) return undefined;
  const [out, back] = (['out', 'in'] as const).map((walk) => slot(record, [walk, 'gauge', counter.id], gaugeRead)?.value.shown);
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

export const feedsEngine = ({ feeds }: Tank): boolean => feeds === undefined || feeds === 'engine';

export const fuelTanks = (book: Book): Tank[] => book.tanks.filter(({ holds }) => holds === 'petrol' || holds === 'diesel');
