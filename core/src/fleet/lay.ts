import { Book, type BoatBook, type ClassBook } from './book';

/** One thing wrong with a book: where, as a path a person can follow, and why. */
export type BookFault = { path: string; reason: string };

const LISTS = ['stations', 'surfaces', 'fittings', 'tanks', 'gauges', 'points', 'propellers'] as const;
type Row = { id: string };

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

/** Ids used twice in one list: rows are laid over each other by id, so the second would silently win. */
const twice = (list: string, rows: readonly { id: string }[], faults: BookFault[]) => {
  const seen = new Set<string>();
  for (const { id } of rows) {
    if (seen.has(id)) faults.push({ path: `${list}[${id}]`, reason: 'this id is used twice' });
    seen.add(id);
  }
};

const layRows = (list: string, own: readonly Row[], changes: readonly Record<string, unknown>[], faults: BookFault[]) => {
  const rows = new Map(own.map((row) => [row.id, row as Record<string, unknown>]));
  for (const change of changes) {
    const { id, absent, ...fields } = change as { id: string; absent?: true };
    if (absent) {
      if (!rows.delete(id)) faults.push({ path: `${list}[${id}]`, reason: 'is said to be absent, but the class has no such row' });
    } else rows.set(id, { ...rows.get(id), id, ...fields });
  }
  return [...rows.values()];
};

/** Rows that point at a station, tank or list entry that is not there. */
const crossFaults = (book: Book): BookFault[] => {
  const faults: BookFault[] = [];
  const stations = new Set(book.stations.map(({ id }) => id));
  for (const list of ['surfaces', 'fittings', 'gauges', 'points', 'propellers'] as const) {
    for (const row of book[list]) {
      if (!stations.has(row.station)) faults.push({ path: `${list}[${row.id}].station`, reason: `there is no station “${row.station}”` });
    }
  }
  const tanks = new Set(book.tanks.map(({ id }) => id));
  for (const gauge of book.gauges) {
    if (gauge.tank !== undefined && !tanks.has(gauge.tank)) {
      faults.push({ path: `gauges[${gauge.id}].tank`, reason: `there is no tank “${gauge.tank}”` });
    }
    if (!(gauge.max > gauge.min)) faults.push({ path: `gauges[${gauge.id}].max`, reason: 'must be above min' });
  }
  for (const tank of book.tanks) {
    const rows = tank.needleTable ?? [];
    if (rows.some(([x, y], i) => i > 0 && (x <= rows[i - 1]![0] || y < rows[i - 1]![1]))) {
      faults.push({ path: `tanks[${tank.id}].needleTable`, reason: 'needle must rise and volume must not fall from row to row' });
    }
  }
  return faults;
};

/**
 * Lays a boat book over its class book.
 * @returns the flat book, or everything that is wrong with it at once
 */
export const layBook = (shared: ClassBook, own: BoatBook): { ok: true; book: Book } | { ok: false; faults: BookFault[] } => {
  const faults: BookFault[] = [];
  if (own.class !== shared.id) faults.push({ path: 'class', reason: `is “${own.class}”, but the class book is “${shared.id}”` });
  const laid: Record<string, unknown> = {
    kind: shared.kind,
    plan: own.plan ?? shared.plan,
    plate: own.plate ?? shared.plate,
    engine: own.engine ?? shared.engine,
  };
  for (const list of LISTS) {
    twice(list, shared[list], faults);
    twice(list, own[list] ?? [], faults);
    laid[list] = layRows(list, shared[list], own[list] ?? [], faults);
  }
  const read = Book.safeParse(laid);
  if (!read.success) {
    for (const issue of read.error.issues) faults.push({ path: pathOf(laid, issue.path), reason: issue.message });
    return { ok: false, faults };
  }
  faults.push(...crossFaults(read.data));
  return faults.length > 0 ? { ok: false, faults } : { ok: true, book: read.data };
};
