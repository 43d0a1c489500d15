import { bookOf } from '../fleet/book';
import type { Knex } from 'knex';
import type { GaugeErrors } from '@quay/core/fleet/rows';
import { learnErrors, type Sample } from '@quay/core/fuel/learn';
import type { LevelMethod } from '@quay/core/fuel/fuse';
import { gaugeSamples } from '@quay/core/fuel/fills';
import { readingRecord, sparing } from '../../platform/database/broken';
import { wholeRecord } from '../record/record';

export type Learnt = { gauge: string; fills: number; errors: GaugeErrors | null };

/** As far back as one looks: a gauge that was repaired is not judged by what it showed years ago. */
const HIRES = 60;

/** What the metered fills of a boat teach about each of her gauges; nothing yet where they are too few. */
export const learntOf = async (db: Knex, boat: string, now: string): Promise<Learnt[]> => {
  const hires = await db('hire').where({ boat }).whereIn('state', ['settling', 'closed']).orderBy('to', 'desc').limit(HIRES).select('id');
  const byGauge = new Map<string, { method: LevelMethod; samples: Sample[] }>();
  for (const { id } of hires) {
    const samples = await sparing(db, now, async () => {
      const { record } = await wholeRecord(db, id);
      const book = await bookOf(db, boat, record.bookVersion);
      return book ? readingRecord(id, () => gaugeSamples(record, book.book)) : [];
    });
    for (const { gauge, method, sample } of samples ?? []) {
      const known = byGauge.get(gauge);
      if (known) known.samples.push(sample);
      else byGauge.set(gauge, { method, samples: [sample] });
    }
  }
  return [...byGauge].map(([gauge, { method, samples }]) => ({
    gauge,
    fills: samples.length,
    errors: learnErrors(method, samples) ?? null,
  }));
};
