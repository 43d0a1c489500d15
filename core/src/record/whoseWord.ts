import type { Finding } from './findings';
import type { HireRecord } from './project';

/** The thing of the return that a finding rests on. */
const keyOf = (finding: Finding): string | undefined => {
  switch (finding.topic) {
    case 'count':
      return `in/count/${finding.fitting.id}`;
    case 'mark':
      return finding.in ? `in/mark/${finding.in.id}` : finding.surface && `in/surface/${finding.surface.id}`;
    case 'gauge':
      return `in/gauge/${finding.gauge.id}`;
    case 'propeller':
      return `in/propeller/${finding.propeller.id}`;
    case 'check':
      return `in/check/${finding.check.id}`;
    case 'receipt':
      return finding.key;
    default:
      return undefined;
  }
};

/** Whether what a finding rests on was entered by the renter alone, and nobody of the quay has entered it since. */
export const isRentersWord = (record: HireRecord, finding: Finding): boolean => {
  const key = keyOf(finding);
  const standing = key === undefined ? [] : (record.slots.get(key)?.standing ?? []);
  return standing.length > 0 && standing.every(({ actor }) => actor.role === 'renter');
};
