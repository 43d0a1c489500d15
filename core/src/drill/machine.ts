import type { Drill, DrillCase, DrillWhen, Rule } from '../fleet/drills';

/** The interpreter of drills. A state is where every control stands, what every fact is, and how long each timer has run. */
export type DrillState = {
  /** Controls and facts by id. */
  readonly is: Readonly<Record<string, string>>;
  /** Timers by id, s. */
  readonly ran: Readonly<Record<string, number>>;
};
export type Action = { control: string; to: string };
/** What is seen, heard and smelt, by the id of what shows it; nothing of what shows nothing. */
export type Observed = Readonly<Record<string, { value: string | number; level: number }>>;
export type Stepped = {
  state: DrillState;
  observed: Observed;
  /** Lessons of the step, in the order they were learnt. */
  lessons: readonly string[];
  /** The control did not move. */
  refused: boolean;
};

type Holds = (state: DrillState) => boolean;
const always: Holds = () => true;

const compileCase = (tests: DrillCase): Holds => {
  const parts = Object.entries(tests).map(([name, test]): Holds => {
    if (typeof test === 'string') return ({ is }) => is[name] === test;
    if (Array.isArray(test)) return ({ is }) => test.includes(is[name]!);
    if ('atLeast' in test) return ({ ran }) => ran[name]! >= test.atLeast;
    if ('below' in test) return ({ ran }) => ran[name]! < test.below;
    const none = typeof test.not === 'string' ? [test.not] : test.not;
    return ({ is }) => !none.includes(is[name]!);
  });
  return (state) => parts.every((holds) => holds(state));
};
const compileWhen = (when: DrillWhen | undefined): Holds => {
  if (when === undefined) return always;
  const cases = (Array.isArray(when) ? when : [when]).map(compileCase);
  return (state) => cases.some((holds) => holds(state));
};

type Compiled<T> = T & { holds: Holds };
const compiled = <T extends { when?: DrillWhen | undefined }>(rows: readonly T[]): Compiled<T>[] =>
  rows.map((row) => ({ ...row, holds: compileWhen(row.when) }));

/** A drill made ready to run. */
export type Machine = {
  drill: Drill;
  start: DrillState;
  answers: readonly Compiled<Rule>[];
  laws: readonly Compiled<Rule>[];
  timers: readonly { id: string; marks: readonly number[]; runs: Holds; clears: Holds }[];
  shows: readonly { id: string; levels: readonly { holds: Holds; value: string | number }[] }[];
  goals: readonly Compiled<Drill['goals'][number]>[];
  unsafe: readonly Compiled<Drill['unsafe'][number]>[];
  moves: readonly Compiled<Drill['moves'][number]>[];
  rest: Holds;
  over: Holds;
};

/** @param variant one of the drill's other beginnings */
export const machineOf = (drill: Drill, variant?: string): Machine => {
  const other = drill.variants.find(({ id }) => id === variant);
  const rules = compiled(drill.rules);
  const machine: Omit<Machine, 'start'> = {
    drill,
    answers: rules.filter(({ on }) => on !== undefined),
    laws: rules.filter(({ on }) => on === undefined),
    timers: drill.timers.map(({ id, marks, runs, clears }) => ({
      id,
      marks,
      runs: compileWhen(runs),
      clears: clears === undefined ? () => false : compileWhen(clears),
    })),
    shows: drill.shows.map(({ id, levels }) => ({ id, levels: compiled(levels).map(({ holds, value }) => ({ holds, value })) })),
    goals: compiled(drill.goals),
    unsafe: compiled(drill.unsafe),
    moves: compiled(drill.moves),
    rest: compileWhen(drill.rest),
    over: drill.over === undefined ? () => false : compileWhen(drill.over),
  };
  const first: DrillState = { is: { ...drill.start, ...other?.start }, ran: Object.fromEntries(drill.timers.map(({ id }) => [id, 0])) };
  return { ...machine, start: settle(machine, first, []) };
};

/** Rules that undo each other for ever are a fault of the drill; it is found when the drill is explored. */
export class Restless extends Error {}
const PATIENCE = 60;

const settle = ({ laws, timers }: Pick<Machine, 'laws' | 'timers'>, from: DrillState, lessons: string[]): DrillState => {
  let state = from;
  for (let pass = 0; pass < PATIENCE; pass += 1) {
    let moved = false;
    for (const { id, clears } of timers)
      if (state.ran[id] !== 0 && clears(state)) {
        state = { ...state, ran: { ...state.ran, [id]: 0 } };
        moved = true;
      }
    for (const { holds, set, lesson } of laws) {
      if (!set || !holds(state) || Object.entries(set).every(([name, value]) => state.is[name] === value)) continue;
      state = { ...state, is: { ...state.is, ...set } };
      if (lesson !== undefined) lessons.push(lesson);
      moved = true;
    }
    if (!moved) return state;
  }
  throw new Restless(`the rules do not come to rest at ${JSON.stringify(from.is)}`);
};

const act = (machine: Machine, state: DrillState, { control, to }: Action, lessons: string[]): DrillState | undefined => {
  const from = state.is[control];
  const answers = machine.answers.filter(({ on }) => on!.control === control && on!.to === to && (on!.from ?? from) === from);
  const refusal = answers.find(({ refuse, holds }) => refuse && holds(state));
  if (refusal) {
    if (refusal.lesson !== undefined) lessons.push(refusal.lesson);
    return undefined;
  }
  let next: DrillState = { ...state, is: { ...state.is, [control]: to } };
  for (const { refuse, holds, set, lesson } of answers) {
    if (refuse || !holds(next)) continue;
    if (set) next = { ...next, is: { ...next.is, ...set } };
    if (lesson !== undefined) lessons.push(lesson);
  }
  return next;
};

/** Seconds until a timer that runs comes to its next mark; infinite when none will. */
export const nextMark = (machine: Machine, state: DrillState): number => {
  let least = Infinity;
  for (const { id, marks, runs } of machine.timers) {
    const ran = state.ran[id]!;
    const mark = marks.find((one) => one > ran);
    if (mark !== undefined && mark - ran < least && runs(state)) least = mark - ran;
  }
  return least;
};

const advance = (machine: Machine, from: DrillState, seconds: number, lessons: string[]): DrillState => {
  let [state, left] = [from, seconds];
  while (left > 0) {
    const next = nextMark(machine, state);
    const dt = Math.min(next, left);
    if (dt === Infinity) return state;
    const ran: Record<string, number> = { ...state.ran };
    for (const { id, marks, runs } of machine.timers) {
      const mark = marks.find((one) => one > ran[id]!);
      if (mark === undefined || !runs(state)) continue;
      // Exactly on the mark, whatever the sum of small waits came to.
      ran[id] = mark - ran[id]! - dt < 1e-9 ? mark : ran[id]! + dt;
    }
    state = settle(machine, { ...state, ran }, lessons);
    left -= dt;
  }
  return state;
};

export const observe = (machine: Machine, state: DrillState): Observed => {
  const seen: Record<string, { value: string | number; level: number }> = {};
  for (const { id, levels } of machine.shows) {
    const level = levels.findIndex(({ holds }) => holds(state));
    if (level >= 0) seen[id] = { value: levels[level]!.value, level };
  }
  return seen;
};

/**
 * Makes a move, then lets time pass. The same however a wait is cut into pieces.
 * @param seconds what passes after the move
 */
export const step = (machine: Machine, state: DrillState, action: Action | undefined, seconds: number): Stepped => {
  const lessons: string[] = [];
  const moved = action === undefined ? state : act(machine, state, action, lessons);
  const next = advance(machine, moved === undefined ? state : settle(machine, moved, lessons), seconds, lessons);
  return { state: next, observed: observe(machine, next), lessons, refused: moved === undefined };
};

/** Controls that pass through the positions between. */
const PASSING: readonly string[] = ['key', 'lever', 'leg'];

/** Every move there is: each control to each position it can be brought to from where it stands. */
export const actionsIn = ({ drill }: Pick<Machine, 'drill'>, { is }: DrillState): Action[] =>
  drill.controls.flatMap(({ id, widget, positions, springs }) => {
    const at = positions.findIndex((one) => one.id === is[id]);
    const held = springs !== undefined && is[id] !== springs;
    return positions
      .filter((to, i) => {
        if (i === at || (PASSING.includes(widget) && Math.abs(i - at) !== 1)) return false;
        // What springs back can only be let go of.
        return !held || to.id === springs;
      })
      .map((to) => ({ control: id, to: to.id }));
  });
