import { crewFaults, overloads, roomWhile, wearsWhen } from './aboard';
import type { Person } from './people';
import type { RuleSet } from './rules';

const rules: RuleSet = {
  format: 'quay-rules/1',
  id: 'sound',
  name: { en: 'Sound' },
  about: { en: 'Everyone under way.' },
  childUnder: 16,
  wear: [
    { who: 'everyone', when: ['moving'] },
    { who: { underAge: 8 }, when: ['anchored', 'idling'] },
    { who: { swims: ['not'] }, when: ['swimmers'] },
    { who: 'towed', when: ['swimmers'] },
  ],
  newtons: { well: 100, weakly: 150, not: 150, child: 100, towed: 50 },
  selfInflating: { fromAge: 16, fromKg: 40 },
  handInflating: { fromAge: 18, swims: [] },
  driver: { fromAge: 18, licence: true },
  lookout: { needed: true, fromAge: 14 },
};
const one = (more: Partial<Person> = {}): Person => ({ id: 'p', name: '', age: 40, massKg: 80, swims: 'well', ...more });

describe('who wears a jacket, and when', () => {
  it('follows the rules as data', () => {
    expect(wearsWhen(one(), rules)).toEqual(['moving']);
    expect(wearsWhen(one({ age: 5, swims: 'not' }), rules)).toEqual(['moving', 'idling', 'anchored', 'swimmers']);
    expect(wearsWhen(one({ towed: true }), rules)).toEqual(['moving', 'swimmers']);
    // Somebody whose age nobody told may be a child.
    const { age: _, ...ageless } = one();
    expect(wearsWhen(ageless, rules)).toEqual(['moving', 'idling', 'anchored']);
  });
});

describe('plate and decks', () => {
  const plate = { people: 4, loadKg: 300 };
  const decks = [
    { id: 'main', name: { en: 'Main deck' }, people: 3 },
    { id: 'roof', name: { en: 'Roof' }, people: 2, never: ['moving' as const] },
  ];
  it('lets heads and load stand up to their limits, not over', () => {
    const party = (n: number, massKg: number) => Array.from({ length: n }, (_, i) => one({ id: `p${i}`, massKg }));
    expect(overloads(party(4, 75), plate, [])).toEqual([]);
    expect(overloads(party(5, 40), plate, [])).toEqual([{ is: 'heads', have: 5, may: 4 }]);
    expect(overloads(party(4, 76), plate, [])).toEqual([{ is: 'load', haveKg: [304, 304], mayKg: 300, sure: true }]);
    // By size alone they may or may not be too heavy together.
    const bySize = party(4, 0).map(({ massKg: _, ...rest }): Person => ({ ...rest, size: 'medium' }));
    expect(overloads(bySize, plate, [])).toEqual([{ is: 'load', haveKg: [240, 320], mayKg: 300, sure: false }]);
  });
  it('counts only the decks that are open while she does something', () => {
    expect(roomWhile('moving', plate, decks)).toBe(3);
    expect(roomWhile('anchored', plate, decks)).toBe(4);
    expect(
      overloads(
        [one(), one(), one(), one()].map((p, i) => ({ ...p, id: `p${i}`, massKg: 50 })),
        plate,
        decks,
      ),
    ).toEqual([{ is: 'decks', state: 'moving', have: 4, may: 3 }]);
  });
});

describe('driver and lookout', () => {
  it.each([
    ['nobody', [one()], ['noDriver', 'noLookout']],
    [
      'too young, without licence',
      [one({ drives: true, age: 17 }), one({ id: 'q', lookout: true, age: 13 })],
      ['driverTooYoung', 'noLicence', 'lookoutTooYoung'],
    ],
    ['the driver as their own lookout', [one({ drives: true, lookout: true, licence: true })], ['onlyThemselves']],
    ['as it should be', [one({ drives: true, licence: true }), one({ id: 'q', lookout: true })], []],
  ])('%s', (_, people, faults) => {
    expect(crewFaults(people, rules).map(({ is }) => is)).toEqual(faults);
  });
});
