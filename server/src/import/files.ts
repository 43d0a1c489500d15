import type { FileKind, FilesPreview } from '@quay/contract/files';
import { digestOf } from '@quay/core/events/canonical';
import type { Book } from '@quay/core/fleet/book';
import { createHash } from 'node:crypto';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, dirname, join } from 'node:path';
import type { Knex } from 'knex';
import { classesOf } from '../topics/fleet/resolvedBook';
import { starterClasses } from '../topics/fleet/starters';
import { datedOf, earliestDay, pricesIn } from '../topics/policy/prices';
import { changesBetween, withRows } from '../topics/policy/priceTable';
import { doneApart } from '../platform/apart';
import { allStaff, type StaffRow } from '../platform/signIn/staff';
import { type Import, LOGO_FILES, type readImport } from './read';
import readFolder, { type FolderTask } from './thread';
import { writeExport } from './write';
import { unzipInto } from './zip';

/** Files of an installation brought in: laid over what is here, so that a few of them are as good as all. */

/** Whoever sends files that take longer means ill, ms. */
const TIME_MS = 120_000;
/** So many faults and notices are told. */
const TOLD = 100;

type Read = ReturnType<typeof readImport>;

/** Reads in a thread of its own. @param threads where bundled threads lie; without, it is read here @throws TookTooLong */
const readApart = async (task: FolderTask, threads: string | undefined): Promise<Read> =>
  threads === undefined ? readFolder(task) : doneApart(join(threads, 'import.mjs'), task, TIME_MS);

/** Drills of the books that are here, as text: each was gone through when it was kept. */
const drillsHere = async (db: Knex): Promise<string[]> => {
  const rows = (await db('boat')
    .join('book', (on) => on.on('book.boat', 'boat.id').andOn('book.version', 'boat.bookVersion'))
    .select('book.resolved')) as { resolved: string }[];
  const drills = rows.flatMap(({ resolved }) =>
    (JSON.parse(resolved) as Pick<Book, 'drills'>).drills.map((drill) => JSON.stringify(drill)),
  );
  return [...new Set(drills)];
};

const KIND_OF: Readonly<Record<string, FileKind>> = { boats: 'boats', classes: 'classes', rules: 'rules', waters: 'waters' };

const jsonIn = (file: string): unknown => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : undefined);

type Kinds = FilesPreview['kinds'];
/** What of it is new, changed and the same. */
const sorted = <R>(
  kind: FileKind,
  rows: readonly R[],
  name: (row: R) => string,
  before: (row: R) => unknown,
  after: (row: R) => unknown,
) => {
  const done: Kinds[number] = { kind, new: [], changed: [], same: 0 };
  for (const row of rows) {
    const was = before(row);
    if (was === undefined) done.new.push(name(row));
    else if (digestOf(was) === digestOf(JSON.parse(JSON.stringify(after(row))))) done.same += 1;
    else done.changed.push(name(row));
  }
  return done;
};

const HIRE_FIELDS = ['boat', 'from', 'to', 'language', 'handover', 'adults', 'children', 'depositMinor', 'notes'] as const;

const hiresSorted = async (db: Knex, hires: Import['hires']): Promise<Kinds[number]> => {
  const known = new Map<string, Record<string, unknown>>();
  for (let i = 0; i < hires.length; i += 500) {
    const ids = hires.slice(i, i + 500).map(({ id }) => id);
    const rows = (await db('hire')
      .join('person', 'person.id', 'hire.renter')
      .whereIn('hire.id', ids)
      .select('hire.id as id', 'person.name as renter', 'person.contact as contact', ...HIRE_FIELDS.map((field) => `hire.${field}`))) as {
      id: string;
    }[];
    for (const { id, ...row } of rows) known.set(id, row);
  }
  const said = (hire: Import['hires'][number]) =>
    Object.fromEntries([...HIRE_FIELDS, 'renter' as const, 'contact' as const].map((field) => [field, hire[field]]));
  return sorted(
    'hires',
    hires,
    ({ id }) => id,
    ({ id }) => known.get(id),
    said,
  );
};

/** What the files change, by kind. @param standing folder of what is here @param over folder of what would be */
const kindsOf = async (db: Knex, files: readonly string[], data: Import, standing: string, over: string, now: string): Promise<Kinds> => {
  const kinds: Kinds = [];
  if (files.includes('operator.json'))
    kinds.push(
      sorted(
        'operator',
        ['operator.json'],
        () => data.operator.name,
        (file) => jsonIn(join(standing, file)),
        (file) => jsonIn(join(over, file)),
      ),
    );
  if (files.includes('bases.json')) {
    const { bases } = (jsonIn(join(standing, 'bases.json')) ?? { bases: [] }) as { bases: { id: string }[] };
    kinds.push(
      sorted(
        'bases',
        data.bases,
        ({ name }) => name,
        ({ id }) => bases.find((one) => one.id === id),
        (base) => base,
      ),
    );
  }
  for (const [folder, kind] of Object.entries(KIND_OF)) {
    const inIt = files.filter((file) => dirname(file) === folder);
    const named = (file: string) => {
      const { name, id } = jsonIn(join(over, file)) as { name?: string; id?: string };
      return name ?? id ?? basename(file);
    };
    if (inIt.length > 0)
      kinds.push(
        sorted(
          kind,
          inIt,
          named,
          (file) => jsonIn(join(standing, file)),
          (file) => jsonIn(join(over, file)),
        ),
      );
  }
  if (files.includes('prices.csv')) {
    const found = await pricesIn(db, now);
    const lists = found ? datedOf(found) : [];
    const next = lists.length > 0 ? withRows(lists, data.priceRows, await earliestDay(db, now)) : [];
    const changes = changesBetween(lists, next).flatMap((one) => one.changes);
    kinds.push({
      kind: 'prices',
      new: changes.flatMap(({ code, was }) => (was ? [] : [code])),
      changed: changes.flatMap(({ code, was }) => (was ? [code] : [])),
      same: Math.max(0, data.priceRows.length - changes.length),
    });
  }
  if (files.includes('hires.csv')) kinds.push(await hiresSorted(db, data.hires));
  if (files.includes('staff.csv')) {
    const known = new Map((await allStaff(db)).map((one) => [one.id, one]));
    const kept = new Map((await db('staff').select('id', 'secret')).map(({ id, secret }) => [id, secret]));
    const said = ({ name, role, languages, bases }: Pick<StaffRow, 'name' | 'role' | 'languages' | 'bases'>) => ({
      ...{ name, role, languages, bases },
    });
    kinds.push(
      sorted(
        'staff',
        data.staff,
        ({ name }) => name,
        ({ id }) => known.get(id) && said(known.get(id)!),
        // A secret that is brought takes the place of the one that is there.
        (row) => ({ ...said(row), ...(row.secret === '' || row.secret === kept.get(row.id) ? {} : { secret: '' }) }),
      ),
    );
  }
  for (const file of LOGO_FILES)
    if (files.includes(file)) {
      const bytes = (folder: string) => (existsSync(join(folder, file)) ? readFileSync(join(folder, file)).toString('base64') : undefined);
      kinds.push(
        sorted(
          'logo',
          [file],
          () => file,
          () => bytes(standing),
          () => bytes(over),
        ),
      );
    }
  return kinds;
};

/**
 * Reads files that somebody brought, laid over what is here.
 * @returns what they would change, and the data to load where nothing is wrong @throws ZipFault, TookTooLong
 */
export const readFiles = async (
  db: Knex,
  bytes: Uint8Array,
  now: string,
  threads: string | undefined,
): Promise<{ preview: FilesPreview; data: Import | undefined }> => {
  const room = mkdtempSync(join(tmpdir(), 'quay-files-'));
  try {
    const [standing, over] = [join(room, 'standing'), join(room, 'over')];
    // Bookings stay where they are: only those that are brought are looked at.
    for (const folder of [standing, over]) await writeExport(db, folder, { now, hires: false, staff: false });
    const { files, left } = unzipInto(bytes, over);
    // The same files over the same installation: what was seen is what is taken over.
    const seen = createHash('sha256').update(bytes);
    for (const file of files) seen.update(existsSync(join(standing, file)) ? readFileSync(join(standing, file)) : '');
    const digest = seen.digest('hex');
    const there = [...new Map([...starterClasses(), ...(await classesOf(db))])];
    const read = await readApart({ folder: over, now, there, known: await drillsHere(db) }, threads);
    const notices = read.ok ? read.notices.filter(({ file }) => files.includes(file)) : [];
    const faults = read.ok ? [] : read.faults;
    return {
      preview: {
        digest,
        kinds: read.ok ? await kindsOf(db, files, read.data, standing, over, now) : [],
        left: left.slice(0, TOLD),
        faults: faults.slice(0, TOLD),
        notices: notices.slice(0, TOLD),
        counts: { faults: faults.length, notices: notices.length },
      },
      data: read.ok ? read.data : undefined,
    };
  } finally {
    rmSync(room, { recursive: true, force: true });
  }
};

/** The whole installation as files in a folder of its own, and whatever is made of it; the folder is gone afterwards. */
export const withExport = async <T>(db: Knex, of: { now: string; secrets: boolean }, make: (folder: string) => T): Promise<T> => {
  const room = mkdtempSync(join(tmpdir(), 'quay-files-'));
  try {
    const folder = join(room, 'quay');
    await writeExport(db, folder, of);
    return make(folder);
  } finally {
    rmSync(room, { recursive: true, force: true });
  }
};
