import { judgementOf, type PictureBox } from './boxes';
import type { HireRecord } from '../events/record';

/**
 * From which likelihood on a difference is boxed without being asked for. A machine that was grown on other boats is too eager
 * on one surface and too shy on another; what people made of its boxes there says by how much.
 */

/** As likely as this is shown where nothing has been judged. */
export const USUALLY_SHOWN_FROM = 0.23;
/** What a person made of a box: how likely the machine held it for a flaw, and whether it was one. */
export type JudgedBox = { strength: number; flaw: boolean };

/** How far off the machine is thought to be before anything is judged, standard deviation, as a logarithm of the odds. */
const PRIOR = 0.5;
/** However much is judged, it is not corrected farther than this. */
const MOST = 2;
const ROUNDS = 30;

const oddsOf = (likely: number): number => Math.log(likely / (1 - likely));
const likelyOf = (odds: number): number => 1 / (1 + Math.exp(-odds));
/** What is certain has no odds. */
const inside = (likely: number): number => Math.max(1e-4, Math.min(1 - 1e-4, likely));

/**
 * By how much the machine's odds are off on a surface: the most likely shift, a normal one being expected about none
 * (logistic calibration, Platt 1999, with its slope kept).
 */
const shiftOf = (judged: readonly JudgedBox[]): number => {
  const odds = judged.map(({ strength }) => oddsOf(inside(strength)));
  let shift = 0;
  for (let round = 0; round < ROUNDS; round += 1) {
    let [slope, curve] = [-shift / PRIOR ** 2, -1 / PRIOR ** 2];
    for (const [i, { flaw }] of judged.entries()) {
      const likely = likelyOf(odds[i]! + shift);
      slope += (flaw ? 1 : 0) - likely;
      curve -= likely * (1 - likely);
    }
    shift -= slope / curve;
  }
  return Math.max(-MOST, Math.min(MOST, shift));
};

/** @returns how likely the machine must hold a difference for a flaw to box it on a surface, 0 to 1 */
export const shownFrom = (judged: readonly JudgedBox[]): number =>
  judged.length === 0 ? USUALLY_SHOWN_FROM : likelyOf(oddsOf(USUALLY_SHOWN_FROM) - shiftOf(judged));

/** What people made of the boxes on a photograph of the return; what nobody has judged says nothing. */
export const judgedOf = <B extends PictureBox & { strength: number }>(
  record: HireRecord,
  surface: string,
  back: string,
  boxes: readonly B[],
): (JudgedBox & { box: B })[] => {
  const judgement = judgementOf(record, surface, back);
  return boxes.flatMap((box) => {
    const made = judgement(box);
    return made === undefined ? [] : [{ box, strength: box.strength, flaw: made === 'flaw' }];
  });
};
