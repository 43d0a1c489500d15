import * as z from 'zod/mini';
import { Condition } from './condition';
import { Jacket } from './jacket';
import { Policies } from '../policy/policies';
import { GeneralPoint } from './points';
import { BookId, Wording } from '../words/words';
import { Clock, Day } from '../time/calendar';

export const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;
export type Weekday = (typeof WEEKDAYS)[number];

/** A base book: berths, the way in, the return card, the store, and whom to call. */

export const BERTH_KINDS = ['alongside', 'slip', 'lift', 'beach', 'bank', 'lockWall', 'crowdedDock'] as const;
export const Berth = z.object({
  id: BookId,
  name: Wording,
  kind: z.enum(BERTH_KINDS),
  /** The way a boat points lying in it, degrees true. */
  headingDeg: z.optional(z.number().check(z.gte(0), z.lte(360))),
  /** The side of hers the dock is on, pointing so. */
  side: z.optional(z.enum(['port', 'starboard'])),
  /** Between the fingers of a slip, the bunks of a lift, the walls of a lock. */
  widthM: z.optional(z.number().check(z.gt(0), z.lte(40))),
  /** At lowest water. */
  depthM: z.optional(z.number().check(z.gt(0), z.lte(50))),
  tidal: z.optional(z.boolean()),
  /** From lowest to highest water. */
  rangeM: z.optional(z.number().check(z.gt(0), z.lte(15))),
});
export type Berth = z.infer<typeof Berth>;

const Step = z.object({ id: BookId, say: Wording, when: z.optional(Condition), caution: z.optional(Wording) });

/** Equipment kept ashore to lend: jackets of rare sizes above all. */
const StoreItem = z.object({
  id: BookId,
  name: Wording,
  count: z.int().check(z.gte(0), z.lte(999)),
  jacket: z.optional(Jacket),
});
type StoreItem = z.infer<typeof StoreItem>;

/** How long before a hire a key safe opens where its base does not say otherwise. */
export const USUAL_MINUTES_BEFORE = 30;

/** Where the key lies for a renter who comes alone, and how long before the hire its code is given out. */
const KeySafe = z.object({
  where: Wording,
  minutesBefore: z._default(z.int().check(z.gte(0), z.lte(1440)), USUAL_MINUTES_BEFORE),
});

export const Base = z.object({
  id: BookId,
  name: z.string().check(z.minLength(1), z.maxLength(80)),
  zone: z.string().check(
    z.refine((zone) => {
      try {
        new Intl.DateTimeFormat('en', { timeZone: zone });
        return true;
      } catch {
        return false;
      }
    }, 'is no IANA time zone'),
  ),
  /** The waters in front of it. */
  waters: BookId,
  position: z.optional(z.tuple([z.number().check(z.gte(-180), z.lte(180)), z.number().check(z.gte(-90), z.lte(90))])),
  phone: z.optional(z.string().check(z.maxLength(40))),
  radio: z.optional(z.string().check(z.maxLength(40))),
  policies: z.optional(Policies),
  /** When boats are handed over and taken back, by the clocks of the base; at any hour where none are said. */
  hours: z.optional(
    z
      .array(z.object({ days: z.array(z.enum(WEEKDAYS)).check(z.minLength(1), z.maxLength(7)), from: Clock, to: Clock }))
      .check(z.maxLength(14)),
  ),
  /** Days on which nobody is there, the first and the last of them. */
  closed: z.optional(z.array(z.object({ from: Day, to: Day })).check(z.maxLength(100))),
  berths: z._default(z.array(Berth), []),
  /** From open water to the berth, in order. */
  wayIn: z._default(z.array(Step), []),
  /** What coming home here asks for, from the call at the limit to the key. */
  returnCard: z._default(z.array(Step), []),
  /** What to bring, and where to come to. */
  before: z._default(z.array(Step), []),
  store: z._default(z.array(StoreItem), []),
  keySafe: z.optional(KeySafe),
  points: z._default(z.array(GeneralPoint), []),
});
export type Base = z.infer<typeof Base>;

/** Lists of a base book, as they are edited and compared. */
export const BASE_LISTS = ['berths', 'wayIn', 'returnCard', 'before', 'store', 'points'] as const;
export type BaseList = (typeof BASE_LISTS)[number];

/** From lowest to highest water at a base, m: the most that any of its berths says; none where none has a tide. */
export const tideOf = ({ berths }: Pick<Base, 'berths'>): number => Math.max(0, ...berths.map(({ rangeM }) => rangeM ?? 0));

/** Whom a renter rings: the base, or the operator where the base has no number of its own. */
export const quayPhone = ({
  base,
  operator,
}: {
  base: Pick<Base, 'phone'>;
  operator: { phone?: string | undefined };
}): string | undefined => base.phone ?? operator.phone;
