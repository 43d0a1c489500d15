import type { Drill, DrillWhen } from '../fleet/drills';
import { type Action, actionsIn, type DrillState, type Machine, machineOf, nextMark, Restless, step } from './machine';

/** Every state of a drill that can be come to, breadth first, time bucketed at each timer's marks. */

export type Edge = { to: number; action: Action | undefined; seconds: number; lessons: readonly string[] };
export type Graph = {
  states: readonly DrillState[];
  edges: readonly (readonly Edge[])[];
  /** Where each state was first come from. */
  from: readonly ({ state: number; action: Action | undefined } | undefined)[];
  /** There are more than were looked at. */
  capped: boolean;
};
export const CAP = 40_000;

const keyOf = ({ drill, timers }: Machine, { is, ran }: DrillState): string =>
  [
    ...Object.keys(drill.start).map((name) => is[name]),
    ...timers.map(({ id, marks }) => marks.filter((mark) => mark <= ran[id]!).length),
    // A timer that has begun is not one that has not.
    ...timers.map(({ id }) => (ran[id]! > 0 ? 1 : 0)),
  ].join('|');

/** @param from where it begins, when not at the drill's own start @throws Restless */
export const explore = (machine: Machine, from: DrillState = machine.start, cap = CAP): Graph => {
  const found = new Map<string, number>([[keyOf(machine, from), 0]]);
  const states = [from];
  const edges: Edge[][] = [];
  const came: ({ state: number; action: Action | undefined } | undefined)[] = [undefined];
  let capped = false;
  for (let i = 0; i < states.length; i += 1) {
    const state = states[i]!;
    const out: Edge[] = [];
    const wait = nextMark(machine, state);
    const ways = [
      ...actionsIn(machine, state).map((action) => ({ action, seconds: 0 })),
      ...(wait === Infinity ? [] : [{ action: undefined, seconds: wait }]),
    ];
    for (const { action, seconds } of ways) {
      const { state: next, lessons } = step(machine, state, action, seconds);
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
  return { states, edges, from: came, capped };
};

/** The way from the beginning to a state, in words of its ids. */
export const pathTo = ({ from }: Graph, state: number): string => {
  const steps: string[] = [];
  for (let at = from[state]; at; at = from[at.state]) steps.unshift(at.action ? `${at.action.control} → ${at.action.to}` : 'wait');
  return steps.join(', ') || '(the beginning)';
};

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

export type DrillFault = { path: string; reason: string };
export type Explored = { states: number; lessons: number; capped: boolean; faults: DrillFault[] };

/** Names that lead nowhere, and values nobody has. */
export const namesWrong = (drill: Drill): DrillFault[] => {
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
    if (springs !== undefined && !positions.some((one) => one.id === springs))
      fault(`controls[${id}].springs`, `there is no position “${springs}”`);
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

const faultsOf = (machine: Machine, graph: Graph, where: string): DrillFault[] => {
  const { drill } = machine;
  const { states, edges } = graph;
  const faults: DrillFault[] = [];
  const fault = (path: string, reason: string, state: number) =>
    faults.push({ path, reason: `${reason}${where}: ${pathTo(graph, state)}` });
  const over = states.map((state) => machine.over(state));
  const restful = reaching(
    edges,
    (i) => machine.rest(states[i]!),
    () => false,
  );
  const stuck = restful.indexOf(false);
  if (stuck >= 0) fault('rest', 'cannot be come to from everywhere', stuck);
  // The goals one after the other; from every state that is not the end of a try, each can still be reached.
  for (const goal of machine.goals) {
    const reaches = reaching(
      edges,
      (i) => !over[i] && goal.holds(states[i]!),
      (i) => over[i]!,
    );
    const trapped = states.findIndex((_, i) => !over[i] && !reaches[i]);
    if (trapped >= 0) fault(`goals[${goal.id}]`, 'cannot be reached any more', trapped);
  }
  // Without one mistake, too.
  const wrong = wrongIn(drill);
  const clean = edges.map((out) => out.filter(({ lessons }) => !lessons.some((id) => wrong.has(id))));
  let heads = [0];
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
      fault(`goals[${goal.id}]`, 'cannot be reached without a mistake', heads[0] ?? 0);
      break;
    }
    heads = there;
  }
  for (const { id, holds, lesson } of machine.unsafe) {
    if (holds(states[0]!)) fault(`unsafe[${id}]`, 'holds from the beginning', 0);
    for (const [i, out] of edges.entries()) {
      if (holds(states[i]!)) continue;
      const silent = out.find(({ to, lessons }) => holds(states[to]!) && !lessons.includes(lesson));
      if (!silent) continue;
      const move = silent.action ? `${silent.action.control} → ${silent.action.to}` : 'wait';
      faults.push({ path: `unsafe[${id}]`, reason: `is come to without its lesson “${lesson}”${where}: ${pathTo(graph, i)}, ${move}` });
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
  let [states, capped] = [0, false];
  const met = new Set<string>();
  const faults: DrillFault[] = [];
  for (const variant of [undefined, ...drill.variants.map(({ id }) => id)]) {
    try {
      const machine = machineOf(drill, variant);
      const graph = explore(machine, machine.start, cap);
      states += graph.states.length;
      capped ||= graph.capped;
      for (const out of graph.edges) for (const { lessons } of out) for (const id of lessons) met.add(id);
      if (graph.capped) faults.push({ path: '(whole)', reason: `has more than ${cap} states: too many to be looked at` });
      else faults.push(...faultsOf(machine, graph, variant === undefined ? '' : ` (${variant})`));
    } catch (error) {
      if (!(error instanceof Restless)) throw error;
      faults.push({ path: 'rules', reason: error.message });
    }
  }
  for (const { id } of drill.lessons)
    if (!met.has(id) && faults.length === 0) faults.push({ path: `lessons[${id}]`, reason: 'is never met' });
  return { states, lessons: met.size, capped, faults };
};
