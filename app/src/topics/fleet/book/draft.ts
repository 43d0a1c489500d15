import type { Condition } from '@quay/core/fleet/condition';
import type { DrillWhen } from '@quay/core/fleet/drills';
import type { RowEdit } from '@quay/core/fleet/edit';
import { type Language, LANGUAGES, type Wording } from '@quay/core/words/words';
import { typedNumber } from '@quay/core/number/typed';
import { readClock, readDay, writeDay } from '@quay/core/time/typedDay';
import * as z from 'zod/mini';
import { type ConditionDraft, type ConditionFault, draftOfCondition, NO_CONDITION, readCondition } from './condition/conditionDraft';
import { draftOfWhen, NO_WHEN, readWhen, type WhenDraft } from './drill/drillDraft';
import type { FieldSpec } from './fields/fieldSpec';

/** A wording while it is typed. */
export type Texts = Partial<Record<Language, string>>;
/** A field while it is typed: a text as it stands there, or an object of whatever its kind is made of. */
export type DraftValue = string | boolean | readonly [number, number] | object | undefined;
/** A row while it is typed: texts as they stand in the fields, by language where they are wordings. */
export type Draft = Readonly<Record<string, DraftValue>>;

/** What is typed in a field that is text; nothing where it is no text. */
export const typedIn = (value: unknown): string => (typeof value === 'string' ? value : '');
/** A row within a row; its id stays what it was. */
export type ItemDraft = Draft & { id: string };
export type DraftFault = 'needed' | 'needsEnglish' | 'number' | 'whole' | 'range' | 'clock' | 'day' | 'name' | 'noJson' | ConditionFault;

type Row = Readonly<Record<string, unknown>>;

/** A row within a row as it begins. */
export const newItem = (of: readonly FieldSpec[], id: string): ItemDraft => ({ ...draftOf({}, of), id });

const valueOf = (spec: FieldSpec, value: unknown): DraftValue => {
  switch (spec.is) {
    case 'wording': {
      const words = (value ?? {}) as Texts;
      return Object.fromEntries(LANGUAGES.map((language) => [language, words[language] ?? '']));
    }
    case 'flag':
      return value === true;
    case 'spot':
      return value as [number, number] | undefined;
    case 'several':
      return [...((value ?? []) as readonly string[])];
    case 'range': {
      const [from, to] = (value ?? []) as readonly number[];
      return [from === undefined ? '' : String(from), to === undefined ? '' : String(to)];
    }
    case 'condition':
      return draftOfCondition(value as Condition | undefined);
    case 'group':
      return value === undefined ? undefined : draftOf(value as Row, spec.of);
    case 'list':
      return ((value ?? []) as readonly Row[]).map((row, i) => ({
        ...draftOf(spec.bare ? { [spec.of[0]!.field]: row } : row, spec.of),
        id: typeof row.id === 'string' ? row.id : String(i),
      }));
    case 'day':
      return typeof value === 'string' ? writeDay(value) : '';
    case 'drillWhen':
      return draftOfWhen(value as DrillWhen | undefined);
    case 'values':
    case 'springs':
      return { ...((value ?? {}) as Record<string, string>) };
    case 'words':
    case 'figures':
      return ((value ?? []) as readonly (string | number)[]).join(', ');
    case 'facts':
      return Object.entries((value ?? {}) as Record<string, readonly string[]>).map(([called, values]) => ({
        ...{ id: called, called, values: values.join(', ') },
      }));
    case 'strokes':
      return ((value ?? []) as readonly object[]).map((stroke) => ({ ...stroke }));
    case 'trials':
    case 'curve':
    case 'learnt':
      return value === undefined ? '' : JSON.stringify(value, null, 1);
    default:
      return value === undefined ? '' : String(value as string | number);
  }
};

export const draftOf = (row: Row, fields: readonly FieldSpec[]): Draft =>
  Object.fromEntries(fields.map((spec): [string, DraftValue] => [spec.field, valueOf(spec, row[spec.field])]));

/** A wording from what is typed; without English there is none, since everything falls back to it. */
export const wordingOf = (texts: Texts): Wording | undefined => {
  const entries = LANGUAGES.flatMap((language) => {
    const text = texts[language]?.trim() ?? '';
    return text === '' ? [] : [[language, text] as const];
  });
  const wording = Object.fromEntries(entries);
  return typeof wording.en === 'string' ? (wording as Wording) : undefined;
};

/** What is wrong, by the way to its field: `questions.0.answers.1.say`. */
type Faults = Readonly<Record<string, DraftFault>>;
type Read = { ok: true; value: unknown } | { ok: false; faults: Faults };
const value = (read: unknown): Read => ({ ok: true, value: read });
const no = (fault: DraftFault): Read => ({ ok: false, faults: { '': fault } });
const under = (way: string, faults: Faults): Record<string, DraftFault> =>
  Object.fromEntries(Object.entries(faults).map(([path, fault]) => [path === '' ? way : `${way}.${path}`, fault]));

/** Without what is not said. */
const said = (edit: RowEdit): RowEdit => Object.fromEntries(Object.entries(edit).filter(([, one]) => one !== undefined));

const readRange = ([from = '', to = '']: readonly string[]): Read => {
  if (from.trim() === '' && to.trim() === '') return value(undefined);
  const [low, high] = [typedNumber(from), typedNumber(to)];
  if (from.trim() === '' || to.trim() === '') return no('needed');
  return Number.isFinite(low) && Number.isFinite(high) ? value([low, high]) : no('number');
};

const readList = (spec: Extract<FieldSpec, { is: 'list' }>, items: readonly ItemDraft[]): Read => {
  if (items.length === 0) return spec.needed ? no('needed') : value(spec.empty ? [] : undefined);
  const faults: Record<string, DraftFault> = {};
  const rows: unknown[] = [];
  for (const [i, item] of items.entries()) {
    const read = readDraft(item, spec.of);
    if (!read.ok) Object.assign(faults, under(String(i), read.faults));
    else if (spec.bare) rows.push(read.edit[spec.of[0]!.field]);
    else rows.push({ ...(spec.plain ? {} : { id: item.id }), ...said(read.edit) });
  }
  return Object.keys(faults).length > 0 ? { ok: false, faults } : value(rows);
};

const wordsOf = (text: string): string[] =>
  text
    .split(',')
    .map((one) => one.trim())
    .filter(Boolean);

/** Facts of a drill: each under a name of its own, with what it can be. */
const readFacts = (items: readonly ItemDraft[]): Read => {
  const faults: Record<string, DraftFault> = {};
  const facts: Record<string, string[]> = {};
  for (const [i, item] of items.entries()) {
    const [called, values] = [typedIn(item.called).trim(), wordsOf(typedIn(item.values))];
    if (!/^[a-z0-9][a-z0-9-]{0,47}$/.test(called) || facts[called] !== undefined) faults[`${i}.called`] = called === '' ? 'needed' : 'name';
    else if (values.length < 2) faults[`${i}.values`] = 'needed';
    else facts[called] = values;
  }
  return Object.keys(faults).length > 0 ? { ok: false, faults } : value(facts);
};

const readNumber = (spec: Extract<FieldSpec, { is: 'number' }>, text: string): Read => {
  const number = typedNumber(text);
  if (!Number.isFinite(number)) return no('number');
  if (spec.whole && !Number.isInteger(number)) return no('whole');
  return (spec.min !== undefined && number < spec.min) || (spec.max !== undefined && number > spec.max) ? no('range') : value(number);
};

const readJson = (text: string): Read => {
  try {
    return value(JSON.parse(text) as unknown);
  } catch {
    return no('noJson');
  }
};

const readText = (spec: FieldSpec, text: string): Read => {
  if (text === '') return ('needed' in spec && spec.needed) || (spec.is === 'station' && !spec.optional) ? no('needed') : value(undefined);
  if (spec.is === 'number') return readNumber(spec, text);
  if (spec.is === 'figure') return value(Number(text));
  if (spec.is === 'clock' || spec.is === 'day') {
    const read = spec.is === 'clock' ? readClock(text) : readDay(text);
    return read === undefined ? no(spec.is) : value(read);
  }
  if (spec.is === 'words') return value(wordsOf(text));
  if (spec.is === 'figures') {
    const figures = wordsOf(text).map(typedNumber);
    return figures.every(Number.isFinite) ? value(figures) : no('number');
  }
  if (spec.is === 'reading') return value(Number.isFinite(typedNumber(text)) ? typedNumber(text) : text);
  return spec.is === 'trials' || spec.is === 'curve' || spec.is === 'learnt' ? readJson(text) : value(text);
};

const readField = (spec: FieldSpec, typed: DraftValue): Read => {
  switch (spec.is) {
    case 'wording': {
      const texts = (typed ?? {}) as Texts;
      const words = wordingOf(texts);
      if (words) return value(words);
      const something = LANGUAGES.some((language) => (texts[language] ?? '').trim() !== '');
      return spec.needed || something ? no('needsEnglish') : value(undefined);
    }
    case 'flag':
      return value(typed === true ? true : undefined);
    case 'spot':
      return value(typed);
    case 'several': {
      const chosen = (typed ?? []) as readonly string[];
      return value(chosen.length > 0 || spec.needed ? chosen : undefined);
    }
    case 'range':
      return readRange((typed ?? []) as readonly string[]);
    case 'condition': {
      const read = readCondition((typed ?? NO_CONDITION) as ConditionDraft);
      if (!read.ok) return no(read.fault);
      return read.value === undefined && spec.needed ? no('needed') : value(read.value);
    }
    case 'group': {
      if (typed === undefined) return value(undefined);
      const read = readDraft(typed as Draft, spec.of);
      return read.ok ? value(said(read.edit)) : { ok: false, faults: read.faults };
    }
    case 'drillWhen': {
      const read = readWhen((typed ?? NO_WHEN) as WhenDraft);
      if (!read.ok) return no(read.fault);
      return read.value === undefined && spec.needed ? no('needed') : value(read.value);
    }
    case 'values':
      return value(!spec.some || Object.keys(typed ?? {}).length > 0 ? typed : undefined);
    case 'springs':
      return value(Object.keys(typed ?? {}).length > 0 ? typed : undefined);
    case 'facts':
      return readFacts((typed ?? []) as readonly ItemDraft[]);
    case 'strokes':
      return spec.needed && (typed as readonly object[] | undefined)?.length === 0 ? no('needed') : value(typed ?? []);
    case 'list':
      return readList(spec, (typed ?? []) as readonly ItemDraft[]);
    default:
      return readText(spec, typeof typed === 'string' ? typed.trim() : '');
  }
};

/** Reads what was typed: the row's fields as they are wanted, or what is wrong, by the way to it. */
export const readDraft = (draft: Draft, fields: readonly FieldSpec[]): { ok: true; edit: RowEdit } | { ok: false; faults: Faults } => {
  const faults: Record<string, DraftFault> = {};
  const edit: Record<string, unknown> = {};
  for (const spec of fields) {
    const read = readField(spec, draft[spec.field]);
    if (read.ok) edit[spec.field] = read.value;
    else Object.assign(faults, under(spec.field, read.faults));
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
      for (const [way, fault] of Object.entries(read.faults)) {
        const path = way.split('.').map((key) => (/^\d+$/.test(key) ? Number(key) : key));
        context.issues.push({ code: 'custom', path, message: `fleet.fault.${fault}`, input: draft[String(path[0])] });
      }
      return z.NEVER;
    }),
  );
