import type { ReplyOf } from '@quay/contract/endpoint';
import type { previewSwap } from '@quay/contract/change';
import { pointBriefed } from '@quay/core/briefing/events';
import { differenceOf, sameOnBoth } from '@quay/core/booking/swap';
import { currentUnder } from '@quay/core/events/record';
import { Base } from '@quay/core/fleet/base';
import { definitionOf } from '@quay/core/record/event';
import type { Knex } from 'knex';
import { fail } from '../../platform/http/problem';
import { bookOf } from '../fleet/book';
import { wholeRecord } from '../record/record';
import { boatsToHire } from '../booking/choices';
import { namedHire, type NamedHire } from '../booking/hire';

/** The book of a boat in some version, with the base she lies at. @throws ProblemError `noSuchBoat` */
const bookAt = async (db: Knex, boat: string, base: string, version?: number) => {
  const found = (await bookOf(db, boat, version)) ?? fail(404, 'noSuchBoat');
  const row = (await db('base').where({ id: base }).first('body')) ?? fail(404, 'noBase');
  return { book: found.book, base: Base.parse(JSON.parse(row.body)) };
};

/** What a hire's boat and another have alike, as it is named in the record; see {@link sameOnBoth}. @param boat the other one */
export const alikeOn = async (db: Knex, row: NamedHire, boat: string): Promise<string[]> => {
  const [other] = await boatsToHire(db, { boat });
  if (!other) return fail(404, 'noSuchBoat');
  return sameOnBoth(await bookAt(db, row.boat, row.base, row.bookVersion ?? undefined), await bookAt(db, boat, other.base));
};

/** What another boat would change for a hire. @throws ProblemError `noSuchHire`, `noSuchBoat` */
export const swapOf = async (db: Knex, id: string, boat: string): Promise<ReplyOf<typeof previewSwap>> => {
  const row = (await namedHire(db, id)) ?? fail(404, 'noSuchHire');
  const [other] = await boatsToHire(db, { boat });
  if (!other) return fail(404, 'noSuchBoat');
  const then = await bookAt(db, row.boat, row.base, row.bookVersion ?? undefined);
  const now = await bookAt(db, boat, other.base);
  const same = new Set(sameOnBoth(then, now));
  const { record, stored } = await wholeRecord(db, id);
  const told = currentUnder(record, ['out', 'point'], pointBriefed).map(({ value }) => value.point);
  const stay = told.filter((point) => same.has(`point/${point}`)).length;
  return {
    boat: { id: other.id, name: other.name },
    differs: differenceOf(then.book, now.book),
    told: { stay, again: told.length - stay },
    behind: stored.filter(({ event: { body } }) => {
      const { effect, onSwap } = definitionOf(body);
      return effect?.does !== 'undo' && effect?.does !== 'swap' && !onSwap(body, same);
    }).length,
  };
};
