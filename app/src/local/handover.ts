import { briefingOf } from '@quay/core/briefing/ofHire';
import { type Case, dayOfUse, type Fit, fitOf } from '@quay/core/party/ofHire';
import { type Briefing } from '@quay/core/briefing/compose';
import { useMemo } from 'react';
import { now } from '../platform/clock';
import type { HireView } from './hire';

/** Everything fit and briefing are read off. */
export const caseOf = ({ pack, sheets }: HireView): Case => ({ ...pack, sheets });

/** Fit of the party, as the record stands; nothing while nobody has entered it. */
export const useFit = (view: HireView): Fit | undefined => {
  const { record, pack, sheets } = view;
  const day = dayOfUse(pack, new Date(now()).toISOString());
  return useMemo(() => fitOf(record, { ...pack, sheets }, day), [record, pack, sheets, day]);
};

/** The briefing composed for this party, boat and time. */
export const useBriefing = (view: HireView): Briefing => {
  const { record, pack, sheets } = view;
  return useMemo(() => briefingOf(record, { ...pack, sheets }), [record, pack, sheets]);
};
