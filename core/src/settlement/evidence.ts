import type { Finding } from '../findings/finding';
import { extraNoted } from '../findings/events';
import { asFound, evidenceGiven, markPlaced, surfaceSeen } from '../condition/events';
import { type HireRecord, currentOf } from '../events/record';
import type { Subject } from '../events/define';

/** A photograph that was taken on a walk, and when. */
export type Seen = { sha: string; at: string };

/** What a line of damage rests on: how it looked going out beside how it looked coming back. */
export type Evidence = { out: Seen | undefined; in: Seen | undefined };

/** The newest picture of the first of these that has one. */
const newest = (record: HireRecord, subjects: readonly Subject[]): Seen | undefined => {
  for (const subject of subjects) {
    const found = currentOf(record, subject, markPlaced, surfaceSeen, evidenceGiven, asFound);
    if (!found) continue;
    const { value, by } = found;
    const photos = value.kind === 'markPlaced' ? value.mark.photos : value.photos;
    const sha = photos.at(-1);
    if (sha !== undefined) return { sha, at: by.event.at };
  }
  return undefined;
};

/**
 * Pictures of both walks for what is damaged, of the thing itself before those of the side that it is on.
 * @returns undefined for what is not seen on a picture: fuel, lateness, what somebody paid
 */
export const evidenceOf = (record: HireRecord, finding: Finding): Evidence | undefined => {
  switch (finding.topic) {
    case 'mark': {
      const surface = finding.surface?.id ?? finding.in?.surface ?? finding.out?.surface;
      const looked = surface === undefined ? [] : [surface];
      const subjects = (walk: 'out' | 'in'): Subject[] => [
        ...(finding[walk] ? [[walk, 'mark', finding[walk].id]] : []),
        ...looked.map((id) => [walk, 'surface', id]),
      ];
      return { out: newest(record, subjects('out')), in: newest(record, subjects('in')) };
    }
    case 'propeller':
      return {
        out: newest(record, [['out', 'propeller', finding.propeller.id]]),
        in: newest(record, [['in', 'propeller', finding.propeller.id]]),
      };
    case 'check':
      return { out: newest(record, [['out', 'check', finding.check.id]]), in: newest(record, [['in', 'check', finding.check.id]]) };
    case 'extra': {
      const sha = finding.photos.at(-1);
      const noted = currentOf(record, ['extra', finding.extra], extraNoted);
      return sha === undefined || !noted ? undefined : { out: undefined, in: { sha, at: noted.by.event.at } };
    }
    default:
      return undefined;
  }
};
