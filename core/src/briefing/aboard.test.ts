import { bookOfDemo, demoCase } from '../testing/demoHire';
import { notAboard } from './aboard';
import { factsOf } from './facts';
import { applies } from './compose';

const boats = {
  electric: bookOfDemo('quiet-pickle', 'any-boat', 'electric-5'),
  houseboat: bookOfDemo('slow-custard', 'any-boat', 'live-aboard', 'houseboat-14'),
  cruiser: bookOfDemo('half-past-heron', 'any-boat', 'live-aboard', 'cruiser-10'),
};
const looked = (boat: keyof typeof boats, query: string) => {
  const book = boats[boat];
  const facts = factsOf({
    boat: { id: 'x', book },
    base: demoCase.base,
    waters: undefined,
    policies: {},
    rules: { childUnder: 12 } as never,
    people: undefined,
    booked: { adults: 2, children: 0 },
    from: demoCase.hire.from,
    to: demoCase.hire.to,
  });
  const here = <T extends { when?: unknown }>({ when }: T) => applies(when as never, facts, book.conditions);
  return notAboard(query, { book, cards: book.fixCards.filter(here), points: book.points.filter(here) });
};

it.each([
  ['toilet', 'toilet'],
  ['where is the fridge', 'fridge'],
  ['la douche ne marche pas', 'douche'],
  ['Bordtoilette', 'bordtoilette'],
  ['el molinete', 'molinete'],
  ['starter', 'starter'],
] as const)('an electric launch has none: %s', (query, word) => {
  expect(looked('electric', query)).toBe(word);
});

it('is silent of what she has, and of what is no part of a boat', () => {
  for (const query of ['toilet', 'Toilette verstopft', 'inodoro', 'generator', 'slide'])
    expect([query, looked('houseboat', query)]).toEqual([query, undefined]);
  expect(looked('cruiser', 'windlass')).toBeUndefined();
  for (const query of ['it beeps', 'how do I dock', '', 'möwe']) expect([query, looked('electric', query)]).toEqual([query, undefined]);
});
