import type { HullFigures } from '@quay/core/docking/hull';
import { STEP_S } from '@quay/core/docking/motion';
import type { Conditions } from '@quay/core/docking/place';
import { DETENTS, type Hands, IDLE } from '@quay/core/docking/practice';
import type { TaskName, WeatherChoice } from '@quay/core/docking/names';
import { type World, worldOf } from '@quay/core/docking/tasks';
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { type DockingWorker, startDockingWorker } from '../../platform/threads/dockingWorker';
import type { Order, Shown } from '../../workers/dockingProtocol';

/** How often words and figures follow, ms: more often nobody reads them. */
const TOLD_MS = 250;
/** A frame that takes longer than this is late; so many late ones, and fewer are drawn. */
const LATE_MS = 24;
const LATE_FRAMES = 10;
const MOST_SKIPPED = 3;
/** The middle of the list of detents is neutral. */
export const NEUTRAL = Math.floor(DETENTS.length / 2);

/**
 * A task being practised. The boat moves in a thread of its own; whoever draws a part of it listens for that part only, so
 * that a frame costs what changed in it.
 */
export class Practice {
  readonly world: World;
  /** As it stood when it was last worth telling. */
  instruction: Shown | undefined;
  hands: Hands = IDLE;
  wentBack = 0;
  private newest: Shown | undefined;
  private instructedAt = 0;
  private worker: DockingWorker | undefined;
  private readonly listeners = new Set<() => void>();
  private readonly draws = new Set<(shown: Shown) => void>();

  constructor(
    readonly task: TaskName,
    readonly hull: HullFigures,
    readonly weather: WeatherChoice,
    readonly now: Conditions | undefined,
  ) {
    this.world = worldOf(task, hull, weather, now);
  }

  /** Starts the thread and the drawing. @returns ends both */
  start(onFault: (fault: Error) => void): () => void {
    this.worker = startDockingWorker((shown) => this.take(shown), onFault);
    this.begin();
    // Frames: the newest there is, every one or, where they come late, every second or third.
    let [asked, every, count, late, before] = [0, 1, 0, 0, performance.now()];
    let drawn: Shown | undefined;
    const frame = (at: number) => {
      asked = requestAnimationFrame(frame);
      late = at - before > LATE_MS ? late + 1 : Math.max(0, late - 0.5);
      before = at;
      if (late >= LATE_FRAMES) [every, late] = [Math.min(MOST_SKIPPED, every + 1), 0];
      count += 1;
      if (count % every !== 0 || !this.newest || this.newest === drawn) return;
      drawn = this.newest;
      for (const draw of this.draws) draw(drawn);
    };
    asked = requestAnimationFrame(frame);
    return () => {
      cancelAnimationFrame(asked);
      this.worker?.end();
      this.worker = undefined;
    };
  }

  private take(shown: Shown): void {
    this.newest = shown;
    const at = performance.now();
    // A beginning, an end, a pause and a look back are told at once.
    if (shown.running && this.instruction?.running && at - this.instructedAt < TOLD_MS) return;
    this.instructedAt = at;
    this.instruction = shown;
    this.tell();
  }

  private tell(): void {
    for (const listener of this.listeners) listener();
  }

  private order(order: Order): void {
    this.worker?.order(order);
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Calls back with every frame that is drawn. @returns stops it */
  readonly onFrame = (draw: (shown: Shown) => void): (() => void) => {
    this.draws.add(draw);
    if (this.newest) draw(this.newest);
    return () => this.draws.delete(draw);
  };

  private hold(change: Partial<Hands>): void {
    this.hands = { ...this.hands, ...change };
    this.order({ is: 'hands', hands: this.hands });
    this.tell();
  }
  get detent(): number {
    return DETENTS.indexOf(this.hands.lever as (typeof DETENTS)[number]);
  }
  setLever(detent: number): void {
    this.hold({ lever: DETENTS[Math.max(0, Math.min(DETENTS.length - 1, detent))]! });
  }
  setHandle(handle: number): void {
    this.hold({ handle: Math.max(-1, Math.min(1, Math.round(handle * 20) / 20)) });
  }
  setThruster(thruster: number): void {
    this.hold({ thruster });
  }

  begin(): void {
    this.hands = IDLE;
    this.wentBack = 0;
    const { task, hull, weather, now } = this;
    this.order({ is: 'begin', task, hull, weather, now });
    this.tell();
  }
  run(): void {
    this.order({ is: 'run' });
    // What was set while she waited counts from the first step.
    this.order({ is: 'hands', hands: this.hands });
  }
  pause(): void {
    this.order({ is: 'pause' });
  }
  /** Looks back, or forward again. @param seconds since it began */
  look(seconds: number): void {
    this.order({ is: 'look', step: Math.round(seconds / STEP_S) });
  }
  goOnFromHere(): void {
    this.wentBack += 1;
    // The hands are where they were then.
    if (this.newest) this.hands = this.newest.hands;
    this.order({ is: 'goOnFromHere' });
    this.tell();
    this.run();
  }
}

/** A task being practised, from its first frame to the page being left. */
export const usePractice = (task: TaskName, hull: HullFigures, weather: WeatherChoice, now: Conditions | undefined): Practice => {
  const practice = useMemo(() => new Practice(task, hull, weather, now), [task, hull, weather, now]);
  const [fault, setFault] = useState<Error>();
  useEffect(() => practice.start(setFault), [practice]);
  if (fault) throw fault;
  return practice;
};

/** One thing of it, a plain value; drawn anew only when that has changed. */
export const useSeen = <T extends string | number | boolean | undefined | object>(practice: Practice, pick: (practice: Practice) => T): T =>
  useSyncExternalStore(practice.subscribe, () => pick(practice));
