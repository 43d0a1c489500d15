import * as z from 'zod/mini';

/** What operators put before the numbers of their statements: few letters, figures and signs that every paper can bear. */
export const StatementPrefix = z.string().check(z.maxLength(12), z.regex(/^[\p{L}\p{N}./ _-]*$/u));

/** A statement's number as it stands on paper; it keeps what stood before it when it was closed. */
export const numberText = (number: number, prefix: string | undefined): string => `${prefix ?? ''}${number}`;
