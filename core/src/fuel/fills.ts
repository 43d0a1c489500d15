import { fillsOf, fuelTanks, gaugesOf } from './readings';
import { currentOf, type HireRecord } from '../events/record';
import { gaugeRead } from './events';
import type { Book } from '../fleet/book';
import type { LevelMethod } from './fuse';
import type { Sample } from './learn';
import { litresShown } from './level';

/** What a gauge showed at a return, against what a fill metered to the brim then proved. */
export type GaugeSample = { gauge: string; method: LevelMethod; sample: Sample };

/**
 * Samples of one hire: read at return, then filled by the operator to the brim by the pump's meter, so that what had been
 * in the tank is its capacity less what went in. A tank filled in several goes, or never to the brim, proves nothing.
 */
export const gaugeSamples = (record: HireRecord, book: Book): GaugeSample[] =>
  fuelTanks(book).flatMap((tank): GaugeSample[] => {
    const [fill, ...more] = fillsOf(record, tank.id, 'operator');
    if (!fill?.brim || more.length > 0 || fill.litres > tank.capacityL) return [];
    const truth = 1 - fill.litres / tank.capacityL;
    return gaugesOf(book, tank).flatMap(({ gauge, method }): GaugeSample[] => {
      const read = currentOf(record, ['in', 'gauge', gauge.id], gaugeRead)?.value;
      // Askew a needle means less, and says nothing of what it is at rest.
      return read && !read.askew
        ? [{ gauge: gauge.id, method, sample: { shown: litresShown(gauge, tank, read.shown) / tank.capacityL, truth } }]
        : [];
    });
  });
