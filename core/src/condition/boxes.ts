import { marksOf } from './placed';
import { currentUnder, type HireRecord } from '../events/record';
import { boxDismissed } from '../photo/events';

/** Where the machine saw a difference, as shares of the return's photograph, right and down. */
export type PictureBox = { x: number; y: number; width: number; height: number };

/** By which a box that was put aside is known again. */
export const boxName = ({ x, y }: Pick<PictureBox, 'x' | 'y'>): string => `${x.toFixed(3)},${y.toFixed(3)}`;

/** A mark taken from a box is put on the drawing by a thumb: so far beside the box it is still of it. */
const BESIDE = 0.03;

/** Whether one of some marks of its surface was taken from a box. */
export const isMarked = (box: PictureBox, marks: readonly { x: number; y: number }[]): boolean => {
  const within = (at: number, from: number, length: number) => at >= from - BESIDE && at <= from + length + BESIDE;
  return marks.some(({ x, y }) => within(x, box.x, box.width) && within(y, box.y, box.height));
};

/** Boxes of a photograph of the return that nobody has put aside, nor put down as a mark. @param back name of the photograph */
export const boxesLeft = <B extends PictureBox>(record: HireRecord, surface: string, back: string, boxes: readonly B[]): B[] => {
  const aside = new Set(currentUnder(record, ['box', back], boxDismissed).map(({ value }) => boxName(value)));
  const marks = marksOf(record, 'in').filter((mark) => mark.surface === surface);
  return boxes.filter((box) => !aside.has(boxName(box)) && !isMarked(box, marks));
};
