import type { RowEdit } from '@quay/core/fleet/edit';
import { type Language, LANGUAGES, type Wording } from '@quay/core/words/words';
import { typedNumber } from '@quay/core/number/typed';
import * as z from 'zod/mini';
import type { FieldSpec } from './fields';

/** A row while it is typed: texts as they stand in the fields, by language where they are wordings. */
export type Draft = Readonly<Record<string, string | boolean | readonly [number, number] | Partial<Record<Language, string>> | undefined>>;
export type DraftFault = 'needed' | 'needsEnglish' | 'number' | 'whole' | 'range' | 'noJson';

type Row = Readonly<Record<string, unknown>>;

export const draftOf = (row: Row, fields: readonly FieldSpec[]): Draft =>
  Object.fromEntries(
    fields.map((spec): [string, Draft[string]] => {
      const value = row[spec.field];
      switch (spec.is) {
        case 'wording': {
          const words = (value ?? {}) as Partial<Record<Language, string>>;
          return [spec.field, Object.fromEntries(LANGUAGES.map((language) => [language, words[language] ?? '']))];
        }
        case 'flag':
          return [spec.field, value === true];
        case 'spot':
          return [spec.field, value as [number, number] | undefined];
        case 'trials':
        case 'curve':
        case 'asInFile':
          return [spec.field, value === undefined ? '' : JSON.stringify(value, null, 1)];
        default:
          return [spec.field, value === undefined ? '' : String(value as string | number)];
      }
    }),
  );

/** A wording from what is typed; without English there is none, since everything falls back to it. */
export const wordingOf = (texts: Partial<Record<Language, string>>): Wording | undefined => {
  const entries = LANGUAGES.flatMap((language) => {
    const text = texts[language]?.trim() ?? '';
    return text === '' ? [] : [[language, text] as const];
  });
  const wording = Object.fromEntries(entries);
  return typeof wording.en === 'string' ? (wording as Wording) : undefined;
};

const readField = (spec: FieldSpec, typed: Draft[string]): { ok: true; value: unknown } | { ok: false; fault: DraftFault } => {
  const value = (read: unknown) => ({ ok: true as const, value: read });
  const no = (fault: DraftFault) => ({ ok: false as const, fault });
  if (spec.is === 'wording') {
    const texts = (typed ?? {}) as Partial<Record<Language, string>>;
    const words = wordingOf(texts);
    if (words) return value(words);
    const something = LANGUAGES.some((language) => (texts[language] ?? '').trim() !== '');
    return spec.needed || something ? no('needsEnglish') : value(undefined);
  }
  if (spec.is === 'flag') return value(typed === true ? true : undefined);
  if (spec.is === 'spot') return value(typed);
  const text = typeof typed === 'string' ? typed.trim() : '';
  if (text === '') return ('needed' in spec && spec.needed) || (spec.is === 'station' && !spec.optional) ? no('needed') : value(undefined);
  if (spec.is === 'number') {
    const number = typedNumber(text);
    if (!Number.isFinite(number)) return no('number');
    if (spec.whole && !Number.isInteger(number)) return no('whole');
    return (spec.min !== undefined && number < spec.min) || (spec.max !== undefined && number > spec.max) ? no('range') : value(number);
  }
  if (spec.is === 'asInFile' || spec.is === 'trials' || spec.is === 'curve') {
    try {
      return value(JSON.parse(text) as unknown);
    } catch {
      return no('noJson');
    }
  }
  return value(text);
};

/** Reads what was typed: the row's fields as they are wanted, or what is wrong, by field. */
export const readDraft = (
  draft: Draft,
  fields: readonly FieldSpec[],
): { ok: true; edit: RowEdit } | { ok: false; faults: Record<string, DraftFault> } => {
  const faults: Record<string, DraftFault> = {};
  const edit: Record<string, unknown> = {};
  for (const spec of fields) {
    const read = readField(spec, draft[spec.field]);
    if (read.ok) edit[spec.field] = read.value;
    else faults[spec.field] = read.fault;
  }
  return Object.keys(faults).length > 0 ? { ok: false, faults } : { ok: true, edit };
};

/** A row while it is typed, and what it changes once it is read; what is wrong stands at its field. */
export const rowForm = (fields: readonly FieldSpec[]) =>
  z.pipe(
    z.custom<Draft>(),
    z.transform((draft, context): RowEdit => {
      const read = readDraft(draft, fields);
      if (read.ok) return read.edit;
      for (const [field, fault] of Object.entries(read.faults))
        context.issues.push({ code: 'custom', path: [field], message: `fleet.fault.${fault}`, input: draft[field] });
      return z.NEVER;
    }),
  );
