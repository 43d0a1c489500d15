import type { HullFigures } from '@quay/core/docking/hull';
import { STEP_S } from '@quay/core/docking/motion';
import type { Conditions } from '@quay/core/docking/place';
import { DETENTS, type Hands, IDLE } from '@quay/core/docking/practice';
import { type TaskName, type WeatherChoice, type World, worldOf } from '@quay/core/docking/tasks';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { type DockingWorker, startDockingWorker } from '../../platform/dockingWorker';
import type { Shown } from '../../workers/dockingProtocol';

export type PracticeView = {
  world: World;
  /** As it stood when it was last worth telling: some times a second, not at every frame. */
  told: Shown | undefined;
  /** Calls back with every frame that is drawn. @returns stops it */
  onFrame: (draw: (shown: Shown) => void) => () => void;
  hands: Hands;
  setLever: (detent: number) => void;
  setHandle: (handle: number) => void;
  setThruster: (thruster: number) => void;
  run: () => void;
  pause: () => void;
  again: () => void;
  /** Looks back, or forward again, by seconds. */
  look: (seconds: number) => void;
  goOnFromHere: () => void;
  wentBack: number;
};

/** How often words and figures follow, ms: more often nobody reads them. */
const TOLD_MS = 200;
/** A frame that takes longer than this is late; so many late ones, and fewer are drawn. */
const LATE_MS = 24;
const LATE_FRAMES = 10;
const MOST_SKIPPED = 3;
/** The middle of the list of detents is neutral. */
export const NEUTRAL = Math.floor(DETENTS.length / 2);

/** A task being practised: the boat moves in a thread of its own, this draws what it tells as often as the phone can. */
export const usePractice = (task: TaskName, hull: HullFigures, weather: WeatherChoice, now: Conditions | undefined): PracticeView => {
  const world = useMemo(() => worldOf(task, hull, weather, now), [task, hull, weather, now]);
  const worker = useRef<DockingWorker>(undefined);
  const newest = useRef<Shown>(undefined);
  const draws = useRef(new Set<(shown: Shown) => void>());
  const [told, setTold] = useState<Shown>();
  const [hands, setHands] = useState<Hands>(IDLE);
  const [wentBack, setWentBack] = useState(0);
  const [fault, setFault] = useState<Error>();
  if (fault) throw fault;

  useEffect(() => {
    let toldAt = 0;
    const thread = startDockingWorker((shown) => {
      newest.current = shown;
      const at = performance.now();
      // An end, a pause and a look back are told at once.
      if (at - toldAt < TOLD_MS && shown.running) return;
      toldAt = at;
      setTold(shown);
    }, setFault);
    worker.current = thread;
    return () => {
      thread.end();
      worker.current = undefined;
    };
  }, []);

  const begin = useCallback(() => {
    setHands(IDLE);
    setWentBack(0);
    worker.current?.order({ is: 'begin', task, hull, weather, now });
  }, [task, hull, weather, now]);
  useEffect(begin, [begin]);

  // Frames: the newest there is, every one or, where they come late, every second or third.
  useEffect(() => {
    let [asked, every, count, late, before] = [0, 1, 0, 0, performance.now()];
    let drawn: Shown | undefined;
    const frame = (at: number) => {
      asked = requestAnimationFrame(frame);
      late = at - before > LATE_MS ? late + 1 : Math.max(0, late - 0.5);
      before = at;
      if (late >= LATE_FRAMES) [every, late] = [Math.min(MOST_SKIPPED, every + 1), 0];
      count += 1;
      const shown = newest.current;
      if (count % every !== 0 || !shown || shown === drawn) return;
      drawn = shown;
      for (const draw of draws.current) draw(shown);
    };
    asked = requestAnimationFrame(frame);
    return () => cancelAnimationFrame(asked);
  }, []);

  const order = useCallback((one: Parameters<DockingWorker['order']>[0]) => worker.current?.order(one), []);
  const handsNow = useRef(hands);
  const hold = useCallback(
    (change: Partial<Hands>) => {
      const next = { ...handsNow.current, ...change };
      handsNow.current = next;
      setHands(next);
      order({ is: 'hands', hands: next });
    },
    [order],
  );
  handsNow.current = hands;
  const run = useCallback(() => {
    order({ is: 'run' });
    // What was set while she waited counts from the first step.
    order({ is: 'hands', hands: handsNow.current });
  }, [order]);
  return {
    world,
    told,
    onFrame: useCallback((draw) => {
      draws.current.add(draw);
      if (newest.current) draw(newest.current);
      return () => draws.current.delete(draw);
    }, []),
    hands,
    setLever: (detent) => hold({ lever: DETENTS[Math.max(0, Math.min(DETENTS.length - 1, detent))]! }),
    setHandle: (handle) => hold({ handle: Math.max(-1, Math.min(1, Math.round(handle * 20) / 20)) }),
    setThruster: (thruster) => hold({ thruster }),
    run,
    pause: () => order({ is: 'pause' }),
    again: begin,
    look: (seconds) => order({ is: 'look', step: Math.round(seconds / STEP_S) }),
    goOnFromHere: () => {
      setWentBack((n) => n + 1);
      // The hands are where they were then.
      if (newest.current) setHands(newest.current.hands);
      order({ is: 'goOnFromHere' });
    },
    wentBack,
  };
};
