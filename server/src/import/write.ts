import type { HireRow } from '../platform/database/tables';
import { writeCsv } from '../platform/csv';
import { existsSync, mkdirSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Knex } from 'knex';
import type { Base } from '@quay/core/fleet/base';
import type { BoatBook } from '@quay/core/fleet/book';
import { writeMinor } from '@quay/core/money/minor';
import { isHashed } from '../platform/signIn/secret';
import { readLogo } from '../topics/policy/logo';
import { datedOf, pricesIn } from '../topics/policy/prices';
import { writePriceTable } from '../topics/policy/priceTable';
import { clockOf, dateOf, instantOf } from '@quay/core/time/zone';
import { LOGO_FILES } from './read';
import { readHandoverPolicy, readOperator } from '../platform/database/setting';

/** Why nothing can be written; said to whoever asked for it. */
export class ExportError extends Error {}

const json = (value: unknown) => `${JSON.stringify(value, null, 2)}\n`;
/**
 * Writes an installation's books, prices and bookings into a folder, in the formats that are imported. What was done on
 * the water (records, photographs) is no part of it: that is what a backup is for. People leave without what they sign in
 * with, unless whoever asks wants that too: then as it is kept, derived, for an installation that is to go on with it.
 * @throws ExportError
 */
export const writeExport = async (
  db: Knex,
  folder: string,
  {
    now = new Date().toISOString(),
    hires: withHires = true,
    staff: withStaff = true,
    secrets = false,
  }: { now?: string; hires?: boolean; staff?: boolean; secrets?: boolean } = {},
): Promise<{ boats: number; hires: number; bases: number }> => {
  if (existsSync(folder) && readdirSync(folder).length > 0) throw new ExportError(`${folder} is not empty.`);
  const operator = await readOperator(db);
  const found = await pricesIn(db, now);
  if (!operator || !found) throw new ExportError('There is nothing to write yet: this installation has no price list.');
  const bodies = async <T>(table: string) =>
    ((await db(table).orderBy('id').select('body')) as { body: string }[]).map(({ body }) => JSON.parse(body) as T);
  const prices = found.now.list;
  const bases = await bodies<Base>('base');
  const boats = (
    (await db('boat')
      .join('book', { 'book.boat': 'boat.id', 'book.version': 'boat.bookVersion' })
      .orderBy('boat.id')
      .select('book.boatBook')) as { boatBook: string }[]
  ).map(({ boatBook }) => JSON.parse(boatBook) as BoatBook);
  const hires = (await db('hire')
    .whereRaw(withHires ? '1 = 1' : '1 = 0')
    // What does not take place would take place where it is imported.
    .whereNot('hire.state', 'cancelled')
    .join('person', 'person.id', 'hire.renter')
    .orderBy('hire.id')
    .select('hire.*', 'person.name as name', 'person.contact as contact')) as (HireRow & { name: string; contact: string })[];

  for (const sub of ['boats', 'classes', 'rules', 'waters']) mkdirSync(join(folder, sub), { recursive: true });
  const put = (file: string, text: string) => writeFileSync(join(folder, file), text);
  const { fuelScheme, fuelIncludedL, lateGraceMin, currency, damage, depositMinor, waiver } = prices;
  put(
    'operator.json',
    json({
      format: 'quay-operator/1',
      ...operator,
      currency,
      fuelScheme,
      fuelIncludedL,
      lateGraceMin,
      damage,
      ...(depositMinor === undefined ? {} : { depositMinor }),
      ...(waiver ? { waiver } : {}),
      ...(await readHandoverPolicy(db)),
    }),
  );
  put('bases.json', json({ format: 'quay-bases/1', bases }));
  for (const [sub, ending, rows] of [
    ['classes', 'json', await bodies<{ id: string }>('classBook')],
    ['rules', 'json', await bodies<{ id: string }>('rules')],
    ['waters', 'geojson', await bodies<{ id: string }>('waters')],
    ['boats', 'json', boats],
  ] as const)
    for (const row of rows) put(`${sub}/${row.id}.${ending}`, json(row));
  put('prices.csv', writePriceTable(datedOf(found)));
  const zoneOf = new Map(bases.map(({ id, zone }) => [id, zone]));
  const local = (at: string, base: string) => {
    const zone = zoneOf.get(base) ?? 'UTC';
    const clock = `${dateOf(at, zone)}T${clockOf(at, zone)}`;
    // In the hour that autumn has twice a clock says two things: then it is written as an instant.
    return instantOf(clock, zone) === at ? clock : at;
  };
  put(
    'hires.csv',
    writeCsv(
      ['id', 'boat', 'renter', 'contact', 'language', 'adults', 'children', 'from', 'to', 'deposit', 'notes', 'handover', 'clashed'],
      hires.map(({ name, from, to, depositMinor, clashed, ...row }) => ({
        ...row,
        renter: name,
        from: local(from, row.base),
        to: local(to, row.base),
        deposit: writeMinor(depositMinor, currency),
        clashed: clashed === 1 ? 'yes' : '',
      })),
    ),
  );
  const staff = await db('staff')
    .whereRaw(withStaff ? '1 = 1' : '1 = 0')
    .where({ withdrawnAt: null })
    .orderBy('id')
    .select('id', 'name', 'role', 'secret', 'languages', 'bases');
  const several = (list: string) => (JSON.parse(list) as string[]).join('|');
  put(
    'staff.csv',
    writeCsv(
      ['id', 'name', 'role', 'secret', 'languages', 'bases'],
      staff.map(({ languages, bases: at, secret, ...row }) => ({
        ...row,
        secret: secrets && isHashed(secret) ? secret : '',
        languages: several(languages),
        bases: several(at),
      })),
    ),
  );
  const logo = await readLogo(db);
  if (logo) writeFileSync(join(folder, LOGO_FILES[0]), logo);
  return { boats: boats.length, hires: hires.length, bases: bases.length };
};
