import { AGE_MAX, MASS_MAX_KG, MASS_MIN_KG, Person, type Size, sizeOfAge } from '@quay/core/party/people';
import { typedNumber } from '@quay/core/number/typed';
import * as z from 'zod/mini';

/** Somebody as they stand in the form: what is typed is text until it is read. */
export type Draft = Omit<Person, 'age' | 'massKg' | 'swims'> & {
  age: string;
  mass: string;
  /** Nobody is taken to swim before it was said. */ swims?: Person['swims'];
};
export type DraftFault = 'age' | 'mass' | 'massMissing' | 'ageMissing' | 'swimsMissing';

/** A name for a row that nobody reuses. */
const newId = (taken: readonly { id: string }[]): string => {
  for (let n = taken.length + 1; ; n += 1) if (!taken.some(({ id }) => id === `p${n}`)) return `p${n}`;
};

export const newDraft = (taken: readonly { id: string }[]): Draft => ({ id: newId(taken), name: '', age: '', mass: '' });

export const draftOf = ({ age, massKg, ...rest }: Person): Draft => ({
  ...rest,
  age: age === undefined ? '' : String(age),
  mass: massKg === undefined ? '' : String(massKg),
});

/** The size that is taken: the one chosen, or, while neither a mass nor a size is given, what the age suggests. */
export const sizeTaken = ({ size, age, mass }: Pick<Draft, 'size' | 'age' | 'mass'>): Size | undefined =>
  size ?? (mass.trim() === '' && /^\d{1,3}$/.test(age.trim()) ? sizeOfAge(Number(age)) : undefined);

/** Reads a row. @returns the person, or what is wrong at which field */
export const readDraft = (draft: Draft): { ok: true; person: Person } | { ok: false; faults: DraftFault[] } => {
  const { age: ageText, mass: massText, size: _, swims, ...rest } = draft;
  const faults: DraftFault[] = [];
  const age = typedNumber(ageText);
  if (ageText.trim() === '') faults.push('ageMissing');
  else if (!Number.isInteger(age) || age < 0 || age > AGE_MAX) faults.push('age');
  const massKg = typedNumber(massText);
  const size = sizeTaken(draft);
  if (massText.trim() !== '' && !(massKg >= MASS_MIN_KG && massKg <= MASS_MAX_KG)) faults.push('mass');
  else if (massText.trim() === '' && size === undefined) faults.push('massMissing');
  if (swims === undefined) faults.push('swimsMissing');
  if (faults.length > 0 || swims === undefined) return { ok: false, faults };
  return { ok: true, person: { ...rest, swims, name: rest.name.trim(), age, ...(massText.trim() === '' ? { size: size! } : { massKg }) } };
};

/** At which field each fault is mended. */
const FIELD_OF = {
  age: 'age',
  ageMissing: 'age',
  mass: 'mass',
  massMissing: 'mass',
  swimsMissing: 'swims',
} as const satisfies Record<DraftFault, keyof Draft>;

/** A card of the form, read into the person it stands for; the core's own schema has the last word. */
const Card = z.pipe(
  z.custom<Draft>(),
  z.transform((draft, context): Person => {
    const read = readDraft(draft);
    const issues = read.ok
      ? (Person.safeParse(read.person).error?.issues.map(({ path }) => ({
          path: [path[0] === 'name' ? 'name' : 'age'],
          message: 'form.tooLong',
        })) ?? [])
      : read.faults.map((fault) => ({ path: [FIELD_OF[fault]], message: `party.fault.${fault}` }));
    for (const issue of issues) context.issues.push({ code: 'custom', input: draft, ...issue });
    return read.ok ? read.person : z.NEVER;
  }),
);
/** The party while it is typed, and as it is once it is read. */
export const PartyDraft = z.object({ rows: z.array(Card).check(z.minLength(1), z.maxLength(60)) });
