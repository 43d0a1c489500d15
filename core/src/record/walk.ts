import type { Briefing } from '../briefing/compose';
import { departureFault, type DepartureFault } from '../condition/counts';
import type { Mark } from '../condition/marks';
import type { Book } from '../fleet/book';
import type { Gauge, Surface, Tank } from '../fleet/rows';
import { routeOf, type Stop } from '../fleet/route';
import { fuse, type Fused, type LevelReading } from '../fuel/fuse';
import { litresShown } from '../fuel/level';
import { bestNext } from '../fuel/next';
import type { CrewFault, Overload } from '../fit/aboard';
import type { Walk } from './event';
import type { Fit } from './handing';
import { type HireRecord, slot, slotsUnder } from './project';

/** What a stop still lacks before its knot can be tied without leaving something out. */
export type Lack = { points: string[]; fittings: string[]; gauges: string[]; surfaces: string[]; propellers: string[] };
export type StopState = Stop & { tied: boolean; lacks: Lack; left: number };

/** Marks of a walk as they stand. A walk in starts without any: what is not seen again is not assumed. */
export const marksOf = (record: HireRecord, walk: Walk): Mark[] =>
  slotsUnder(record, `${walk}/mark/`, 'markPlaced').map(({ value }) => value.mark);

const lookedAt = (record: HireRecord, walk: Walk, surface: string) => slot(record, `${walk}/surface/${surface}`, 'surfaceLooked')?.value;

/** Whether a picture of the whole surface is asked for on this walk and is not there yet. */
export const wantsPicture = (record: HireRecord, walk: Walk, surface: Surface, alone: boolean): boolean =>
  (surface.picture === 'always' || (alone && surface.picture === 'alone')) &&
  (lookedAt(record, walk, surface.id)?.photos.length ?? 0) === 0;

const isLookedAt = (record: HireRecord, walk: Walk, surface: Surface, alone: boolean): boolean =>
  lookedAt(record, walk, surface.id) !== undefined && !wantsPicture(record, walk, surface, alone);

/**
 * The walk as far as it has come, in the order of the route.
 * @param briefing what is told on the way out; without one, all the points of the book
 * @param alone the renter makes this walk without staff
 */
export const walkState = (record: HireRecord, book: Book, walk: Walk, briefing?: Briefing, alone = false): StopState[] =>
  routeOf(briefing ? { ...book, points: briefing.tell.map(({ point }) => point) } : book).map((stop) => {
    const open = (prefix: string, rows: readonly { id: string }[]) =>
      rows.filter(({ id }) => !record.slots.has(`${walk}/${prefix}/${id}`)).map(({ id }) => id);
    const lacks: Lack = {
      // Telling belongs to the way out; coming in, nobody is briefed.
      points:
        walk === 'out'
          ? open(
              'point',
              stop.points.filter(({ weight }) => weight === 'must'),
            )
          : [],
      fittings: open('count', stop.fittings),
      gauges: open('gauge', stop.gauges),
      // A picture that is asked for belongs to having looked.
      surfaces: stop.surfaces.filter((surface) => !isLookedAt(record, walk, surface, alone)).map(({ id }) => id),
      propellers: open('propeller', stop.propellers),
    };
    const left = Object.values(lacks).reduce((sum, ids) => sum + ids.length, 0);
    return { ...stop, tied: record.slots.has(`${walk}/tied/${stop.station.id}`), lacks, left };
  });

/** The stop to go on to: the next one that is not tied, else any other that is not; nothing when all others are. */
export const nextLoose = (stops: readonly Pick<StopState, 'tied'>[], at: number): number | undefined => {
  const loose = stops.flatMap(({ tied }, i) => (tied || i === at ? [] : [i]));
  return loose.find((i) => i > at) ?? loose[0];
};

/** Reasons, under the operator's own rules, that hold the boat; the program never says that she is safe. */
export type Hold =
  | { is: 'safetyFitting'; fault: DepartureFault }
  | { is: 'propeller'; propeller: string }
  | { is: 'said'; why: string }
  | { is: 'tooMany'; overload: Overload }
  | { is: 'noJacket'; people: string[] }
  | { is: 'crew'; fault: CrewFault }
  | { is: 'drill'; drill: string }
  | { is: 'contradiction'; key: string };

/** What a manager decides about a propeller whose flaw is over the limit is kept as a decision on this key. */
export const propellerRelease = (propeller: string): string => `hold/propeller/${propeller}`;

/** Whether a manager, and nobody less, lets her go with the flaw; taken back by deciding otherwise. */
const isReleased = (record: HireRecord, propeller: string): boolean => {
  const decided = slot(record, `decided/${propellerRelease(propeller)}`, 'findingDecided');
  return decided !== undefined && decided.value.decision === 'known' && decided.by.actor.role === 'manager' && !decided.contradiction;
};

/** What is wrong about the crew that no boat leaves with; a name that is still missing is only noted. */
const CREW_HOLDS: readonly CrewFault['is'][] = ['driverTooYoung', 'noLicence', 'lookoutTooYoung'];

const fitHolds = ({ overloads, unserved, crew }: Pick<Fit, 'overloads' | 'unserved' | 'crew'>): Hold[] => [
  ...overloads.filter((one) => one.is !== 'load' || one.sure).map((overload): Hold => ({ is: 'tooMany', overload })),
  ...(unserved.length > 0 ? [{ is: 'noJacket' as const, people: unserved }] : []),
  ...crew.filter(({ is }) => CREW_HOLDS.includes(is)).map((fault): Hold => ({ is: 'crew', fault })),
];

/** @param unproven drills that have to be passed, and are not */
export const holdsOf = (record: HireRecord, book: Book, today: string, fit?: Fit, unproven: readonly string[] = []): Hold[] => {
  const holds: Hold[] = [...(fit ? fitHolds(fit) : []), ...unproven.map((drill): Hold => ({ is: 'drill', drill }))];
  for (const fitting of book.fittings) {
    if (!fitting.safety) continue;
    const fault = departureFault(fitting, slot(record, `out/count/${fitting.id}`, 'counted')?.value, today);
    if (fault) holds.push({ is: 'safetyFitting', fault });
  }
  for (const { id } of book.propellers) {
    const over = slot(record, `out/propeller/${id}`, 'evidenceGiven')?.value.state === 'flawOverLimit';
    if (over && !isReleased(record, id)) holds.push({ is: 'propeller', propeller: id });
  }
  for (const { standing } of slotsUnder(record, 'held', 'held'))
    for (const { event } of standing) if (event.body.kind === 'held') holds.push({ is: 'said', why: event.body.why });
  for (const { key } of record.contradictions) if (key.startsWith('out/')) holds.push({ is: 'contradiction', key });
  return holds;
};

const METHOD: Partial<Record<Gauge['reads'], LevelReading['method']>> = { needle: 'needle', percent: 'needle', sightLine: 'sightLine' };

/** Readings of one tank on a walk, in litres. */
export const levelReadings = (record: HireRecord, book: Book, tank: Tank, walk: Walk): LevelReading[] =>
  book.gauges.flatMap((gauge) => {
    const method = METHOD[gauge.reads];
    const read = slot(record, `${walk}/gauge/${gauge.id}`, 'gaugeRead')?.value;
    if (gauge.tank !== tank.id || !method || !read) return [];
    return [{ method, litres: litresShown(gauge, tank, read.shown), ...(read.askew ? { tilted: true } : {}) }];
  });

const gaugesOf = (book: Book, tank: Tank): { gauge: Gauge; method: LevelReading['method'] }[] =>
  book.gauges.flatMap((gauge) => {
    const method = METHOD[gauge.reads];
    return gauge.tank === tank.id && method ? [{ gauge, method }] : [];
  });

/** The gauge of a tank to read next: the one not read yet that usually says most. */
export const nextGauge = (record: HireRecord, book: Book, tank: Tank, walk: Walk): Gauge | undefined => {
  const all = gaugesOf(book, tank);
  const read = all.filter(({ gauge }) => record.slots.has(`${walk}/gauge/${gauge.id}`));
  const left = all.filter((one) => !read.includes(one));
  const method = bestNext(
    left.map((one) => one.method),
    read.map((one) => one.method),
  );
  return left.find((one) => one.method === method)?.gauge;
};

/** Gauges whose reading was set aside, with how far they are from the others, L: above them positive. */
export const oddGauges = (fused: Fused, book: Book, tank: Tank, walk: Walk): { gauge: Gauge; awayL: number }[] =>
  fused.odd.flatMap(({ method, when, awayL }) => {
    const found = when === walk ? gaugesOf(book, tank).find((one) => one.method === method) : undefined;
    return found ? [{ gauge: found.gauge, awayL }] : [];
  });

/** Fills of a tank on the way: two fills are two fills. */
export const fillsOf = (
  record: HireRecord,
  tank: string,
  by: 'renter' | 'operator',
): { litres: number; brim: boolean; paidMinor: number | undefined }[] =>
  slotsUnder(record, `filled/${tank}`, 'fuelFilled').flatMap(({ standing }) =>
    standing.flatMap(({ event: { body } }) =>
      body.kind === 'fuelFilled' && body.by === by ? [{ litres: body.litres, brim: body.brim, paidMinor: body.paidMinor }] : [],
    ),
  );

/** How many hours the engine ran, by its counter. */
export const hoursRun = (record: HireRecord, book: Book): number | undefined => {
  const counter = book.gauges.find(({ reads }) => reads === 'counter');
  if (!counter) return undefined;
  const [out, back] = (['out', 'in'] as const).map((walk) => slot(record, `${walk}/gauge/${counter.id}`, 'gaugeRead')?.value.shown);
  return out === undefined || back === undefined ? undefined : back - out;
};

/** What is in a fuel tank, out and (once read) in, with what went between. */
export const fuelOf = (record: HireRecord, book: Book, tank: Tank): Fused | undefined => {
  const hours = hoursRun(record, book);
  const burn = book.engine.burnLPerHour;
  return fuse({
    capacityL: tank.capacityL,
    out: levelReadings(record, book, tank, 'out'),
    in: levelReadings(record, book, tank, 'in'),
    fillsL: fillsOf(record, tank.id, 'renter').reduce((sum, { litres }) => sum + litres, 0),
    use: hours !== undefined && hours >= 0 && burn !== undefined ? [{ method: 'hours', litres: hours * burn }] : [],
  });
};

export const fuelTanks = (book: Book): Tank[] => book.tanks.filter(({ holds }) => holds === 'petrol' || holds === 'diesel');
