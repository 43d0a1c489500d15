import { useEffect, useState } from 'react';

/** The present, renewed every so often while somebody looks. */
export const useNow = (everyMs = 10_000): number => {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), everyMs);
    return () => clearInterval(timer);
  }, [everyMs]);
  return now;
};
