import type { Finding } from './finding';
import type { StoredEvent } from '../events/stored';
import { currentAt, type HireRecord } from '../events/record';
import type { Subject } from '../events/define';

/** The thing of the return that a finding rests on. */
const subjectUnder = (finding: Finding): Subject | undefined => {
  switch (finding.topic) {
    case 'count':
      return ['in', 'count', finding.fitting.id];
    case 'mark':
      return finding.in ? ['in', 'mark', finding.in.id] : finding.surface && ['in', 'surface', finding.surface.id];
    case 'gauge':
      return ['in', 'gauge', finding.gauge.id];
    case 'propeller':
      return ['in', 'propeller', finding.propeller.id];
    case 'check':
      return ['in', 'check', finding.check.id];
    case 'receipt':
      return ['receipt', finding.receipt];
    default:
      return undefined;
  }
};

const standingOf = (record: HireRecord, finding: Finding): readonly StoredEvent[] => {
  const subject = subjectUnder(finding);
  return subject === undefined ? [] : (currentAt(record, subject)?.currentEvents ?? []);
};

/** Whether what a finding rests on was entered by the quay after the return had been signed. */
export const isUnsigned = (record: HireRecord, finding: Finding): boolean => {
  const current = standingOf(record, finding);
  return record.addedAfterSeal.some(({ event }) => current.some((one) => one.event.id === event.id));
};

/** Whether what a finding rests on was entered by the renter alone, and nobody of the quay has entered it since. */
export const isRentersWord = (record: HireRecord, finding: Finding): boolean => {
  const current = standingOf(record, finding);
  return current.length > 0 && current.every(({ actor }) => actor.role === 'renter');
};
