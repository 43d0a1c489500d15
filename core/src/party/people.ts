import * as z from 'zod/mini';

/** The people of a party as the quay needs to know them: how heavy, how old, who swims, who drives. */

/** What somebody who does not want to name a mass chooses instead. */
export const SIZES = ['infant', 'smallChild', 'child', 'youth', 'slim', 'medium', 'large', 'veryLarge'] as const;
export type Size = (typeof SIZES)[number];
/** The mass range taken for each size, kg. Bounds meet those that jackets are commonly made to. */
export const SIZE_KG: Readonly<Record<Size, readonly [number, number]>> = {
  infant: [4, 10],
  smallChild: [10, 20],
  child: [20, 30],
  youth: [30, 40],
  slim: [40, 60],
  medium: [60, 80],
  large: [80, 100],
  veryLarge: [100, 130],
};

export const SWIMS = ['well', 'weakly', 'not'] as const;
export const AGE_MAX = 120;
export const MASS_MIN_KG = 2;
export const MASS_MAX_KG = 250;

export const Person = z.object({
  id: z.string().check(z.regex(/^[a-z0-9-]{1,40}$/)),
  name: z.string().check(z.maxLength(60)),
  age: z.optional(z.int().check(z.gte(0), z.lte(AGE_MAX))),
  massKg: z.optional(z.number().check(z.gte(MASS_MIN_KG), z.lte(MASS_MAX_KG))),
  size: z.optional(z.enum(SIZES)),
  swims: z.enum(SWIMS),
  /** Towed behind the boat at some time: more buoyancy, and none that inflates. */
  towed: z.optional(z.boolean()),
  drives: z.optional(z.boolean()),
  lookout: z.optional(z.boolean()),
  licence: z.optional(z.boolean()),
});
export type Person = z.infer<typeof Person>;

export const Party = z.object({
  people: z.array(Person).check(z.minLength(1), z.maxLength(60)),
});
export type Party = z.infer<typeof Party>;

/** The whole range of masses a person may have, kg; undefined while neither a mass nor a size is known. */
export const massRange = ({ massKg, size }: Pick<Person, 'massKg' | 'size'>): readonly [number, number] | undefined =>
  massKg !== undefined ? [massKg, massKg] : size && SIZE_KG[size];

/**
 * A size to begin the choice with, by age; grown-ups are not guessed.
 * Medians of children's body mass by age run through these bounds (WHO growth references, 2006 and 2007).
 */
export const sizeOfAge = (age: number): Size | undefined =>
  age < 1 ? 'infant' : age < 6 ? 'smallChild' : age < 10 ? 'child' : age < 12 ? 'youth' : age < 15 ? 'slim' : undefined;
