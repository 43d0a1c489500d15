import * as z from 'zod/mini';

/**
 * The books. A class book says what a class of boats shares; a boat book says what one hull has different.
 * Positions on the plan are metres: x forward from the transom, y to starboard from the centre line.
 */

/** Ids are written once and never reused: records of years ago point at them. */
export const BookId = z.string().check(z.regex(/^[a-z0-9][a-z0-9-]{0,47}$/));

/** Wording by language; English is always there, since everything falls back to it. */
export const Wording = z.catchall(z.object({ en: z.string().check(z.minLength(1)) }), z.string());
export type Wording = z.infer<typeof Wording>;

const metres = z.number().check(z.gte(-60), z.lte(60));
const Spot = z.tuple([metres, metres]);
export type Spot = z.infer<typeof Spot>;

/** What the plan or a surface is drawn from. On a surface the numbers run from 0 to 1, right and down. */
export const Stroke = z.discriminatedUnion('draw', [
  z.object({
    draw: z.literal('path'),
    points: z.array(Spot).check(z.minLength(2)),
    closed: z.optional(z.boolean()),
    tone: z.optional(z.enum(['hull', 'deck', 'seat', 'dark', 'glass', 'line'])),
  }),
  z.object({ draw: z.literal('box'), at: Spot, size: Spot, tone: z.optional(z.enum(['hull', 'deck', 'seat', 'dark', 'glass', 'line'])) }),
  z.object({
    draw: z.literal('ring'),
    at: Spot,
    radius: z.number().check(z.gt(0)),
    tone: z.optional(z.enum(['hull', 'deck', 'seat', 'dark', 'glass', 'line'])),
  }),
]);
export type Stroke = z.infer<typeof Stroke>;

export const Station = z.object({
  id: BookId,
  name: Wording,
  at: Spot,
  /** Where to look, in a few words: "jackets under both seats". */
  hint: z.optional(Wording),
});
export type Station = z.infer<typeof Station>;

export const Surface = z.object({
  id: BookId,
  station: BookId,
  name: Wording,
  /** Of the drawing, to turn a position difference into millimetres. */
  widthM: z.number().check(z.gt(0), z.lte(60)),
  heightM: z.number().check(z.gt(0), z.lte(20)),
  strokes: z.array(Stroke),
  /** What lies under a mark in this surface, for allowances: gelcoat, aluminium, vinyl … */
  stuff: z.enum(['gelcoat', 'aluminium', 'steel', 'wood', 'vinyl', 'canvas', 'glass', 'rubber']),
});
export type Surface = z.infer<typeof Surface>;

export const FITTING_KINDS = ['required', 'withinReach', 'sealedKit', 'consumable', 'papers', 'extra'] as const;
export const Fitting = z.object({
  id: BookId,
  station: BookId,
  name: Wording,
  kind: z.enum(FITTING_KINDS),
  count: z.int().check(z.gte(0), z.lte(99)),
  /** Last month in which it counts, `YYYY-MM`. */
  expiry: z.optional(z.string().check(z.regex(/^\d{4}-(0[1-9]|1[0-2])$/))),
  /** Missing, broken or out of date holds the boat back. */
  safety: z.optional(z.boolean()),
  price: z.optional(BookId),
});
export type Fitting = z.infer<typeof Fitting>;

const TableRow = z.tuple([z.number(), z.number()]);
export const Tank = z.object({
  id: BookId,
  name: Wording,
  holds: z.enum(['petrol', 'diesel', 'fresh', 'waste', 'gas']),
  capacityL: z.number().check(z.gt(0), z.lte(20_000)),
  /** What the pick-up cannot reach. */
  unusableL: z.optional(z.number().check(z.gte(0))),
  /** Needle (0 to 1) → volume share (0 to 1), when the needle does not run straight. */
  needleTable: z.optional(z.array(TableRow).check(z.minLength(2))),
});
export type Tank = z.infer<typeof Tank>;

export const READINGS = ['needle', 'sightLine', 'counter', 'lamp', 'percent', 'figure'] as const;
export const Gauge = z.object({
  id: BookId,
  station: BookId,
  name: Wording,
  reads: z.enum(READINGS),
  /** Readings of one tank are judged together. */
  tank: z.optional(BookId),
  unit: z.optional(z.string()),
  min: z.number(),
  max: z.number(),
  step: z.optional(z.number().check(z.gt(0))),
  /** What is normal on this boat, so that nobody reports it as a fault. */
  normal: z.optional(Wording),
});
export type Gauge = z.infer<typeof Gauge>;

export const Point = z.object({
  id: BookId,
  station: BookId,
  weight: z.enum(['must', 'should', 'spare']),
  seconds: z.int().check(z.gte(1), z.lte(600)),
  say: Wording,
  show: z.optional(Wording),
  caution: z.optional(Wording),
  /** What the mistake costs: a line of the price list. */
  price: z.optional(BookId),
});
export type Point = z.infer<typeof Point>;

/** How a propeller can be judged and when: only with the leg up, felt through a hatch, or by its vibration. */
export const Propeller = z.object({
  id: BookId,
  station: BookId,
  name: Wording,
  evidence: z.enum(['legUp', 'feltThroughHatch', 'vibrationAndRevs']),
  outWhen: Wording,
  inWhen: Wording,
  /** A flaw up to this is written down and the hire goes on; beyond it a manager decides first. */
  limitMm: z.number().check(z.gte(0), z.lte(500)),
  price: z.optional(BookId),
});
export type Propeller = z.infer<typeof Propeller>;

export const Plan = z.object({
  lengthM: z.number().check(z.gt(1), z.lte(60)),
  beamM: z.number().check(z.gt(0.5), z.lte(12)),
  strokes: z.array(Stroke).check(z.minLength(1)),
});

const PlateShape = z.object({ people: z.int().check(z.gte(1), z.lte(60)), loadKg: z.number().check(z.gt(0)) });
export const Engine = z.object({
  kind: z.enum(['outboard', 'inboardDiesel', 'inboardPetrol', 'electric']),
  /** Litres an hour at the pace renters keep; what hours run are multiplied by. */
  burnLPerHour: z.optional(z.number().check(z.gt(0))),
});

/** A book laid flat: what a hire is walked with. Order of the lists is the order on screen. */
export const Book = z.object({
  kind: z.enum(['pontoon', 'rib', 'electricLaunch', 'houseboat', 'canalBoat', 'riverCruiser', 'launch']),
  plan: Plan,
  plate: PlateShape,
  engine: Engine,
  stations: z.array(Station).check(z.minLength(1)),
  surfaces: z.array(Surface),
  fittings: z.array(Fitting),
  tanks: z.array(Tank),
  gauges: z.array(Gauge),
  points: z.array(Point),
  propellers: z.array(Propeller),
});
export type Book = z.infer<typeof Book>;

export const ClassBook = z.extend(Book, {
  format: z.literal('quay-class-book/1'),
  id: BookId,
  name: z.string().check(z.minLength(1), z.maxLength(80)),
});
export type ClassBook = z.infer<typeof ClassBook>;

/** One row of a boat book: takes a row of the class away, or changes or adds the fields named. */
const Change = z.catchall(z.object({ id: BookId, absent: z.optional(z.literal(true)) }), z.unknown());
const changes = z.optional(z.array(Change));

export const BoatBook = z.object({
  format: z.literal('quay-boat-book/1'),
  id: BookId,
  class: BookId,
  name: z.string().check(z.minLength(1), z.maxLength(80)),
  /** Where she lies. */
  base: BookId,
  hullNumber: z.string().check(z.minLength(1), z.maxLength(20)),
  /** Fields of the class replaced whole. */
  plan: z.optional(Plan),
  plate: z.optional(PlateShape),
  engine: z.optional(Engine),
  stations: changes,
  surfaces: changes,
  fittings: changes,
  tanks: changes,
  gauges: changes,
  points: changes,
  propellers: changes,
});
export type BoatBook = z.infer<typeof BoatBook>;

/** Wording in the reader's language, or in English when the book lacks it. */
export const say = (wording: Wording, language: string): string => wording[language.slice(0, 2)] ?? wording.en;
