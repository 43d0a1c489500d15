import { marksOf } from '../condition/placed';
import { isEntered, currentOf, type HireRecord } from '../events/record';
import { gaugeRead } from '../fuel/events';
import { surfaceSeen } from '../condition/events';
import { compareMarks, type Mark } from '../condition/marks';
import type { Book } from '../fleet/book';

/** What a boat's last record leaves to the next hire: nobody enters twice what is known. */
export type Before = {
  /** Not named to a renter. */
  hire: string | null;
  /** Marks that were on her, with their names, so that they are recognised. */
  marks: Mark[];
  /** What her counters and totalisers showed last, by gauge. */
  shown: Record<string, number>;
  /** The last picture of each surface. */
  pictures: Record<string, string>;
};

/** How far the record of a hire has come that something can be carried from: walked in, or at least walked out. */
const lastWalk = (record: HireRecord) => (isEntered(record, ['in', 'sealed']) ? 'in' : 'out');

/**
 * @param hire the earlier hire, whose record this is
 * @returns marks of its return, and those of its departure that nobody saw again: what was there once and was never said to
 * be repaired is not charged to whoever comes next
 */
export const beforeOf = (hire: string, record: HireRecord, book: Book): Before => {
  const walk = lastWalk(record);
  const sizes = new Map(book.surfaces.map((surface) => [surface.id, surface]));
  const returned = marksOf(record, 'in');
  const unseen = compareMarks(marksOf(record, 'out'), returned, sizes).flatMap((finding) =>
    finding.is === 'notSeen' ? [finding.out] : [],
  );
  const shown: Record<string, number> = {};
  for (const { id, reads } of book.gauges) {
    const read = reads === 'counter' || reads === 'totaliser' ? currentOf(record, [walk, 'gauge', id], gaugeRead) : undefined;
    if (read) shown[id] = read.value.shown;
  }
  const pictures: Record<string, string> = {};
  for (const { id } of book.surfaces) {
    const sha = (['in', 'out'] as const)
      .map((one) => currentOf(record, [one, 'surface', id], surfaceSeen)?.value.photos.at(-1))
      .find(Boolean);
    if (sha !== undefined) pictures[id] = sha;
  }
  return { hire, marks: walk === 'in' ? [...returned, ...unseen] : marksOf(record, 'out'), shown, pictures };
};

/** Marks of a surface that came with the boat and stand on this walk only as what was there before. */
export const carried = (record: HireRecord, before: Before | undefined, surface: string): Mark[] => {
  const here = new Set(marksOf(record, 'out').map(({ id }) => id));
  return (before?.marks ?? []).filter((mark) => mark.surface === surface && !here.has(mark.id));
};
