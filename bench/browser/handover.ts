import { compose } from '@quay/core/briefing/compose';
import type { Point } from '@quay/core/fleet/points';
import { giveJackets, type Rack } from '@quay/core/party/assignment';
import type { Person } from '@quay/core/party/people';
import type { RuleSet } from '@quay/core/party/rules';

/** Runs in the browser: fit of a large party, and a briefing from many points, each timed by itself, ms. */

const rules: RuleSet = {
  format: 'quay-rules/1',
  id: 'bench',
  name: { en: 'Bench' },
  about: { en: 'Bench' },
  childUnder: 12,
  wear: [],
  newtons: { well: 50, weakly: 100, not: 150, child: 100, towed: 50 },
  selfInflating: { fromAge: 16, fromKg: 40 },
  handInflating: { fromAge: 16, swims: ['well'] },
  driver: { fromAge: 18, licence: false },
  lookout: { needed: true, fromAge: 14 },
};
const people = Array.from({ length: 12 }, (_, i): Person => ({
  id: `p${i}`,
  name: '',
  age: 4 + i * 6,
  massKg: 14 + i * 8,
  swims: i % 3 === 0 ? 'weakly' : 'well',
}));
// Thirty jackets of thirty makes: nothing can be told apart by make alone.
const racks = Array.from({ length: 30 }, (_, i): Rack => ({
  fitting: `f${i}`,
  where: i % 4 === 0 ? 'store' : 'aboard',
  count: 1,
  jacket: {
    kind: i % 5 === 0 ? 'selfInflating' : 'foam',
    fromKg: (i % 10) * 10,
    toKg: (i % 10) * 10 + 20 + (i % 3) * 30,
    newtons: i % 2 ? 100 : 150,
  },
}));
const points = Array.from({ length: 150 }, (_, i): Point => ({
  id: `t${i}`,
  station: `s${i % 9}`,
  weight: i % 4 === 0 ? 'must' : i % 4 === 1 ? 'spare' : 'should',
  seconds: 8 + ((i * 7) % 40),
  value: 1 + ((i * 13) % 50),
  say: { en: 'x' },
  ...(i % 3 === 0 ? { when: { all: [{ fact: 'party.children', atLeast: 1 }, { not: { fact: 'hire.nights', atLeast: 5 } }] } } : {}),
}));
const facts = { 'party.children': 2, 'hire.nights': 1 };

const times = (work: () => unknown): number[] =>
  Array.from({ length: 60 }, () => {
    const began = performance.now();
    work();
    return performance.now() - began;
  }).slice(10);

export const measured = {
  fit: times(() => giveJackets(people, racks, rules)),
  // An hour: room for most of it, so that the choice is a hard one.
  compose: times(() => compose({ points, facts, secondsThere: 3600 - 900 })),
};
