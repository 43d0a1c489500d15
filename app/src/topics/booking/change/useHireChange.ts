import type { Hire } from '@quay/contract/hire';
import type { Problem } from '@quay/contract/problems';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { NoAnswer, Refused } from '../../../local/api';
import { useErrorWords } from '../../../local/errorWords';
import { packQuery } from '../../../local/hire';
import { useSnack } from '../../../ui/controls/snack';

/** What goes with every change: which hire, which version of it was seen, and what is insisted on: little time between two hires, hours at which nobody is there. */
type Insist = { insist?: true; insistHours?: true };
type Given = { about: { params: { hireId: string }; headers: Record<string, string> }; insist: Insist };

/** How what the quay said no to is insisted on, where somebody may. */
const insistOn = ({ code, figures }: Problem): Insist | undefined =>
  code === 'boatTight'
    ? { insist: true }
    : (code === 'baseClosed' || code === 'afterDark' || code === 'afterCurfew') && figures?.may === 1
      ? { insistHours: true }
      : undefined;

/** Sends what becomes of a booking to the quay, which alone knows what others did meanwhile. */
export const useHireChange = (hire: Pick<Hire, 'id' | 'version'>) => {
  const { t } = useTranslation();
  const errorWords = useErrorWords();
  const client = useQueryClient();
  const snack = useSnack();
  const [fault, setFault] = useState<string>();
  /** What is in the way and may be insisted on, and of which wish that was said. */
  const [tight, setTight] = useState<{ of: string; words: string; insist: Insist }>();
  const [busy, setBusy] = useState(false);
  /** @param of what is wished, so that nobody insists on another @returns whether it was done */
  const send = async (change: (given: Given) => Promise<unknown>, done: string, of = ''): Promise<boolean> => {
    setFault(undefined);
    setBusy(true);
    const insisted = tight?.of === of ? tight.insist : {};
    try {
      await change({
        about: { params: { hireId: hire.id }, headers: { 'if-match': `"${hire.version}"` } },
        insist: insisted,
      });
    } catch (error) {
      if (error instanceof NoAnswer) setFault(t('change.offline'));
      else if (error instanceof Refused && insistOn(error.problem))
        // What was insisted on before stays so: this is the next thing.
        setTight({ of, words: errorWords(error), insist: { ...insisted, ...insistOn(error.problem) } });
      else if (error instanceof Refused) {
        setFault(error.problem.code === 'changedMeanwhile' ? t('change.meanwhile') : errorWords(error));
        await client.invalidateQueries({ queryKey: packQuery(hire.id).queryKey });
      } else throw error;
      return false;
    } finally {
      setBusy(false);
    }
    await Promise.all([
      client.invalidateQueries({ queryKey: packQuery(hire.id).queryKey }),
      ...['bookings', 'calendar', 'day', 'choices', 'swap', 'found'].map((key) => client.invalidateQueries({ queryKey: [key] })),
    ]);
    snack({ text: done });
    return true;
  };
  return { fault, tight, busy, send, clear: () => setFault(undefined) };
};
