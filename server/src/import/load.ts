import { addBook } from '../topics/fleet/resolvedBook';
import { randomBytes } from 'node:crypto';
import type { Knex } from 'knex';
import { HandoverPolicy } from '@quay/core/fleet/handoverPolicy';
import { policyOf } from '@quay/core/policy/policy';
import type { Terms } from '@quay/core/settlement/planned';
import { dateOf } from '@quay/core/time/zone';
import { putBook } from '../topics/fleet/pastBook';
import { keepLogo } from '../topics/policy/logo';
import { earliestDay, listOn, putLists } from '../topics/policy/prices';
import { withRows } from '../topics/policy/priceTable';
import { writeHandoverPolicy, writeOperator } from '../platform/database/setting';
import { accountOf, putAccount } from '../platform/signIn/staff';
import { type Fault, sayFault } from '../platform/fault';
import type { BoatIn, Import } from './read';
import type { HireIn } from './tables';

const loadBoat = async (trx: Knex, boat: BoatIn, now: string) => {
  // A book stands on its boat, and the boat names its newest book: the boat is there first.
  await trx('boat')
    .insert({ id: boat.id, name: boat.name, hullNumber: boat.hullNumber, base: boat.base, waters: boat.waters, bookVersion: 1 })
    .onConflict('id')
    .merge(['name', 'hullNumber', 'base', 'waters']);
  const bookVersion = await addBook(trx, boat.id, boat, { at: now, by: null });
  await trx('boat').where({ id: boat.id }).update({ bookVersion });
};

const loadHire = async (trx: Knex, hire: HireIn, priceVersion: number) => {
  const { renter, contact, ...row } = hire;
  const known = await trx('hire').where({ id: hire.id }).first('renter', 'state', 'version');
  // A hire that has begun is the record's, not the booking list's.
  if (known && known.state !== 'booked') return;
  const person = known?.renter ?? `renter-${hire.id}`;
  await trx('person')
    .insert({ id: person, salt: randomBytes(16).toString('hex'), name: renter, contact })
    .onConflict('id')
    .merge(['name', 'contact']);
  await trx('hire')
    .insert({ ...row, renter: person, priceVersion, version: (known?.version ?? 0) + 1 })
    .onConflict('id')
    .merge();
};

/** What was read cannot be loaded beside what is there already; nothing of it was. */
export class ImportRefused extends Error {
  constructor(readonly faults: readonly Fault[]) {
    super(faults.map(sayFault).join('\n'));
  }
}

/** So many are asked for at once: a question to the database takes so many values. */
const ASKED_AT_ONCE = 500;

/** Where a boat would be given away twice, once all are loaded. @throws ImportRefused */
const refuseOverlaps = async (trx: Knex, hires: readonly HireIn[]): Promise<void> => {
  const faults: Fault[] = [];
  for (let i = 0; i < hires.length; i += ASKED_AT_ONCE) {
    const ids = hires.slice(i, i + ASKED_AT_ONCE).map(({ id }) => id);
    const rows = (await trx('hire as one')
      .join('hire as other', (on) => {
        on.on('other.boat', 'one.boat')
          .andOn('other.id', '<>', 'one.id')
          .andOn('other.from', '<', 'one.to')
          .andOn(trx.raw('coalesce(other."cameInAt", other."to") > one."from"'));
      })
      .whereIn('one.id', ids)
      .where('one.state', 'booked')
      .whereNot('other.state', 'cancelled')
      .where({ 'one.clashed': 0, 'other.clashed': 0 })
      .select('one.id as id', 'other.id as other', 'one.boat as boat')) as { id: string; other: string; boat: string }[];
    for (const { id, other, boat } of rows)
      faults.push({ file: 'hires.csv', where: `hire ${id}`, reason: `${boat} is given to ${other} at that time` });
  }
  if (faults.length > 0) throw new ImportRefused(faults);
};

/** Loads what was read, all of it or nothing. @param logo what was made of the one that was brought, as paper takes it @throws ImportRefused */
export const loadImport = async (db: Knex, data: Import, now = new Date().toISOString(), logo?: Uint8Array): Promise<void> => {
  // Deriving keys takes time that must not be spent inside the transaction.
  const accounts = await Promise.all(data.staff.map((one) => accountOf(db, one)));
  await db.transaction(async (trx) => {
    const { operator } = data;
    const { name, currency, simulated = false } = operator;
    await writeOperator(trx, { name, currency, simulated });
    // What of the file says how they hand over; the shape leaves the rest away.
    await writeHandoverPolicy(trx, HandoverPolicy.parse(operator));
    if (logo) await keepLogo(trx, logo);
    for (const account of accounts) await putAccount(trx, account, new Date(now));
    for (const rules of data.rules)
      await trx('rules')
        .insert({ id: rules.id, body: JSON.stringify(rules) })
        .onConflict('id')
        .merge({ body: JSON.stringify(rules), version: trx.raw('rules.version + 1') });
    // Whoever has the old one open in the editor finds out.
    for (const classBook of data.classes) await putBook(trx, 'classBook', classBook, {}, { at: now, by: null });
    for (const waters of data.waters)
      await trx('waters')
        .insert({ id: waters.id, name: waters.name, body: JSON.stringify(waters) })
        .onConflict('id')
        .merge({ name: waters.name, body: JSON.stringify(waters), version: trx.raw('waters.version + 1') });
    for (const base of data.bases) await putBook(trx, 'base', base, { name: base.name, zone: base.zone }, { at: now, by: null });
    for (const boat of data.boats) await loadBoat(trx, boat, now);
    const list: Terms = {
      currency: operator.currency,
      fuelScheme: operator.fuelScheme,
      fuelIncludedL: operator.fuelIncludedL ?? 0,
      lateGraceMin: operator.lateGraceMin,
      damage: operator.damage ?? { policy: 'list' },
      ...(operator.depositMinor === undefined ? {} : { depositMinor: operator.depositMinor }),
      ...(operator.waiver ? { waiver: operator.waiver } : {}),
      breach: policyOf(operator.policies, 'breach'),
      prices: data.prices,
    };
    // What is planned is in the table, as everything else of the list: nothing else is planned.
    await putLists(trx, withRows([{ from: '', list }], data.priceRows, await earliestDay(trx, now)), { at: now, by: null });
    const zones = new Map((await trx('base').select('id', 'zone')).map(({ id, zone }) => [id, zone]));
    const versions = new Map<string, number>();
    for (const hire of data.hires) {
      const day = dateOf(hire.from, zones.get(hire.base) ?? 'UTC');
      if (!versions.has(day)) versions.set(day, (await listOn(trx, day))!.version);
      await loadHire(trx, hire, versions.get(day)!);
    }
    await refuseOverlaps(trx, data.hires);
  });
};
