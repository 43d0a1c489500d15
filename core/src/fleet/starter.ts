import * as z from 'zod/mini';
import { addRow, changeRow, dropRow } from './edit';
import type { BoatBook, ClassBook, ListName } from './book';
import type { Plan, Spot, Stroke } from './drawing';
import type { Hull } from './hull';
import { type Lists, mergeLists, mergeSingles } from './merge';
import type { Engine, Fitting, Gauge, Station, Surface, Tank } from './rows';
import { BOAT_STATES, type Place } from './places';
import {
  ANY_TOILET,
  FUEL_SHOWN,
  type FuelShown,
  type Steering,
  STEERING_NAMES,
  STEERINGS,
  type System,
  SYSTEM_NAMES,
  SYSTEMS,
  TOILET_KINDS,
  type ToiletKind,
  TOILETS,
} from './systems';
import { BookId } from '../words/words';
import { Month } from '../time/calendar';

/**
 * A boat made from a starter: a class book that comes with the program, and what somebody answered who knows the boat. The
 * answers become her own book over that class, as if she had been described by hand.
 */

const name = z.string().check(z.trim(), z.minLength(1), z.maxLength(80));
const Kept = z.object({ count: z.int().check(z.gte(0), z.lte(99)), station: BookId, expiry: z.optional(Month) });
/** What differs from hull to hull, as it is asked for. Metres, kilograms, litres, litres an hour. */
export const StarterAnswers = z.object({
  name,
  hullNumber: z.string().check(z.trim(), z.minLength(1), z.maxLength(20)),
  people: z.int().check(z.gte(1), z.lte(60)),
  loadKg: z.number().check(z.gt(0), z.lte(20_000)),
  lengthM: z.number().check(z.gte(2), z.lte(60)),
  beamM: z.number().check(z.gte(0.6), z.lte(12)),
  /** What her engine’s tank holds, and what shows it; none of a boat without fuel. */
  fuelL: z.optional(z.number().check(z.gte(1), z.lte(20_000))),
  fuelShown: z._default(z.array(z.enum(FUEL_SHOWN)).check(z.maxLength(FUEL_SHOWN.length)), []),
  burnLPerHour: z.optional(z.number().check(z.gt(0), z.lte(500))),
  steering: z.enum(STEERING_NAMES),
  /** Of boats with a room for one. */
  toilet: z.optional(z.enum([...TOILET_KINDS, 'none'])),
  /** How many of each there are, where they are kept, and until when they count; none: not aboard. */
  fittings: z.record(BookId, Kept),
  without: z.array(z.enum(SYSTEM_NAMES)).check(z.maxLength(SYSTEM_NAMES.length)),
  /** How many may be in each part of her; none: nobody, whatever she does. */
  places: z.record(BookId, z.int().check(z.gte(0), z.lte(60))),
});
export type StarterAnswers = z.infer<typeof StarterAnswers>;

/** What is asked of a boat of a class, each with what is usual of that class. */
export type StarterQuestions = {
  usual: Omit<StarterAnswers, 'name' | 'hullNumber'>;
  plan: Plan;
  stations: Station[];
  fittings: Fitting[];
  systems: System[];
  places: Place[];
  tank: Tank | undefined;
};

type Class = {
  lists: Lists;
  plan: Plan;
  plate: { people: number; loadKg: number };
  engine: z.infer<typeof Engine>;
  hull: Hull | undefined;
};

/** A class as it is resolved, or nothing where it is no whole boat: what others come from is no starter by itself. */
const classOf = (lineage: readonly ClassBook[]): Class | undefined => {
  const merged = mergeLists(lineage);
  const { plan, plate, engine, hull } = mergeSingles(lineage).value as Partial<Class>;
  return merged.ok && plan && plate && engine ? { lists: merged.lists, plan, plate, engine, hull } : undefined;
};

const rowsOf = <R>(lists: Lists, list: ListName): R[] => lists[list] as unknown as R[];
const has = (lists: Lists, list: ListName, id: string) => lists[list].some((row) => row.id === id);

/** The tank that her engine draws from. */
const fuelTankOf = (lists: Lists): Tank | undefined =>
  rowsOf<Tank>(lists, 'tanks').find(({ holds, feeds }) => (holds === 'petrol' || holds === 'diesel') && (feeds ?? 'engine') === 'engine');
const isShown = (reads: string): reads is FuelShown => (FUEL_SHOWN as readonly string[]).includes(reads);
const fuelGaugesOf = (lists: Lists, tank: Tank): Gauge[] => rowsOf<Gauge>(lists, 'gauges').filter((gauge) => gauge.tank === tank.id);

const toiletOf = (lists: Lists): ToiletKind | 'none' =>
  TOILET_KINDS.find((kind) => TOILETS[kind].points.some((id) => has(lists, 'points', id))) ?? 'none';

const rowsIn = (rows: Partial<Record<ListName, readonly string[]>>): [ListName, string][] =>
  (Object.entries(rows) as [ListName, readonly string[]][]).flatMap(([list, ids]) => ids.map((id): [ListName, string] => [list, id]));

/** @param lineage the class and what it comes from, furthest first @returns nothing of a class that is no whole boat */
export const questionsOf = (lineage: readonly ClassBook[]): StarterQuestions | undefined => {
  const found = classOf(lineage);
  if (!found) return undefined;
  const { lists, plan, plate, engine, hull } = found;
  const tank = fuelTankOf(lists);
  const systems = SYSTEM_NAMES.filter((system) => rowsIn(SYSTEMS[system]).some(([list, id]) => has(lists, list, id)));
  // What belongs to a system is asked for with it.
  const ofSystems = new Set(
    systems.flatMap((system) => rowsIn(SYSTEMS[system]).flatMap(([list, id]) => (list === 'fittings' ? [id] : []))),
  );
  const fittings = rowsOf<Fitting>(lists, 'fittings');
  const places = rowsOf<Place>(lists, 'places');
  return {
    usual: {
      people: plate.people,
      loadKg: plate.loadKg,
      lengthM: plan.lengthM,
      beamM: plan.beamM,
      ...(tank ? { fuelL: tank.capacityL } : {}),
      fuelShown: tank ? fuelGaugesOf(lists, tank).flatMap(({ reads }) => (isShown(reads) ? [reads] : [])) : [],
      ...(engine.burnLPerHour === undefined ? {} : { burnLPerHour: engine.burnLPerHour }),
      steering: hull?.tiller ? 'tiller' : 'wheel',
      ...(has(lists, 'stations', 'heads') ? { toilet: toiletOf(lists) } : {}),
      fittings: Object.fromEntries(fittings.map(({ id, count, station }) => [id, { count, station }])),
      without: [],
      places: Object.fromEntries(places.map(({ id, people }) => [id, people ?? plate.people])),
    },
    plan,
    stations: rowsOf<Station>(lists, 'stations'),
    fittings: fittings.filter(({ id }) => !ofSystems.has(id)),
    systems,
    places,
    tank,
  };
};

/** To the centimetre. */
const cm = (metres: number): number => Math.round(metres * 100) / 100;
const scaled = ([x, y]: Spot, along: number, across: number): Spot => [cm(x * along), cm(y * across)];

const scaledStroke = (stroke: Stroke, along: number, across: number): Stroke => {
  if (stroke.draw === 'path') return { ...stroke, points: stroke.points.map((point) => scaled(point, along, across)) };
  if (stroke.draw === 'box') return { ...stroke, at: scaled(stroke.at, along, across), size: scaled(stroke.size, along, across) };
  return { ...stroke, at: scaled(stroke.at, along, across), radius: Math.max(0.01, cm(stroke.radius * Math.min(along, across))) };
};

/** What runs out by a month that is printed on it, and is asked for where it is aboard. */
export const runsOut = ({ id, kind }: Pick<Fitting, 'id' | 'kind'>): boolean =>
  kind === 'sealedKit' || id === 'extinguisher' || id === 'raft';

/** The drawing of a class, drawn out to a boat of another length and beam. */
export const scaledPlan = (plan: Plan, lengthM: number, beamM: number): Plan => ({
  lengthM,
  beamM,
  strokes: plan.strokes.map((stroke) => scaledStroke(stroke, lengthM / plan.lengthM, beamM / plan.beamM)),
});

/** Gauges of a tank, for a boat whose class has none of that kind. Names in the languages books come in. */
const GAUGE_NAMES: Record<FuelShown, Gauge['name']> = {
  needle: { en: 'Fuel needle', fr: 'Aiguille de carburant', de: 'Tanknadel', es: 'Aguja de combustible' },
  sightLine: { en: 'Fuel sight line', fr: 'Niveau visible', de: 'Schauglas', es: 'Nivel visible' },
  dipstick: { en: 'Dipstick, in litres', fr: 'Jauge, en litres', de: 'Peilstab, in Litern', es: 'Varilla, en litros' },
  sender: { en: 'Fuel in per cent', fr: 'Carburant en pour cent', de: 'Kraftstoff in Prozent', es: 'Combustible en tanto por ciento' },
  totaliser: { en: 'Fuel totaliser', fr: 'Totalisateur de carburant', de: 'Verbrauchszähler', es: 'Totalizador de combustible' },
};
const newGauge = (reads: FuelShown, tank: Tank, capacityL: number, station: string): Omit<Gauge, 'id'> => {
  const range = {
    needle: [0, 1, 0.0625],
    sender: [0, 100, 1],
    totaliser: [0, 9999, 0.1],
    sightLine: [0, capacityL, 1],
    dipstick: [0, capacityL, 1],
  }[reads];
  const unit = { needle: undefined, sender: '%', totaliser: 'L', sightLine: 'L', dipstick: 'L' }[reads];
  return {
    station,
    name: GAUGE_NAMES[reads],
    reads,
    tank: tank.id,
    ...(unit === undefined ? {} : { unit }),
    min: range[0]!,
    max: range[1]!,
    step: range[2]!,
  };
};

/** Below that a boat is the one of her class, m. */
const SAME_M = 0.005;

/** One thing after the other that her own book says, each only where it differs from her class. */
class Own {
  constructor(
    public book: BoatBook,
    readonly lists: Lists,
  ) {}
  change(list: ListName, id: string, edit: Readonly<Record<string, unknown>>) {
    const row = this.lists[list].find((one) => one.id === id);
    if (row) this.book = changeRow(this.book, list, row, edit, true);
  }
  drop(list: ListName, id: string) {
    if (has(this.lists, list, id)) this.book = dropRow(this.book, list, id, true);
  }
  add(list: ListName, id: string, fields: Readonly<Record<string, unknown>>) {
    if (!has(this.lists, list, id)) this.book = addRow(this.book, list, id, fields);
  }
}

const asDrawn = (own: Own, { plan }: Class, { lengthM, beamM }: StarterAnswers) => {
  if (Math.abs(lengthM - plan.lengthM) < SAME_M && Math.abs(beamM - plan.beamM) < SAME_M) return;
  own.book = { ...own.book, plan: scaledPlan(plan, lengthM, beamM) };
  const [along, across] = [lengthM / plan.lengthM, beamM / plan.beamM];
  for (const { id, at } of rowsOf<Station>(own.lists, 'stations')) own.change('stations', id, { at: scaled(at, along, across) });
  // Sides are as long as she is.
  for (const { id, bow, widthM } of rowsOf<Surface>(own.lists, 'surfaces'))
    if (bow !== undefined) own.change('surfaces', id, { widthM: Math.min(60, cm(widthM * along)) });
};

const asFuelled = (own: Own, { engine }: Class, { fuelL, fuelShown, burnLPerHour }: StarterAnswers) => {
  if (burnLPerHour !== undefined && burnLPerHour !== engine.burnLPerHour) own.book = { ...own.book, engine: { ...engine, burnLPerHour } };
  const tank = fuelTankOf(own.lists);
  if (!tank || fuelL === undefined) return;
  own.change('tanks', tank.id, {
    capacityL: fuelL,
    // What the pick-up cannot reach is a share of the tank.
    ...(tank.unusableL === undefined ? {} : { unusableL: Math.round((tank.unusableL / tank.capacityL) * fuelL * 10) / 10 }),
    // A table of another tank's is none of hers.
    ...(fuelL === tank.capacityL ? {} : { needleTable: undefined, ...(tank.shape ? { strapping: undefined } : {}) }),
  });
  const gauges = fuelGaugesOf(own.lists, tank);
  for (const gauge of gauges) {
    if (isShown(gauge.reads) && !fuelShown.includes(gauge.reads)) own.drop('gauges', gauge.id);
    else if (gauge.unit === 'L' && gauge.max === tank.capacityL) own.change('gauges', gauge.id, { max: fuelL });
  }
  const station = gauges[0]?.station ?? own.lists.stations[0]!.id;
  for (const reads of fuelShown)
    if (!gauges.some((gauge) => gauge.reads === reads))
      own.add('gauges', `fuel-${reads.toLowerCase()}`, newGauge(reads, tank, fuelL, station));
};

/** Takes a row of another starter over, with what it hangs on put where this boat has it. */
const adopt = (own: Own, donors: readonly Lists[], list: ListName, id: string, stationAs: string) => {
  const row = donors.flatMap((lists) => lists[list]).find((one) => one.id === id);
  if (!row) return;
  const { id: _, station, tank, ...rest } = row;
  if (tank !== undefined && !has(own.lists, 'tanks', tank as string)) return;
  const put = station === undefined ? {} : { station: has(own.lists, 'stations', station as string) ? station : stationAs };
  own.add(list, id, { ...rest, ...put, ...(tank === undefined ? {} : { tank }) });
};

const withToilet = (own: Own, donors: readonly Lists[], wanted: ToiletKind | 'none') => {
  for (const kind of TOILET_KINDS)
    for (const [list, id] of rowsIn(TOILETS[kind])) {
      if (kind !== wanted) own.drop(list, id);
      else if (!has(own.lists, list, id)) adopt(own, donors, list, id, 'heads');
    }
  if (wanted === 'none') for (const [list, id] of rowsIn(ANY_TOILET)) own.drop(list, id);
};

const asSteered = (own: Own, donors: readonly Lists[], hull: Hull | undefined, steering: Steering) => {
  const tiller = steering === 'tiller';
  if (tiller !== (hull?.tiller ?? false)) own.book = { ...own.book, hull: { ...hull, tiller } };
  const told = STEERINGS.tiller.points;
  if (!tiller) for (const id of told) own.drop('points', id);
  else if (!told.some((id) => has(own.lists, 'points', id))) adopt(own, donors, 'points', 'tiller-way', own.lists.stations[0]!.id);
};

/** What an evening's round asks of gas is not asked where there is none. */
const withoutGasRounds = (own: Own) => {
  for (const { id, items } of own.lists.rounds as unknown as { id: string; items: { id: string }[] }[])
    if (items.some((item) => item.id === 'gas')) own.change('rounds', id, { items: items.filter((item) => item.id !== 'gas') });
};

/**
 * Her own book over her class. Merged over that class it is checked as any other.
 * @param lineage her class and what it comes from, furthest first
 * @param others lineages of the other starters, for what a boat has that her class has not
 * @returns nothing where the class is no whole boat
 */
export const bookFromAnswers = (
  lineage: readonly ClassBook[],
  others: readonly (readonly ClassBook[])[],
  at: { id: string; base: string },
  answers: StarterAnswers,
): BoatBook | undefined => {
  const found = classOf(lineage);
  const own = lineage.at(-1);
  if (!found || !own) return undefined;
  const donors = others.flatMap((one) => classOf(one)?.lists ?? []);
  const made = new Own(
    { format: 'quay-boat-book/1', id: at.id, class: own.id, name: answers.name, base: at.base, hullNumber: answers.hullNumber },
    found.lists,
  );
  const { people, loadKg } = answers;
  if (people !== found.plate.people || loadKg !== found.plate.loadKg) made.book = { ...made.book, plate: { people, loadKg } };
  asDrawn(made, found, answers);
  asFuelled(made, found, answers);
  asSteered(made, donors, found.hull, answers.steering);
  if (answers.toilet !== undefined) withToilet(made, donors, answers.toilet);
  for (const [id, { count, station, expiry }] of Object.entries(answers.fittings))
    if (count === 0) made.drop('fittings', id);
    else made.change('fittings', id, { count, station, ...(expiry === undefined ? {} : { expiry }) });
  for (const system of answers.without) for (const [list, id] of rowsIn(SYSTEMS[system])) made.drop(list, id);
  if (answers.without.includes('gas')) withoutGasRounds(made);
  for (const [id, many] of Object.entries(answers.places))
    made.change('places', id, many === 0 ? { never: [...BOAT_STATES] } : { people: many });
  return made.book;
};

/** The book of a boat that is built as another one: what is the other hull's alone is not taken over. */
export const sisterOf = (book: BoatBook, sister: { id: string; name: string; hullNumber: string }): BoatBook => {
  const { callSign: _, looks: __, gauges, fittings, ...rest } = book;
  return {
    ...rest,
    ...sister,
    // What fills taught of her gauges, and when her own things run out.
    ...(gauges ? { gauges: gauges.map(({ errors: ___, wire: ____, ...gauge }) => gauge) } : {}),
    ...(fittings ? { fittings: fittings.map(({ expiry: ___, service: ____, since: _____, ...fitting }) => fitting) } : {}),
  };
};
