import type { Drill, DrillWhen } from '../fleet/drills';
import { type Action, actionsIn, type DrillState, type Machine, machineOf, nextMark, Restless, stepUnseen } from './machine';

/** Every state of a drill that can be come to, breadth first, time bucketed at each timer's marks. */

export type Edge = { to: number; action: ReturnType<typeof actionsIn>[number] | undefined; seconds: number; lessons: readonly string[] };
export type Graph = {
  states: readonly DrillState[];
  /** Which of them it was begun from. */
  roots: readonly number[];
  edges: readonly (readonly Edge[])[];
  /** Where each state was first come from. */
  from: readonly ({ state: number; action: Action | undefined } | undefined)[];
  /** There are more than were looked at. */
  capped: boolean;
};
const CAP = 40_000;

export const keyOf = ({ timers }: Machine, { at, ran }: DrillState): string => {
  let key = '';
  for (const value of at) key += String.fromCharCode(48 + value);
  for (let i = 0; i < timers.length; i += 1) {
    // A timer that has begun is not one that has not.
    let bucket = ran[i]! > 0 ? 1 : 0;
    for (const mark of timers[i]!.marks) if (mark <= ran[i]!) bucket += 1;
    key += String.fromCharCode(48 + bucket);
  }
  return key;
};

/** @param starts where it begins, when not at the drill's own start @throws Restless */
export const explore = (machine: Machine, starts: readonly DrillState[] = [machine.start], cap = CAP): Graph => {
  const found = new Map<string, number>();
  const states: DrillState[] = [];
  const roots = starts.map((start) => {
    const key = keyOf(machine, start);
    const known = found.get(key);
    if (known !== undefined) return known;
    found.set(key, states.length);
    return states.push(start) - 1;
  });
  const edges: Edge[][] = [];
  const came: ({ state: number; action: Action | undefined } | undefined)[] = states.map(() => undefined);
  let capped = false;
  for (let i = 0; i < states.length; i += 1) {
    const state = states[i]!;
    const out: Edge[] = [];
    const wait = nextMark(machine, state);
    const ways: (Edge['action'] | undefined)[] = [...actionsIn(machine, state)];
    if (wait !== Infinity) ways.push(undefined);
    for (const action of ways) {
      const seconds = action ? 0 : wait;
      const { state: next, lessons } = stepUnseen(machine, state, action, seconds);
      const key = keyOf(machine, next);
      let to = found.get(key);
      if (to === undefined) {
        if (states.length >= cap) {
          capped = true;
          continue;
        }
        to = states.length;
        found.set(key, to);
        states.push(next);
        came.push({ state: i, action });
      }
      out.push({ to, action, seconds, lessons });
    }
    edges.push(out);
  }
  return { states, roots, edges, from: came, capped };
};

/** The way from a beginning to a state: its moves, and nothing where somebody waits. */
const wayTo = ({ from }: Graph, state: number): { root: number; moves: (Action | undefined)[] } => {
  const moves: (Action | undefined)[] = [];
  let root = state;
  for (let at = from[state]; at; at = from[at.state]) {
    moves.unshift(at.action);
    root = at.state;
  }
  return { root, moves };
};
const spokenMove = (move: Action | undefined): string => (move ? `${move.control} → ${move.to}` : 'wait');
const spokenWay = (moves: readonly (Action | undefined)[]): string => moves.map(spokenMove).join(', ') || '(the beginning)';

/** States from which one of `ends` can be come to, going through none of `barred`. */
const reaching = (edges: Graph['edges'], ends: (state: number) => boolean, barred: (state: number) => boolean): boolean[] => {
  const into: number[][] = edges.map(() => []);
  edges.forEach((out, i) => out.forEach(({ to }) => into[to]!.push(i)));
  const reached = edges.map((_, i) => ends(i));
  const queue = edges.flatMap((_, i) => (reached[i] ? [i] : []));
  for (let next = queue.pop(); next !== undefined; next = queue.pop())
    for (const before of into[next]!)
      if (!reached[before] && !barred(before)) {
        reached[before] = true;
        queue.push(before);
      }
  return reached;
};

export type DrillFault = {
  path: string;
  reason: string;
  /** The moves that lead there, nothing where somebody waits; from which beginning, where it is not the usual one. */
  way?: { moves: readonly (Action | undefined)[]; variant?: string };
};
export type Explored = { states: number; lessons: number; capped: boolean; faults: DrillFault[] };

/** Names that lead nowhere, and values nobody has. */
const namesWrong = (drill: Drill): DrillFault[] => {
  const faults: DrillFault[] = [];
  const values = new Map<string, readonly string[]>(Object.entries(drill.facts));
  const timers = new Set(drill.timers.map(({ id }) => id));
  const fault = (path: string, reason: string) => faults.push({ path, reason });
  for (const { id, positions, springs } of drill.controls) {
    if (values.has(id)) fault(`controls[${id}]`, 'this id is used twice');
    values.set(
      id,
      positions.map((one) => one.id),
    );
    for (const position of Object.entries(springs ?? {}).flat())
      if (!positions.some((one) => one.id === position)) fault(`controls[${id}].springs`, `there is no position “${position}”`);
  }
  for (const id of timers) if (values.has(id)) fault(`timers[${id}]`, 'this id is used twice');
  const isValue = (path: string, name: string, value: string) => {
    const known = values.get(name);
    if (!known) fault(path, `there is no control or fact “${name}”`);
    else if (!known.includes(value)) fault(path, `“${name}” is never “${value}”`);
  };
  const check = (path: string, when: DrillWhen | undefined) => {
    for (const tests of when === undefined ? [] : Array.isArray(when) ? when : [when])
      for (const [name, test] of Object.entries(tests)) {
        if (typeof test === 'object' && ('atLeast' in test || 'below' in test)) {
          const at = 'atLeast' in test ? test.atLeast : test.below;
          const timer = drill.timers.find(({ id }) => id === name);
          if (!timer) fault(path, `there is no timer “${name}”`);
          else if (!timer.marks.includes(at)) fault(path, `${at} s is no mark of “${name}”`);
          continue;
        }
        const plain = typeof test === 'object' && 'not' in test ? test.not : test;
        for (const value of Array.isArray(plain) ? plain : [plain]) isValue(path, name, value);
      }
  };
  const set = (path: string, named: Readonly<Record<string, string>> | undefined) => {
    for (const [name, value] of Object.entries(named ?? {})) isValue(path, name, value);
  };
  const lessons = new Set(drill.lessons.map(({ id }) => id));
  const lesson = (path: string, id: string | undefined) => {
    if (id !== undefined && !lessons.has(id)) fault(path, `there is no lesson “${id}”`);
  };
  set('start', drill.start);
  for (const name of values.keys()) if (drill.start[name] === undefined) fault('start', `does not say what “${name}” is`);
  for (const { id, start } of drill.variants) set(`variants[${id}].start`, start);
  for (const { id, runs, clears, marks } of drill.timers) {
    check(`timers[${id}].runs`, runs);
    check(`timers[${id}].clears`, clears);
    if (marks.some((mark, i) => i > 0 && mark <= marks[i - 1]!)) fault(`timers[${id}].marks`, 'must rise');
  }
  for (const rule of drill.rules) {
    const path = `rules[${rule.id}]`;
    if (rule.on) isValue(`${path}.on`, rule.on.control, rule.on.to);
    check(`${path}.when`, rule.when);
    set(`${path}.set`, rule.set);
    lesson(`${path}.lesson`, rule.lesson);
    if (rule.refuse && !rule.on) fault(path, 'only a move can be refused');
    if (!rule.on && !rule.set) fault(path, 'answers no move and sets nothing');
  }
  for (const { id, levels } of drill.shows) for (const { when } of levels) check(`shows[${id}].levels`, when);
  for (const { id, when } of drill.goals) check(`goals[${id}].when`, when);
  for (const one of drill.unsafe) {
    check(`unsafe[${one.id}].when`, one.when);
    lesson(`unsafe[${one.id}].lesson`, one.lesson);
  }
  check('rest', drill.rest);
  check('over', drill.over);
  drill.moves.forEach(({ control, to, wait, when }, i) => {
    const path = `moves[${i}]`;
    check(`${path}.when`, when);
    if (wait !== undefined) {
      if (!timers.has(wait)) fault(path, `there is no timer “${wait}”`);
    } else if (control === undefined || to === undefined) fault(path, 'names neither a move nor a wait');
    else isValue(path, control, to);
  });
  return faults;
};

const wrongIn = (drill: Drill) => new Set(drill.lessons.filter(({ weight }) => weight !== 'note').map(({ id }) => id));

const faultsOf = (machine: Machine, graph: Graph): DrillFault[] => {
  const { drill } = machine;
  const { states, edges, roots } = graph;
  const faults: DrillFault[] = [];
  const wayOf = (state: number, last: readonly (Action | undefined)[] = []): NonNullable<DrillFault['way']> => {
    const { root, moves } = wayTo(graph, state);
    const variant = drill.variants[roots.indexOf(root) - 1]?.id;
    return { moves: [...moves, ...last], ...(variant === undefined ? {} : { variant }) };
  };
  const fault = (path: string, reason: string, state: number) => {
    const way = wayOf(state);
    faults.push({ path, reason: `${reason}: ${spokenWay(way.moves)}`, way });
  };
  const over = states.map((state) => machine.over(state));
  const restful = reaching(
    edges,
    (i) => machine.rest(states[i]!),
    () => false,
  );
  const stuck = restful.indexOf(false);
  if (stuck >= 0) fault('rest', 'cannot be come to from everywhere', stuck);
  // From every state that is not the end of a try, each goal can still be reached.
  for (const goal of machine.goals) {
    const reaches = reaching(
      edges,
      (i) => !over[i] && goal.holds(states[i]!),
      (i) => over[i]!,
    );
    const trapped = states.findIndex((_, i) => !over[i] && !reaches[i]);
    if (trapped >= 0) fault(`goals[${goal.id}]`, 'cannot be reached any more', trapped);
  }
  // One after the other, and without one mistake, too.
  const wrong = wrongIn(drill);
  const clean = edges.map((out) => out.filter(({ lessons }) => !lessons.some((id) => wrong.has(id))));
  roots.forEach((root, variant) => {
    let heads = [root];
    for (const goal of machine.goals) {
      const seen = new Set(heads);
      const queue = [...heads];
      const there: number[] = [];
      for (let next = queue.pop(); next !== undefined; next = queue.pop()) {
        if (goal.holds(states[next]!)) there.push(next);
        else
          for (const { to } of clean[next]!)
            if (!seen.has(to)) {
              seen.add(to);
              queue.push(to);
            }
      }
      if (there.length === 0) {
        const where = variant === 0 ? '' : ` (${drill.variants[variant - 1]!.id})`;
        fault(`goals[${goal.id}]`, `cannot be reached without a mistake${where}`, heads[0]!);
        break;
      }
      heads = there;
    }
  });
  for (const { id, holds, lesson } of machine.unsafe) {
    const born = roots.find((root) => holds(states[root]!));
    if (born !== undefined) fault(`unsafe[${id}]`, 'holds from the beginning', born);
    for (const [i, out] of edges.entries()) {
      if (holds(states[i]!)) continue;
      const silent = out.find(({ to, lessons }) => holds(states[to]!) && !lessons.includes(lesson));
      if (!silent) continue;
      const reason = `is come to without its lesson “${lesson}”: ${spokenWay(wayOf(i).moves)}, ${spokenMove(silent.action)}`;
      faults.push({ path: `unsafe[${id}]`, reason, way: wayOf(i, [silent.action]) });
      break;
    }
  }
  return faults;
};

/**
 * Looks at a drill from every beginning it has: names, rest and goals within reach from everywhere, no unsafe state
 * without its lesson.
 * @returns how many states there are and how many lessons were met, and every fault with the path that leads to it
 */
export const examine = (drill: Drill, cap = CAP): Explored => {
  const names = namesWrong(drill);
  if (names.length > 0) return { states: 0, lessons: 0, capped: false, faults: names };
  try {
    const machine = machineOf(drill);
    const graph = explore(machine, [machine.start, ...drill.variants.map(({ id }) => machineOf(drill, id).start)], cap);
    const met = new Set<string>();
    for (const out of graph.edges) for (const { lessons } of out) for (const id of lessons) met.add(id);
    const found = { states: graph.states.length, lessons: met.size, capped: graph.capped };
    if (graph.capped) return { ...found, faults: [{ path: '(whole)', reason: `has more than ${cap} states: too many to be looked at` }] };
    const unmet = drill.lessons.filter(({ id }) => !met.has(id)).map(({ id }) => ({ path: `lessons[${id}]`, reason: 'is never met' }));
    return { ...found, faults: [...faultsOf(machine, graph), ...unmet] };
  } catch (error) {
    if (!(error instanceof Restless)) throw error;
    return { states: 0, lessons: 0, capped: false, faults: [{ path: 'rules', reason: error.message }] };
  }
};
