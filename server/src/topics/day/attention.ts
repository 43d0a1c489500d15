import { clashesWith } from '../booking/book';
import type { NamedBooked } from '../booking/choices';
import { feedsInTrouble } from '../exchange/sources';
import { bookOf } from '../fleet/book';
import { ATTENTION_KINDS, type AttentionKind, type AttentionMatter } from '@quay/contract/attention';
import type { Wording } from '@quay/core/words/words';
import { endsEarly } from '@quay/core/settlement/holding';
import { dateOf } from '@quay/core/time/zone';
import { expiryOf } from '@quay/core/condition/counts';
import type { Knex } from 'knex';
import { ROOM_WANTED } from '../../platform/database/freeRoom';

/** More than anybody looks through. */
const MOST = 200;
/** A boat that is over time by this is a manager's matter, min. */
const OVERDUE_MIN = 30;
/** Boats that go out within this are looked at for what is out of date, h. */
const SOON_H = 36;

/** What is counted of a record when it is read; see `refresh`. */
type Counts = Partial<
  Record<Exclude<AttentionKind, 'diskLow' | 'broken' | 'twiceOut' | 'clash' | 'feed' | 'overdue' | 'outOfDate' | 'holdEnds'>, number>
>;
type Row = {
  hire: string;
  boat: string;
  boatName: string;
  renter: string;
  attention: string | null;
  holdEndsAt: string | null;
  broken: string | null;
  state: string;
  to: string;
  castOffAt: string | null;
};
const later = (now: string, hours: number) => new Date(Date.parse(now) + hours * 3_600_000).toISOString();

const hires = (db: Knex) =>
  db('hire')
    .join('person', 'person.id', 'hire.renter')
    .join('boat', 'boat.id', 'hire.boat')
    .select(
      'hire.id as hire',
      'hire.boat as boat',
      'boat.name as boatName',
      'person.name as renter',
      'hire.attention as attention',
      'hire.holdEndsAt as holdEndsAt',
      'hire.broken as broken',
      'hire.state as state',
      'hire.to as to',
      'hire.castOffAt as castOffAt',
    );

/** Two hires of one boat that were on the water at one time, as two phones without signal may leave them: each names the other's start. */
const twiceOut = async (db: Knex): Promise<Map<string, string>> => {
  const rows = (await db('hire as one')
    .join('hire as other', (on) => {
      on.on('other.boat', 'one.boat')
        .andOn('other.id', '<>', 'one.id')
        .andOn('other.castOffAt', '<=', 'one.castOffAt')
        .andOn((open) => {
          void open.onNull('other.cameInAt').orOn('other.cameInAt', '>', 'one.castOffAt');
        });
    })
    .whereIn('one.state', ['out', 'walkingIn', 'settling'])
    .select('one.id as later', 'other.id as earlier', 'one.castOffAt as at')) as { later: string; earlier: string; at: string }[];
  return new Map(rows.flatMap(({ later: a, earlier: b, at }) => [[a, at] as const, [b, at] as const]));
};

/** Hires that were taken without signal in somebody else's time, as long as they still are: each with who that is. */
const clashing = async (db: Knex, now: string): Promise<Map<string, NamedBooked[]>> => {
  const rows = (await db('hire')
    .where({ clashed: 1 })
    .whereNotIn('state', ['cancelled', 'settling', 'closed'])
    .select('id as hire', 'boat', 'from', 'to')) as { hire: string; boat: string; from: string; to: string }[];
  const found = await Promise.all(rows.map(async (row) => [row.hire, await clashesWith(db, row, now)] as const));
  return new Map(found.filter(([, others]) => others.length > 0));
};

/** Safety equipment of boats that go out soon whose date has passed: better known the day before than on the pontoon. */
const outOfDate = async (db: Knex, now: string): Promise<AttentionMatter[]> => {
  const boats = (await db('hire')
    .join('boat', 'boat.id', 'hire.boat')
    .join('base', 'base.id', 'boat.base')
    .whereIn('hire.state', ['booked', 'walkingOut', 'readyToGo'])
    .where('hire.from', '<', later(now, SOON_H))
    .where('hire.to', '>', now)
    .distinct('boat.id as id', 'boat.name as name', 'base.zone as zone')) as { id: string; name: string; zone: string }[];
  const found: AttentionMatter[] = [];
  for (const { id, name, zone } of boats) {
    const book = (await bookOf(db, id, undefined))?.book;
    for (const fitting of book?.fittings ?? []) {
      const until = fitting.safety ? expiryOf(fitting) : undefined;
      if (until === undefined || until >= dateOf(now, zone).slice(0, 7)) continue;
      const thing: Wording = fitting.name;
      found.push({
        key: `outOfDate/${id}/${fitting.id}/${until}`,
        kind: 'outOfDate',
        hire: null,
        boat: id,
        boatName: name,
        renter: null,
        count: 1,
        at: null,
        thing,
      });
    }
  }
  return found;
};

/** Feeds that fell silent, or of which something waits for somebody. */
const feeds = async (db: Knex): Promise<AttentionMatter[]> =>
  (await feedsInTrouble(db)).map(({ id, name, last }) => ({
    key: `feed/${id}/${last.is === 'failed' ? 'failed' : `${last.conflicts}-${last.gone}-${last.faults}`}`,
    kind: 'feed',
    ...{ hire: null, boat: null, boatName: null, renter: null },
    count: last.is === 'failed' ? 0 : last.conflicts + last.gone + last.faults,
    at: last.at,
    thing: { en: name },
  }));

/** The disk of the quay, once there is little room on it; said anew every day, and when it gets less by half a gigabyte. */
const diskLow = (free: number, now: string): AttentionMatter[] =>
  free >= ROOM_WANTED
    ? []
    : [
        {
          key: `diskLow/${now.slice(0, 10)}/${Math.floor(free / 512 / 1024 ** 2)}`,
          kind: 'diskLow',
          hire: null,
          boat: null,
          boatName: null,
          renter: null,
          count: 1,
          at: null,
          thing: { en: `${(free / 1024 ** 3).toFixed(1)} GB` },
        },
      ];

/** Everything that wants a manager's eye and was not put aside as it stands, the gravest first. @param free bytes on the quay's disk */
export const attentionOf = async (db: Knex, now: string, free: number): Promise<AttentionMatter[]> => {
  const rows = (await hires(db)
    .whereNotNull('hire.attention')
    .orWhereNotNull('hire.holdEndsAt')
    .orWhereNotNull('hire.broken')
    .orWhere('hire.clashed', 1)
    .orWhereIn('hire.state', ['out', 'walkingIn', 'settling'])
    .orderBy('hire.from', 'desc')) as Row[];
  const twice = await twiceOut(db);
  const clashes = await clashing(db, now);
  const over = new Date(Date.parse(now) - OVERDUE_MIN * 60_000).toISOString();
  const all = rows.flatMap((row): AttentionMatter[] => {
    const { hire, boat, boatName, renter } = row;
    const of = (kind: AttentionKind, mark: string | number, more: Partial<AttentionMatter> = {}): AttentionMatter => ({
      key: `${kind}/${hire}/${mark}`,
      kind,
      hire,
      boat,
      boatName,
      renter,
      count: 1,
      at: null,
      thing: null,
      ...more,
    });
    const counts = row.attention === null ? {} : (JSON.parse(row.attention) as Counts);
    const meets = twice.get(hire);
    const taken = clashes.get(hire);
    return [
      ...(row.broken === null ? [] : [of('broken', '')]),
      ...(meets === undefined ? [] : [of('twiceOut', meets, { at: meets })]),
      ...(taken === undefined
        ? []
        : [
            of('clash', taken.map(({ hire: other, from }) => other ?? from).join(), {
              at: taken[0]!.from,
              count: taken.length,
              thing: { en: taken.map(({ renter: who }) => who).join(', ') },
            }),
          ]),
      ...(row.state === 'out' && row.to < over ? [of('overdue', row.to, { at: row.to })] : []),
      ...(row.holdEndsAt !== null && endsEarly(row.holdEndsAt, now) !== undefined
        ? [of('holdEnds', row.holdEndsAt, { at: row.holdEndsAt })]
        : []),
      ...ATTENTION_KINDS.flatMap((kind) => {
        const count = (counts as Record<string, number | undefined>)[kind] ?? 0;
        return count > 0 ? [of(kind, count, { count })] : [];
      }),
    ];
  });
  const aside = new Set((await db('attentionAside').select('key')).map(({ key }) => key));
  const order = new Map(ATTENTION_KINDS.map((kind, i) => [kind, i]));
  return [...diskLow(free, now), ...all, ...(await outOfDate(db, now)), ...(await feeds(db))]
    .filter(({ key }) => !aside.has(key))
    .sort((a, b) => order.get(a.kind)! - order.get(b.kind)!)
    .slice(0, MOST);
};

export const putAside = (db: Knex, key: string, by: string, now: string) =>
  db('attentionAside').insert({ key, by, at: now }).onConflict('key').ignore();
export const bringBack = (db: Knex, key: string) => db('attentionAside').where({ key }).delete();
