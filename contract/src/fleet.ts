import * as z from 'zod/mini';
import { Base } from '@quay/core/fleet/base';
import { BoatBook, Book, ClassBook } from '@quay/core/fleet/book';
import { Condition } from '@quay/core/fleet/condition';
import { BookId, Clauses, LANGUAGES, Wording } from '@quay/core/words/words';
import { GeneralPoint } from '@quay/core/fleet/points';
import { RuleSet } from '@quay/core/party/rules';
import { GaugeErrors } from '@quay/core/fleet/rows';
import { endpoint } from './endpoint';
import { Id, Instant, nothing } from './parts';

export const boatParams = z.object({ boatId: Id });
const Origin = z.object({ book: z.string(), is: z.enum(['brought', 'changed']) });

export const listBoats = endpoint({
  name: 'listBoats',
  summary: 'The fleet: every boat with the version of her book.',
  method: 'GET',
  path: '/boats',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  reply: z.object({
    boats: z.array(
      z.object({ id: Id, name: z.string(), hullNumber: z.string(), base: z.string(), className: z.string(), bookVersion: z.int() }),
    ),
  }),
});

const MadeVersion = { version: z.int(), madeAt: z.nullable(Instant), madeBy: z.nullable(z.string()) };
const fields = z.record(z.string(), z.unknown());
/** What a layered book says once: as it is resolved, as it would be without this layer, and by field (or `conditions.<id>`) who says it. */
const About = z.object({ value: fields, below: fields, from: z.record(z.string(), z.string()) });
/** By path of a text (`points[bow-rails].caution`): languages in which it is older than in another. */
const ToTranslate = z.record(z.string(), z.array(z.string()));
const Row = z.catchall(z.object({ id: z.string() }), z.unknown());
/** A book set out for comparing. */
const Comparable = z.object({ lists: z.record(z.string(), z.array(Row)), about: fields });
const versionText = z.string().check(z.regex(/^\d{1,6}$/));

/** A boat's own book beside what it comes to, merged over her classes, with where each row of it comes from. */
export const BoatShelf = z.object({
  boatBook: BoatBook,
  resolved: Book,
  /** By list and id: which book brought or last changed a row; points of base, waters and operator have none. */
  origins: z.record(z.string(), z.record(z.string(), Origin)),
  /** By list: ids as they are resolved, without the points of base, waters and operator. */
  ids: z.record(z.string(), z.array(z.string())),
  /** By list: ids of her classes’ lists, before she moves any. */
  below: z.record(z.string(), z.array(z.string())),
  classNames: z.record(z.string(), z.string()),
  about: About,
  version: z.int(),
  versions: z.array(z.object({ ...MadeVersion, hires: z.int() })),
  toTranslate: ToTranslate,
  /** What the book is held against to see what it lacks: codes of the price list, and the languages renters are spoken to in. */
  known: z.object({ prices: z.array(z.string()), languages: z.array(z.enum(LANGUAGES)) }),
});
export type BoatShelf = z.infer<typeof BoatShelf>;

export const getBoatBook = endpoint({
  name: 'getBoatBook',
  summary: 'A boat’s book: her own, and merged over her classes.',
  method: 'GET',
  path: '/boats/:boatId/book',
  roles: ['manager'],
  params: boatParams,
  query: nothing,
  body: nothing,
  reply: BoatShelf,
});

export const getBookVersion = endpoint({
  name: 'getBookVersion',
  summary: 'A boat’s resolved book, as it was in an earlier version.',
  method: 'GET',
  path: '/boats/:boatId/book/:version',
  roles: ['manager'],
  params: z.object({ boatId: Id, version: versionText }),
  query: nothing,
  body: nothing,
  reply: z.object({ resolved: Book }),
});

export const changeBoatBook = endpoint({
  name: 'changeBoatBook',
  summary: 'Puts a boat’s own book in place as a new version. Hires that have begun keep theirs.',
  method: 'PATCH',
  path: '/boats/:boatId/book',
  roles: ['manager'],
  params: boatParams,
  query: nothing,
  versioned: true,
  body: z.object({ boatBook: BoatBook }),
  reply: BoatShelf,
});

export const tryCondition = endpoint({
  name: 'tryCondition',
  summary: 'On how many of the last fifty hires a condition would have held.',
  method: 'POST',
  path: '/conditions/tried',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: z.object({
    condition: Condition,
    /** Conditions of the book by their names. */
    named: z._default(z.record(BookId, Condition), {}),
  }),
  reply: z.object({
    /** So many hires were looked at. */
    of: z.int(),
    holds: z.int(),
    /** Of so many nobody knows enough to say. */
    unknown: z.int(),
  }),
});

export const textIsRight = endpoint({
  name: 'textIsRight',
  summary: 'A text that was changed in one language is right as it is in the others.',
  method: 'POST',
  path: '/books/translated',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: z.object({ is: z.enum(['class', 'boat', 'base']), id: Id, path: z.string().check(z.minLength(1), z.maxLength(300)) }),
  reply: z.object({ ok: z.literal(true) }),
});

export const listBooks = endpoint({
  name: 'listBooks',
  summary: 'Class books and base books, with the boats each of them bears on.',
  method: 'GET',
  path: '/books',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  reply: z.object({
    classes: z.array(z.object({ id: Id, name: z.string(), from: z.nullable(Id), boats: z.array(z.string()) })),
    bases: z.array(z.object({ id: Id, name: z.string(), boats: z.array(z.string()) })),
    /** Sets of rules, with the waters on which each holds. */
    rules: z.array(z.object({ id: Id, name: Wording, waters: z.array(z.string()) })),
    /** Waters, with the boats that are hired out on each. */
    waters: z.array(z.object({ id: Id, name: z.string(), boats: z.array(z.string()) })),
  }),
});

/** A class book beside what it comes to, merged over the classes it comes from: not yet a whole boat. */
export const ClassShelf = z.object({
  classBook: ClassBook,
  lists: z.record(z.string(), z.array(Row)),
  origins: z.record(z.string(), z.record(z.string(), Origin)),
  below: z.record(z.string(), z.array(z.string())),
  classNames: z.record(z.string(), z.string()),
  /** The drawing that its own rows are placed on: its own, or that of a class it comes from. */
  plan: z.nullable(Book.shape.plan),
  about: About,
  version: z.int(),
  versions: z.array(z.object(MadeVersion)),
  toTranslate: ToTranslate,
  boats: z.array(z.string()),
});
export type ClassShelf = z.infer<typeof ClassShelf>;

export const getClassBook = endpoint({
  name: 'getClassBook',
  summary: 'A class book: its own rows, and merged over the classes it comes from.',
  method: 'GET',
  path: '/classes/:classId/book',
  roles: ['manager'],
  params: z.object({ classId: Id }),
  query: nothing,
  body: nothing,
  reply: ClassShelf,
});

export const changeClassBook = endpoint({
  name: 'changeClassBook',
  summary:
    'Puts a class book in place, and with it a new version of the book of every boat it bears on. All of them hold together, or nothing changes.',
  method: 'PATCH',
  path: '/classes/:classId/book',
  roles: ['manager'],
  params: z.object({ classId: Id }),
  query: nothing,
  versioned: true,
  body: z.object({ classBook: ClassBook }),
  reply: ClassShelf,
});

export const getClassVersion = endpoint({
  name: 'getClassVersion',
  summary: 'A class book as it was in an earlier version, over the classes it comes from as they are now.',
  method: 'GET',
  path: '/classes/:classId/book/:version',
  roles: ['manager'],
  params: z.object({ classId: Id, version: versionText }),
  query: nothing,
  body: nothing,
  reply: Comparable,
});

export const BaseShelf = z.object({
  base: Base,
  version: z.int(),
  versions: z.array(z.object(MadeVersion)),
  toTranslate: ToTranslate,
  boats: z.array(z.string()),
});
export type BaseShelf = z.infer<typeof BaseShelf>;

export const getBaseBook = endpoint({
  name: 'getBaseBook',
  summary: 'A base book: berths, way in, return card, store, key safe, points.',
  method: 'GET',
  path: '/bases/:baseId/book',
  roles: ['manager'],
  params: z.object({ baseId: Id }),
  query: nothing,
  body: nothing,
  reply: BaseShelf,
});

export const changeBaseBook = endpoint({
  name: 'changeBaseBook',
  summary: 'Puts a base book in place; boats that lie there get a new version where its points change theirs.',
  method: 'PATCH',
  path: '/bases/:baseId/book',
  roles: ['manager'],
  params: z.object({ baseId: Id }),
  query: nothing,
  versioned: true,
  body: z.object({ base: Base }),
  reply: BaseShelf,
});

export const getBaseVersion = endpoint({
  name: 'getBaseVersion',
  summary: 'A base book as it was in an earlier version.',
  method: 'GET',
  path: '/bases/:baseId/book/:version',
  roles: ['manager'],
  params: z.object({ baseId: Id, version: versionText }),
  query: nothing,
  body: nothing,
  reply: Comparable,
});

export const getLearnt = endpoint({
  name: 'getLearnt',
  summary: 'What the metered fills of a boat teach about her gauges.',
  method: 'GET',
  path: '/boats/:boatId/learnt',
  roles: ['manager'],
  params: boatParams,
  query: nothing,
  body: nothing,
  reply: z.object({ gauges: z.array(z.object({ gauge: z.string(), fills: z.int(), errors: z.nullable(GaugeErrors) })) }),
});

const RulesShelf = z.object({ rules: RuleSet, version: z.int(), waters: z.array(z.string()) });
export type RulesShelf = z.infer<typeof RulesShelf>;

export const getRules = endpoint({
  name: 'getRules',
  summary: 'A set of rules for jackets, drivers and lookouts, with the waters on which it holds.',
  method: 'GET',
  path: '/rules/:rulesId',
  roles: ['manager'],
  params: z.object({ rulesId: Id }),
  query: nothing,
  body: nothing,
  reply: RulesShelf,
});

export const changeRules = endpoint({
  name: 'changeRules',
  summary: 'Puts a set of rules in place, from the next look at a hire on. Local law comes first.',
  method: 'PATCH',
  path: '/rules/:rulesId',
  roles: ['manager'],
  params: z.object({ rulesId: Id }),
  query: nothing,
  versioned: true,
  body: z.object({ rules: RuleSet }),
  reply: RulesShelf,
});

export const SaidEverywhere = z.object({ points: z.array(GeneralPoint).check(z.maxLength(100)), clauses: z.optional(Clauses) });
export type SaidEverywhere = z.infer<typeof SaidEverywhere>;
const Everywhere = z.extend(SaidEverywhere, { version: z.int(), boats: z.array(z.string()) });
export type Everywhere = z.infer<typeof Everywhere>;

export const getEverywhere = endpoint({
  name: 'getEverywhere',
  summary: 'What the operator says on every boat.',
  method: 'GET',
  path: '/everywhere',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  reply: Everywhere,
});

export const changeEverywhere = endpoint({
  name: 'changeEverywhere',
  summary: 'Changes what the operator says on every boat; each book that it changes gets a new version, or nothing changes.',
  method: 'PATCH',
  path: '/everywhere',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  versioned: true,
  body: SaidEverywhere,
  reply: Everywhere,
});
