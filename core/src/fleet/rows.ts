import * as z from 'zod/mini';
import { Spot, Stroke } from './drawing';
import { Jacket } from './jacket';
import { BookId, Wording } from '../words/words';
import { Month } from '../time/calendar';

/** The rows of a book that are walked to, counted, looked at and read. */

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
  /** On which side of the drawing the bow is, where that is not plain from its name. */
  bow: z.optional(z.enum(['left', 'right'])),
  /** A picture of the whole is asked for: on every walk, or on one that a renter makes alone. */
  picture: z.optional(z.enum(['always', 'alone'])),
});
export type Surface = z.infer<typeof Surface>;

export const FITTING_PER = ['person', 'adult', 'child'] as const;
export const FITTING_KINDS = ['required', 'withinReach', 'sealedKit', 'consumable', 'papers', 'extra'] as const;
export const Fitting = z.object({
  id: BookId,
  station: BookId,
  name: Wording,
  kind: z.enum(FITTING_KINDS),
  count: z.int().check(z.gte(0), z.lte(99)),
  /** Last month in which it counts, `YYYY-MM`. */
  expiry: z.optional(Month),
  /** Month by which it has to be looked at by whoever may: beyond it, it counts as out of date. */
  service: z.optional(Month),
  /** Needed for each of them, where that is more than the count. */
  per: z.optional(z.enum(FITTING_PER)),
  /** Missing, broken or out of date holds the boat back. */
  safety: z.optional(z.boolean()),
  price: z.optional(BookId),
  /** Month in which it came aboard new, for what its age takes off its price. */
  since: z.optional(Month),
  /** Where these are jackets: whom they fit. */
  jacket: z.optional(Jacket),
});
export type Fitting = z.infer<typeof Fitting>;

const TableRow = z.tuple([z.number(), z.number()]);
export const TANK_FEEDS = ['engine', 'generator', 'nothing'] as const;
export const TANK_SHAPES = ['box', 'wedge', 'lyingCylinder'] as const;
export const Tank = z.object({
  id: BookId,
  name: Wording,
  holds: z.enum(['petrol', 'diesel', 'fresh', 'waste', 'gas']),
  capacityL: z.number().check(z.gt(0), z.lte(20_000)),
  /** What draws from it; the engine unless said otherwise. A can and a toy's tank feed nothing: they are read and charged. */
  feeds: z.optional(z.enum(TANK_FEEDS)),
  /** What the boat takes from it by herself in a day, from the least to the most: a generator's petrol, the cooker's gas, L. */
  litresADay: z.optional(z.tuple([z.number().check(z.gte(0), z.lte(500)), z.number().check(z.gte(0), z.lte(500))])),
  /** What the pick-up cannot reach. */
  unusableL: z.optional(z.number().check(z.gte(0))),
  /** Needle (0 to 1) → volume share (0 to 1), when the needle does not run straight. */
  needleTable: z.optional(z.array(TableRow).check(z.minLength(2))),
  /** Strapping table: level in mm above the bottom → litres. */
  strapping: z.optional(z.array(TableRow).check(z.minLength(2))),
  /** Where nobody has strapped her tank: its shape and inner height (a wedge stands on its edge). */
  shape: z.optional(z.object({ is: z.enum(TANK_SHAPES), heightMm: z.number().check(z.gt(0), z.lte(5000)) })),
});
export type Tank = z.infer<typeof Tank>;

/** A tap, a toilet, a socket: where it draws from, and where what it gives goes. `lake`, `mains` and `battery` are no tanks. */
export const Outlet = z.object({
  id: BookId,
  name: Wording,
  from: BookId,
  into: z.optional(BookId),
  /** What each person draws from it in a day, from the least to the most, L. */
  litresPerPersonDay: z.optional(z.tuple([z.number().check(z.gte(0), z.lte(500)), z.number().check(z.gte(0), z.lte(500))])),
  /** Loads that are allowed only so: with the engine running, never under way … */
  note: z.optional(Wording),
});
export type Outlet = z.infer<typeof Outlet>;
export const NOT_TANKS: readonly string[] = ['lake', 'mains', 'battery', 'overboard'];

export const READINGS = ['needle', 'sightLine', 'dipstick', 'sender', 'totaliser', 'counter', 'lamp', 'percent', 'figure'] as const;
/** How far a gauge is off, as shares of its tank, learnt from fills that were metered to the brim. */
export const GaugeErrors = z.object({
  /** By chance, from reading to reading. */
  sd: z.number().check(z.gt(0), z.lte(1)),
  /** Always: what it shows too much. */
  bias: z.number().check(z.gte(-1), z.lte(1)),
  /** How sure nobody is of the bias. */
  biasSd: z.number().check(z.gte(0), z.lte(1)),
  fills: z.int().check(z.gte(1)),
});
export type GaugeErrors = z.infer<typeof GaugeErrors>;
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
  /** What is usual in figures: what is read outside it is named. */
  band: z.optional(z.tuple([z.number(), z.number()])),
  /** Of a waste tank's lamp: how many flushes are left once it is lit. */
  flushesLeft: z.optional(z.int().check(z.gte(0), z.lte(500))),
  /** A picture of what is read is asked for: on every walk, or on one that a renter makes alone. */
  picture: z.optional(z.enum(['always', 'alone'])),
  errors: z.optional(GaugeErrors),
  /** What this gauge's reading is called on the boat's own wires, where she has a gateway. */
  wire: z.optional(z.string().check(z.regex(/^[A-Z0-9_-]{1,20}$/))),
});
export type Gauge = z.infer<typeof Gauge>;

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
  /** Where a picture of each blade is asked for. */
  blades: z.optional(z.int().check(z.gte(1), z.lte(7))),
  price: z.optional(BookId),
});
export type Propeller = z.infer<typeof Propeller>;

/** What she anchors with, m. */
export const AnchorGear = z.object({
  /** Line and chain together, all that is aboard. */
  lineM: z.number().check(z.gt(0), z.lte(300)),
  /** From the water to where the line leaves the bow. */
  bowM: z.number().check(z.gte(0), z.lte(10)),
  /** To be added to what the sounder shows, for the depth from the surface. */
  sounderM: z.optional(z.number().check(z.gte(-10), z.lte(10))),
});
export type AnchorGear = z.infer<typeof AnchorGear>;

export const PlateShape = z.object({ people: z.int().check(z.gte(1), z.lte(60)), loadKg: z.number().check(z.gt(0)) });
/** One line of a boat's speed table, tried in calm and slack water with a usual load. */
const PaceRow = z.object({
  rpm: z.optional(z.number().check(z.gt(0), z.lte(12_000))),
  kmh: z.number().check(z.gt(0), z.lte(120)),
  lPerHour: z.optional(z.number().check(z.gt(0), z.lte(500))),
});
export type PaceRow = z.infer<typeof PaceRow>;

export const Engine = z.object({
  kind: z.enum(['outboard', 'inboardDiesel', 'inboardPetrol', 'electric']),
  count: z.optional(z.int().check(z.gte(1), z.lte(4))),
  /** Litres an hour at the pace renters keep; what hours run are multiplied by. */
  burnLPerHour: z.optional(z.number().check(z.gt(0))),
  idleRpm: z.optional(z.number().check(z.gt(0))),
  fullRpm: z.optional(z.number().check(z.gt(0))),
  warmC: z.optional(z.tuple([z.number(), z.number()])),
  /** Her speed table: revs, speed, and what she burns; what lies between is interpolated. */
  speeds: z.optional(z.array(PaceRow).check(z.maxLength(20))),
  /** Revs at which she shakes: gone through, not kept. */
  avoidRpm: z.optional(z.tuple([z.number(), z.number()])),
});

/**
 * Something that is looked at when she comes back and is as it should be or not: a switch, a cover, the rubbish, how clean
 * she is. The first way is as it should be.
 */
export const Check = z.object({
  id: BookId,
  station: BookId,
  name: Wording,
  ways: z
    .array(
      z.object({
        id: BookId,
        name: Wording,
        /** What it costs to be found so: a line of the price list. */
        price: z.optional(BookId),
        /** A picture of it is asked for. */
        picture: z.optional(z.literal(true)),
      }),
    )
    .check(z.minLength(2), z.maxLength(6)),
});
export type Check = z.infer<typeof Check>;
