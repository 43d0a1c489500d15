import * as z from 'zod/mini';
import type { ClassBook, ListName } from '../book';
import type { Plan } from '../drawing';
import type { Hull } from '../hull';
import { type Lists, mergeLists, mergeSingles } from '../merge';
import { Place } from '../places';
import { type Engine, Fitting, Gauge, Station, Tank } from '../rows';
import { BookId } from '../../words/words';
import { Month } from '../../time/calendar';
import {
  FUEL_SHOWN,
  type FuelShown,
  STEERING_NAMES,
  type System,
  SYSTEM_NAMES,
  SYSTEMS,
  TOILET_KINDS,
  type ToiletKind,
  TOILETS,
} from './systems';

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

export type Class = {
  lists: Lists;
  plan: Plan;
  plate: { people: number; loadKg: number };
  engine: z.infer<typeof Engine>;
  hull: Hull | undefined;
};

/** A class as it is resolved, or nothing where it is no whole boat: what others come from is no starter by itself. */
export const classOf = (lineage: readonly ClassBook[]): Class | undefined => {
  const merged = mergeLists(lineage);
  const { plan, plate, engine, hull } = mergeSingles(lineage).value as Partial<Class>;
  return merged.ok && plan && plate && engine ? { lists: merged.lists, plan, plate, engine, hull } : undefined;
};

/** Rows of a list, read as what they are: merged they were checked already. */
export const rowsOf = <R>(lists: Lists, list: ListName, shape: z.ZodMiniType<R>): R[] => z.array(shape).parse(lists[list]);
export const has = (lists: Lists, list: ListName, id: string) => lists[list].some((row) => row.id === id);

/** The tank that her engine draws from. */
export const fuelTankOf = (lists: Lists): Tank | undefined =>
  rowsOf(lists, 'tanks', Tank).find(({ holds, feeds }) => (holds === 'petrol' || holds === 'diesel') && (feeds ?? 'engine') === 'engine');
export const isShown = (reads: string): reads is FuelShown => (FUEL_SHOWN as readonly string[]).includes(reads);
export const fuelGaugesOf = (lists: Lists, tank: Tank): Gauge[] => rowsOf(lists, 'gauges', Gauge).filter((gauge) => gauge.tank === tank.id);

const toiletOf = (lists: Lists): ToiletKind | 'none' =>
  TOILET_KINDS.find((kind) => TOILETS[kind].points.some((id) => has(lists, 'points', id))) ?? 'none';

export const rowsIn = (rows: Partial<Record<ListName, readonly string[]>>): [ListName, string][] =>
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
  const fittings = rowsOf(lists, 'fittings', Fitting);
  const places = rowsOf(lists, 'places', Place);
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
    stations: rowsOf(lists, 'stations', Station),
    fittings: fittings.filter(({ id }) => !ofSystems.has(id)),
    systems,
    places,
    tank,
  };
};

/** What runs out by a month that is printed on it, and is asked for where it is aboard. */
export const runsOut = ({ id, kind }: Pick<Fitting, 'id' | 'kind'>): boolean =>
  kind === 'sealedKit' || id === 'extinguisher' || id === 'raft';
