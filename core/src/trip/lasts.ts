import type { Estimate } from '../fuel/fuse';

/** How long what is in a tank lasts at the pace renters keep, h. */
export type Lasts = {
  /** As likely more as less. */
  likelyH: number;
  /** By the lower end of what is in it: what may be counted on. */
  surelyH: number;
  /** A third of that: out so long, then home, and a third left. */
  turnAfterH: number;
};

/**
 * By thirds, counted from the lower end of the interval, less what the pick-up cannot reach.
 * @param burnLPerHour at the pace renters keep @returns nothing where nobody knows what she burns
 */
export const lastsFor = (inIt: Estimate, unusableL: number, burnLPerHour: number | undefined): Lasts | undefined => {
  if (burnLPerHour === undefined) return undefined;
  const hours = (litres: number) => Math.max(0, litres - unusableL) / burnLPerHour;
  const surelyH = hours(inIt.low);
  return { likelyH: hours(inIt.value), surelyH, turnAfterH: surelyH / 3 };
};

/** Whether what is in a tank does for what is planned, L. */
export type ForPlan = { needL: number; mayUseL: number; enough: boolean };

/**
 * A third is kept: of what is surely in it and can be drawn, two thirds may be used, out and home.
 * @param hours under power that are planned
 */
export const enoughFor = (inIt: Estimate, unusableL: number, burnLPerHour: number, hours: number): ForPlan => {
  const needL = burnLPerHour * hours;
  const mayUseL = (Math.max(0, inIt.low - unusableL) * 2) / 3;
  return { needL, mayUseL, enough: mayUseL >= needL };
};
