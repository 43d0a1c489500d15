import { marksOf } from './placed';
import { currentUnder, type HireRecord } from '../events/record';
import { boxDismissed } from '../photo/events';

/** Where the machine saw a difference, as shares of the return's photograph, right and down. */
export type PictureBox = { x: number; y: number; width: number; height: number };

/** By which a box that was put aside is known again. */
export const boxName = ({ x, y }: Pick<PictureBox, 'x' | 'y'>): string => `${x.toFixed(3)},${y.toFixed(3)}`;

/** A mark taken from a box is put on the drawing by a thumb: so far beside the box it is still of it. */
const BESIDE = 0.03;

/**
 * What a person made of each box of a photograph of the return: a flaw where it was put down as a mark, nothing where it was put
 * aside; undefined where nobody has judged it. @param back name of the photograph
 */
export const judgementOf = (record: HireRecord, surface: string, back: string): ((box: PictureBox) => 'flaw' | 'nothing' | undefined) => {
  const aside = new Set(currentUnder(record, ['box', back], boxDismissed).map(({ value }) => boxName(value)));
  const marks = marksOf(record, 'in').filter((mark) => mark.surface === surface);
  const within = (at: number, from: number, length: number) => at >= from - BESIDE && at <= from + length + BESIDE;
  return (box) => {
    if (marks.some(({ x, y }) => within(x, box.x, box.width) && within(y, box.y, box.height))) return 'flaw';
    return aside.has(boxName(box)) ? 'nothing' : undefined;
  };
};

/** Boxes of a photograph of the return that nobody has put aside, nor put down as a mark. @param back name of the photograph */
export const boxesLeft = <B extends PictureBox>(record: HireRecord, surface: string, back: string, boxes: readonly B[]): B[] => {
  const judgement = judgementOf(record, surface, back);
  return boxes.filter((box) => judgement(box) === undefined);
};
