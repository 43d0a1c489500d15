import type { LonLat } from '@quay/core/geometry/plane';
import type { Stay } from '@quay/core/trip/reach/turnRound';
import { useEffect, useRef, useState } from 'react';
import { type ReachWorker, startReachWorker } from '../../../platform/threads/reachWorker';
import type { Day, Reach } from '../../../workers/reachProtocol';

/**
 * @returns the reach of a day and what a wish comes to, each once it is reckoned; a wish without a way is `noWay`. While one
 * day is reckoned only the latest of those that follow waits: on a slow phone answers would else come for ever later.
 */
export const useReach = (
  day: Day | undefined,
  wish: LonLat | undefined,
): { reach: Reach | undefined; stay: Stay | 'noWay' | undefined } => {
  const worker = useRef<ReachWorker | undefined>(undefined);
  const latest = useRef<Day | undefined>(undefined);
  const busy = useRef(false);
  const [reach, setReach] = useState<Reach>();
  const [stay, setStay] = useState<Stay | 'noWay'>();
  const [failed, setFailed] = useState<Error>();
  useEffect(
    () => () => {
      worker.current?.end();
      worker.current = undefined;
      busy.current = false;
    },
    [],
  );
  useEffect(() => {
    latest.current = day;
    if (!day || busy.current) return;
    const asked = (worker.current ??= startReachWorker());
    busy.current = true;
    const reckonLatest = async () => {
      for (let next: Day | undefined = day; next; next = latest.current === next ? undefined : latest.current) {
        const found = await asked.reckon(next);
        // Gone from the page meanwhile.
        if (worker.current !== asked) return;
        setReach(found);
      }
      busy.current = false;
    };
    reckonLatest().catch((error: Error) => {
      busy.current = false;
      if (worker.current === asked) setFailed(error);
    });
  }, [day]);
  useEffect(() => {
    setStay(undefined);
    if (!wish || reach?.is !== 'known') return;
    let over = false;
    worker.current
      ?.wish(wish)
      .then((found) => !over && setStay(found ?? 'noWay'))
      .catch((error: Error) => !over && setFailed(error));
    return () => {
      over = true;
    };
  }, [wish, reach]);
  if (failed) throw failed;
  return { reach, stay };
};
