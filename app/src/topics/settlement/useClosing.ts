import { deliver } from '../../local/outbox/deliver';
import { fetchEvents } from '../../local/outbox/fetch';
import { closeHire } from '@quay/contract/hire';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { call, NoAnswer, Refused } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import { eventsHere } from '../../local/localDb';

/** So long a closing can be taken back before the quay and its terminal have it, s. */
export const CLOSES_IN_S = 5;

/**
 * Closes a hire, some seconds after it was asked for: it is the one moment in which everything can still be taken back.
 * @param totalMinor what the statement came to when it was asked for; another sum calls the closing off
 * @returns `closing`: seconds until it is closed, nothing while nobody has asked; `closedNow`: how often it was closed
 *   or put right on this page, so that money is moved after each
 */
export const useClosing = (hireId: string, totalMinor: number) => {
  const { t } = useTranslation();
  const errorWords = useErrorWords();
  const client = useQueryClient();
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<string>();
  const [closedNow, setClosedNow] = useState(0);
  const [closing, setClosing] = useState<number>();
  const settleAgain = () => setClosedNow((n) => n + 1);
  const close = async () => {
    setBusy(true);
    setFault(undefined);
    try {
      await deliver();
      await fetchEvents(hireId);
      // What was pressed a moment ago may not be on the screen yet: all that is here now is what is closed over.
      const now = await eventsHere(hireId);
      await call(closeHire, { params: { hireId }, body: { totalMinor, events: now.length } });
      await fetchEvents(hireId);
      await client.invalidateQueries();
      settleAgain();
    } catch (error) {
      if (error instanceof NoAnswer) setFault(t('statement.offline'));
      else if (error instanceof Refused) setFault(error.problem.code === 'changedMeanwhile' ? t('statement.changed') : errorWords(error));
      else throw error;
    } finally {
      setBusy(false);
    }
  };
  const closeNow = useRef(close);
  useEffect(() => {
    closeNow.current = close;
  });
  useEffect(() => {
    if (closing === undefined) return;
    const timer = setTimeout(() => {
      setClosing(closing > 1 ? closing - 1 : undefined);
      if (closing === 1) void closeNow.current();
    }, 1000);
    return () => clearTimeout(timer);
  }, [closing]);
  // What is closed is what stood there when it was asked for.
  useEffect(() => setClosing(undefined), [totalMinor]);
  return { busy, fault, closing, closedNow, setClosing, settleAgain };
};
