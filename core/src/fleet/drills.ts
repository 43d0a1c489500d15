import * as z from 'zod/mini';
import { Condition } from './condition';
import { BookId, Wording } from '../words/words';

/**
 * A drill: a sequence on controls with interlocks, as data. Controls are moved by whoever practises; facts are what the
 * boat knows; timers run while something holds. Rules say what a move or a moment does, and lessons say why.
 */

/** What one name has to be: this value, one of these, none of these; a timer is asked for its seconds. */
const Test = z.union([
  z.string(),
  z.array(z.string()).check(z.minLength(1)),
  z.strictObject({ not: z.union([z.string(), z.array(z.string()).check(z.minLength(1))]) }),
  z.strictObject({ atLeast: z.number().check(z.gt(0)) }),
  z.strictObject({ below: z.number().check(z.gt(0)) }),
]);
/** All of these hold. */
const Case = z.record(BookId, Test);
/** All of these hold; or, of several, any. */
export const DrillWhen = z.union([Case, z.array(Case).check(z.minLength(1))]);
export type DrillWhen = z.infer<typeof DrillWhen>;
export type DrillCase = z.infer<typeof Case>;
export type DrillTest = z.infer<typeof Test>;
export const LESSON_WEIGHTS = ['note', 'wrong', 'danger'] as const;

/** What is set: a fact's or a control's value, by its id. */
const Values = z.record(BookId, z.string());

export const WIDGETS = [
  'key',
  'switch',
  'lever',
  'cord',
  'plug',
  'button',
  'knob',
  'valve',
  'leg',
  'pedal',
  'hatch',
  'pump',
  'act',
] as const;
export const Control = z.object({
  id: BookId,
  name: Wording,
  widget: z.enum(WIDGETS),
  /** In the order in which it moves; a key or lever passes through those between. */
  positions: z.array(z.object({ id: BookId, say: z.optional(Wording) })).check(z.minLength(2), z.maxLength(6)),
  /** Positions it has to be held in, each with where it goes by itself when it is let go of. */
  springs: z.optional(z.record(BookId, BookId)),
});
export type Control = z.infer<typeof Control>;

const Timer = z.object({
  id: BookId,
  /** Shown as a clock where it has a name. */
  name: z.optional(Wording),
  runs: DrillWhen,
  /** Back to nothing while this holds. */
  clears: z.optional(DrillWhen),
  /** Seconds at which something may depend on it, rising; it stops at the last. */
  marks: z.array(z.number().check(z.gt(0), z.lte(7200))).check(z.minLength(1), z.maxLength(6)),
});
type Timer = z.infer<typeof Timer>;

export const Rule = z.object({
  id: BookId,
  /** Answers this move; without, it answers whatever holds. */
  on: z.optional(z.object({ control: BookId, to: BookId, from: z.optional(BookId) })),
  when: z.optional(DrillWhen),
  set: z.optional(Values),
  /** The move is not possible: the control stays where it is. */
  refuse: z.optional(z.literal(true)),
  lesson: z.optional(BookId),
});
export type Rule = z.infer<typeof Rule>;

export const SHOWS = ['lamp', 'sound', 'needle', 'water', 'smell', 'shake', 'word'] as const;
export const Show = z.object({
  id: BookId,
  kind: z.enum(SHOWS),
  name: Wording,
  /** The first that holds counts; nothing where none does. A needle's value runs from 0 to 1. */
  levels: z
    .array(
      z.object({
        when: z.optional(DrillWhen),
        value: z.union([z.string(), z.number().check(z.gte(0), z.lte(1))]),
        say: z.optional(Wording),
        /** Why this is no fault on this boat. */
        normal: z.optional(Wording),
      }),
    )
    .check(z.minLength(1)),
});
export type Show = z.infer<typeof Show>;

/** What a move teaches. `note`: good to know; `wrong`: a mistake; `danger`: one that can hurt somebody. */
export const Lesson = z.object({
  id: BookId,
  weight: z.enum(LESSON_WEIGHTS),
  say: Wording,
  why: z.optional(Wording),
  /** What the mistake costs: a line of the price list. */
  price: z.optional(BookId),
});
export type Lesson = z.infer<typeof Lesson>;

/** What is said of a move that leads on, for hints and for showing; earlier ones are shown first where the order is free. */
const Move = z.object({
  control: z.optional(BookId),
  to: z.optional(BookId),
  /** Instead of a move: what is waited for. */
  wait: z.optional(BookId),
  when: z.optional(DrillWhen),
  say: Wording,
  why: z.optional(Wording),
});
type Move = z.infer<typeof Move>;

export const Drill = z.object({
  id: BookId,
  name: Wording,
  /** Where on the boat. */
  station: z.optional(BookId),
  /** Whom it is for, as points are. */
  when: z.optional(Condition),
  /** It has to be passed, or shown on the boat, before she casts off. */
  needed: z.optional(z.boolean()),
  intro: Wording,
  caution: z.optional(Wording),
  controls: z.array(Control).check(z.minLength(1), z.maxLength(12)),
  /** What the boat knows, with the values it can have. */
  facts: z._default(z.record(BookId, z.array(z.string()).check(z.minLength(2), z.maxLength(8))), {}),
  timers: z._default(z.array(Timer), []),
  /** Every control and fact as it is at the beginning. */
  start: Values,
  /** Other beginnings: cold, warm, with a flat battery … */
  variants: z._default(z.array(z.object({ id: BookId, name: Wording, start: Values })), []),
  rules: z.array(Rule).check(z.minLength(1)),
  shows: z._default(z.array(Show), []),
  lessons: z._default(z.array(Lesson), []),
  /** Reached one after the other. */
  goals: z.array(z.object({ id: BookId, say: Wording, when: DrillWhen })).check(z.minLength(1), z.maxLength(5)),
  unsafe: z._default(z.array(z.object({ id: BookId, when: DrillWhen, lesson: BookId })), []),
  /** The engine is stopped, the gas is shut: what can be come to from everywhere. */
  rest: DrillWhen,
  /** Something is broken: it is begun anew from here. */
  over: z.optional(DrillWhen),
  moves: z.array(Move).check(z.minLength(1)),
});
export type Drill = z.infer<typeof Drill>;
