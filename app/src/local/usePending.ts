import type { StoredHireEvent } from '@quay/core/record/event';
import { startTransition, useCallback, useEffect, useRef, useState } from 'react';
import { type LocalStore, onLocalChange } from './localDb';

/** A live view of what the phone holds: read again whenever one of the stores has changed, in any tab. */
export const usePending = <T>(stores: readonly LocalStore[], read: () => Promise<T>, deps: readonly unknown[]): T | undefined => {
  const [value, setValue] = useState<T>();
  const [failed, setFailed] = useState<Error>();
  useEffect(() => {
    let gone = false;
    let reading = false;
    let again = false;
    const look = async () => {
      if (reading) {
        again = true;
        return;
      }
      reading = true;
      do {
        again = false;
        const next = await read();
        // Drawn in pieces: a view of many rows keeps no finger waiting while it takes in what was entered.
        if (!gone) startTransition(() => setValue(() => next));
      } while (again && !gone);
      reading = false;
    };
    const run = () => {
      look().catch((error: Error) => setFailed(error));
    };
    run();
    const stop = onLocalChange((changed) => {
      if (changed.some((one) => stores.includes(one))) run();
    });
    return () => {
      gone = true;
      stop();
    };
    // The caller names what the reading depends on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, deps);
  // A store that cannot be read is for the view's error boundary.
  if (failed) throw failed;
  return value;
};

/**
 * What was entered here and is not drawn yet. A thumb is faster than a page: whoever decides by what is drawn, as when
 * a stop is said to be finished, waits for what was pressed before.
 * @param drawnIds of the entries that are drawn
 * @returns `entering` is told of each entry as it is made; `allDrawn` resolves once none is left to be drawn
 */
export const useUndrawn = (drawnIds: ReadonlySet<string>) => {
  const drawn = useRef(drawnIds);
  const undrawn = useRef(new Set<{ ids?: readonly string[] }>());
  const waiting = useRef<(() => void)[]>([]);
  const look = useCallback(() => {
    for (const one of undrawn.current) if (one.ids?.every((id) => drawn.current.has(id))) undrawn.current.delete(one);
    if (undrawn.current.size > 0) return;
    for (const resolve of waiting.current.splice(0)) resolve();
  }, []);
  useEffect(() => {
    drawn.current = drawnIds;
    look();
  }, [drawnIds, look]);
  const entering = useCallback(
    (made: Promise<readonly StoredHireEvent[]>) => {
      const one: { ids?: readonly string[] } = {};
      undrawn.current.add(one);
      made
        .then(
          (rows) => {
            one.ids = rows.map(({ event }) => event.id);
          },
          // Whoever entered it is told; what was not kept will never be drawn.
          () => undrawn.current.delete(one),
        )
        .finally(look);
    },
    [look],
  );
  const allDrawn = useCallback(
    () => (undrawn.current.size === 0 ? Promise.resolve() : new Promise<void>((resolve) => waiting.current.push(resolve))),
    [],
  );
  return { entering, allDrawn };
};
