import type { Propeller } from '../fleet/rows';

/** What was seen or felt of a propeller. */
export type PropellerFound = { flawMm: number } | 'sound' | 'notSeen';

/** A flaw up to the boat's limit is written down and the hire goes on; over it a manager decides. */
export const evidenceStateOf = (found: PropellerFound, { limitMm }: Pick<Propeller, 'limitMm'>) =>
  typeof found === 'string' ? found : found.flawMm > limitMm ? ('flawOverLimit' as const) : ('flawWithinLimit' as const);

/** How many pictures are asked for: one of each blade, where it can be seen at all. */
export const bladesToShow = ({ evidence, blades }: Pick<Propeller, 'evidence' | 'blades'>): number =>
  evidence === 'legUp' ? (blades ?? 0) : 0;
