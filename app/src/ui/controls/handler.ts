import { useCallback, useLayoutEffect, useRef } from 'react';

/**
 * A handler that stays the same function and does what was drawn last. Controls take over a new handler only some time
 * after it has been drawn; until then a quick thumb would do again what stood there before, at another stop perhaps.
 */
export const useHandler = <A extends unknown[]>(handler: ((...args: A) => void) | undefined): ((...args: A) => void) => {
  const latest = useRef(handler);
  useLayoutEffect(() => {
    latest.current = handler;
  });
  return useCallback((...args: A) => latest.current?.(...args), []);
};
