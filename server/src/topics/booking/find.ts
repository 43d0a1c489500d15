import type { ReplyOf } from '@quay/contract/endpoint';
import type { findHires, findRenters } from '@quay/contract/calendar';
import { readDay } from '@quay/core/time/typedDay';
import { instantOf, shiftDay } from '@quay/core/time/zone';
import type { Knex } from 'knex';
import { basesOf } from './bases';

/** So many are shown; whoever finds more says more. */
const MOST = 30;

/** As a pattern of SQL: what somebody typed stands for itself. */
const pattern = (text: string): string => `%${text.replace(/[\\%_]/g, (sign) => `\\${sign}`)}%`;
const like = (column: string) => `${column} like ? escape '\\'`;

/** A number as people write it: with spaces, hyphens, brackets. Of mails and names the signs stay. */
const bare = (column: string) => `replace(replace(replace(replace(${column}, ' ', ''), '-', ''), '(', ''), ')', '')`;
const isNumber = (text: string): boolean => /^[+\d\s()-]{3,}$/.test(text);

/** People whose name, number or mail holds a text; nobody whose name was erased. */
const people = (db: Knex, text: string) =>
  db('person')
    .whereNot('person.salt', '')
    .where((either) => {
      void either.whereRaw(like('person.name'), [pattern(text)]).orWhereRaw(like('person.contact'), [pattern(text)]);
      if (isNumber(text)) void either.orWhereRaw(like(bare('person.contact')), [pattern(text.replace(/[\s()-]/g, ''))]);
    });

type FoundHire = Omit<ReplyOf<typeof findHires>['hires'][number], 'base'> & { base: string };

/** Figures that a text may end with, whatever stands before them: of `OS/26-118` these are 118, 18 and 8. */
const numbersEnding = (text: string): number[] => {
  const digits = /\d{1,9}$/.exec(text.slice(-40))?.[0] ?? '';
  return Array.from(digits, (_, i) => digits.slice(i))
    .filter((one) => !one.startsWith('0'))
    .map(Number);
};

/** Hires by renter, number, mail, boat, statement or day; those nearest to now first. */
export const hiresLike = async (db: Knex, find: string, now: string): Promise<ReplyOf<typeof findHires>['hires']> => {
  const text = find.trim();
  const day = readDay(text);
  const bases = await basesOf(db);
  const rows = (await db('hire')
    .join('person', 'person.id', 'hire.renter')
    .join('boat', 'boat.id', 'hire.boat')
    .where((either) => {
      if (day !== undefined)
        for (const { id, zone } of bases)
          void either.orWhere((at) => {
            void at
              .where('hire.base', id)
              .where('hire.from', '<', instantOf(`${shiftDay(day, 1)}T00:00`, zone))
              .where('hire.to', '>', instantOf(`${day}T00:00`, zone));
          });
      void either.orWhereIn('hire.renter', people(db, text).select('person.id'));
      void either.orWhereIn(
        'hire.boat',
        db('boat')
          .whereRaw(like('boat.name'), [pattern(text)])
          .orWhereRaw(like('boat.hullNumber'), [pattern(text)])
          .select('boat.id'),
      );
      const numbers = numbersEnding(text);
      if (numbers.length > 0)
        void either.orWhereIn(
          'hire.id',
          db('statement')
            .whereIn('number', numbers)
            // As it stands on paper, or by the figure alone.
            .whereRaw("(coalesce(json_extract(body, '$.prefix'), '') || number = ? or cast(number as text) = ?)", [text, text])
            .select('hire'),
        );
    })
    .orderByRaw('abs(julianday("hire"."from") - julianday(?))', [now])
    .limit(MOST)
    .select(
      'hire.id',
      'boat.name as boat',
      'person.name as renter',
      'person.contact',
      'hire.base',
      'hire.from',
      'hire.to',
      'hire.state',
    )) as FoundHire[];
  return rows.map((row) => ({ ...row, base: bases.find(({ id }) => id === row.base)! }));
};

type KnownRenter = ReplyOf<typeof findRenters>['renters'][number];

/** People who hired before, whoever came last first. */
export const rentersLike = async (db: Knex, find: string): Promise<KnownRenter[]> =>
  await people(db, find.trim())
    .join('hire', 'hire.renter', 'person.id')
    .groupBy('person.id')
    .orderBy('lastFrom', 'desc')
    .limit(MOST)
    .select<KnownRenter[]>(
      'person.id',
      'person.name',
      'person.contact',
      db.raw('count(*) as hires'),
      db.raw('max("hire"."from") as "lastFrom"'),
      db.raw('"hire"."language" as language'),
    );
