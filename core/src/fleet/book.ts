import * as z from 'zod/mini';
import { Condition } from './condition';
import { Plan } from './drawing';
import { Drill } from './drills';
import { Hull } from './hull';
import { Place } from './places';
import { AnchorGear, Check, Engine, Fitting, Gauge, Outlet, PlateShape, Propeller, Station, Surface, Tank } from './rows';
import { FixCard, Point, Round } from './points';
import { BookId, Clauses, Wording } from '../words/words';

/**
 * The books. A class book says what a class of boats shares, perhaps over a class it comes from; a boat book says what
 * one hull has different. Merged they make the book that a hire is walked with.
 */

export const BOAT_KINDS = ['pontoon', 'rib', 'electricLaunch', 'houseboat', 'canalBoat', 'riverCruiser', 'launch'] as const;

/** Lists of a book: rows by id, in the order of the walk. */
export const ROWS = {
  stations: Station,
  surfaces: Surface,
  fittings: Fitting,
  tanks: Tank,
  outlets: Outlet,
  gauges: Gauge,
  places: Place,
  points: Point,
  fixCards: FixCard,
  rounds: Round,
  propellers: Propeller,
  checks: Check,
  drills: Drill,
} as const;
export type ListName = keyof typeof ROWS;
export const LISTS = Object.keys(ROWS) as ListName[];

const CallSign = z.string().check(z.regex(/^[A-Z0-9]{3,10}$/));
const WindLimit = z.number().check(z.gt(0), z.lte(40));

/** A resolved book: what a hire is walked with. Order of the lists is the order on screen. */
export const Book = z.object({
  kind: z.enum(BOAT_KINDS),
  /** Her class and the classes it comes from, nearest first. */
  classes: z.optional(z.array(BookId)),
  plan: Plan,
  plate: PlateShape,
  engine: Engine,
  hull: z.optional(Hull),
  /** What she looks like from another boat, for whoever has to find her. */
  looks: z.optional(Wording),
  callSign: z.optional(CallSign),
  windLimitMs: z.optional(WindLimit),
  anchor: z.optional(AnchorGear),
  conditions: z.optional(z.record(BookId, Condition)),
  /** The operator's terms when the book was made. */
  clauses: z.optional(Clauses),
  stations: z.array(Station).check(z.minLength(1)),
  surfaces: z.array(Surface),
  fittings: z.array(Fitting),
  tanks: z.array(Tank),
  // Books of records from before these lists were thought of are read for ever.
  outlets: z._default(z.array(Outlet), []),
  gauges: z.array(Gauge),
  places: z._default(z.array(Place), []),
  points: z.array(Point),
  fixCards: z._default(z.array(FixCard), []),
  rounds: z._default(z.array(Round), []),
  propellers: z.array(Propeller),
  checks: z._default(z.array(Check), []),
  drills: z._default(z.array(Drill), []),
});
export type Book = z.infer<typeof Book>;

/** One row of a book that is merged over another: takes a row away, or changes or adds the fields named. */
const Change = z.catchall(
  z.object({
    id: BookId,
    absent: z.optional(z.literal(true)),
    /** Where a new or moved row goes: after this one, or first. */
    after: z.optional(z.union([BookId, z.null()])),
  }),
  z.unknown(),
);
const changes = z.optional(z.array(Change));

/**
 * What a book may say by itself: single fields replace those below whole (`null`: none, whatever lies below), rows are
 * merged over rows of the same id.
 */
const layer = {
  plan: z.optional(Plan),
  plate: z.optional(PlateShape),
  engine: z.optional(Engine),
  hull: z.optional(z.nullable(Hull)),
  looks: z.optional(z.nullable(Wording)),
  callSign: z.optional(z.nullable(CallSign)),
  windLimitMs: z.optional(z.nullable(WindLimit)),
  anchor: z.optional(z.nullable(AnchorGear)),
  conditions: z.optional(z.record(BookId, Condition)),
  stations: changes,
  surfaces: changes,
  fittings: changes,
  tanks: changes,
  outlets: changes,
  gauges: changes,
  places: changes,
  points: changes,
  fixCards: changes,
  rounds: changes,
  propellers: changes,
  checks: changes,
  drills: changes,
};

export const ClassBook = z.object({
  format: z.literal('quay-class-book/1'),
  id: BookId,
  name: z.string().check(z.minLength(1), z.maxLength(80)),
  /** The class this one comes from and is merged over. */
  from: z.optional(BookId),
  kind: z.optional(z.enum(BOAT_KINDS)),
  ...layer,
});
export type ClassBook = z.infer<typeof ClassBook>;

export const BoatBook = z.object({
  format: z.literal('quay-boat-book/1'),
  id: BookId,
  class: BookId,
  name: z.string().check(z.minLength(1), z.maxLength(80)),
  /** Where she lies. */
  base: BookId,
  hullNumber: z.string().check(z.minLength(1), z.maxLength(20)),
  /** The waters she is let for, where they are not those in front of her base. */
  waters: z.optional(BookId),
  ...layer,
});
export type BoatBook = z.infer<typeof BoatBook>;
