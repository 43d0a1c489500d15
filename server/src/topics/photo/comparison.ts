import { bookOf } from '../fleet/book';
import { currentOf } from '@quay/core/events/record';
import { surfaceSeen } from '@quay/core/condition/events';
import type { Knex } from 'knex';
import type { Comparison, ComparisonBox } from '@quay/contract/compare';
import { sparing } from '../../platform/database/broken';
import { wholeRecord } from '../record/record';
import { keepJudged } from './judged';

export type ComparisonRow = {
  hire: string;
  surface: string;
  out: string;
  back: string;
  state: Comparison['state'];
  attempts: number;
  leaseUntil: string | null;
  reason: string | null;
  boxes: string | null;
};
export type PairKey = Pick<ComparisonRow, 'hire' | 'out' | 'back'>;
const keyOf = ({ hire, out, back }: PairKey) => ({ hire, out, back });

/** A thread that says nothing for so long has died with its process. */
export const LEASE_MS = 30_000;
/** Tried so often before it is given up with the reason. */
export const ATTEMPTS = 3;

const later = (now: string, ms: number) => new Date(Date.parse(now) + ms).toISOString();

/**
 * Queues what can be compared of a hire now: of each surface departure's last photograph and return's, once both are here.
 * A pair that waits and that nobody wants any more is taken out; what was compared stays.
 * @returns whether anything was queued
 */
export const queueComparisons = async (db: Knex, hire: string, now: string): Promise<boolean> => {
  const record = (await sparing(db, now, () => wholeRecord(db, hire)))?.record;
  if (!record) return false;
  const row = await db('hire').where({ id: hire }).whereNot({ state: 'closed' }).first('boat');
  if (row) await keepJudged(db, hire, row.boat, record);
  const book = row && (await bookOf(db, row.boat, record.bookVersion))?.book;
  if (!book) return false;
  const wanted = book.surfaces.flatMap(({ id }) => {
    const [out, back] = (['out', 'in'] as const).map((walk) => currentOf(record, [walk, 'surface', id], surfaceSeen)?.value.photos.at(-1));
    return out !== undefined && back !== undefined && out !== back ? [{ surface: id, out, back }] : [];
  });
  const here = new Set(
    (
      await db('photo')
        .where({ hire })
        .whereIn(
          'sha',
          wanted.flatMap(({ out, back }) => [out, back]),
        )
        .select('sha')
    ).map(({ sha }) => sha),
  );
  const ready = wanted.filter(({ out, back }) => here.has(out) && here.has(back));
  await db('comparison')
    .where({ hire, state: 'queued' })
    .whereNotIn(
      'back',
      wanted.map(({ back }) => back),
    )
    .delete();
  if (ready.length === 0) return false;
  await db('comparison')
    .insert(ready.map((pair) => ({ hire, ...pair, state: 'queued', attempts: 0 })))
    .onConflict(['hire', 'out', 'back'])
    .ignore();
  return true;
};

/** Takes the next pair for a while; one whose taker has not been heard of since is taken again. */
export const takeComparison = async (db: Knex, now: string): Promise<ComparisonRow | undefined> => {
  const row = await db('comparison')
    .where({ state: 'queued' })
    .orWhere((lost) => {
      void lost.where({ state: 'running' }).where('leaseUntil', '<', now);
    })
    .orderBy('attempts')
    .first();
  if (!row) return undefined;
  if (row.attempts >= ATTEMPTS) {
    await db('comparison')
      .where(keyOf(row))
      .update({ state: 'failed', reason: 'It was begun three times and never came to an end.', leaseUntil: null });
    return takeComparison(db, now);
  }
  const taken = await db('comparison')
    .where({ ...keyOf(row), state: row.state, attempts: row.attempts })
    .update({ state: 'running', attempts: row.attempts + 1, leaseUntil: later(now, LEASE_MS) });
  return taken === 1 ? { ...row, state: 'running', attempts: row.attempts + 1 } : takeComparison(db, now);
};

/** Says that a pair is still being worked on. */
export const keepComparison = async (db: Knex, key: PairKey, now: string): Promise<void> => {
  await db('comparison')
    .where({ ...keyOf(key), state: 'running' })
    .update({ leaseUntil: later(now, LEASE_MS) });
};

export type Outcome =
  { state: 'done'; boxes: ComparisonBox[] } | { state: 'refused' | 'failed' | 'queued' | 'cancelled'; reason: string | null };

/** Writes down what became of a pair; one that was called off meanwhile stays so. */
export const endComparison = async (db: Knex, key: PairKey, outcome: Outcome): Promise<void> => {
  await db('comparison')
    .where({ ...keyOf(key), state: 'running' })
    .update({
      state: outcome.state,
      leaseUntil: null,
      reason: 'reason' in outcome ? outcome.reason : null,
      boxes: 'boxes' in outcome ? JSON.stringify(outcome.boxes) : null,
    });
};

export const changeComparison = async (db: Knex, key: PairKey, what: 'cancel' | 'again'): Promise<Comparison['state'] | undefined> => {
  const row = await db('comparison').where(keyOf(key)).first('state');
  if (!row) return undefined;
  const open = row.state === 'queued' || row.state === 'running';
  if (what === 'cancel' ? !open : open) return row.state;
  const state = what === 'cancel' ? 'cancelled' : 'queued';
  await db('comparison').where(keyOf(key)).update({ state, attempts: 0, leaseUntil: null, reason: null, boxes: null });
  return state;
};

export const comparisonsOf = async (db: Knex, hire: string): Promise<Omit<Comparison, 'learnt'>[]> =>
  (await db('comparison').where({ hire }).orderBy('surface')).map(({ surface, out, back, state, reason, boxes }) => ({
    surface,
    out,
    back,
    state,
    reason,
    boxes: boxes === null ? [] : (JSON.parse(boxes) as ComparisonBox[]),
  }));
