import { type Briefing } from '@quay/core/briefing/compose';
import { briefingOf, type Case, type Fit, fitOf } from '@quay/core/record/handing';
import { dateOf } from '@quay/core/time/zone';
import { useMemo } from 'react';
import type { HireView } from './hire';

/** Everything fit and briefing are read off. */
export const caseOf = ({ pack, sheets }: HireView): Case => ({ ...pack, sheets });

/** Fit of the party, as the record stands; nothing while nobody has entered it. */
export const useFit = (view: HireView): Fit | undefined => {
  const { record, pack, sheets } = view;
  return useMemo(() => fitOf(record, { ...pack, sheets }, dateOf(pack.hire.from, pack.base.zone)), [record, pack, sheets]);
};

/** The briefing composed for this party, boat and time. */
export const useBriefing = (view: HireView): Briefing => {
  const { record, pack, sheets } = view;
  return useMemo(() => briefingOf(record, { ...pack, sheets }), [record, pack, sheets]);
};
