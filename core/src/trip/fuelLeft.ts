import type { Book } from '../fleet/book';
import { feedsEngine, fillsOf, fuelOf, fuelTanks } from '../fuel/readings';
import { currentOf, type HireRecord } from '../events/record';
import { castOff } from './events';
import { enoughFor } from './lasts';

const HOUR_MS = 3_600_000;

/**
 * Litres that may still be used, a third of what was surely aboard kept back; while she is out, as if the engine had run
 * ever since. What the renter says they filled is counted from then on: to the brim, the tank is full again.
 * @param goneMs when she left; nothing before @returns nothing where the tank was not read
 */
const mayUseOf = (record: HireRecord, book: Book, tank: Book['tanks'][number], goneMs: number | undefined, nowMs: number, burn: number) => {
  const fused = fuelOf(record, book, tank);
  if (!fused) return undefined;
  const surely = (litres: number) => enoughFor({ ...fused.out, low: litres }, tank.unusableL ?? 0, burn, 0).mayUseL;
  let left = surely(fused.out.low);
  let at = goneMs ?? nowMs;
  const run = (untilMs: number) => {
    left = Math.max(0, left - (burn * Math.max(0, untilMs - at)) / HOUR_MS);
    at = Math.max(at, untilMs);
  };
  const full = surely(tank.capacityL);
  const fills = fillsOf(record, tank.id, 'renter').filter(({ atMs }) => atMs <= nowMs);
  for (const { litres, brim, atMs } of fills.sort((a, b) => a.atMs - b.atMs)) {
    run(atMs);
    left = brim ? full : Math.min(full, left + (litres * 2) / 3);
  }
  run(nowMs);
  return left;
};

/** Hours under power that may still be used. @returns nothing where no tank of the engine was read, or nobody knows what she burns */
export const fuelHoursLeft = (record: HireRecord, book: Book, nowMs: number): number | undefined => {
  const { burnLPerHour } = book.engine;
  if (burnLPerHour === undefined) return undefined;
  const left = currentOf(record, ['castOff'], castOff)?.currentEvents[0]?.event.at;
  const tanks = fuelTanks(book).filter(feedsEngine);
  // Several tanks are drawn from alike, as far as anybody knows.
  const read = tanks.flatMap((tank) => {
    const litres = mayUseOf(record, book, tank, left === undefined ? undefined : Date.parse(left), nowMs, burnLPerHour / tanks.length);
    return litres === undefined ? [] : [litres];
  });
  return read.length === 0 ? undefined : read.reduce((sum, litres) => sum + litres, 0) / burnLPerHour;
};
