import type { Preview, PreviewRow } from '@quay/contract/exchange';
import { type Incoming, newestOf, type Planned, planOf } from '@quay/core/booking/incoming';
import type { Raw, ReadFault, Reading } from '@quay/core/booking/reading';
import { boatOf } from '@quay/core/booking/table';
import { digestOf } from '@quay/core/events/canonical';
import type { Knex } from 'knex';
import { fail } from '../../platform/http/problem';
import { type Boat, bookedOf, boatsToHire } from '../booking/choices';
import { currencyOf } from '../policy/prices';
import type { Reader } from '../../platform/incoming';
import { readerHere, TookTooLong } from './reader';
import { takenOf } from './sources';

/** What a file would change of the bookings. */

/** More than anybody looks through. */
const [MOST_ROWS, MOST_FAULTS] = [2000, 500];
export type Read = { rows: Raw[]; faults: ReadFault[]; boats: Boat[] };

/** What the file holds. @throws ProblemError `noBase`, `notReadable` */
export const readIncoming = async (
  db: Knex,
  reader: Reader | undefined,
  bytes: Uint8Array,
  reading: Reading,
  now: string,
): Promise<Read> => {
  const base = (await db('base').where({ id: reading.base }).first('zone')) ?? fail(404, 'noBase');
  const task = { bytes, reading, zone: base.zone, currency: await currencyOf(db), now: Date.parse(now) };
  const reply = await readOrRefuse((reader ?? readerHere()).read(task));
  if (!('rows' in reply)) return fail(422, 'notReadable', { why: 'refused' in reply ? reply.refused : '' });
  return { rows: newestOf(reply.rows), faults: reply.faults, boats: await boatsToHire(db, { base: reading.base }) };
};

/** @throws ProblemError `notReadable` where it would take too long */
export const readOrRefuse = async <T>(reading: Promise<T>): Promise<T> => {
  try {
    return await reading;
  } catch (error) {
    if (error instanceof TookTooLong) return fail(422, 'notReadable', { why: 'tookTooLong' });
    throw error;
  }
};

export type Plan = {
  planned: Planned[];
  faults: ReadFault[];
  unknownBoats: Preview['unknownBoats'];
  digest: string;
  names: Map<string, string>;
};

/** @param source that it is of, where it was read before */
export const planIncoming = async (db: Knex, read: Read, reading: Reading, source: string | undefined, now: string): Promise<Plan> => {
  const taken = await takenOf(
    db,
    source,
    read.rows.map(({ key }) => key),
  );
  const before = new Map(taken.map((one) => [one.key, one]));
  const faults = [...read.faults];
  const unknown = new Map<string, number>();
  const incoming = read.rows.flatMap((raw): Incoming[] => {
    const known = before.get(raw.key);
    const boat = reading.boat ?? boatOf(raw.boatIn, reading.boats, read.boats) ?? (raw.cancelled ? known?.now.boat : undefined);
    if (typeof boat !== 'string') {
      // One that was never taken and does not take place is nobody's matter.
      if (raw.cancelled) return [];
      const text = (raw.boatIn.find((one) => one !== '') ?? '').slice(0, 80);
      unknown.set(text, (unknown.get(text) ?? 0) + 1);
      faults.push({ at: raw.at, is: 'noBoat', text });
      return [];
    }
    const { boatIn: _boatIn, at: _at, stamp: _stamp, ...rest } = raw;
    const said = raw.adults === undefined ? undefined : Math.max(1, raw.adults);
    const adults = said ?? (typeof known?.was.adults === 'number' ? known.was.adults : reading.adults);
    const children = raw.children ?? (typeof known?.was.children === 'number' ? known.was.children : 0);
    return [{ ...rest, boat, adults, children }];
  });
  const ids = read.boats.map(({ id }) => id);
  // What is booked after the last of them is in nobody's way.
  const until = incoming.reduce((latest, { to }) => (to > latest ? to : latest), now);
  const booked = (await bookedOf(db, ids, now, until, now)).map(({ hire, boat, from, to, renter }, i) => ({
    ...{ id: hire ?? `away-${i}`, boat, renter },
    ...{ from: Date.parse(from), to: to === null ? Infinity : Date.parse(to) },
  }));
  const people = new Map(read.boats.map((boat) => [boat.id, boat.people]));
  const planned = planOf(incoming, taken, booked, people, Date.parse(now));
  const names = new Map([
    ...booked.map(({ id, renter }) => [id, renter] as const),
    ...incoming.map(({ key, renter }) => [key, renter] as const),
    ...taken.map(({ hire, now: { renter } }) => [hire, String(renter)] as const),
  ]);
  const digest = digestOf(
    planned.map(({ incoming: one, ...rest }) => [rest, one ?? null] as const).map((each) => JSON.parse(JSON.stringify(each)) as unknown),
  );
  const unknownBoats = [...unknown].map(([text, count]) => ({ text, count })).sort((a, b) => b.count - a.count);
  return { planned, faults, unknownBoats, digest, names };
};

const ORDER: readonly PreviewRow['is'][] = ['conflict', 'gone', 'cancelled', 'changed', 'new'];

/** A plan as it is shown before anything is done: what matters first, what stays as it is not at all. */
export const previewOf = ({ planned, faults, unknownBoats, digest, names }: Plan, boats: readonly Boat[]): Preview => {
  const counts = { new: 0, changed: 0, cancelled: 0, same: 0, past: 0, gone: 0, conflict: 0 };
  for (const { is } of planned) counts[is] += 1;
  const rows = planned
    .filter(({ is }) => ORDER.includes(is))
    .sort((a, b) => ORDER.indexOf(a.is) - ORDER.indexOf(b.is) || ((a.incoming?.from ?? '') < (b.incoming?.from ?? '') ? -1 : 1))
    .slice(0, MOST_ROWS)
    .map((one): PreviewRow => ({
      ...{ key: one.key, is: one.is, hire: one.hire ?? null },
      why: one.is === 'conflict' ? one.why : null,
      with: one.is === 'conflict' ? one.with.slice(0, 5).map((id) => names.get(id) ?? id) : [],
      changes: one.is === 'changed' ? one.changes : [],
      boat: one.incoming?.boat ?? null,
      renter: one.incoming?.renter ?? names.get(one.hire ?? '') ?? '',
      from: one.incoming?.from ?? null,
      to: one.incoming?.to ?? null,
    }));
  return {
    ...{ digest, counts, rows, faults: faults.slice(0, MOST_FAULTS), faultCount: faults.length, unknownBoats: unknownBoats.slice(0, 100) },
    boats: boats.map(({ id, name }) => ({ id, name })).sort((a, b) => (a.name < b.name ? -1 : 1)),
  };
};
