import { useEffect, useState } from 'react';
import { useDraft } from '../../../local/draft';
import type { NewHireForm } from './newHireForm';

/** What of a hire that was not booked is worth keeping: who comes. When is asked anew, since the time has gone on. */
const KEPT = ['renter', 'contact', 'person', 'language', 'adults', 'children', 'deposit', 'notes'] as const;
type Kept = (typeof KEPT)[number];
type Begun = Partial<Record<Kept, string | number | undefined>>;

/**
 * A hire that somebody began to type and did not book: it outlives a reload and the way back.
 * @param keeps not where somebody came from a day or a boat: they ask for another
 */
export const useHalfTyped = (form: NewHireForm, keeps: boolean) => {
  const draft = useDraft<Begun>(keeps ? 'new-hire' : undefined);
  const [restored, setRestored] = useState(false);
  const { before } = draft;
  useEffect(() => {
    if (!before || String(before.renter ?? '').trim() === '' || form.getValues('renter') !== '') return;
    for (const field of KEPT)
      if (before[field] !== undefined) form.setValue(field, before[field] as never, { shouldDirty: true, shouldTouch: true });
    setRestored(true);
  }, [before, form]);
  useEffect(() => {
    const { unsubscribe } = form.watch((typed) => {
      if (String(typed.renter ?? '').trim() !== '') draft.save(Object.fromEntries(KEPT.map((field) => [field, typed[field]])));
    });
    return unsubscribe;
  });
  return {
    /** What was begun stands in the form again. */
    restored,
    drop: draft.drop,
    anew: () => {
      draft.drop();
      form.reset();
      setRestored(false);
    },
  };
};
