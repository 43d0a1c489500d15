import type { Drill } from '@quay/core/fleet/drills';
import { type Action, actionsIn, type Machine, machineOf, nextMark, observe, type Observed, valueIn } from '@quay/core/drill/machine';
import { beginRun, isEnded, mistakesOf, type Mode, namedWait, type Run, runOn } from '@quay/core/drill/run';
import { type NextMove, Pilot } from '@quay/core/drill/way';
import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';

type Lesson = Drill['lessons'][number];

export type DrillView = {
  drill: Drill;
  machine: Machine;
  run: Run;
  observed: Observed;
  mode: Mode;
  variant: string | undefined;
  over: boolean;
  passed: boolean;
  /** What leads on, where it is told; nothing while it is being worked out. */
  next: NextMove | undefined;
  /** Timers with a name that run or have run, with what they run to. */
  clocks: { id: string; name: NonNullable<Drill['timers'][number]['name']>; ran: number; to: number; runs: boolean }[];
  /** Seconds that can be jumped over; nothing where nobody waits. */
  wait: number | undefined;
  at: (control: string) => string;
  can: (control: string) => readonly string[];
  move: (action: Action) => void;
  skip: () => void;
  begin: (variant?: string) => void;
  setMode: (mode: Mode) => void;
  mistakes: readonly Lesson[];
};

const TICK_MS = 200;
/** Between two moves that are shown: time to read what is said of them. */
const SHOWN_MS = 2600;
/** A wait shorter than this passes by itself. */
const WORTH_SKIPPING_S = 4;

/** A drill being gone through: real seconds pass, moves do what they would do on the boat. */
export const useDrill = (drill: Drill): DrillView => {
  const [variant, setVariant] = useState<string>();
  const [mode, chooseMode] = useState<Mode>('hints');
  const machine = useMemo(() => machineOf(drill, variant), [drill, variant]);
  const [run, setRun] = useState<Run>(() => beginRun(machine));
  const [pilot, setPilot] = useState<Pilot>();
  const over = machine.over(run.state);
  const passed = run.reached === machine.goals.length;

  // Every state of the drill is looked at once for hints; the panel is drawn first.
  useEffect(() => {
    setPilot(undefined);
    if (mode === 'own') return undefined;
    const later = setTimeout(() => setPilot(new Pilot(machine)), 60);
    return () => clearTimeout(later);
  }, [machine, mode]);
  // The hint may come a moment later than the lamp: a thumb never waits for it.
  const settled = useDeferredValue(run);
  const next = useMemo(
    () => (pilot && !over && !passed && mode !== 'own' ? pilot.next(settled.state, settled.reached) : undefined),
    [pilot, over, passed, mode, settled],
  );

  const ticking = !over && !passed;
  const modeNow = useRef(mode);
  modeNow.current = mode;
  useEffect(() => {
    if (!ticking) return undefined;
    let before = performance.now();
    const clock = setInterval(() => {
      const now = performance.now();
      // A phone that slept meanwhile has not held the key for an hour.
      const seconds = Math.min(1, (now - before) / 1000);
      before = now;
      setRun((was) => runOn(machine, was, undefined, seconds, modeNow.current));
    }, TICK_MS);
    return () => clearInterval(clock);
  }, [ticking, machine]);

  const move = useCallback(
    (action: Action) => setRun((was) => (isEnded(machine, was) ? was : runOn(machine, was, action, 0, modeNow.current))),
    [machine],
  );
  const skip = useCallback(
    () =>
      setRun((was) => {
        // Shown by itself, it waits for whatever comes next; somebody's thumb jumps to the end of what they wait for.
        const seconds = (modeNow.current === 'shown' ? undefined : namedWait(machine, was.state)) ?? nextMark(machine, was.state);
        return seconds === Infinity ? was : runOn(machine, was, undefined, seconds, modeNow.current);
      }),
    [machine],
  );
  const begin = useCallback(
    (wanted?: string) => {
      setVariant(wanted);
      setRun(beginRun(machineOf(drill, wanted)));
    },
    [drill],
  );
  // Shown by itself: a move after the other, waits not longer than it takes to read of them. The clock makes a new `next`
  // with every tick; what is shown next is the same until it is done.
  const { control, to } = next?.action ?? {};
  const showing = mode === 'shown' && next !== undefined;
  useEffect(() => {
    if (!showing) return undefined;
    const later = setTimeout(() => (control !== undefined && to !== undefined ? move({ control, to }) : skip()), SHOWN_MS);
    return () => clearTimeout(later);
  }, [showing, control, to, run.reached, move, skip]);

  const wait = namedWait(machine, run.state);
  const moves = actionsIn(machine, run.state);
  return {
    drill,
    machine,
    run,
    observed: observe(machine, run.state),
    mode,
    variant,
    over,
    passed,
    // Told a moment late it would tell what is done already.
    next: next?.action && valueIn(machine, run.state, next.action.control) === next.action.to ? undefined : next,
    clocks: drill.timers.flatMap(({ id, name, marks }, i) => {
      const ran = run.state.ran[i]!;
      const runs = machine.timers[i]!.runs(run.state);
      return name && (runs || ran > 0) ? [{ id, name, ran, to: marks.find((mark) => mark > ran) ?? marks[marks.length - 1]!, runs }] : [];
    }),
    wait: wait !== undefined && wait >= WORTH_SKIPPING_S && ticking ? wait : undefined,
    at: (control) => valueIn(machine, run.state, control),
    can: (control) => moves.filter((one) => one.control === control).map(({ to }) => to),
    move,
    skip,
    begin,
    setMode: chooseMode,
    mistakes: mistakesOf(run),
  };
};
