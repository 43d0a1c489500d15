import type { Control, Drill, DrillCase, DrillWhen, Rule } from '../fleet/drills';

/**
 * The interpreter of drills. A state is where every control stands and what every fact is, each by the place of its value
 * among those it can have, and how long each timer has run.
 */
export type DrillState = {
  /** In the order of `names`: the place of the value among `values`. */
  readonly at: readonly number[];
  /** In the order of the drill's timers, s. */
  readonly ran: readonly number[];
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
type Place = { name: number; value: number };
type Compiled<T> = T & { holds: Holds; sets: readonly Place[] };
type Move = Action & Place;

/** A drill made ready to run. */
export type Machine = {
  drill: Drill;
  /** Controls, then facts, by their place in a state. */
  names: ReadonlyMap<string, number>;
  values: readonly (readonly string[])[];
  start: DrillState;
  /** What answers a move, by control's place and value's place. */
  answers: readonly (readonly (readonly (Compiled<Rule> & { from: number | undefined })[])[])[];
  laws: readonly Compiled<Rule>[];
  timers: readonly { id: string; marks: readonly number[]; runs: Holds; clears: Holds }[];
  shows: readonly { id: string; levels: readonly { holds: Holds; value: string | number }[] }[];
  goals: readonly Compiled<Drill['goals'][number]>[];
  unsafe: readonly Compiled<Drill['unsafe'][number]>[];
  moves: readonly Compiled<Drill['moves'][number]>[];
  /** By control's place and where it stands: where it can be brought to. */
  actions: readonly (readonly (readonly Move[])[])[];
  rest: Holds;
  over: Holds;
};

type Names = Pick<Machine, 'names' | 'values'> & { clock: ReadonlyMap<string, number> };

const placeOf = ({ names, values }: Pick<Machine, 'names' | 'values'>, name: string, value: string): Place => {
  const at = names.get(name);
  const of = at === undefined ? -1 : values[at]!.indexOf(value);
  // Drills are examined before they run; one that names what is not there never comes here.
  if (at === undefined || of < 0) throw new Error(`there is no ${name} that is ${value}`);
  return { name: at, value: of };
};

const never: Holds = () => false;
const always: Holds = () => true;
const every = (parts: readonly Holds[]): Holds => {
  const [first = always, second = always, ...more] = parts;
  if (more.length === 0) return (state) => first(state) && second(state);
  return (state) => {
    if (!first(state) || !second(state)) return false;
    for (const holds of more) if (!holds(state)) return false;
    return true;
  };
};

const compileCase = (named: Names, tests: DrillCase): Holds =>
  every(
    Object.entries(tests).map(([name, test]): Holds => {
      if (typeof test === 'object' && ('atLeast' in test || 'below' in test)) {
        const timer = named.clock.get(name)!;
        if ('atLeast' in test) return ({ ran }) => ran[timer]! >= test.atLeast;
        return ({ ran }) => ran[timer]! < test.below;
      }
      const plain = typeof test === 'object' && 'not' in test ? test.not : test;
      const among = (Array.isArray(plain) ? plain : [plain]).map((value) => placeOf(named, name, value));
      const { name: at, value } = among[0]!;
      const is: Holds = among.length === 1 ? (state) => state.at[at] === value : (state) => among.some((one) => state.at[at] === one.value);
      return typeof test === 'object' && 'not' in test ? (state) => !is(state) : is;
    }),
  );
const compileWhen = (named: Names, when: DrillWhen | undefined): Holds => {
  if (when === undefined) return always;
  const cases = (Array.isArray(when) ? when : [when]).map((tests) => compileCase(named, tests));
  return cases.length === 1 ? cases[0]! : (state) => cases.some((holds) => holds(state));
};

const compile = <T extends { when?: DrillWhen | undefined; set?: Rule['set'] }>(named: Names, rows: readonly T[]): Compiled<T>[] =>
  rows.map((row) => ({
    ...row,
    holds: compileWhen(named, row.when),
    sets: Object.entries(row.set ?? {}).map(([name, value]) => placeOf(named, name, value)),
  }));

/** Controls that pass through the positions between. */
const PASSING: readonly string[] = ['key', 'lever', 'leg'];
/** Where a control can be brought to from each of its positions. */
const movesOf = ({ id, widget, positions, springs }: Control, name: number): Move[][] =>
  positions.map((from, at) => {
    const back = springs?.[from.id];
    return positions.flatMap((to, value) => {
      // What springs back can only be let go of.
      const can = back !== undefined ? to.id === back : value !== at && (!PASSING.includes(widget) || Math.abs(value - at) === 1);
      return can ? [{ control: id, to: to.id, name, value }] : [];
    });
  });

/** @param variant one of the drill's other beginnings */
export const machineOf = (drill: Drill, variant?: string): Machine => {
  const controls = drill.controls.map(({ id, positions }): [string, string[]] => [id, positions.map((one) => one.id)]);
  const all = [...controls, ...Object.entries(drill.facts)];
  const named: Names = {
    names: new Map(all.map(([name], i) => [name, i])),
    values: all.map(([, values]) => values),
    clock: new Map(drill.timers.map(({ id }, i) => [id, i])),
  };
  const other = drill.variants.find(({ id }) => id === variant);
  const begins: Readonly<Record<string, string>> = { ...drill.start, ...other?.start };
  const rules = compile(named, drill.rules);
  const machine: Omit<Machine, 'start'> = {
    drill,
    names: named.names,
    values: named.values,
    answers: drill.controls.map(({ id, positions }) =>
      positions.map((position) =>
        rules
          .filter(({ on }) => on?.control === id && on.to === position.id)
          .map((rule) => ({ ...rule, from: rule.on?.from === undefined ? undefined : placeOf(named, id, rule.on.from).value })),
      ),
    ),
    laws: rules.filter(({ on }) => on === undefined),
    timers: drill.timers.map(({ id, marks, runs, clears }) => ({
      id,
      marks,
      runs: compileWhen(named, runs),
      clears: clears === undefined ? never : compileWhen(named, clears),
    })),
    shows: drill.shows.map(({ id, levels }) => ({ id, levels: compile(named, levels).map(({ holds, value }) => ({ holds, value })) })),
    goals: compile(named, drill.goals),
    unsafe: compile(named, drill.unsafe),
    moves: compile(named, drill.moves),
    actions: drill.controls.map((control, name) => movesOf(control, name)),
    rest: compileWhen(named, drill.rest),
    over: drill.over === undefined ? never : compileWhen(named, drill.over),
  };
  const first: DrillState = { at: all.map(([name]) => placeOf(named, name, begins[name]!).value), ran: drill.timers.map(() => 0) };
  return { ...machine, start: settle(machine, first, []) };
};

/** Where a control stands, or what a fact is. */
export const valueIn = ({ names, values }: Machine, { at }: DrillState, name: string): string =>
  values[names.get(name)!]![at[names.get(name)!]!]!;

/** Rules that undo each other for ever are a fault of the drill; it is found when the drill is explored. */
export class Restless extends Error {}
const PATIENCE = 60;

const settle = ({ laws, timers, values, names }: Omit<Machine, 'start'>, from: DrillState, lessons: string[]): DrillState => {
  // Most moments change nothing: a copy is made when something does.
  let state: { at: number[]; ran: number[] } = from as { at: number[]; ran: number[] };
  const own = () => {
    if (state === from) state = { at: [...from.at], ran: [...from.ran] };
    return state;
  };
  for (let pass = 0; pass < PATIENCE; pass += 1) {
    let moved = false;
    for (let i = 0; i < timers.length; i += 1)
      if (state.ran[i] !== 0 && timers[i]!.clears(state)) {
        own().ran[i] = 0;
        moved = true;
      }
    for (const { holds, sets, lesson } of laws) {
      let differs = false;
      for (const { name, value } of sets) if (state.at[name] !== value) differs = true;
      if (!differs || !holds(state)) continue;
      for (const { name, value } of sets) own().at[name] = value;
      if (lesson !== undefined) lessons.push(lesson);
      moved = true;
    }
    if (!moved) return state;
  }
  const told = [...names].map(([name, i]) => `${name} ${values[i]![from.at[i]!]}`);
  throw new Restless(`the rules do not come to rest at ${told.join(', ')}`);
};

const act = (machine: Machine, state: DrillState, name: number, value: number, lessons: string[]): DrillState | undefined => {
  const answers = machine.answers[name]![value]!;
  const from = state.at[name]!;
  for (const answer of answers)
    if (answer.refuse && (answer.from ?? from) === from && answer.holds(state)) {
      if (answer.lesson !== undefined) lessons.push(answer.lesson);
      return undefined;
    }
  const next = { at: [...state.at], ran: state.ran };
  next.at[name] = value;
  for (const answer of answers) {
    if (answer.refuse || (answer.from ?? from) !== from || !answer.holds(next)) continue;
    for (const one of answer.sets) next.at[one.name] = one.value;
    if (answer.lesson !== undefined) lessons.push(answer.lesson);
  }
  return next;
};

/** The first mark a timer has not yet come to. */
export const markAfter = (marks: readonly number[], ran: number): number | undefined => {
  for (const mark of marks) if (mark > ran) return mark;
  return undefined;
};

/** Seconds until a timer that runs comes to its next mark; infinite when none will. */
export const nextMark = ({ timers }: Machine, state: DrillState): number => {
  let least = Infinity;
  for (let i = 0; i < timers.length; i += 1) {
    const mark = markAfter(timers[i]!.marks, state.ran[i]!);
    if (mark !== undefined && mark - state.ran[i]! < least && timers[i]!.runs(state)) least = mark - state.ran[i]!;
  }
  return least;
};

const advance = (machine: Machine, from: DrillState, seconds: number, lessons: string[]): DrillState => {
  let [state, left] = [from, seconds];
  while (left > 0) {
    const dt = Math.min(nextMark(machine, state), left);
    if (dt === Infinity) return state;
    const ran = machine.timers.map(({ marks, runs }, i) => {
      const before = state.ran[i]!;
      const mark = markAfter(marks, before);
      if (mark === undefined || !runs(state)) return before;
      // Exactly on the mark, whatever the sum of small waits came to.
      return mark - before - dt < 1e-9 ? mark : before + dt;
    });
    state = settle(machine, { at: state.at, ran }, lessons);
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

/** A step of which nobody looks at the lamps. */
export const stepUnseen = (machine: Machine, state: DrillState, action: Place | undefined, seconds: number): Omit<Stepped, 'observed'> => {
  const lessons: string[] = [];
  const moved = action === undefined ? state : act(machine, state, action.name, action.value, lessons);
  const next = advance(machine, moved === undefined || action === undefined ? state : settle(machine, moved, lessons), seconds, lessons);
  return { state: next, lessons, refused: moved === undefined };
};

/**
 * Makes a move, then lets time pass. The same however a wait is cut into pieces.
 * @param seconds what passes after the move
 */
export const step = (machine: Machine, state: DrillState, action: Action | undefined, seconds: number): Stepped => {
  const stepped = stepUnseen(machine, state, action && placeOf(machine, action.control, action.to), seconds);
  return { ...stepped, observed: observe(machine, stepped.state) };
};

/** Every move there is: each control to each position it can be brought to from where it stands. */
export const actionsIn = ({ actions }: Machine, { at }: DrillState): readonly Move[] => actions.flatMap((moves, name) => moves[at[name]!]!);
