import fc from 'fast-check';
import anyBoat from '../../../starters/classes/any-boat.json';
import canal from '../../../starters/classes/canal-12.json';
import cruiser from '../../../starters/classes/cruiser-10.json';
import electric from '../../../starters/classes/electric-5.json';
import houseboat from '../../../starters/classes/houseboat-14.json';
import liveAboard from '../../../starters/classes/live-aboard.json';
import rib from '../../../starters/classes/rib-6.json';
import { Drill } from '../fleet/drills';
import { examine } from './explore';
import { actionsIn, type DrillState, type Machine, machineOf, step } from './machine';
import { Pilot } from './way';

const SHIPPED = [anyBoat, liveAboard, rib, electric, houseboat, canal, cruiser].flatMap(({ drills }) =>
  (drills as unknown[]).map((one) => Drill.parse(one)),
);
const drill = (id: string) => SHIPPED.find((one) => one.id === id)!;
const byName = SHIPPED.map((one) => [one.id, one] as const);

/** A state, however its timers stand, that somebody could have come to by playing about. */
const wander = (machine: Machine, choices: readonly { pick: number; seconds: number }[]): { state: DrillState; lessons: string[] } => {
  let state = machine.start;
  const lessons: string[] = [];
  for (const { pick, seconds } of choices) {
    if (machine.over(state)) break;
    const actions = actionsIn(machine, state);
    const stepped = step(machine, state, actions[pick % actions.length], seconds);
    state = stepped.state;
    lessons.push(...stepped.lessons);
  }
  return { state, lessons };
};
const choices = fc.array(fc.record({ pick: fc.nat(30), seconds: fc.constantFrom(0, 0, 0.7, 3, 5, 12, 61, 300) }), { maxLength: 25 });

describe('every shipped drill', () => {
  const looked: string[] = [];
  afterAll(() => console.log(looked.join('\n')));

  it.each(byName)('%s: rest and goals can be come to from everywhere, nothing unsafe passes without its lesson', (_, one) => {
    const found = examine(one);
    looked.push(`${one.id}: ${found.states} states, ${found.lessons} lessons`);
    expect(found).toMatchObject({ capped: false, faults: [], lessons: one.lessons.length });
  });

  it.each(byName)('%s: shown move by move it is passed without a mistake, and every move has its words', (_, one) => {
    for (const variant of [undefined, ...one.variants.map(({ id }) => id)]) {
      const machine = machineOf(one, variant);
      const pilot = new Pilot(machine);
      let state = machine.start;
      const wrong: string[] = [];
      let moves = 0;
      for (let goal = 0; goal < machine.goals.length; goal += 1)
        for (let next = pilot.next(state, goal); next && moves < 80; next = pilot.next(state, goal)) {
          expect([one.id, next.action, next.move?.say.en]).toEqual([one.id, next.action, expect.any(String)]);
          const stepped = step(machine, state, next.action, next.seconds);
          state = stepped.state;
          wrong.push(...stepped.lessons.filter((id) => one.lessons.find((lesson) => lesson.id === id)?.weight !== 'note'));
          moves += 1;
        }
      expect([one.id, variant, wrong]).toEqual([one.id, variant, []]);
      expect(machine.goals[machine.goals.length - 1]!.holds(state)).toBe(true);
    }
  });

  it.each(byName)('%s: a wait is the same however it is cut into pieces (property)', (_, one) => {
    const machine = machineOf(one);
    fc.assert(
      fc.property(
        choices,
        fc.double({ min: 0, max: 400, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (way, seconds, cut) => {
          const { state } = wander(machine, way);
          const whole = step(machine, state, undefined, seconds);
          const first = step(machine, state, undefined, seconds * cut);
          const second = step(machine, first.state, undefined, seconds - seconds * cut);
          expect(second.state.at).toEqual(whole.state.at);
          second.state.ran.forEach((ran, i) => expect(ran).toBeCloseTo(whole.state.ran[i]!, 6));
          expect([...first.lessons, ...second.lessons]).toEqual(whole.lessons);
        },
      ),
      { numRuns: 60 },
    );
  });

  it.each(byName)('%s: from wherever somebody has got to, the next moves lead to the goal (property)', (_, one) => {
    const machine = machineOf(one);
    const pilot = new Pilot(machine);
    fc.assert(
      fc.property(choices, fc.nat(), (way, which) => {
        let { state } = wander(machine, way);
        const goal = which % machine.goals.length;
        if (machine.over(state)) return;
        for (let moves = 0; moves < 60 && !machine.goals[goal]!.holds(state); moves += 1) {
          const next = pilot.next(state, goal)!;
          state = step(machine, state, next.action, next.seconds).state;
        }
        expect(machine.goals[goal]!.holds(state)).toBe(true);
      }),
      { numRuns: 25 },
    );
  });
});

/** Every text of a value, wherever it stands, as language and words. */
const texts = (value: unknown): [string, string][] =>
  typeof value !== 'object' || value === null
    ? []
    : Object.entries(value).flatMap(([key, inner]): [string, string][] => (typeof inner === 'string' ? [[key, inner]] : texts(inner)));

it('no language calls a switch open when it is off, gear neuter, or the engine by the word for you', () => {
  const WRONG: Record<string, RegExp> = {
    fr: /\bneutre\b|oupe-circuit (principal )?(ouvert|fermé)|^Elle (part|tourne|démarre|vibre)/,
    es: /\bneutro\b|ortacorriente (está )?(abierto|cerrado)|^(Arránquela|Encenderla)/,
    de: /(^|[.:] )Sie (läuft|dreht|steht|startet|brennt|kühlt|liegt)\b/,
  };
  expect(texts(SHIPPED).filter(([language, words]) => WRONG[language]?.test(words))).toEqual([]);
});

/** Plays moves such as `key>run`, or waits such as `12`; gives what was learnt and what is seen at the end. */
const play = (id: string, moves: string, variant?: string) => {
  const machine = machineOf(drill(id), variant);
  let state = machine.start;
  let seen = step(machine, state, undefined, 0).observed;
  const lessons: string[] = [];
  for (const move of moves.split(' ')) {
    const [control = '', to] = move.split('>');
    const stepped = to === undefined ? step(machine, state, undefined, Number(move)) : step(machine, state, { control, to }, 0);
    ({ state, observed: seen } = stepped);
    lessons.push(...stepped.lessons);
  }
  return { lessons, seen, reached: machine.goals.map(({ holds }) => holds(state)) };
};

describe('the canal diesel, as it is on the boat', () => {
  const READY = 'isolator>on stop>home clutch>out lever>a-little';

  it('cold and not preheated she turns, smokes and does not start; preheated she does', () => {
    expect(play('canal-diesel', `${READY} key>run key>start 4 key>run`).lessons).toEqual(['not-preheated']);
    const right = play('canal-diesel', `${READY} key>heat 12 key>off key>run key>start 3 key>run 2 look>looked lever>idle clutch>in`);
    expect([right.lessons, right.reached]).toEqual([[], [true, false]]);
  });

  it('preheat that is cut short, or left too long ago, is none', () => {
    expect(play('canal-diesel', `${READY} key>heat 11 key>off key>run key>start 4`).lessons).toEqual(['not-preheated']);
    expect(play('canal-diesel', `${READY} key>heat 12 key>off 25 key>run key>start 4`).lessons).toEqual(['not-preheated']);
  });

  it('warm she starts at once; with the stop knob still pulled never', () => {
    expect(play('canal-diesel', `${READY} key>run key>start 3 key>run`, 'warm').seen.sound?.value).toBe('runs');
    expect(play('canal-diesel', 'isolator>on clutch>out lever>a-little key>run key>start 9', 'warm').lessons).toEqual(['knob-pulled']);
  });

  it('the charge lamp waits for a rev, and the buzzer before oil pressure is no fault', () => {
    const started = play('canal-diesel', `${READY} key>run key>start 3`, 'warm');
    expect(started.seen.charge).toEqual({ value: 'on', level: 0 });
    const lamp = drill('canal-diesel').shows.find(({ id }) => id === 'charge')!;
    expect(lamp.levels[0]!.normal?.en).toContain('first rev');
    expect(play('canal-diesel', `${READY} key>run key>start 3 key>run 2`, 'warm').seen.charge).toBeUndefined();
    expect(play('canal-diesel', 'isolator>on key>run').seen.buzz?.value).toBe('beep');
  });

  it('is stopped by the knob, not by the key', () => {
    const running = `${READY} key>run key>start 3 key>run 2 look>looked lever>idle clutch>in`;
    expect(play('canal-diesel', `${running} key>off`, 'warm')).toMatchObject({
      lessons: ['key-before-knob'],
      seen: { buzz: { value: 'alarm' } },
    });
    expect(play('canal-diesel', `${running} stop>pulled key>off stop>home`, 'warm').reached).toEqual([false, true]);
  });
});

describe('shore power', () => {
  const ON = 'source>off post>off boat-end>in shore-end>in post>on source>shore test>pressed test>rest';
  it('goes in by the boat end, the shore end and the breaker, and out the other way round', () => {
    expect(play('shore-power', ON)).toMatchObject({ lessons: [], reached: [true, false] });
    expect(play('shore-power', `${ON} source>off post>off shore-end>out boat-end>out source>inverter`)).toMatchObject({
      lessons: [],
      reached: [false, true],
    });
  });
  it.each([
    ['the shore end before the boat end', 'post>off shore-end>in', 'boat-end-first'],
    ['the boat end out before the shore end', `${ON} source>off post>off boat-end>out`, 'shore-end-out-first'],
    ['a plug while the post is on', 'boat-end>in shore-end>in', 'live-plug'],
  ])('says what is wrong with %s', (_, moves, lesson) => {
    expect(play('shore-power', moves).lessons).toContain(lesson);
  });
});
