import type { Attention } from '@quay/contract/hire';
import { endsEarly } from '@quay/core/settlement/holding';
import type { Knex } from 'knex';

/** More than anybody looks through. */
const MOST = 200;

type Counts = Omit<Attention, 'hire' | 'boat' | 'renter' | 'holdEndsAt' | 'broken'>;
type Row = {
  hire: string;
  boat: string;
  renter: string;
  attention: string | null;
  holdEndsAt: string | null;
  broken: string | null;
};
const NOTHING: Counts = { late: 0, proposed: 0, contradictions: 0, wrongClocks: 0, seals: 0, despite: 0 };

/** Hires whose record wants a manager's eye, and those whose deposit is let go by its bank within a day: in time to hold it anew. */
export const attentionOf = async (db: Knex, now: string): Promise<Attention[]> => {
  const rows = (await db('hire')
    .join('person', 'person.id', 'hire.renter')
    .join('boat', 'boat.id', 'hire.boat')
    .whereNotNull('hire.attention')
    .orWhereNotNull('hire.holdEndsAt')
    .orWhereNotNull('hire.broken')
    .orderBy('hire.from', 'desc')
    .select(
      'hire.id as hire',
      'boat.name as boat',
      'person.name as renter',
      'hire.attention as attention',
      'hire.holdEndsAt as holdEndsAt',
      'hire.broken as broken',
    )) as Row[];
  return rows
    .flatMap(({ hire, boat, renter, attention, holdEndsAt, broken }): Attention[] => {
      const early = holdEndsAt !== null && endsEarly(holdEndsAt, now) !== undefined;
      if (attention === null && !early && broken === null) return [];
      const counts = attention === null ? NOTHING : (JSON.parse(attention) as Counts);
      return [{ hire, boat, renter, ...counts, holdEndsAt: early ? holdEndsAt : null, broken: broken !== null }];
    })
    .slice(0, MOST);
};
