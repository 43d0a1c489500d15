import { type bookHire, getChoices } from '@quay/contract/booking';
import type { BodyOf, ReplyOf } from '@quay/contract/endpoint';
import { choicesOf } from '@quay/core/booking/choices';
import { call, NoAnswer } from '../api';
import { localDb } from '../localDb';
import { savedWalkIns } from './saved';

type Wanted = {
  base?: string | undefined;
  from: string;
  to: string;
  people: number;
  /** How she is to be handed over; as usual where it is not said. */
  handover?: BodyOf<typeof bookHire>['handover'] | undefined;
};
/** `asOf`: judged by what this phone knew then, ms; undefined where the quay has answered. */
export type Choices = ReplyOf<typeof getChoices> & { asOf?: number };

/** The boats whose books this phone has, judged by what it knows of their time: the quay's last word and what was booked here since. */
const choicesHere = async ({ base, from, to, people }: Wanted): Promise<Choices | undefined> => {
  const saved = await savedWalkIns(base);
  if (!saved) return undefined;
  const db = await localDb();
  const books = new Set(await db.getAllKeys('boats'));
  const known = new Set(saved.booked.map(({ hire }) => hire));
  const own = (await db.getAll('hires'))
    .filter(({ id }) => !known.has(id))
    .map(({ id, body }) => ({ hire: id, boat: body.boat, renter: body.renter, from: body.from, to: body.to }));
  const booked = [...saved.booked, ...own];
  const boats = saved.boats.filter(({ id }) => books.has(id));
  const { currency, handover, languages, turnaroundMinutes, bases, keptAt } = saved;
  return {
    ...{ base: saved.base, bases, currency, handover, languages, turnaroundMinutes, asOf: keptAt },
    // What is against the hours is asked at the quay: whoever stands on the pontoon sees whether it is open.
    hours: { rule: 'note', faults: [], better: [] },
    boats: choicesOf(boats, booked, { from, to, people }, turnaroundMinutes).map(({ boat, is, clashes, freeFrom = null }) => ({
      ...{ id: boat.id, name: boat.name, hullNumber: boat.hullNumber, people: boat.people, depositMinor: boat.depositMinor },
      ...{ is, freeFrom },
      clashes: clashes.map(({ booked: one, ...clash }) => ({
        ...clash,
        ...{ hire: one.hire, from: one.from, to: one.to },
        renter: booked.find((other) => other === one)?.renter ?? '',
      })),
    })),
  };
};

/** Which boats can be had: as the quay says, or, without signal, as far as this phone knows. @throws NoAnswer, Refused */
export const choices = async (wanted: Wanted): Promise<Choices> => {
  const { base, from, to, people, handover } = wanted;
  try {
    return await call(getChoices, {
      query: { from, to, people: String(people), ...(base === undefined ? {} : { base }), ...(handover === undefined ? {} : { handover }) },
    });
  } catch (error) {
    const here = error instanceof NoAnswer ? await choicesHere(wanted) : undefined;
    if (!here) throw error;
    return here;
  }
};
