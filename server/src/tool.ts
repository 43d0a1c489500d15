import { existsSync } from 'node:fs';
import { cp, mkdir, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import Database from 'better-sqlite3';
import { type DossierFault, verifyDossier } from '@quay/core/dossier/verify';
import { spoken } from '@quay/core/events/seal';
import { isDay } from '@quay/core/time/calendar';
import { classesOf } from './topics/fleet/resolvedBook';
import { starterClasses } from './topics/fleet/starters';
import { play } from './demo/play';
import { nodeCrypto } from './topics/dossier/crypto';
import { type Fault, sayFault } from './platform/fault';
import { ImportRefused, loadImport } from './import/load';
import { readImport } from './import/read';
import { publishedSchemas } from './import/schemas';
import { ExportError, writeExport } from './import/write';
import { erasePeople } from './topics/record/erase';
import { DataFolderError, openStore, type Store } from './platform/database/open';
import { brokenHires, repairOf, type Repaired, setAside, takeBack } from './topics/record/repair';
import { holdFolder } from './platform/database/lock';
import { putRestoredInPlace, restoredBeside, runningOn } from './platform/database/restore';
import { newEpoch, quayKey, readOperator } from './platform/database/setting';
import { newToken } from './platform/signIn/secret';
import { fold, putStaff, secretFault, takeBackStaff } from './platform/signIn/staff';
import { putOperator } from './topics/setup/setUp';
import { logoFrom } from './topics/policy/logo';
import { FirstStart } from '@quay/contract/setup';
import { LANGUAGES } from '@quay/core/words/words';

/** What cannot be done, said to whoever typed the command. */
class ToolError extends Error {}

/** A file as it was named where the command was given. */
const named = (file: string): string => resolve(process.env.QUAY_FROM ?? '.', file);

const flag = (name: string): string | undefined => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? undefined : process.argv[at + 1];
};
const need = (name: string): string => {
  const value = flag(name);
  if (value === undefined) throw new ToolError(`--${name} is missing.`);
  return value;
};

const withStore = async <T>(data: string, work: (store: Store) => Promise<T>): Promise<T> => {
  const store = await openStore(data);
  try {
    return await work(store);
  } finally {
    await store.close();
  }
};

const nothingImported = (faults: readonly Fault[]) =>
  new ToolError(
    `Nothing was imported. ${faults.length} thing${faults.length === 1 ? ' is' : 's are'} wrong:\n${faults.map((fault) => `  ${sayFault(fault)}`).join('\n')}`,
  );

/** Imports a folder: everything wrong is printed and nothing is loaded, or all of it is loaded. */
const importFolder = (data: string, from: string, now: Date) =>
  withStore(data, async (store) => {
    // What the installation has made of a class stands, unless the folder brings another.
    const there = new Map([...starterClasses(), ...(await classesOf(store.db))]);
    const read = readImport(from, now.toISOString(), new Map(), there);
    if (!read.ok) throw nothingImported(read.faults);
    // What is missing in a language is shown in English; whoever imports is told where.
    for (const notice of read.notices) console.error(`notice: ${sayFault(notice)}`);
    const { logo } = read.data;
    await loadImport(store.db, read.data, undefined, logo && (await logoFrom(store, logo))).catch((error: unknown) => {
      throw error instanceof ImportRefused ? nothingImported(error.faults) : error;
    });
    const { boats, hires, bases } = read.data;
    console.log(`imported ${bases.length} bases, ${boats.length} boats, ${hires.length} hires`);
  });

const exportFolder = (data: string, to: string, secrets: boolean) =>
  withStore(data, async (store) => {
    const { bases, boats, hires } = await writeExport(store.db, to, { secrets });
    console.log(`wrote ${bases} bases, ${boats} boats, ${hires} hires to ${to}`);
  });

/** Makes the demo operator's data folder anew. */
const makeDemo = async (data: string, from: string, now: Date) => {
  await rm(data, { recursive: true, force: true });
  await importFolder(data, from, now);
  await withStore(data, async (store) => play(store, await quayKey(store.db), join(from, 'play.json'), now));
};

/** What a new installation can be set up with where nobody opens a browser. */
const VARIABLES = ['QUAY_OPERATOR', 'QUAY_CURRENCY', 'QUAY_MANAGER', 'QUAY_PASSWORD'] as const;

/** Sets a new installation up by what the environment says; where it says nothing it is done in the browser. */
const setUp = (data: string) =>
  withStore(data, async (store) => {
    if ((await readOperator(store.db)) !== undefined) return;
    const missing = VARIABLES.filter((name) => process.env[name] === undefined);
    if (missing.length === VARIABLES.length) return;
    if (missing.length > 0) throw new ToolError(`To set up without a browser, set ${missing.join(', ')} as well.`);
    const [operator, currency, manager, password] = VARIABLES.map((name) => process.env[name]);
    const read = FirstStart.safeParse({
      operator,
      currency,
      manager,
      password,
      address: '',
      phone: '',
      taxBp: 0,
      languages: [...LANGUAGES],
    });
    if (!read.success) {
      const field = String(read.error.issues[0]?.path[0]);
      throw new ToolError(
        field === 'currency'
          ? 'QUAY_CURRENCY is three capital letters, such as EUR.'
          : `QUAY_${field.toUpperCase()} has 1 to 80 characters.`,
      );
    }
    const weak = secretFault('manager', read.data.password);
    if (weak !== undefined) throw new ToolError(weak);
    await putOperator(store.db, read.data, new Date());
    console.log(`${read.data.operator} is set up; ${read.data.manager} can sign in.`);
  });

/** Lets whoever runs the server back in as a manager: a new password for one who is there, or a new manager. */
const letManagerIn = (data: string, name: string) =>
  withStore(data, async (store) => {
    if ((await readOperator(store.db)) === undefined)
      throw new ToolError('Nobody is set up here yet: ./quay start prints the address to do it.');
    const trimmed = name.trim();
    if (trimmed === '' || trimmed.length > 80) throw new ToolError('--name has 1 to 80 characters.');
    const secret = process.env.QUAY_PASSWORD ?? newToken().slice(0, 20);
    const weak = secretFault('manager', secret);
    if (weak !== undefined) throw new ToolError(weak);
    const there = await store
      .db('staff')
      .where({ nameFolded: fold(trimmed) })
      .first('id', 'name', 'role');
    if (there && there.role !== 'manager') throw new ToolError(`${there.name} is a hand. Name another manager.`);
    if (there) await takeBackStaff(store.db, there.id);
    await putStaff(store.db, { ...(there ? { id: there.id } : {}), name: there?.name ?? trimmed, role: 'manager', secret }, new Date());
    console.log(
      `${there?.name ?? trimmed} can sign in${process.env.QUAY_PASSWORD === undefined ? ` with the password ${secret}` : ''}. Whatever was signed in under that name has ended.`,
    );
  });

/** Opened as it is: a quay of another version may be running on it, and its tables are not ours to change. */
const noteBackup = (file: string) => {
  const db = new Database(file, { timeout: 10_000 });
  try {
    db.prepare('insert into setting (key, value) values (?, ?) on conflict (key) do update set value = excluded.value').run(
      'backupAt',
      new Date().toISOString(),
    );
  } finally {
    db.close();
  }
};

/** Copies the running installation: the database through SQLite's own backup, photographs after it, so that every event's picture is in. */
const backup = async (data: string, to: string) => {
  if (!existsSync(join(data, 'quay.sqlite'))) throw new ToolError(`There is no installation in ${data}.`);
  if (existsSync(to) && (await readdir(to)).length > 0) throw new ToolError(`${to} is not empty.`);
  await mkdir(to, { recursive: true });
  const db = new Database(join(data, 'quay.sqlite'), { readonly: true });
  try {
    await db.backup(join(to, 'quay.sqlite'));
  } finally {
    db.close();
  }
  await cp(join(data, 'photos'), join(to, 'photos'), { recursive: true, filter: (path) => !path.endsWith('/part') });
  // The installation knows when it was last safe elsewhere.
  noteBackup(join(data, 'quay.sqlite'));
  console.log(`backed up to ${to}`);
};

/** Erases people of hires that ended before a day: the operator's term is theirs to know. */
const erase = (data: string, before: string) => {
  if (!isDay(before)) throw new ToolError(`--before wants a day such as 2026-01-31, not “${before}”.`);
  return withStore(data, async (store) => {
    const hires = await erasePeople(store.db, `${before}T00:00:00.000Z`);
    console.log(
      `erased the people of ${hires} hire${hires === 1 ? '' : 's'} closed before ${before}; their records and seals stay. Statements keep the name they were made out to, and older backups hold everything.`,
    );
  });
};

/** Puts a backup in place, under a running quay too: that one swaps it in between two requests. */
const restore = async (from: string, data: string) => {
  if (!existsSync(join(from, 'quay.sqlite'))) throw new ToolError(`There is no backup in ${from}.`);
  let sound: unknown;
  try {
    const check = new Database(join(from, 'quay.sqlite'), { readonly: true });
    sound = check.pragma('integrity_check', { simple: true });
    check.close();
  } catch (error) {
    sound = (error as Error).message;
  }
  if (sound !== 'ok') throw new ToolError(`The backup in ${from} is damaged: ${String(sound)}`);
  const fresh = restoredBeside(data);
  await rm(fresh, { recursive: true, force: true });
  await cp(from, fresh, { recursive: true });
  await withStore(fresh, ({ db }) => newEpoch(db));
  const pid = runningOn(data);
  if (pid === undefined) {
    // A quay that nobody wrote down the number of would go on with data that is no longer there.
    const release = existsSync(data) ? holdFolder(data) : () => undefined;
    if (!release) throw new ToolError(`A quay runs on ${data}, and which process it is cannot be told. Stop it, then restore.`);
    const aside = putRestoredInPlace(data);
    release();
    if (aside !== undefined) console.log(`what was in ${data} is now in ${aside}`);
  } else {
    process.kill(pid, 'SIGHUP');
    for (let i = 0; existsSync(fresh); i += 1) {
      if (i > 300) throw new ToolError(`The quay that runs on ${data} (process ${pid}) has not taken the backup. It lies in ${fresh}.`);
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    console.log(`what was in ${data} is set aside in ${data}.before-…`);
  }
  console.log(`restored to ${data}. Phones send again what the backup lacks.`);
};

/** Lists hires whose record cannot be read and what makes it so, or sets such an entry aside (`--back` takes it in again). */
const repair = (data: string) =>
  withStore(data, async ({ db }) => {
    const [hire, event, why] = [flag('hire'), flag('event'), flag('why')];
    const of = { now: new Date().toISOString(), key: await quayKey(db) };
    if (hire !== undefined && event !== undefined) {
      const back = process.argv.includes('--back');
      if (!back && (why === undefined || why.trim() === '')) throw new ToolError('--why is missing: what is set aside says why.');
      const done = back
        ? await takeBack(db, hire, event, of)
        : await setAside(db, hire, event, { ...of, by: 'whoever runs the server', why: why!.trim().slice(0, 500) });
      if (!done.ok) throw new ToolError(REPAIR_FAULTS[done.reason]);
      console.log(
        back ? `entry ${event} is part of the record again` : `entry ${event} is set aside; it is kept, and named wherever the record is`,
      );
    }
    const broken = await brokenHires(db);
    for (const one of broken) {
      console.log(`${one.hire} (${one.boat}): ${one.why}`);
      for (const { id, kind, at, actor } of (await repairOf(db, one.hire))?.suspects ?? [])
        console.log(`  ${kind}, ${at}, by ${actor.role} ${actor.id}: --hire ${one.hire} --event ${id} --why "…" sets it aside`);
    }
    if (broken.length === 0) console.log('every record can be read');
  });

const REPAIR_FAULTS: Record<(Repaired & { ok: false })['reason'], string> = {
  noSuchHire: 'There is no such hire.',
  notBroken: 'This record can be read: nothing is set aside of it.',
  noSuspect: 'It is not this entry that makes the record unreadable.',
  notAside: 'No such entry was set aside.',
};

const FAULTS: Record<DossierFault['is'], string> = {
  noZip: 'This is no dossier: not a ZIP at all.',
  notPackedSo: 'The file is not as the quay packed it: something in it was changed.',
  noManifest: 'There is no manifest in it that can be read.',
  noRecord: 'There is no record in it that can be read.',
  keyIsNotItsName: 'The key in the manifest is not the one it is called by.',
  manifestNotSigned: 'The manifest is not signed by the key it names.',
  otherKey: 'It is signed by another key',
  fileMissing: 'missing',
  fileExtra: 'not in the manifest',
  fileDiffers: 'changed',
  photoMissing: 'a picture of the record is missing',
  photoDiffers: 'a picture is not the one that was taken',
  eventUnreadable: 'an entry cannot be read',
  eventMissing: 'an entry that was sealed is missing',
  sealDiffers: 'what was sealed is not what stands here',
  sealNotSigned: 'the seal is not signed by a phone that is known',
  notCountersigned: 'the quay has not signed that it took the seal in',
};

/** Tells whether a dossier is whole, who signed, and what was entered since. Needs no installation. */
const verify = async (file: string | undefined, key: string | undefined) => {
  if (file === undefined || file.startsWith('--')) throw new ToolError('./quay verify FILE [--key FINGERPRINT]');
  const bytes = await readFile(named(file)).catch((error: NodeJS.ErrnoException) => {
    throw new ToolError(`${file} cannot be read: ${error.code ?? error.message}`);
  });
  const seen = verifyDossier(new Uint8Array(bytes), nodeCrypto, key);
  for (const fault of seen.faults) {
    const what =
      'name' in fault ? fault.name : 'walk' in fault ? fault.walk : 'id' in fault ? fault.id : 'found' in fault ? fault.found : '';
    console.log(`  ✗ ${FAULTS[fault.is]}${what === '' ? '' : `: ${what}`}`);
  }
  if (seen.about) {
    const { boat, renter, hire, edition, madeAt, events, photos } = seen.about;
    console.log(`  ${boat}, ${renter} (${hire}); the ${edition}’s copy of ${madeAt}: ${events} entries, ${photos} pictures`);
    console.log(
      `  signed by key ${seen.key}${key === undefined ? '\n  compare it with the renter’s own paper, or name it with --key' : ''}`,
    );
    for (const { walk, by, language, at, root, countersignedAt } of seen.signed)
      console.log(
        `  ${walk === 'out' ? 'departure' : 'return'}: signed by ${by.join(' and ')}${language === undefined ? '' : `, read in ${language}`}, ${at}; seal ${spoken(root)}; ${countersignedAt === undefined ? 'not countersigned' : `countersigned ${countersignedAt}`}`,
      );
    console.log(
      seen.since.length === 0 ? '  nothing was entered about it since' : `  entered since, outside the seals: ${seen.since.length}`,
    );
    for (const { kind, at, role, late } of seen.since)
      console.log(`    ${at} ${role}: ${kind}${late ? ' (made before, came in late)' : ''}`);
    for (const { id, at, by, why } of seen.aside) console.log(`  set aside by ${by}, ${at}: entry ${id} (${why})`);
  }
  if (seen.faults.length > 0) throw new ToolError('NOT WHOLE');
  console.log('WHOLE');
};

/** Writes the published JSON Schemas of the import's files. */
const writeSchemas = async (to: string) => {
  await mkdir(to, { recursive: true });
  for (const [name, schema] of Object.entries(publishedSchemas())) await writeFile(join(to, name), `${JSON.stringify(schema, null, 2)}\n`);
};

const COMMANDS: Record<string, () => Promise<void>> = {
  import: () => importFolder(need('data'), need('from'), new Date(flag('clock') ?? Date.now())),
  demo: () => makeDemo(need('data'), need('from'), new Date(flag('clock') ?? Date.now())),
  export: () => exportFolder(need('data'), need('to'), process.argv.includes('--secrets')),
  setup: () => setUp(need('data')),
  schemas: () => writeSchemas(need('to')),
  verify: () => verify(process.argv[3], flag('key')),
  backup: () => backup(need('data'), need('to')),
  erase: () => erase(need('data'), need('before')),
  repair: () => repair(need('data')),
  manager: () => letManagerIn(need('data'), need('name')),
  restore: () => restore(need('from'), need('data')),
};

try {
  const command = COMMANDS[process.argv[2] ?? ''];
  if (!command) throw new ToolError(`Unknown command: ${process.argv[2] ?? '(none)'}`);
  await command();
} catch (error) {
  if (!(error instanceof ToolError) && !(error instanceof DataFolderError) && !(error instanceof ExportError)) throw error;
  console.error(error.message);
  process.exitCode = 1;
}
