import type { HireRecord } from './project';

/** What an entry about how she left is filed under. */
const CONDITION = /^out\/(count|gauge|surface|mark|propeller|check)\//;

/** What there is of a return. */
const RETURN = /^(in\/|cameIn$|closed$)/;

/**
 * What is known of how she left: a record brought in without it, or a phone lost on the water, leaves a return with nothing to
 * compare it with. What nobody saw then is called neither new nor missing. As long as nothing of her return is there, nobody asks.
 */
export const departureOf = (record: HireRecord): 'nothing' | 'unsigned' | 'signed' | 'notAsked' => {
  if (![...record.slots.keys()].some((key) => RETURN.test(key))) return 'notAsked';
  if (record.slots.has('out/sealed') || record.slots.has('out/refused')) return 'signed';
  return [...record.slots.keys()].some((key) => CONDITION.test(key)) ? 'unsigned' : 'nothing';
};
