import * as z from 'zod/mini';

/** Ids are written once and never reused: records of years ago point at them. */
export const BookId = z.string().check(z.regex(/^[a-z0-9][a-z0-9-]{0,47}$/));

/** The languages renters are spoken to in. */
export const LANGUAGES = ['en', 'fr', 'de', 'es'] as const;
export type Language = (typeof LANGUAGES)[number];

/** Wording by language; English is always there, since everything falls back to it. */
export const Wording = z.catchall(z.object({ en: z.string().check(z.minLength(1)) }), z.string());
export type Wording = z.infer<typeof Wording>;

/** The longest terms of an operator in one language, characters: what is read standing up. */
const CLAUSES_MOST = 2000;
/** Terms of an operator. */
export const Clauses = Wording.check(
  z.refine((clauses) => Object.values(clauses).every((text) => text.length <= CLAUSES_MOST), `longer than ${CLAUSES_MOST} characters`),
);

/** Wording in the reader's language, or in English when the book lacks it. */
export const say = (wording: Wording, language: string): string => wording[language.slice(0, 2)] ?? wording.en;

/** Whether a text had to be given in English because the book lacks the language. */
export const fellBack = (wording: Wording, language: string): boolean => wording[language.slice(0, 2)] === undefined;
