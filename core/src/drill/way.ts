import { type Edge, explore } from './explore';
import type { Action, DrillState, Machine } from './machine';

/** What leads on from here: a move, or a wait for so many seconds; with what is said of it. */
export type NextMove = { action: Action | undefined; seconds: number; move: Machine['moves'][number] | undefined };

/** Steps from each state to the nearest of `ends`; infinite where there is no way. */
const distances = (edges: readonly (readonly Edge[])[], ends: readonly boolean[]): number[] => {
  const into: number[][] = edges.map(() => []);
  edges.forEach((out, from) => out.forEach(({ to }) => into[to]!.push(from)));
  const far = ends.map((is) => (is ? 0 : Infinity));
  let front = far.flatMap((steps, i) => (steps === 0 ? [i] : []));
  for (let steps = 1; front.length > 0; steps += 1) {
    const before: number[] = [];
    for (const state of front)
      for (const from of into[state]!)
        if (far[from] === Infinity) {
          far[from] = steps;
          before.push(from);
        }
    front = before;
  }
  return far;
};

/**
 * The next move on the shortest way to a goal, one without a mistake where there is such a way; among equals the one
 * the drill names first.
 * @returns nothing when the goal holds already, or cannot be reached from here
 */
export const nextMove = (machine: Machine, state: DrillState, goal: number): NextMove | undefined => {
  const target = machine.goals[goal];
  if (!target || target.holds(state)) return undefined;
  const { states, edges } = explore(machine, state);
  const ends = states.map((one) => target.holds(one));
  const wrong = new Set(machine.drill.lessons.filter(({ weight }) => weight !== 'note').map(({ id }) => id));
  const clean = edges.map((out) => out.filter(({ lessons }) => !lessons.some((id) => wrong.has(id))));
  const saidOf = ({ action, seconds }: Edge): number =>
    machine.moves.findIndex(({ control, to, wait, holds }) => {
      if (!holds(state)) return false;
      if (action) return control === action.control && to === action.to;
      const timer = machine.timers.find(({ id }) => id === wait);
      return timer !== undefined && timer.runs(state) && timer.marks.some((mark) => Math.abs(mark - state.ran[timer.id]! - seconds) < 1e-6);
    });
  for (const ways of [clean, edges]) {
    const far = distances(ways, ends);
    if (far[0] === Infinity) continue;
    const best = ways[0]!
      .map((edge) => ({ edge, far: far[edge.to]!, at: saidOf(edge) }))
      .filter((one) => one.far === far[0]! - 1)
      .sort((a, b) => (a.at < 0 ? 1e6 : a.at) - (b.at < 0 ? 1e6 : b.at))[0]!;
    return { action: best.edge.action, seconds: best.edge.seconds, move: machine.moves[best.at] };
  }
  return undefined;
};
