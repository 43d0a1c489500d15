import type * as z from 'zod/mini';
import { type BoatBook, Book, type ClassBook, type ListName, LISTS, ROWS } from './book';
import { type Condition, conditionCircles, type NamedConditions } from './condition';
import { bookFaults } from './faults';

/** One thing wrong with a book: whose, where, as a path a person can follow, and why. */
export type BookFault = { book: string; path: string; reason: string };

/** `fittings.3.count` reads worse than `fittings[fender].count`: rows are named by their id. */
export const pathOf = (root: unknown, keys: readonly PropertyKey[]): string => {
  let [value, path] = [root, ''];
  for (const key of keys) {
    value = (value as Record<PropertyKey, unknown> | undefined)?.[key];
    if (typeof key === 'number') {
      const id = (value as { id?: unknown } | undefined)?.id;
      path += `[${typeof id === 'string' ? id : key}]`;
    } else path += path ? `.${String(key)}` : String(key);
  }
  return path || '(whole)';
};

type Row = Record<string, unknown> & { id: string };
type Layer = ClassBook | BoatBook;

/** Where each row of the flat book comes from: its book, and whether that book changed or brought it. */
export type Origin = { book: string; is: 'brought' | 'changed' };
export type Origins = Readonly<Record<ListName, ReadonlyMap<string, Origin>>>;

const placed = (rows: Row[], row: Row, after: unknown): Row[] => {
  const others = rows.filter(({ id }) => id !== row.id);
  const at = after === null ? 0 : others.findIndex(({ id }) => id === after) + 1;
  return [...others.slice(0, at), row, ...others.slice(at)];
};

/** Lays the rows of one list over those below, checking each row it touches against the shape of such a row. */
const mergeRows = (list: ListName, below: Row[], book: Layer, origins: Map<string, Origin>, faults: BookFault[]): Row[] => {
  let rows = below;
  const seen = new Set<string>();
  const fault = (path: string, reason: string) => faults.push({ book: book.id, path: `${list}${path}`, reason });
  for (const { id, absent, after, ...fields } of book[list] ?? []) {
    if (seen.has(id)) fault(`[${id}]`, 'this id is used twice');
    seen.add(id);
    const known = rows.find((row) => row.id === id);
    if (absent) {
      if (!known) fault(`[${id}]`, 'is said to be absent, but there is no such row below');
      rows = rows.filter((row) => row.id !== id);
      origins.delete(id);
      continue;
    }
    if (after !== undefined && after !== null && !rows.some((row) => row.id === after))
      fault(`[${id}].after`, `there is no row “${after}” to follow`);
    const row: Row = { ...known, id, ...fields };
    // Said to be none here, whatever lies below.
    for (const [field, value] of Object.entries(fields)) if (value === null) delete row[field];
    const read = (ROWS[list] as z.ZodMiniType).safeParse(row);
    if (!read.success) for (const issue of read.error.issues) fault(`[${id}].${pathOf(row, issue.path)}`, issue.message);
    if (after !== undefined) rows = placed(rows, row, after);
    else rows = known ? rows.map((one) => (one.id === id ? row : one)) : [...rows, row];
    origins.set(id, { book: book.id, is: known ? 'changed' : 'brought' });
  }
  return rows;
};

/** The classes a class comes from, furthest first, itself last; or why there is no such way. */
export const lineageOf = (
  id: string,
  classes: ReadonlyMap<string, ClassBook>,
): { ok: true; lineage: ClassBook[] } | { ok: false; fault: BookFault } => {
  const lineage: ClassBook[] = [];
  for (let next: string | undefined = id, by: string = id; next !== undefined;) {
    const name: string = next;
    if (lineage.some((one) => one.id === name)) {
      const way = [...lineage].reverse().map((one) => one.id);
      return { ok: false, fault: { book: by, path: 'from', reason: `leads in a circle: ${[...way, name].join(' → ')}` } };
    }
    const found = classes.get(name);
    if (!found) return { ok: false, fault: { book: by, path: 'from', reason: `there is no readable class book “${name}”` } };
    lineage.unshift(found);
    [by, next] = [found.id, found.from];
  }
  return { ok: true, lineage };
};

/** What a book says once, each replaced whole by the layer above. */
export const SINGLES = ['kind', 'plan', 'plate', 'engine', 'hull', 'looks', 'callSign', 'windLimitMs', 'anchor'] as const;
export type Single = (typeof SINGLES)[number];
/** Single fields and named conditions of a stack of layers. */
export type Singles = Readonly<Partial<Record<Single | 'conditions', unknown>>>;
/** By field, or by `conditions.<id>`: which book says it. */
export type SinglesFrom = Readonly<Record<string, string>>;

/** Lays the single fields and named conditions of a stack of layers, which need not make a whole boat yet. */
export const mergeSingles = (layers: readonly Layer[]): { value: Singles; from: SinglesFrom } => {
  const value: Partial<Record<Single | 'conditions', unknown>> = {};
  const from: Record<string, string> = {};
  const conditions: Record<string, Condition> = {};
  for (const layer of layers) {
    for (const field of SINGLES) {
      const said = (layer as Partial<Record<Single, unknown>>)[field];
      if (said === undefined) continue;
      from[field] = layer.id;
      if (said === null) delete value[field];
      else value[field] = said;
    }
    for (const [id, condition] of Object.entries(layer.conditions ?? {})) {
      conditions[id] = condition;
      from[`conditions.${id}`] = layer.id;
    }
  }
  if (Object.keys(conditions).length > 0) value.conditions = conditions;
  return { value, from };
};

/** Rows of every list of a stack of layers, with where each comes from. */
export type Lists = Record<ListName, Row[]>;

const mergeLayers = (layers: readonly Layer[], faults: BookFault[]): { lists: Lists; origins: Record<ListName, Map<string, Origin>> } => {
  const origins = Object.fromEntries(LISTS.map((list) => [list, new Map<string, Origin>()])) as Record<ListName, Map<string, Origin>>;
  const lists = Object.fromEntries(LISTS.map((list) => [list, [] as Row[]])) as Lists;
  for (const layer of layers) for (const list of LISTS) lists[list] = mergeRows(list, lists[list], layer, origins[list], faults);
  return { lists, origins };
};

/**
 * Lists of a stack of classes that need not make a whole boat yet.
 * @returns the merged rows, in order, with where each comes from; or what is wrong with them
 */
export const mergeLists = (layers: readonly Layer[]): { ok: true; lists: Lists; origins: Origins } | { ok: false; faults: BookFault[] } => {
  const faults: BookFault[] = [];
  const { lists, origins } = mergeLayers(layers, faults);
  return faults.length > 0 ? { ok: false, faults } : { ok: true, lists, origins };
};

/**
 * Lays books over each other: the classes, furthest first, then the boat.
 * @returns the flat book with where each row comes from, or everything that is wrong at once, each with its book
 */
export const mergeBooks = (
  lineage: readonly ClassBook[],
  boat: BoatBook,
): { ok: true; book: Book; origins: Origins } | { ok: false; faults: BookFault[] } => {
  const faults: BookFault[] = [];
  const layers: Layer[] = [...lineage, boat];
  const { lists, origins } = mergeLayers(layers, faults);
  const { value } = mergeSingles(layers);
  const resolved: Record<string, unknown> = { classes: [...lineage].reverse().map(({ id }) => id), ...lists, ...value };
  faults.push(...conditionCircles((value.conditions ?? {}) as NamedConditions).map((fault) => ({ book: boat.id, ...fault })));
  if (faults.length > 0) return { ok: false, faults };
  const read = Book.safeParse(resolved);
  if (!read.success)
    return {
      ok: false,
      faults: read.error.issues.map(({ path, message }) => ({ book: boat.id, path: pathOf(resolved, path), reason: message })),
    };
  const crossed = bookFaults(read.data).map(({ list, id, path, reason }) => ({
    // Whoever brought or last changed the row is asked to put it right.
    book: (list !== undefined && origins[list].get(id)?.book) || boat.id,
    path,
    reason,
  }));
  return crossed.length > 0 ? { ok: false, faults: crossed } : { ok: true, book: read.data, origins };
};
