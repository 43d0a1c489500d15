import { useEffect } from 'react';
import { onWayThrough } from '../platform/browser';
import { deliver } from './outbox/deliver';
import { watchRestored } from './outbox/restored';

watchRestored();

/** How often the outbox tries again by itself. */
const TRY_AGAIN_MS = 15_000;

/** Keeps the outbox going: at once, every so often, and whenever there may be a way through again. */
export const useDelivery = (someoneIsHere: boolean): void => {
  useEffect(() => {
    if (!someoneIsHere) return;
    void deliver();
    const timer = setInterval(() => void deliver(), TRY_AGAIN_MS);
    const stop = onWayThrough(() => void deliver());
    return () => {
      clearInterval(timer);
      stop();
    };
  }, [someoneIsHere]);
};
