import { Drill } from '../fleet/drills';
import { examine, explore } from './explore';
import { machineOf, step } from './machine';

const name = { en: 'x' };
/** An engine that starts in neutral, burns out when it is cranked too long, and stops by its key. */
const plain: Drill = Drill.parse({
  id: 'plain',
  name,
  intro: name,
  controls: [
    { id: 'lever', name, widget: 'lever', positions: [{ id: 'neutral' }, { id: 'ahead' }] },
    { id: 'key', name, widget: 'key', positions: [{ id: 'off' }, { id: 'run' }, { id: 'start' }], springs: { start: 'run' } },
  ],
  facts: { engine: ['off', 'running'] },
  timers: [{ id: 'crank', runs: { key: 'start' }, clears: { key: { not: 'start' } }, marks: [2] }],
  start: { lever: 'ahead', key: 'off', engine: 'off' },
  rules: [
    { id: 'in-gear', on: { control: 'key', to: 'start' }, when: { lever: 'ahead' }, lesson: 'in-gear' },
    { id: 'fires', when: { engine: 'off', key: 'start', lever: 'neutral', crank: { atLeast: 2 } }, set: { engine: 'running' } },
    { id: 'off', when: { engine: 'running', key: 'off' }, set: { engine: 'off' } },
    { id: 'gear', on: { control: 'lever', to: 'ahead' }, when: { engine: 'running' }, lesson: 'gear' },
  ],
  lessons: [
    { id: 'in-gear', weight: 'wrong', say: name },
    { id: 'gear', weight: 'danger', say: name },
  ],
  goals: [
    { id: 'running', say: name, when: { engine: 'running', key: 'run', lever: 'neutral' } },
    { id: 'stopped', say: name, when: { engine: 'off', key: 'off' } },
  ],
  unsafe: [{ id: 'gear', when: { engine: 'running', lever: 'ahead' }, lesson: 'gear' }],
  rest: { engine: 'off' },
  moves: [{ control: 'key', to: 'run', say: name }],
});
/** Faults in words; those that say a way say it in the words of their moves. */
const faultsOf = (change: Partial<Drill>) =>
  examine({ ...plain, ...change }).faults.map(({ path, reason, way }) => {
    const moves = way?.moves.map((move) => (move ? `${move.control} → ${move.to}` : 'wait')).join(', ') ?? '';
    expect(reason.endsWith(moves)).toBe(true);
    expect(way !== undefined || !reason.includes('→')).toBe(true);
    return { path, reason };
  });

describe('examining a drill', () => {
  it('finds nothing wrong with one that is right, and every state of it by hand', () => {
    expect(examine(plain)).toEqual({ states: 13, lessons: 2, capped: false, faults: [] });
    // Engine off: key off, run or just turned to start, lever either way, and held at start in gear: 7. Engine running: key
    // at run, still held, or turned to start once more, lever either way: 6.
    const { states } = explore(machineOf(plain));
    expect(states).toHaveLength(13);
  });

  it('keys and levers pass through what lies between, and what springs back can only be let go of', () => {
    const machine = machineOf(plain);
    const { edges, states } = explore(machine);
    const moves = (i: number) => edges[i]!.flatMap(({ action }) => (action ? [`${action.control}>${action.to}`] : ['wait'])).sort();
    expect(moves(0)).toEqual(['key>run', 'lever>neutral']);
    const held = states.findIndex((state) => machine.actions[1]![state.at[1]!]![0]?.to === 'run' && state.at[1] === 2);
    expect(moves(held)).toEqual(['key>run', 'lever>neutral', 'wait']);
  });

  it('refuses one that can trap, with the way into it', () => {
    const seizes = { id: 'seizes', on: { control: 'key', to: 'off' }, when: { engine: 'running' }, set: { engine: 'seized' } };
    const faults = faultsOf({
      facts: { engine: ['off', 'running', 'seized'] },
      rules: [seizes, ...plain.rules],
      rest: { engine: ['off', 'seized'] },
    });
    expect(faults).toEqual([
      { path: 'goals[running]', reason: expect.stringMatching(/^cannot be reached any more: .*key → start.*wait.*key → off$/) as string },
      { path: 'goals[stopped]', reason: expect.stringContaining('cannot be reached any more') as string },
      { path: 'goals[stopped]', reason: expect.stringContaining('cannot be reached without a mistake') as string },
    ]);
    // A try that is over is no trap: it is begun anew.
    expect(
      faultsOf({
        facts: { engine: ['off', 'running', 'seized'] },
        rules: [...plain.rules, { ...seizes, when: { engine: 'running', lever: 'ahead' } }],
        over: { engine: 'seized' },
        rest: { engine: ['off', 'seized'] },
      }),
    ).toEqual([]);
  });

  it('refuses one whose engine cannot be stopped from everywhere', () => {
    const faults = faultsOf({ rules: plain.rules.filter(({ id }) => id !== 'off'), goals: [plain.goals[0]!] });
    expect(faults).toContainEqual({ path: 'rest', reason: expect.stringContaining('cannot be come to from everywhere') as string });
  });

  it('refuses one that lets an unsafe state pass without its lesson, with the move that does', () => {
    const faults = faultsOf({
      rules: plain.rules.filter(({ id }) => id !== 'gear'),
      lessons: [plain.lessons[0]!, { ...plain.lessons[1]!, id: 'gear' }],
    });
    expect(faults[0]).toEqual({
      path: 'unsafe[gear]',
      reason: expect.stringMatching(/without its lesson “gear”: .*lever → ahead$/) as string,
    });
    expect(faults[1]).toEqual({ path: 'lessons[gear]', reason: 'is never met' });
    expect(faultsOf({ start: { lever: 'ahead', key: 'run', engine: 'running' } })).toContainEqual({
      path: 'unsafe[gear]',
      reason: expect.stringContaining('holds from the beginning') as string,
    });
  });

  it('refuses rules that undo each other for ever, and more states than can be looked at', () => {
    const flip = [
      { id: 'a', when: { engine: 'off', key: 'run' }, set: { engine: 'running' } },
      { id: 'b', when: { engine: 'running', key: 'run' }, set: { engine: 'off' } },
    ];
    expect(faultsOf({ rules: flip })[0]).toMatchObject({ path: 'rules', reason: expect.stringContaining('do not come to rest') as string });
    expect(examine(plain, 5)).toMatchObject({ capped: true, faults: [{ path: '(whole)' }] });
  });

  it('refuses names and values that are not there, by path', () => {
    expect(
      faultsOf({
        start: { lever: 'sideways', key: 'off' },
        rules: [
          { id: 'r', on: { control: 'wheel', to: 'left' }, when: { crank: { atLeast: 3 } }, set: { engine: 'purring' }, lesson: 'none' },
        ],
        moves: [{ wait: 'tea', say: name }],
      }).map(({ path, reason }) => `${path}: ${reason}`),
    ).toEqual([
      'start: “lever” is never “sideways”',
      'start: does not say what “engine” is',
      'rules[r].on: there is no control or fact “wheel”',
      'rules[r].when: 3 s is no mark of “crank”',
      'rules[r].set: “engine” is never “purring”',
      'rules[r].lesson: there is no lesson “none”',
      'moves[0]: there is no timer “tea”',
    ]);
  });
});

describe('a step', () => {
  it('leaves a control where it is when its move is refused, and says why', () => {
    const locked = machineOf({
      ...plain,
      rules: [{ id: 'l', on: { control: 'key', to: 'run' }, when: { lever: 'ahead' }, refuse: true, lesson: 'in-gear' }, ...plain.rules],
    });
    const stepped = step(locked, locked.start, { control: 'key', to: 'run' }, 0);
    expect([stepped.refused, stepped.lessons, stepped.state]).toEqual([true, ['in-gear'], locked.start]);
  });
});
