import { useEffect, useState } from 'react';
import { now as present, onClockSet } from '../platform/clock';

/** The present, renewed every so often while somebody looks. */
export const useNow = (everyMs = 10_000): number => {
  const [now, setNow] = useState(() => present());
  useEffect(() => {
    const renew = () => setNow(present());
    const timer = setInterval(renew, everyMs);
    const off = onClockSet(renew);
    return () => {
      clearInterval(timer);
      off();
    };
  }, [everyMs]);
  return now;
};
