import type { Finding } from '@quay/core/findings/finding';
import type { DECISIONS } from '@quay/core/findings/events';

export type Decision = (typeof DECISIONS)[number];
/** One key a decision, shown on its press where there is a keyboard. */
export const KEYS: Record<string, Decision> = {
  b: 'known',
  w: 'wear',
  m: 'askManager',
  n: 'notDamage',
  r: 'renters',
  p: 'credit',
  o: 'notOurs',
};
export const keyOf = (decision: Decision) =>
  Object.entries(KEYS)
    .find(([, value]) => value === decision)?.[0]
    ?.toUpperCase();

/** Which decisions make sense of a finding; the machine points, a person decides. */
export const choices = (finding: Finding): Decision[] => {
  if (finding.topic === 'mark' && (finding.is === 'new' || finding.is === 'grown'))
    return ['known', 'wear', 'askManager', 'notDamage', 'renters'];
  if (finding.topic === 'count' && finding.is !== 'used' && finding.is !== 'extra' && finding.is !== 'moved')
    return finding.is === 'notCounted' ? ['found', 'askManager'] : ['found', 'wear', 'askManager', 'renters'];
  if (finding.topic === 'count' && finding.is === 'used' && finding.chargeable) return ['wear', 'askManager', 'renters'];
  if (finding.topic === 'check') return finding.is === 'notLooked' ? ['found', 'askManager'] : ['wear', 'notOurs', 'askManager', 'renters'];
  if (finding.topic === 'tank' || finding.topic === 'extra') return ['notOurs', 'askManager', 'renters'];
  if (finding.topic === 'receipt' || (finding.topic === 'fuel' && finding.onTheirWord)) return ['notOurs', 'askManager', 'credit'];
  if (finding.topic === 'propeller') return finding.is === 'new' ? ['known', 'askManager', 'renters'] : ['known', 'askManager'];
  return [];
};
