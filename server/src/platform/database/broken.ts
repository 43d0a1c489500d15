import type { Knex } from 'knex';

/** What is recorded of one hire cannot be read. Everything else can: it is this hire's matter alone. */
export class BrokenRecord extends Error {
  /** @param event the one that cannot be read, where that is known */
  constructor(
    readonly hire: string,
    why: string,
    readonly event?: string,
    cause?: unknown,
  ) {
    super(`the record of hire ${hire} cannot be read: ${why}`, { cause });
  }
}

/**
 * Computes something from the record of a hire. Whatever goes wrong in there goes wrong for this hire only.
 * @throws BrokenRecord
 */
export const readingRecord = <T>(hire: string, compute: () => T): T => {
  try {
    return compute();
  } catch (error) {
    if (error instanceof BrokenRecord) throw error;
    throw new BrokenRecord(hire, (error as Error).message, undefined, error);
  }
};

/** How a broken hire stands in `hire.broken`, JSON. */
export type Broken = { at: string; why: string; event: string | null };

/** Marks a hire whose record cannot be read, and says so once; it is looked at again when something comes to it. */
export const markBroken = async (db: Knex, error: BrokenRecord, now: string): Promise<void> => {
  const { hire, message, event } = error;
  const was = await db('hire').where({ id: hire }).first('broken');
  if (was?.broken == null) console.error(error);
  const broken: Broken = { at: now, why: message.slice(0, 500), event: event ?? null };
  await db('hire')
    .where({ id: hire })
    .update({
      broken: JSON.stringify(broken),
      seenSeq: db.raw('coalesce((select max(seq) from event where hire = ?), 0)', [hire]),
    });
};

/** Does work that looks at one hire among others; a hire whose record cannot be read is marked and left out. */
export const sparing = async <T>(db: Knex, now: string, work: () => Promise<T>): Promise<T | undefined> => {
  try {
    return await work();
  } catch (error) {
    if (!(error instanceof BrokenRecord)) throw error;
    await markBroken(db, error, now);
    return undefined;
  }
};
