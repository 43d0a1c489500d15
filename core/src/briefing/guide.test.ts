import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Facts, NamedConditions } from '../fleet/condition';
import { type PolicyTopic, POLICIES } from '../policy/policy';
import type { CardEnd } from '../fleet/cardEnds';
import type { FixCard, FixStep, Point } from '../fleet/points';
import { spelt } from '../waters/spelling';
import { applies } from './compose';
import { search, stepAfter, stepsInVain, stepsOf } from './guide';

const demo = (name: string) =>
  JSON.parse(readFileSync(join(__dirname, '../../../starters/classes', name), 'utf8')) as { fixCards: FixCard[]; points: Point[] };
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
    ['it beeps', expect.stringMatching(/wont-start|hot|warning-lamp|co-alarm/)],
    ['why is my battery empty', 'flat-battery'],
    ['je sens le gaz', expect.stringMatching(/gas/)],
    ['wie funktioniert die Toilette', expect.stringMatching(/toilet/)],
    ['¿qué hago si arde el motor?', expect.stringMatching(/fire|extinguisher/)],
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
  const facts = (policy: string) => ({ 'policy.personInWater': policy });
  const card = cards.find(({ id }) => id === 'person-in-water')!;
  it('follows the policy as set, and keeps both where nobody knows', () => {
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
    expect(stepAfter(card, steps, at('come'), undefined)).toBe(at('again'));
    expect(stepAfter(card, steps, at('warm'), 'help')).toBe('help');
    expect(stepAfter(card, steps, at('told'), undefined)).toBe('ring');
  });
});

/** Every card on every kind of boat under every policy that a card asks about: where it can go from each step. */
describe('every fix card, walked to each of its ends', () => {
  const KINDS = ['pontoon', 'rib', 'houseboat', 'canalBoat', 'riverCruiser', 'electricLaunch'];
  const matters = [...new Set(JSON.stringify(cards).match(/policy\.[a-zA-Z]+/g))].map(
    (fact) => fact.slice('policy.'.length) as PolicyTopic,
  );
  const named = (any as unknown as { conditions: NamedConditions }).conditions;
  const policies = matters.reduce<Record<string, string>[]>(
    (all, matter) => all.flatMap((one) => POLICIES[matter].map((way) => ({ ...one, [`policy.${matter}`]: way }))),
    [{}],
  );
  const boats = KINDS.flatMap((kind) => policies.map((policy) => ({ ...policy, 'boat.kind': kind })));
  type Way = { to: FixStep | CardEnd; answered: boolean };
  const walked = (card: FixCard, facts: Facts) => {
    const steps = stepsOf(card, facts, named);
    const ways = new Map<FixStep, Way[]>();
    const open = steps.slice(0, 1);
    for (let step = open.pop(); step; step = open.pop()) {
      if (ways.has(step)) continue;
      const here = step;
      const on = (here.answers ?? [undefined]).map((answer): Way => ({
        to: stepAfter(card, steps, here, answer?.to),
        answered: answer !== undefined,
      }));
      ways.set(here, on);
      for (const { to } of on) if (typeof to !== 'string') open.push(to);
    }
    return ways;
  };
  it('asks about policies, on every kind of boat', () => {
    expect(matters).toEqual(expect.arrayContaining(['personInWater', 'fire', 'warningLamp', 'carbonMonoxide']));
    expect(boats.length).toBe(KINDS.length * 2 ** matters.length);
  });
  it.each(cards.map((card) => [card.id, card] as const))('%s', (_, card) => {
    for (const facts of boats.filter((one) => applies(card.when, one, named))) {
      const ways = walked(card, facts);
      expect(ways.size).toBeGreaterThan(0);
      // Steps from which a call can still be reached, backwards until nothing is added.
      const helped = new Set<FixStep>();
      for (let grown = true; grown;) {
        grown = false;
        for (const [step, on] of ways)
          if (!helped.has(step) && on.some(({ to }) => (typeof to === 'string' ? to !== 'end' : helped.has(to)))) {
            helped.add(step);
            grown = true;
          }
      }
      expect([...ways.keys()].filter((step) => !helped.has(step)).map(({ id }) => id)).toEqual([]);
      // It is over without a call only where somebody has answered that all is well, and never where it was urgent.
      const over = [...ways].flatMap(([step, on]) =>
        on.filter(({ to }) => to === 'end').map(({ answered }) => ({ step: step.id, answered })),
      );
      expect(over.filter(({ answered }) => !answered)).toEqual([]);
      if (card.urgent) expect(over).toEqual([]);
      // Nobody goes round for ever: every way of answers comes to an end without passing a step twice.
      const round = (step: FixStep, before: readonly FixStep[]): boolean =>
        before.includes(step) || ways.get(step)!.some(({ to }) => typeof to !== 'string' && round(to, [...before, step]));
      expect(round([...ways.keys()][0]!, [])).toBe(false);
    }
  });
  it('speaks only of what the boat has', () => {
    const texts = (id: string, kind: string) =>
      [
        ...walked(
          cards.find((card) => card.id === id)!,
          { 'boat.kind': kind },
        ).keys(),
      ]
        .map(({ say }) => say.en!)
        .join(' ');
    expect(texts('wont-start', 'electricLaunch')).not.toMatch(/starter|fuel|preheat|kill cord/i);
    expect(texts('wont-start', 'canalBoat')).not.toMatch(/kill cord|bulb/i);
    expect(texts('hot', 'canalBoat')).not.toMatch(/leg up|sea-cock/i);
    expect(texts('hot', 'riverCruiser')).toMatch(/Sea-cock shut first.*lid off/);
    expect(applies(cards.find(({ id }) => id === 'hot')!.when, { 'boat.kind': 'electricLaunch' }, named)).toBe(false);
  });
});

describe('what the cards say where it can cost a life', () => {
  const card = (id: string) => cards.find((one) => one.id === id)!;
  const said = (id: string, step: string) => card(id).steps.find((one) => one.id === step)!.say.en!;
  const cautions = (id: string) =>
    card(id)
      .cautions!.map(({ en }) => en!)
      .join(' ');
  it('gas: no switch either way, the valve only at once, ashore and upwind, and not to the locker', () => {
    expect(cautions('gas-smelt')).toMatch(/No switch, on or off/);
    expect(said('gas-smelt', 'valve')).toMatch(/only if you reach it at once/);
    expect(said('gas-smelt', 'ashore')).toMatch(/upwind.*away from the locker/);
    expect(JSON.stringify(card('gas-smelt'))).not.toMatch(/at the bow/);
  });
  it('somebody in the water: neutral or engine off and pointing first, jackets after', () => {
    const order = card('person-in-water').steps.map(({ id }) => id);
    expect(order.slice(0, 3)).toEqual(['neutral', 'engine-off', 'throw']);
    for (const id of ['neutral', 'engine-off']) expect(said('person-in-water', id)).toMatch(/points at them/);
    expect(cautions('person-in-water')).not.toMatch(/jackets/i);
    expect(cautions('person-in-water')).toMatch(/eyes on them.*Engine off before they are near the stern/);
    expect(said('person-in-water', 'throw')).toMatch(/jackets/);
  });
  it('lamps: throttle in neutral is for the charge lamp alone', () => {
    expect(
      card('warning-lamp')
        .steps.filter(({ say }) => /throttle/.test(say.en!))
        .map(({ id }) => id),
    ).toEqual(['charge']);
    expect(said('warning-lamp', 'oil')).toMatch(/^Engine off at once/);
  });
  it('carbon monoxide: out first, and nobody goes back in', () => {
    for (const id of ['out', 'out-phone']) expect(said('co-alarm', id)).toMatch(/^Everyone out/);
    expect(said('co-alarm', 'out')).toMatch(/only if it can be done from outside/);
    expect(cautions('co-alarm')).toMatch(/nobody goes back in/);
  });
  it('fire: what it may be used on, a way out, gas and fuel and batteries, the second bottle, the cover shut', () => {
    expect(cautions('fire')).toMatch(/way out behind you/);
    expect(said('fire', 'shut')).toMatch(/gas.*fuel.*isolator/);
    expect(said('fire', 'small')).toMatch(/Read on the extinguisher.*second/);
    expect(said('fire', 'engine')).toMatch(/cover shut/);
    const clear = stepsOf(card('fire'), { 'policy.fire': 'clearAWay' }).map(({ id }) => id);
    expect(clear).toContain('clear');
    expect(clear).not.toContain('small');
  });
  it('shore power: boat end, shore end, breaker, and back in reverse, on the card as in the briefing', () => {
    expect(cautions('no-mains')).toMatch(/In: boat end, shore end, breaker\. Out: breaker, shore end, boat end/);
    expect(points.find(({ id }) => id === 'shore-power')!.say.en).toMatch(
      /boat end in, shore end in, breaker on\. Off: breaker, shore end, boat end/,
    );
  });
  it('no book of the demonstration lacks a language in what it warns of', () => {
    for (const { say } of cards.flatMap(({ steps }) => steps)) expect(Object.keys(say).sort()).toEqual(['de', 'en', 'es', 'fr']);
    for (const caution of cards.flatMap((one) => one.cautions ?? [])) expect(Object.keys(caution).sort()).toEqual(['de', 'en', 'es', 'fr']);
  });
});

describe('spelling by radio', () => {
  it('has a word for every letter and figure', () => {
    expect(spelt('OTB104')).toEqual(['Oscar', 'Tango', 'Bravo', 'one', 'zero', 'four']);
    expect(spelt('é-7')).toEqual(['Echo', 'seven']);
    expect(new Set('ABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789'.split('').map((c) => spelt(c)[0])).size).toBe(36);
  });
});

describe('steps in vain', () => {
  const say = { en: 'say', fr: 'dire', de: 'sagen', es: 'decir' };
  const card = (...steps: Omit<FixStep, 'say'>[]): FixCard => ({ id: 'c', name: say, steps: steps.map((step) => ({ ...step, say })) });
  const inVain = (...steps: Omit<FixStep, 'say'>[]) => stepsInVain(card(...steps)).map(({ id }) => id);

  it('are none on the cards that ship', () => {
    for (const one of cards) expect([one.id, stepsInVain(one)]).toEqual([one.id, []]);
  });

  it('are those that no answer leads to and nobody falls through to', () => {
    expect(inVain({ id: 'a', to: 'c' }, { id: 'b' }, { id: 'c', to: 'end' }, { id: 'd', to: 'b' })).toEqual(['b', 'd']);
    expect(
      inVain(
        {
          id: 'a',
          answers: [
            { say, to: 'b' },
            { say, to: 'ring' },
          ],
        },
        { id: 'b', to: 'a' },
        { id: 'c' },
      ),
    ).toEqual(['c']);
    expect(inVain({ id: 'a' }, { id: 'b' })).toEqual([]);
  });

  it('are none that stand in for a step which is not for every boat', () => {
    expect(inVain({ id: 'a', when: { fact: 'party.adults', atLeast: 2 }, to: 'c' }, { id: 'b' }, { id: 'c' })).toEqual([]);
  });
});
