import type { CastOffMatter } from '@quay/core/castOff/matter';
import { type CastOffCheck, castOffCheck } from '@quay/core/castOff/check';
import { stateOf } from '@quay/core/day/board';
import { unattended } from '@quay/core/policy/policy';
import { useMemo } from 'react';
import { caseOf } from '../../local/handover';
import type { HireView } from '../../local/hire';
import { useNow } from '../../ui/clock';
import { useGiven } from '../trip/useConditions';

/** Whether she has not left yet. */
export const isWaiting = ({ record }: Pick<HireView, 'record'>): boolean => {
  const state = stateOf(record);
  return state === 'booked' || state === 'walkingOut' || state === 'readyToGo';
};

const NOTHING: CastOffCheck = { matters: [], notChecked: [], mayGo: true };

/** What stands between this party and the water as this phone knows it; nothing any more once she is out. */
export const useCastOff = (view: HireView): CastOffCheck => {
  const now = useNow(60_000);
  const { given, from } = useGiven(view.pack.base.id);
  return useMemo(() => {
    if (!isWaiting(view)) return NOTHING;
    const ms = given.windMs;
    const wind = ms !== undefined && (from.is === 'mast' || from.is === 'mastOld' || from.is === 'hand') ? { ms, by: from.is } : undefined;
    return castOffCheck(
      view.record,
      { ...caseOf(view), hire: view.pack.hire, defects: view.pack.before?.defects ?? [], away: view.away },
      { now: new Date(now).toISOString(), wind, alone: unattended(view.pack.hire.handover, 'out') },
    );
  }, [view, now, given, from]);
};

/** What keeps her from leaving, a manager's word set aside. */
export const blocking = ({ matters }: CastOffCheck): CastOffMatter[] =>
  matters.filter(({ level, override }) => level !== 'note' && !override);

/** What the record itself holds her for, whatever is still to be done on the walk. */
const BY_RECORD: readonly CastOffMatter['found']['is'][] = [
  'away',
  'signAgain',
  'safetyFitting',
  'propeller',
  'said',
  'defect',
  'tooMany',
  'noJacket',
  'crew',
  'drill',
  'conflict',
];
export const heldByRecord = (check: CastOffCheck): CastOffMatter[] => blocking(check).filter(({ found }) => BY_RECORD.includes(found.is));
