import type { DayHire } from '@quay/core/day/board';
import { dayOf, instantOf } from '@quay/core/time/zone';
import type { Knex } from 'knex';
import type { BaseRow } from '../booking/bases';

/** Hires of a base by day. */

/** How far over midnight the day looks, both ways. */
const ROUND_MIDNIGHT_MS = 8 * 3_600_000;

type DayRow = DayHire & { broken: boolean; openWork: number };

/** Hires of a base as they stand on a list. */
const listed = (db: Knex, base: BaseRow) =>
  db('hire')
    .join('person', 'person.id', 'hire.renter')
    .join('boat', 'boat.id', 'hire.boat')
    .select(
      'hire.id',
      'boat.name as boat',
      'person.name as renter',
      'hire.adults',
      'hire.children',
      'hire.from',
      'hire.to',
      'hire.state',
      'hire.castOffAt',
      'hire.cameInAt',
      'hire.hold',
      'hire.broken',
      'hire.openWork',
    )
    .where('hire.base', base.id);
type ListedRow = Omit<DayRow, 'party' | 'broken'> & { adults: number; children: number; broken: string | null };
const toDayRow = ({ adults, children, broken, ...row }: ListedRow): DayRow => ({
  ...row,
  party: adults + children,
  broken: broken !== null,
});

/**
 * Hires of a base that touch the local day of `now` or a few hours of it round midnight, and whatever is still out or at the quay, however old: a boat
 * that never came back does not fall off the board at midnight.
 */
export const dayHires = async (db: Knex, base: BaseRow, now: string): Promise<DayRow[]> => {
  const day = dayOf(now, base.zone);
  // Late in the evening the next boats leave after midnight, and early in the morning the last came in before it.
  const [before, after] = [-1, 1].map((way) => new Date(Date.parse(now) + way * ROUND_MIDNIGHT_MS).toISOString()) as [string, string];
  const from = before < day.from ? before : day.from;
  const to = after > day.to ? after : day.to;
  const [leaving, returning, open] = [
    (await listed(db, base).where('hire.from', '>=', from).where('hire.from', '<', to).whereNot('hire.state', 'cancelled')) as ListedRow[],
    (await listed(db, base).where('hire.to', '>=', from).where('hire.to', '<', to).whereNot('hire.state', 'cancelled')) as ListedRow[],
    (await listed(db, base).whereIn('hire.state', ['walkingOut', 'readyToGo', 'out', 'walkingIn', 'settling'])) as ListedRow[],
  ];
  return [...new Map([...leaving, ...returning, ...open].map((row) => [row.id, row])).values()].map(toDayRow);
};

/** Hires of a base that touch some of its days, the earliest first. @param from first day @param to the day after the last */
export const hiresOn = async (db: Knex, base: BaseRow, { from, to }: { from: string; to: string }): Promise<DayRow[]> => {
  const start = instantOf(`${from}T00:00`, base.zone);
  const end = instantOf(`${to}T00:00`, base.zone);
  const rows = (await listed(db, base)
    .where('hire.from', '<', end)
    .where('hire.to', '>', start)
    .orderBy(['hire.from', 'hire.id'])) as ListedRow[];
  return rows.map(toDayRow);
};
