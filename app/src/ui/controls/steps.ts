import { useEffect, useRef } from 'react';

/**
 * For a number that is stepped faster than it is kept and shown: each press goes on from the press before, so that four
 * presses are four steps on the slowest phone.
 * @param shown what is kept and shown now @returns what the number shall be after one more step, within its ends
 */
export const useSteps = (shown: number): ((by: number, least: number, most: number) => number) => {
  const asked = useRef<number | undefined>(undefined);
  useEffect(() => {
    if (asked.current === shown) asked.current = undefined;
  }, [shown]);
  return (by, least, most) => {
    const next = Math.min(most, Math.max(least, (asked.current ?? shown) + by));
    asked.current = next;
    return next;
  };
};
