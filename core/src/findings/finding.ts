import { type DECISIONS, type EXTRAS, type RECEIPTS } from './events';
import type { Subject } from '../events/define';
import { type Mark } from '../condition/marks';
import type { Check, Fitting, Gauge, Propeller, Surface, Tank } from '../fleet/rows';
import type { Fused } from '../fuel/fuse';

/**
 * A finding is one difference between out and in, with what it rests on. The machine proposes; a person decides.
 * `is` is one of a closed list, so that each is put in words by the reader's language, not here.
 */
export type Finding = {
  /** Stays the same however often it is computed: decisions and statement lines point at it. */
  key: string;
  station: string | undefined;
  /** Whether departure leaves it open to be charged at all. */
  chargeable: boolean;
  /** How the renter learnt what this costs: told by staff, read by themselves, or not at all; undefined where there is no such point. */
  briefed: HowBriefed | undefined;
  decision: (typeof DECISIONS)[number] | undefined;
} & (
  | {
      topic: 'count';
      fitting: Fitting;
      is: 'missing' | 'used' | 'damaged' | 'unsealed' | 'swapped' | 'extra' | 'moved' | 'notCounted';
      pieces: number;
      out: number | undefined;
      in: number | undefined;
    }
  | {
      topic: 'mark';
      surface: Surface | undefined;
      /** `cannotTell`: nobody looked at that surface at departure, so that nothing on it can be called new. */
      is: 'new' | 'grown' | 'known' | 'notSeen' | 'cannotTell';
      out: Mark | undefined;
      in: Mark | undefined;
      nearestM: number | undefined;
    }
  | {
      topic: 'fuel';
      tank: Tank;
      is: 'used' | 'notRead';
      fuel: Fused | undefined;
      meteredL: number | undefined;
      filledL: number;
      /** What the renter paid for it, as far as they said, and for how many litres. */
      paid: { litres: number; minor: number };
      /** Some of it was filled, or paid, by the renter's word alone. */
      onTheirWord: boolean;
      photos: string[];
    }
  | {
      topic: 'hours';
      /** `more` than was planned for; `differs` from what the fuel says by more than both can be wrong. */
      is: 'run' | 'more' | 'differs';
      hours: number;
      plannedHours: number | undefined;
      /** What so many hours usually burn. */
      burnL: number | undefined;
    }
  | { topic: 'tank'; tank: Tank; is: 'fuller'; outL: number | undefined; inL: number }
  | {
      topic: 'check';
      check: Check;
      is: 'not' | 'notLooked';
      way: Check['ways'][number] | undefined;
      note: string | undefined;
      photos: string[];
    }
  | {
      topic: 'extra';
      extra: string;
      is: (typeof EXTRAS)[number];
      price: string | undefined;
      quantity: number;
      amountMinor: number | undefined;
      text: string;
      photos: string[];
    }
  | {
      topic: 'receipt';
      receipt: string;
      is: (typeof RECEIPTS)[number];
      amountMinor: number;
      text: string;
      photos: string[];
      byRenter: boolean;
    }
  | { topic: 'gauge'; gauge: Gauge; is: 'differs'; out: number; in: number }
  | {
      topic: 'propeller';
      propeller: Propeller;
      is: 'new' | 'known' | 'notSeen' | 'slower' | 'cannotTell';
      outRpm: number | undefined;
      inRpm: number | undefined;
    }
  | { topic: 'late'; is: 'late' | 'inTime'; minutes: number }
  | { topic: 'conflict'; is: 'open'; subject: Subject }
);

export type HowBriefed = 'told' | 'read' | 'no';

export type BaseFields = Pick<Finding, 'key' | 'station' | 'chargeable' | 'briefed' | 'decision'>;
