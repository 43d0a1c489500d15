import { mkdir, rename, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { COMPARISON_PICTURES } from '@quay/contract/compare';
import type { Comparer } from './compare/pool';
import {
  ATTEMPTS,
  type ComparisonRow,
  endComparison,
  keepComparison,
  LEASE_MS,
  type PairKey,
  queueComparisons,
  takeComparison,
} from './comparison';
import type { Store } from '../../platform/database/open';
import { fileOf } from './photo';

type Picture = (typeof COMPARISON_PICTURES)[number];

/** Where the pictures of a compared pair lie. */
export const comparedFile = (store: Store, { out, back }: Pick<PairKey, 'out' | 'back'>, picture: Picture): string =>
  join(store.photos, 'compared', `${out.slice(0, 32)}-${back.slice(0, 32)}.${picture}.jpg`);

/**
 * Compares photographs beside the quay's other work: what phones deliver is queued in the database, threads take it from there,
 * and a quay that died half-way takes it up again.
 */
export class ComparisonQueue {
  private readonly hires = new Set<string>();
  private readonly known = new Set<string>();
  private readonly underWay = new Map<string, { abort: AbortController; ended: Promise<void> }>();
  private turning: Promise<void> | undefined;
  private ended = false;
  private readonly clock: NodeJS.Timeout;

  constructor(
    private readonly store: () => Store,
    private readonly comparer: Comparer,
    private readonly now: () => Date,
    private readonly atOnce: number,
  ) {
    // What a quay that died had under way is free once its lease has ended, whether anything arrives or not.
    this.clock = setInterval(() => this.tick(), LEASE_MS / 2).unref();
  }

  /** Something of a hire has arrived that may make a pair whole. */
  enqueue(hire: string): void {
    this.known.add(hire);
    this.hires.add(hire);
    this.tick();
  }

  /** Somebody wants to see what there is of a hire: what came in while nobody compared, as with an import, is queued now. */
  enqueueOnce(hire: string): void {
    if (!this.known.has(hire)) this.enqueue(hire);
  }

  /** Takes up what waits in the database. */
  tick(): void {
    if (this.ended) return;
    const before = this.turning ?? Promise.resolve();
    const mine = before
      .then(() => this.work())
      .catch((error: unknown) => console.error('quay: photographs could not be queued for comparison', error));
    this.turning = mine;
  }

  /** Ends a pair that is under way; the row has been called off already. */
  cancel(key: PairKey): void {
    this.underWay.get(nameOf(key))?.abort.abort();
  }

  /** Waits until what has arrived is queued and as much of it as there are threads is under way. */
  async queued(): Promise<void> {
    for (let turning = this.turning; turning; turning = this.turning === turning ? undefined : this.turning) await turning;
  }

  /** Waits until nothing waits and nothing is under way. */
  async idle(): Promise<void> {
    await this.queued();
    while (this.underWay.size > 0) {
      await Promise.all([...this.underWay.values()].map(({ ended }) => ended));
      await this.queued();
    }
  }

  async stop(): Promise<void> {
    this.ended = true;
    clearInterval(this.clock);
    for (const { abort } of this.underWay.values()) abort.abort();
    await this.idle();
    await this.comparer.end();
  }

  private async work(): Promise<void> {
    for (const hire of this.hires) {
      this.hires.delete(hire);
      await queueComparisons(this.store().db, hire, this.now().toISOString());
    }
    while (!this.ended && this.underWay.size < this.atOnce) {
      const row = await takeComparison(this.store().db, this.now().toISOString());
      if (!row) return;
      const abort = new AbortController();
      const ended = this.compare(row, abort).finally(() => {
        this.underWay.delete(nameOf(row));
        // Whoever ends makes room for the next.
        this.tick();
      });
      this.underWay.set(nameOf(row), { abort, ended });
    }
  }

  private async compare(row: ComparisonRow, abort: AbortController): Promise<void> {
    const store = this.store();
    const beat = setInterval(() => {
      keepComparison(store.db, row, this.now().toISOString()).catch((error: unknown) =>
        console.error('quay: a comparison under way could not be kept', error),
      );
    }, LEASE_MS / 4);
    try {
      const seen = await this.comparer.compare(
        { out: fileOf(store, row.out), back: fileOf(store, row.back), pictures: true },
        abort.signal,
      );
      if (!seen.comparable) return await endComparison(store.db, row, { state: 'refused', reason: seen.reason });
      for (const picture of ['aligned', 'back', 'heat'] as const) {
        const file = comparedFile(store, row, picture);
        await mkdir(join(store.photos, 'compared'), { recursive: true });
        await writeFile(`${file}.part`, seen.pictures![picture]);
        await rename(`${file}.part`, file);
      }
      await endComparison(store.db, row, { state: 'done', boxes: seen.shares ?? [] });
    } catch (error) {
      // A quay that stops leaves its work to the next one; what was called off stays called off.
      if (this.ended) await endComparison(store.db, row, { state: 'queued', reason: null });
      else if (!abort.signal.aborted)
        await endComparison(
          store.db,
          row,
          row.attempts >= ATTEMPTS ? { state: 'failed', reason: (error as Error).message } : { state: 'queued', reason: null },
        );
    } finally {
      clearInterval(beat);
    }
  }
}

const nameOf = ({ hire, out, back }: PairKey): string => `${hire}/${out}/${back}`;
