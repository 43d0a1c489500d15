import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import * as z from 'zod/mini';
import { LOGO_LIMIT_BYTES } from '@quay/contract/operator';
import { pointsInOrder } from '@quay/core/briefing/compose';
import { Base } from '@quay/core/fleet/base';
import { BoatBook, type Book, ClassBook } from '@quay/core/fleet/book';
import { conditionFaults } from '@quay/core/fleet/condition';
import { lacksOf } from '@quay/core/fleet/lacks/lacks';
import { untranslated } from '@quay/core/words/languages';
import { sayLack } from './lackWords';
import { drillFaults, type Known } from '@quay/core/drill/faults';
import { mergeBooks, lineageOf, pathOf } from '@quay/core/fleet/merge';
import { HandoverPolicy } from '@quay/core/fleet/handoverPolicy';
import type { GeneralPoint } from '@quay/core/fleet/points';
import { RuleSet } from '@quay/core/party/rules';
import { DamagePolicy, FUEL_SCHEMES, type Price, PriceList } from '@quay/core/settlement/prices';
import { MOST_CORNERS_IN_ALL, type WatersFault, watersFaults } from '@quay/core/waters/faults';
import { Waters } from '@quay/core/waters/zone';
import { starterClasses } from '../topics/fleet/starters';
import { type Fault, sayFault } from '../platform/fault';
import { type PriceRow, readPriceRows, rowsNow } from '../topics/policy/priceTable';
import { dateOf } from '@quay/core/time/zone';
import { type HireIn, readHires, readStaff, type StaffIn } from './tables';

/** No file of an operator's comes near it; a larger one is something else. */
const FILE_LIMIT_BYTES = 32 * 1024 ** 2;

/** Where a folder may hold the logo. */
export const LOGO_FILES = ['logo.jpg', 'logo.png'] as const;

export const OperatorFile = z.extend(HandoverPolicy, {
  format: z.literal('quay-operator/1'),
  name: z.string().check(z.minLength(1), z.maxLength(80)),
  currency: z.string().check(z.regex(/^[A-Z]{3}$/)),
  simulated: z.optional(z.boolean()),
  fuelScheme: z.enum(FUEL_SCHEMES),
  fuelIncludedL: z.optional(z.number().check(z.gte(0))),
  lateGraceMin: z.int().check(z.gte(0)),
  /** How damage is charged; as the list says where nothing else is said. */
  damage: z.optional(DamagePolicy),
  depositMinor: PriceList.shape.depositMinor,
  waiver: PriceList.shape.waiver,
});
export const BasesFile = z.object({ format: z.literal('quay-bases/1'), bases: z.array(Base) });

/** A boat with her resolved book; `lineage` are the class books it comes from, furthest first. */
export type BoatIn = {
  id: string;
  name: string;
  hullNumber: string;
  base: string;
  waters: string;
  lineage: ClassBook[];
  boatBook: BoatBook;
  book: Book;
};
export type Import = {
  operator: z.infer<typeof OperatorFile>;
  bases: Base[];
  waters: Waters[];
  rules: RuleSet[];
  classes: ClassBook[];
  boats: BoatIn[];
  prices: Price[];
  /** Those that hold from a day on among them. */
  priceRows: PriceRow[];
  hires: HireIn[];
  staff: StaffIn[];
  /** A picture for the head of papers, as it was brought. */
  logo: Uint8Array | undefined;
};

const saidOfWaters = ({ is, at }: WatersFault): string =>
  ({
    crossesItself: `crosses itself near ${at?.map((degrees) => degrees.toFixed(5)).join(', ')}`,
    noArea: 'encloses nothing',
    idTwice: 'has the id of another feature',
    farAway: 'lies far from everything else: is it in degrees (WGS 84), longitude first?',
    tooManyCorners: `has ${at?.[0]} corners; all features together may have ${MOST_CORNERS_IN_ALL}, and have ${at?.[1]}`,
  })[is];

/**
 * Reads a folder of open formats (see docs/formats). Everything wrong is reported at once. What is only missing in a
 * language is no fault: it is shown in English, and told as a notice.
 * @param now what `today` in a date means, ISO instant @param drillsKnown keeps what was found of drills, for whoever reads again
 * @param there class books a folder may build on without holding them: those that come with the program, or are kept already
 */
export const readImport = (
  folder: string,
  now: string,
  drillsKnown: Known = new Map(),
  there: ReadonlyMap<string, ClassBook> = starterClasses(),
): { ok: true; data: Import; notices: Fault[] } | { ok: false; faults: Fault[] } => {
  const faults: Fault[] = [];
  const notices: Fault[] = [];
  const notice = (file: string, value: unknown) =>
    notices.push(
      ...untranslated(value).map(({ path, languages }) => ({
        file,
        where: path,
        reason: `is not there in ${languages.join(', ')}; it is shown in English`,
      })),
    );
  const readText = (file: string): string | undefined => {
    const whole = (reason: string) => {
      faults.push({ file, where: '(whole)', reason });
      return undefined;
    };
    try {
      const path = join(folder, file);
      if (statSync(path).size > FILE_LIMIT_BYTES) return whole(`this file is larger than ${FILE_LIMIT_BYTES / 1024 ** 2} MB`);
      return readFileSync(path, 'utf8');
    } catch (error) {
      const { code } = error as NodeJS.ErrnoException;
      return whole(
        code === 'ENOENT' ? 'this file is missing' : code === 'EISDIR' ? 'this is a folder, not a file' : `cannot be read: ${code}`,
      );
    }
  };
  const readJson = <T>(file: string, schema: z.ZodMiniType<T>): T | undefined => {
    const text = readText(file);
    if (text === undefined) return undefined;
    let raw: unknown;
    try {
      raw = JSON.parse(text);
    } catch (error) {
      faults.push({ file, where: '(whole)', reason: `is no JSON: ${(error as Error).message}` });
      return undefined;
    }
    const read = schema.safeParse(raw);
    if (read.success) return read.data;
    for (const issue of read.error.issues) faults.push({ file, where: pathOf(raw, issue.path), reason: issue.message });
    return undefined;
  };
  const filesIn = (sub: string, ending: string) => {
    const path = join(folder, sub);
    if (!existsSync(path)) return [];
    if (!statSync(path).isDirectory()) {
      faults.push({ file: sub, where: '(whole)', reason: 'this is a file, not a folder' });
      return [];
    }
    return readdirSync(path)
      .filter((name) => name.endsWith(ending))
      .sort()
      .map((name) => `${sub}/${name}`);
  };

  /** Reads every file of a folder, and remembers which file an id came from. */
  const readAll = <T extends { id: string }>(
    sub: string,
    ending: string,
    schema: z.ZodMiniType<T>,
  ): Map<string, { file: string; value: T }> => {
    const found = new Map<string, { file: string; value: T }>();
    for (const file of filesIn(sub, ending)) {
      const value = readJson(file, schema);
      if (value === undefined) continue;
      const other = found.get(value.id);
      if (other) faults.push({ file, where: 'id', reason: `“${value.id}” stands in ${other.file} already` });
      found.set(value.id, { file, value });
      notice(file, value);
    }
    return found;
  };

  const operator = readJson('operator.json', OperatorFile);
  notice('operator.json', operator);
  const bases = readJson('bases.json', BasesFile)?.bases ?? [];
  notice('bases.json', { bases });
  const rules = readAll('rules', '.json', RuleSet);
  const waters = readAll('waters', '.geojson', Waters);
  for (const { file, value } of waters.values())
    if (value.rules !== undefined && !rules.has(value.rules))
      faults.push({ file, where: 'rules', reason: `there is no set of rules “${value.rules}”` });
  for (const { file, value } of waters.values())
    for (const fault of watersFaults(value)) faults.push({ file, where: `features[${fault.feature}]`, reason: saidOfWaters(fault) });
  for (const base of bases)
    if (!waters.has(base.waters))
      faults.push({ file: 'bases.json', where: `bases[${base.id}].waters`, reason: `there are no waters “${base.waters}”` });
  const general: [string, string, readonly GeneralPoint[] | undefined][] = [
    ['operator.json', 'points', operator?.points],
    ...bases.map((base) => ['bases.json', `bases[${base.id}].points`, base.points] as [string, string, GeneralPoint[]]),
    ...[...waters.values()].map(({ file, value }) => [file, 'points', value.points] as [string, string, GeneralPoint[] | undefined]),
  ];
  for (const [file, path, points = []] of general)
    for (const { id, when } of points)
      if (when)
        faults.push(...conditionFaults(when, `${path}[${id}].when`, {}).map(({ path: where, reason }) => ({ file, where, reason })));

  const classes = readAll('classes', '.json', ClassBook);
  const boatFiles = readAll('boats', '.json', BoatBook);
  const fileOf = (book: string) => boatFiles.get(book)?.file ?? classes.get(book)?.file ?? book;
  const own = new Map([...classes].map(([id, { value }]) => [id, value]));
  const classBooks = new Map([...there, ...own]);
  /** What the boats and classes of the folder build on, whoever has it. */
  const needed = new Map(own);
  for (const id of own.keys()) {
    const found = lineageOf(id, classBooks);
    if (found.ok) for (const one of found.lineage) needed.set(one.id, one);
  }
  const reported = new Set<string>();
  // A fault of a class shows through every boat of it; it is told once.
  const bookFault = (fault: Fault) => {
    const key = sayFault(fault);
    if (!reported.has(key)) faults.push(fault);
    reported.add(key);
  };
  const boats = [...boatFiles.values()].flatMap(({ file, value: boatBook }): BoatIn[] => {
    if (!bases.some(({ id }) => id === boatBook.base)) faults.push({ file, where: 'base', reason: `there is no base “${boatBook.base}”` });
    if (!classBooks.has(boatBook.class)) {
      faults.push({ file, where: 'class', reason: `there is no readable class book “${boatBook.class}”` });
      return [];
    }
    const found = lineageOf(boatBook.class, classBooks);
    if (!found.ok) {
      bookFault({ file: fileOf(found.fault.book), where: found.fault.path, reason: found.fault.reason });
      return [];
    }
    for (const one of found.lineage) needed.set(one.id, one);
    const resolved = mergeBooks(found.lineage, boatBook);
    if (!resolved.ok) {
      for (const { book, path, reason } of resolved.faults) bookFault({ file: fileOf(book), where: path, reason });
      return [];
    }
    for (const { book, path, reason } of drillFaults(resolved.book.drills, resolved.origins.drills, boatBook.id, drillsKnown))
      bookFault({ file: fileOf(book), where: path, reason });
    const { id, name, hullNumber, base } = boatBook;
    const on = boatBook.waters ?? bases.find((one) => one.id === base)?.waters ?? '';
    if (boatBook.waters !== undefined && !waters.has(on)) faults.push({ file, where: 'waters', reason: `there are no waters “${on}”` });
    // Points of the operator, the base and the waters are pinned with the book: a hire keeps what it began with.
    const ground = [
      ...(operator?.points ?? []),
      ...(bases.find((one) => one.id === base)?.points ?? []),
      ...(waters.get(on)?.value.points ?? []),
    ];
    const book = { ...resolved.book, points: pointsInOrder(resolved.book, ground) };
    return [{ id, name, hullNumber, base, waters: on, lineage: found.lineage, boatBook, book }];
  });

  const priceText = readText('prices.csv');
  const priceRows = priceText === undefined ? [] : readPriceRows(priceText, operator?.currency ?? 'EUR', faults);
  const prices = rowsNow(priceRows, dateOf(now, bases[0]?.zone ?? 'UTC'));
  for (const { code, mends } of prices)
    if (mends !== undefined && !prices.some((price) => price.code === mends))
      faults.push({ file: 'prices.csv', where: code, reason: `mends “${mends}”, which is not on the list` });
  for (const boat of boats) {
    for (const list of ['fittings', 'points', 'propellers'] as const) {
      for (const row of boat.book[list]) {
        if (row.price !== undefined && !prices.some(({ code }) => code === row.price)) {
          faults.push({ file: `boats/${boat.id}.json`, where: `${list}[${row.id}].price`, reason: `there is no price “${row.price}”` });
        }
      }
    }
  }
  for (const { id, book } of boats)
    for (const drill of book.drills)
      for (const lesson of drill.lessons)
        if (lesson.price !== undefined && !prices.some(({ code }) => code === lesson.price))
          faults.push({
            file: `boats/${id}.json`,
            where: `drills[${drill.id}].lessons[${lesson.id}].price`,
            reason: `there is no price “${lesson.price}”`,
          });
  // What a book lacks beside what the boat has is no fault either. Prices and languages were looked at above.
  for (const { id, book } of boats)
    for (const lack of lacksOf(book))
      if (lack.is !== 'notInLanguage') notices.push({ file: `boats/${id}.json`, where: lack.path, reason: sayLack(lack) });
  const logo = LOGO_FILES.map((file) => join(folder, file)).find((path) => existsSync(path) && statSync(path).size <= LOGO_LIMIT_BYTES);
  const staff = readStaff(readText('staff.csv'), bases, faults);
  const hires = readHires(readText('hires.csv'), operator?.currency ?? 'EUR', bases, boats, now, faults);
  if (faults.length > 0 || !operator) return { ok: false, faults };
  const data = {
    operator,
    bases,
    waters: [...waters.values()].map(({ value }) => value),
    rules: [...rules.values()].map(({ value }) => value),
    classes: [...needed.values()],
    boats,
    prices,
    priceRows,
    hires,
    staff,
    logo: logo === undefined ? undefined : new Uint8Array(readFileSync(logo)),
  };
  return { ok: true, data, notices };
};
