import type { Lesson } from '../fleet/drills';
import { type Action, type DrillState, type Machine, markAfter, step } from './machine';

/** How much help there is: shown move by move, hinted at, or none. */
export type Mode = 'shown' | 'hints' | 'own';
const HELP: readonly Mode[] = ['own', 'hints', 'shown'];

/** One go at a drill, from its beginning. */
export type Run = {
  state: DrillState;
  /** How many of the goals have been reached, one after the other. */
  reached: number;
  learnt: readonly Lesson[];
  /** The lesson of the last move, as long as it is the last. */
  last: Lesson | undefined;
  seconds: number;
  /** The most help there was with any move. */
  helped: Mode;
};

export const beginRun = (machine: Machine): Run => ({
  state: machine.start,
  reached: 0,
  learnt: [],
  last: undefined,
  seconds: 0,
  helped: 'own',
});

/** Nothing is left to be moved: passed, or broken. */
export const isEnded = (machine: Machine, { state, reached }: Run): boolean => machine.over(state) || reached === machine.goals.length;

/** A run after a move and a while; goals are ticked off as they are come to. @param mode the help this move was made with */
export const runOn = (machine: Machine, run: Run, action: Action | undefined, seconds: number, mode: Mode): Run => {
  const { state, lessons } = step(machine, run.state, action, seconds);
  const learnt = lessons.flatMap((id) => machine.drill.lessons.find((one) => one.id === id) ?? []);
  let { reached } = run;
  while (reached < machine.goals.length && machine.goals[reached]!.holds(state)) reached += 1;
  return {
    state,
    reached,
    learnt: [...run.learnt, ...learnt],
    last: learnt[learnt.length - 1] ?? (action ? undefined : run.last),
    seconds: run.seconds + seconds,
    helped: action && HELP.indexOf(mode) > HELP.indexOf(run.helped) ? mode : run.helped,
  };
};

/** Lessons that were mistakes, in the order they were made. */
export const mistakesOf = ({ learnt }: Run): Lesson[] => learnt.filter(({ weight }) => weight !== 'note');

/** Seconds to the next mark of a timer that somebody waits for: one with a name. How long a key is held is no such wait. */
export const namedWait = (machine: Machine, state: DrillState): number | undefined => {
  const waits = machine.drill.timers.flatMap(({ name, marks }, i) => {
    const mark = markAfter(marks, state.ran[i]!);
    return name && mark !== undefined && machine.timers[i]!.runs(state) ? [mark - state.ran[i]!] : [];
  });
  return waits.length > 0 ? Math.min(...waits) : undefined;
};
