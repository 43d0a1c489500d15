import { useEffect, useRef, useState } from 'react';
import { readNamed, write, writeNamed } from './localDb';

/** How long typing rests before it is kept, ms. */
const REST_MS = 300;
export const draftKey = (name: string): string => `draft:${name}`;

/**
 * What somebody has begun to type and not yet kept: it outlives a reload, a flat battery and the way back, until it is
 * kept or thrown away.
 * @param name what is being filled in, of which hire
 */
export const useDraft = <T>(
  name: string | undefined,
): {
  /** What was begun before; `undefined` until that is known. */ before: T | null | undefined;
  save: (value: T) => void;
  drop: () => void;
} => {
  const [before, setBefore] = useState<T | null | undefined>(name === undefined ? null : undefined);
  const waiting = useRef<{ timer: ReturnType<typeof setTimeout>; value: T }>(undefined);
  const [failed, setFailed] = useState<Error>();
  if (failed) throw failed;
  useEffect(() => {
    if (name === undefined) return;
    readNamed<T>(draftKey(name)).then((found) => setBefore(found ?? null), setFailed);
    return () => {
      const last = waiting.current;
      if (!last) return;
      clearTimeout(last.timer);
      waiting.current = undefined;
      void writeNamed(draftKey(name), last.value);
    };
  }, [name]);
  return {
    before,
    save: (value) => {
      if (name === undefined) return;
      if (waiting.current) clearTimeout(waiting.current.timer);
      const timer = setTimeout(() => {
        waiting.current = undefined;
        void writeNamed(draftKey(name), value);
      }, REST_MS);
      waiting.current = { timer, value };
    },
    drop: () => {
      if (name === undefined) return;
      if (waiting.current) clearTimeout(waiting.current.timer);
      waiting.current = undefined;
      void write(['named'], (tx) => tx.objectStore('named').delete(draftKey(name)));
    },
  };
};
