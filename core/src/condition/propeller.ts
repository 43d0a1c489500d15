import type { Propeller } from '../fleet/rows';

/** What was seen or felt of a propeller. */
export type PropellerFound = { flawMm: number } | 'sound' | 'notSeen';

/** A flaw up to the boat's limit is written down and the hire goes on; over it a manager decides. */
export const evidenceStateOf = (found: PropellerFound, { limitMm }: Pick<Propeller, 'limitMm'>) =>
  typeof found === 'string' ? found : found.flawMm > limitMm ? ('flawOverLimit' as const) : ('flawWithinLimit' as const);

/** A propeller that lost this share of its revs at full throttle slips, or drags something: it is looked at. */
const SLOWER = 0.07;

/** Whether revs at full throttle fell so far that somebody should look, out to in; unknown where either was not read. */
export const revsFell = (outRpm: number | undefined, inRpm: number | undefined): boolean | undefined =>
  outRpm === undefined || inRpm === undefined ? undefined : inRpm < outRpm * (1 - SLOWER);

/** How many pictures are asked for: one of each blade, where it can be seen at all. */
export const bladesToShow = ({ evidence, blades }: Pick<Propeller, 'evidence' | 'blades'>): number =>
  evidence === 'legUp' ? (blades ?? 0) : 0;
