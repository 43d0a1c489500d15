import { briefingOf, languageOf } from '@quay/core/briefing/ofHire';
import { isEntered } from '@quay/core/events/record';
import type { Briefing } from '@quay/core/briefing/compose';
import { type Walk } from '@quay/core/events/parts';
import { type EventBody, type StoredHireEvent } from '@quay/core/record/event';
import { type StopState, walkState } from '@quay/core/walk/walk';
import { startTransition, useCallback, useMemo, useState } from 'react';
import { caseOf } from './handover';
import { type HireView, useHire } from './hire';
import { isFull } from './localDb';
import type { Entry } from './outbox/save';
import { useSnack } from '../ui/controls/snack';
import { useTranslation } from 'react-i18next';

/** Adds entries and says what was kept, with the way to undo it. */
export type Enter = (entries: readonly (EventBody | Entry)[], said?: string) => Promise<StoredHireEvent[]>;

export type WalkView = HireView & {
  walk: Walk;
  /** The renter makes this walk, without staff. */
  alone: boolean;
  stops: StopState[];
  /** What is told to this party, in this time. */
  briefing: Briefing;
  at: number;
  jump: (index: number) => void;
  enter: Enter;
  begun: boolean;
  sealed: boolean;
  language: string;
  /** The language the renter is spoken to in. */
  theirs: string;
};

/** Where somebody left off: the first stop that is not completed. */
const firstLoose = (stops: readonly StopState[]) =>
  Math.max(
    0,
    stops.findIndex(({ completed }) => !completed),
  );

/** The stop that an address names, where there is one of that name. */
const named = (stops: readonly StopState[], station: string | undefined) => {
  const found = stops.findIndex((stop) => stop.station.id === station);
  return found < 0 ? undefined : found;
};

/** Everything a walk's screen needs; it computes nothing by itself. @param stopAt the stop to begin at, by its id */
export const useWalk = (
  hireId: string,
  walk: Walk,
  alone = false,
  stopAt?: string,
): { ready: WalkView | undefined; error: Error | null; refetch: () => void } => {
  const { view, error, refetch } = useHire(hireId);
  const { t, i18n } = useTranslation();
  const snack = useSnack();
  const [chosen, setChosen] = useState<number>();
  // The next stop is drawn in pieces, too.
  const jump = useCallback((index: number) => startTransition(() => setChosen(index)), []);
  const briefing = useMemo(() => view && briefingOf(view.record, caseOf(view)), [view]);
  const stops = useMemo(() => view && walkState(view.record, view.pack.book, walk, briefing, alone), [view, walk, briefing, alone]);
  const begun = view !== undefined && isEntered(view.record, [walk, 'started']);
  const enter = useCallback<Enter>(
    async (entries, said) => {
      if (!view) return [];
      try {
        // The first entry begins the walk, and pins the book's version with it.
        const added = await view.add(begun ? entries : [{ kind: 'walkStarted', walk }, ...entries]);
        const own = added.slice(-entries.length);
        if (said !== undefined) snack({ text: said, undo: () => void view.undo(own) });
        return own;
      } catch (problem) {
        if (!isFull(problem)) throw problem;
        snack({ text: `${t('pending.full')}. ${t('pending.fullWhy')}` });
        return [];
      }
    },
    [view, begun, walk, snack, t],
  );
  const ready = useMemo(
    () =>
      view && stops && briefing
        ? {
            ...view,
            walk,
            alone,
            stops,
            briefing,
            at: Math.min(chosen ?? named(stops, stopAt) ?? firstLoose(stops), stops.length - 1),
            jump,
            enter,
            begun,
            sealed: isEntered(view.record, [walk, 'sealed']),
            language: i18n.language,
            theirs: languageOf(view.record, view.pack.hire),
          }
        : undefined,
    [view, stops, briefing, walk, alone, chosen, jump, stopAt, enter, begun, i18n.language],
  );
  return { ready, error, refetch };
};
