import type { Walk } from '../events/parts';
import { type HireRecord, currentUnder } from '../events/record';
import { markPlaced } from './events';
import type { Mark } from './marks';

/** Marks of a walk as they stand. A walk in starts without any: what is not seen again is not assumed. */
export const marksOf = (record: HireRecord, walk: Walk): Mark[] =>
  currentUnder(record, [walk, 'mark'], markPlaced).map(({ value }) => value.mark);
