import * as z from 'zod/mini';
import { Figure } from '../events/parts';
import { Condition } from './condition';
import { BookId, Wording } from '../words/words';

/** What is told, asked and looked up: points of the briefing, fix cards, and the rounds of a day. */

/** A question with one right answer; what each wrong answer misses is said when it is given. */
export const Question = z.object({
  id: BookId,
  ask: Wording,
  answers: z
    .array(z.object({ id: BookId, say: Wording, right: z.optional(z.literal(true)), why: z.optional(Wording) }))
    .check(z.minLength(2), z.maxLength(4)),
});
export type Question = z.infer<typeof Question>;

export const COMPUTED = ['fuelPlan'] as const;
const telling = {
  id: BookId,
  weight: z.enum(['must', 'should', 'spare']),
  /** Among points of one weight: what is worth more is told first when the minutes are short. */
  value: z.optional(z.int().check(z.gte(1), z.lte(100))),
  seconds: z.int().check(z.gte(1), z.lte(600)),
  when: z.optional(Condition),
  say: Wording,
  show: z.optional(Wording),
  /** It can be shown on the boat herself that it was understood; what must not be tried (somebody in the water, gas) is asked. */
  handsOn: z.optional(z.boolean()),
  /** What is computed for this hire and told together with it: how far what is in the tank goes. */
  tells: z.optional(z.enum(COMPUTED)),
  /** The mistake people make with it. */
  mistake: z.optional(Wording),
  caution: z.optional(Wording),
  /** What the mistake costs: a line of the price list. */
  price: z.optional(BookId),
  /** For somebody who was told within so many days: the shorter wording and its seconds. */
  again: z.optional(
    z.object({ days: z.int().check(z.gte(1), z.lte(3650)), seconds: z.optional(z.int().check(z.gte(1))), say: z.optional(Wording) }),
  ),
  questions: z.optional(z.array(Question)),
};

export const Point = z.object({ ...telling, station: BookId });
export type Point = z.infer<typeof Point>;

/** A point of a base, of waters or of the operator: told at the first of these stations that the boat has, else at the last stop. */
export const GeneralPoint = z.object({ ...telling, stations: z.array(BookId) });
export type GeneralPoint = z.infer<typeof GeneralPoint>;

export const FixStep = z.object({
  id: BookId,
  say: Wording,
  when: z.optional(Condition),
  /** Where it goes on: by an answer, or straight on. `end`, `ring` (the operator) and `help` are no steps. */
  answers: z.optional(z.array(z.object({ say: Wording, to: BookId })).check(z.minLength(2), z.maxLength(4))),
  to: z.optional(BookId),
});
export type FixStep = z.infer<typeof FixStep>;

export const FixCard = z.object({
  id: BookId,
  name: Wording,
  /** Other words people look for it under, by language, parted by commas. */
  words: z.optional(Wording),
  urgent: z.optional(z.boolean()),
  when: z.optional(Condition),
  cautions: z.optional(z.array(Wording)),
  steps: z.array(FixStep).check(z.minLength(1)),
});
export type FixCard = z.infer<typeof FixCard>;

/** In which what is told with a round is counted: what was added or pumped, how full, how charged, how long. */
export const ROUND_UNITS = ['mL', '%', 'min', 'V'] as const;
export type RoundUnit = (typeof ROUND_UNITS)[number];
const bound = z.optional(Figure);

/** `leaving`: what whoever comes back alone does before they go. */
const ROUND_IDS = ['ready', 'morning', 'evening', 'lay-up', 'leaving'] as const;
export const Round = z.object({
  id: z.enum(ROUND_IDS),
  name: Wording,
  items: z.array(
    z.object({
      id: BookId,
      say: Wording,
      when: z.optional(Condition),
      caution: z.optional(Wording),
      /** Wants the lookout's word before the engine starts. */
      lookout: z.optional(z.literal(true)),
      /** Told with it in figures, and what is usual: beyond that the quay looks at it. */
      figure: z.optional(z.object({ unit: z.enum(ROUND_UNITS), least: bound, most: bound })),
    }),
  ),
});
export type Round = z.infer<typeof Round>;
