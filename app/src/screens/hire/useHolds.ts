import { stateOf } from '@quay/core/day/board';
import { unproven } from '@quay/core/record/drills';
import { dayOfUse } from '@quay/core/record/handing';
import { type Hold, holdsOf } from '@quay/core/record/walk';
import { caseOf, useFit } from '../../data/handing';
import type { HireView } from '../../data/hire';
import { useNow } from '../../ui/clock';

/** What holds her while she has not left; nothing any more once she is out. */
export const useHolds = (view: HireView): Hold[] => {
  const { record, pack } = view;
  const fit = useFit(view);
  const now = useNow(60_000);
  const state = stateOf((key) => record.slots.has(key));
  const waiting = state === 'booked' || state === 'walkingOut' || state === 'readyToGo';
  if (!waiting) return [];
  return holdsOf(record, pack.book, dayOfUse(pack, new Date(now).toISOString()), fit, unproven(record, caseOf(view)));
};
