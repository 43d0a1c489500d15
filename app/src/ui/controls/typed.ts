import { typedNumber } from '@quay/core/number/typed';
import { readClock, readDay } from '@quay/core/time/typedDay';
import * as z from 'zod/mini';

/**
 * What is typed is text; these read it. Each says in the words it is given what is wrong: a word of the catalogue, or a
 * sentence as it is to be shown.
 */
const reading = <T>(read: (text: string) => T | undefined, words: string) =>
  z.pipe(
    z.string(),
    z.transform((text, context): T => {
      const value = read(text);
      if (value !== undefined) return value;
      context.issues.push({ code: 'custom', message: words, input: text });
      return z.NEVER;
    }),
  );

type Range = { from: number; to: number; whole?: true };
const inRange =
  ({ from, to, whole }: Range) =>
  (text: string): number | undefined => {
    const value = typedNumber(text);
    return value >= from && value <= to && (!whole || Number.isInteger(value)) ? value : undefined;
  };

/** A number within bounds, these included; a comma is as good as a point. */
export const number = (range: Range, words: string) => reading(inRange(range), words);

/** The same, or nothing where the field is empty. */
export const maybeNumber = (range: Range, words: string) =>
  z.pipe(
    z.string(),
    z.transform((text, context): number | undefined => {
      if (text.trim() === '') return undefined;
      const value = inRange(range)(text);
      if (value === undefined) context.issues.push({ code: 'custom', message: words, input: text });
      return value;
    }),
  );

/** A day of the calendar, as `YYYY-MM-DD`. */
export const day = (words: string) => reading(readDay, words);

/** An hour of a clock, as `HH:MM`. */
export const clock = (words: string) => reading(readClock, words);

/** A few words, without what stands round them. @param most characters */
export const words = (most: number, missing: string) =>
  z.pipe(
    z.string().check(z.maxLength(most)),
    z.transform((text, context): string => {
      if (text.trim() === '') context.issues.push({ code: 'custom', message: missing, input: text });
      return text.trim();
    }),
  );
