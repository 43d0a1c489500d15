import { addRow, changeRow, dropRow } from '../edit';
import type { BoatBook, ClassBook, ListName } from '../book';
import type { Plan, Spot, Stroke } from '../drawing';
import type { Hull } from '../hull';
import type { Lists } from '../merge';
import { BOAT_STATES } from '../places';
import { Round } from '../points';
import { type Gauge, Station, Surface, type Tank } from '../rows';
import { type Class, classOf, fuelGaugesOf, fuelTankOf, has, isShown, rowsIn, rowsOf, type StarterAnswers } from './questions';
import { ANY_TOILET, type FuelShown, type Steering, STEERINGS, SYSTEMS, TOILET_KINDS, type ToiletKind, TOILETS } from './systems';

/** The book of a boat that is made from a starter, by what was answered. */

/** To the centimetre. */
const cm = (metres: number): number => Math.round(metres * 100) / 100;
const scaled = ([x, y]: Spot, along: number, across: number): Spot => [cm(x * along), cm(y * across)];

const scaledStroke = (stroke: Stroke, along: number, across: number): Stroke => {
  if (stroke.draw === 'path') return { ...stroke, points: stroke.points.map((point) => scaled(point, along, across)) };
  if (stroke.draw === 'box') return { ...stroke, at: scaled(stroke.at, along, across), size: scaled(stroke.size, along, across) };
  return { ...stroke, at: scaled(stroke.at, along, across), radius: Math.max(0.01, cm(stroke.radius * Math.min(along, across))) };
};

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
  for (const { id, at } of rowsOf(own.lists, 'stations', Station)) own.change('stations', id, { at: scaled(at, along, across) });
  // Sides are as long as she is.
  for (const { id, bow, widthM } of rowsOf(own.lists, 'surfaces', Surface))
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
  for (const { id, items } of rowsOf(own.lists, 'rounds', Round))
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
