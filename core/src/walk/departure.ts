import { isEntered, type HireRecord } from '../events/record';
import type { Subject } from '../events/define';

/** What an entry about how the boat left can be about. */
const CONDITION: readonly string[] = ['count', 'gauge', 'surface', 'mark', 'propeller', 'check'];

const isOfReturn = ([part = '']: Subject): boolean => ['in', 'cameIn', 'closed'].includes(part);

/**
 * What is known of how she left: a record brought in without it, or a phone lost on the water, leaves a return with nothing to
 * compare it with. What nobody saw then is called neither new nor missing. As long as nothing of her return is there, nobody asks.
 */
export const departureOf = (record: HireRecord): 'nothing' | 'unsigned' | 'signed' | 'notAsked' => {
  const subjects = [...record.subjects.values()].map(({ subject }) => subject);
  if (!subjects.some(isOfReturn)) return 'notAsked';
  if (isEntered(record, ['out', 'sealed']) || isEntered(record, ['out', 'refused'])) return 'signed';
  return subjects.some(([walk, what = '']) => walk === 'out' && CONDITION.includes(what)) ? 'unsigned' : 'nothing';
};
