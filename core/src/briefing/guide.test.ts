import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { FixCard, Point } from '../fleet/telling';
import { spelt } from '../waters/spelling';
import { search, stepAfter, stepsOf } from './guide';

const demo = (name: string) =>
  JSON.parse(readFileSync(join(__dirname, '../../../demo/classes', name), 'utf8')) as { fixCards: FixCard[]; points: Point[] };
const [any, live] = [demo('any-boat.json'), demo('live-aboard.json')];
const cards = [...any.fixCards, ...live.fixCards];
const points = [...any.points, ...live.points];
const first = (query: string) => {
  const [hit] = search(query, cards, points);
  return hit && (hit.entry.is === 'card' ? hit.entry.card.id : hit.entry.point.id);
};

describe('looking something up', () => {
  it.each([
    ['toilet', 'toilet'],
    ['beeping', expect.stringMatching(/wont-start|hot|warning-lamp|co-alarm/)],
    ['won’t start', 'wont-start'],
    ['toilettes', 'toilet'],
    ['DEMARRE PAS', 'wont-start'],
    ['möwe', undefined],
    ['gasgeruch', 'gas-smelt'],
    ['fuego', 'fire'],
    ['overboard', 'person-in-water'],
    ['', undefined],
  ])('%s, in whatever language it is typed', (query, id) => {
    expect(first(query)).toEqual(id);
  });
  it('finds only what has every word', () => {
    const hits = search('gas bottle', cards, points);
    expect(hits.length).toBeGreaterThan(0);
    expect(hits.length).toBeLessThan(search('gas', cards, points).length);
  });
});

describe('a fix card, step by step', () => {
  const facts = (school: string) => ({ 'school.personInWater': school });
  const card = cards.find(({ id }) => id === 'person-in-water')!;
  it('follows the school as set, and keeps both where nobody knows', () => {
    expect(stepsOf(card, facts('neutralFirst'))[0]!.id).toBe('neutral');
    expect(stepsOf(card, facts('engineOffFirst'))[0]!.id).toBe('engine-off');
    expect(
      stepsOf(card, {})
        .map(({ id }) => id)
        .slice(0, 2),
    ).toEqual(['neutral', 'engine-off']);
  });
  it('goes where answers lead, passes over what is not for this boat, and ends', () => {
    const steps = stepsOf(card, facts('neutralFirst'));
    const at = (id: string) => steps.find((step) => step.id === id)!;
    expect(stepAfter(card, steps, at('neutral'), undefined)).toBe(at('throw'));
    expect(stepAfter(card, steps, at('reach'), 'pull')).toBe(at('pull'));
    expect(stepAfter(card, steps, at('come'), undefined)).toBe(at('throw'));
    expect(stepAfter(card, steps, at('warm'), 'help')).toBe('help');
    expect(stepAfter(card, steps, at('warm'), 'end')).toBe('end');
  });
  it('from every step of every card there is a way to its end, whatever the school', () => {
    for (const one of cards)
      for (const school of ['a', 'b']) {
        const steps = stepsOf(
          one,
          { ...facts(school === 'a' ? 'neutralFirst' : 'engineOffFirst'), 'boat.kind': school === 'a' ? 'rib' : 'canalBoat' },
          {
            outboard: { fact: 'boat.kind', is: 'rib' },
            diesel: { fact: 'boat.kind', is: 'canalBoat' },
          },
        );
        const ends = new Set<string>();
        // Backwards from the ends, until nothing is added.
        for (let grown = true; grown;) {
          grown = false;
          for (const step of steps) {
            const ways = step.answers?.map(({ to }) => to) ?? [undefined];
            const reaches = ways.some((to) => {
              const next = stepAfter(one, steps, step, to);
              return typeof next === 'string' || ends.has(next.id);
            });
            if (reaches && !ends.has(step.id)) {
              ends.add(step.id);
              grown = true;
            }
          }
        }
        expect([one.id, steps.filter(({ id }) => !ends.has(id)).map(({ id }) => id)]).toEqual([one.id, []]);
      }
  });
});

describe('spelling by radio', () => {
  it('has a word for every letter and figure', () => {
    expect(spelt('OTB104')).toEqual(['Oscar', 'Tango', 'Bravo', 'one', 'zero', 'four']);
    expect(spelt('é-7')).toEqual(['Echo', 'seven']);
    expect(new Set('ABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789'.split('').map((c) => spelt(c)[0])).size).toBe(36);
  });
});
