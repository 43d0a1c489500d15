import type { NewHire } from '@quay/contract/booking';
import type { Day, HirePack } from '@quay/contract/hire';
import type { WalkIns } from '@quay/contract/walkIn';
import { instantOf } from '@quay/core/time/zone';
import { now as present } from '../../platform/clock';
import { type LocalHire, localDb, type LocalPack, readNamed, write } from '../localDb';
import { deliver } from '../outbox/deliver';
import { usePending } from '../usePending';

/** Hires that are booked on this phone where there is no signal, and what they are booked by. */

export type SavedWalkIns = WalkIns & { keptAt: number };

const keyOf = (base: string): string => `walkIns:${base}`;
/** The base whose boats were looked at last. */
const LAST = keyOf('');

export const saveWalkIns = (found: WalkIns): Promise<void> =>
  write(['named'], async (tx) => {
    const value: SavedWalkIns = { ...found, keptAt: present() };
    await tx.objectStore('named').put({ name: keyOf(found.base.id), value });
    await tx.objectStore('named').put({ name: LAST, value: found.base.id });
  });

/** What this phone knows of a base's boats and their time, of the last one where none is named. */
export const savedWalkIns = async (base: string | undefined): Promise<SavedWalkIns | undefined> => {
  const of = base ?? (await readNamed<string>(LAST));
  return of === undefined ? undefined : readNamed<SavedWalkIns>(keyOf(of));
};

/** Hires that were booked here; undefined until they have been looked up. */
export const useHiresHere = (): readonly LocalHire[] | undefined =>
  usePending(['hires'], async () => (await localDb()).getAll('hires'), []);

/** How a hire that was booked here stands, as long as the quay does not have it: on its way, or refused. */
export const unsentState = ({ state }: LocalHire): 'pending' | 'refused' | undefined =>
  state === 'pending' || state === 'refused' ? state : undefined;

/** The pack that was made for a hire here, as long as the quay does not have it. */
export const packOfUnsent = async (hire: string): Promise<LocalPack | undefined> => {
  const db = await localDb();
  const here = await db.get('hires', hire);
  return here && unsentState(here) !== undefined ? db.get('packs', hire) : undefined;
};

/**
 * The hires of a day, or of some days, with those that were booked here and are not among them yet.
 * @param days from the first up to (not with) the last
 */
export const withHiresHere = (
  day: Day & { keptAt: number },
  here: readonly LocalHire[] | undefined,
  days?: { from: string; to: string },
): Day['hires'] => {
  const midnight = (of: string) => instantOf(`${of}T00:00`, day.base.zone);
  const touches = ({ from, to }: NewHire) => days === undefined || (from < midnight(days.to) && to > midnight(days.from));
  const known = new Set(day.hires.map(({ id }) => id));
  const more = (here ?? []).filter(
    (one) =>
      one.base === day.base.id && !known.has(one.id) && touches(one.body) && (unsentState(one) !== undefined || one.addedAt > day.keptAt),
  );
  if (more.length === 0) return day.hires;
  return [
    ...day.hires,
    ...more.map(({ id, boatName, body }) => ({
      ...{ id, boat: boatName, renter: body.renter, from: body.from, to: body.to },
      party: body.party.adults + body.party.children,
      ...{ state: 'booked' as const, castOffAt: null, cameInAt: null, hold: null, broken: false, openWork: 0 },
    })),
  ];
};

/** This phone does not have the book of that boat. */
export class NotOnThisPhone extends Error {}

/** Chance that nobody can guess, as the quay has it for the names it holds. */
const newSalt = (): string => Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join('');

/**
 * Books a hire on this phone: it can be walked, signed and cast off here, and goes to the quay before anything that is
 * entered of it. @throws NotOnThisPhone
 */
export const bookHere = async (hire: NewHire): Promise<void> => {
  const boat = await (await localDb()).get('boats', hire.boat);
  if (!boat) throw new NotOnThisPhone(hire.boat);
  const { id, mark: _mark, priceVersion, ...ofBoat } = boat;
  const addedAt = present();
  const salt = newSalt();
  const body: NewHire = { ...hire, offline: { madeAt: new Date(addedAt).toISOString(), salt, priceVersion } };
  const pack: HirePack = {
    ...ofBoat,
    hire: {
      ...{ id: hire.id, boat: id, base: boat.base.id, renter: hire.renter, contact: hire.contact, language: hire.language },
      ...{ handover: hire.handover, party: hire.party, from: hire.from, to: hire.to },
      ...{ depositMinor: hire.depositMinor, notes: hire.notes, version: 1 },
    },
    briefedBefore: {},
    sheets: [],
    seals: [],
    signerSalt: salt,
    statementNumber: null,
  };
  await write(['hires', 'packs'], async (tx) => {
    await tx.objectStore('hires').add({ id: hire.id, state: 'pending', base: boat.base.id, boatName: boat.boat.name, body, addedAt });
    await tx.objectStore('packs').put({ ...pack, id: hire.id });
  });
  void deliver();
};
