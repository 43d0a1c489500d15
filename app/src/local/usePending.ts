import { startTransition, useEffect, useState } from 'react';
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
