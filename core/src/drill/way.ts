import { type Edge, explore, type Graph, keyOf } from './explore';
import { type Action, type DrillState, type Machine, machineOf, markAfter } from './machine';

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

type Ways = { edges: readonly (readonly Edge[])[]; far: readonly number[] };
type Charted = { graph: Graph; at: ReadonlyMap<string, number>; ways: Ways[][] };

/** Of what a move is said, and how late in the drill: what is not named comes last. */
const UNSAID = 1e6;

/** Knows the next move from any state of a drill: its states are looked at once. */
export class Pilot {
  private readonly wrong: ReadonlySet<string>;
  private readonly chart: Charted;

  constructor(private readonly machine: Machine) {
    const { drill } = machine;
    this.wrong = new Set(drill.lessons.filter(({ weight }) => weight !== 'note').map(({ id }) => id));
    const starts = [machine.start, ...[undefined, ...drill.variants.map(({ id }) => id)].map((variant) => machineOf(drill, variant).start)];
    this.chart = this.charted(explore(machine, starts));
  }

  private charted(graph: Graph): Charted {
    const at = new Map<string, number>();
    graph.states.forEach((state, i) => {
      const key = this.placeOf(state);
      if (!at.has(key)) at.set(key, i);
    });
    return { graph, at, ways: [] };
  }

  /** Where a state lies on the chart: a timer between two marks has its way before it as the one at the mark behind it has. */
  private placeOf({ at, ran }: DrillState): string {
    const { timers } = this.machine;
    return keyOf(this.machine, {
      at,
      ran: ran.map((seconds, i) => [...timers[i]!.marks].reverse().find((mark) => mark <= seconds) ?? 0),
    });
  }

  /** Ways without a mistake, then all ways, with how far each state is from the goal. */
  private waysTo(chart: Charted, goal: number): Ways[] {
    const { states, edges } = chart.graph;
    const ends = states.map((state) => this.machine.goals[goal]!.holds(state));
    const clean = edges.map((out) => out.filter(({ lessons }) => !lessons.some((id) => this.wrong.has(id))));
    return (chart.ways[goal] ??= [clean, edges].map((ways) => ({ edges: ways, far: distances(ways, ends) })));
  }

  private saidOf(state: DrillState, { action, seconds }: Edge): number {
    const { moves, timers } = this.machine;
    const found = moves.findIndex(({ control, to, wait, holds }) => {
      if (!holds(state)) return false;
      if (action) return control === action.control && to === action.to;
      const at = timers.findIndex(({ id }) => id === wait);
      const timer = timers[at];
      return timer !== undefined && timer.runs(state) && (markAfter(timer.marks, state.ran[at]!) ?? 0) - state.ran[at]! <= seconds + 1e-6;
    });
    return found < 0 ? UNSAID : found;
  }

  /**
   * The next move on the shortest way to a goal, one without a mistake where there is such a way; among equals the one
   * the drill names first.
   * @returns nothing when the goal holds already, or cannot be reached from here
   */
  next(state: DrillState, goal: number): NextMove | undefined {
    const { machine } = this;
    if (!machine.goals[goal] || machine.goals[goal].holds(state)) return undefined;
    let chart = this.chart;
    let here = chart.at.get(this.placeOf(state));
    if (here === undefined) {
      // Timers stand to each other as they never do when each is waited for: it is looked at from here.
      chart = this.charted(explore(machine, [state]));
      here = 0;
    }
    for (const { edges, far } of this.waysTo(chart, goal)) {
      if (far[here] === Infinity) continue;
      const best = edges[here]!.filter(({ to }) => far[to] === far[here]! - 1)
        .map((edge) => ({ edge, said: this.saidOf(state, edge) }))
        .sort((a, b) => a.said - b.said)[0]!;
      const { action } = best.edge;
      return {
        action: action && { control: action.control, to: action.to },
        // The chart's timers stand on their marks; the wait is from where they stand here.
        seconds: action ? 0 : this.waitFrom(state, best.edge.seconds),
        move: machine.moves[best.said],
      };
    }
    return undefined;
  }

  private waitFrom(state: DrillState, charted: number): number {
    const waits = this.machine.timers.flatMap(({ marks, runs }, i) => {
      const mark = markAfter(marks, state.ran[i]!);
      return mark !== undefined && runs(state) ? [mark - state.ran[i]!] : [];
    });
    return waits.length > 0 ? Math.min(...waits) : charted;
  }
}
