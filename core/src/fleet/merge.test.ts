import fc from 'fast-check';
import type { BoatBook, ClassBook } from './book';
import { untranslated } from '../words/languages';
import { mergeBooks, lineageOf, pathOf } from './merge';
import { routeOf } from './route';

const shared: ClassBook = {
  format: 'quay-class-book/1',
  id: 'pontoon',
  name: 'Pontoon',
  kind: 'pontoon',
  plan: { lengthM: 7, beamM: 2.5, strokes: [{ draw: 'box', at: [0, -1], size: [7, 2] }] },
  plate: { people: 10, loadKg: 800 },
  engine: { kind: 'outboard', burnLPerHour: 9 },
  stations: [
    { id: 'bow', name: { en: 'Bow' }, at: [6, 0] },
    { id: 'stern', name: { en: 'Stern' }, at: [0.5, 0] },
  ],
  fittings: [
    { id: 'jacket', station: 'bow', name: { en: 'Jackets' }, kind: 'required', count: 8 },
    { id: 'fender', station: 'stern', name: { en: 'Fenders' }, kind: 'required', count: 4 },
  ],
  points: [{ id: 'gate', station: 'bow', weight: 'must', seconds: 20, say: { en: 'Shut the gate.' } }],
};
const own = (more: Partial<BoatBook> = {}): BoatBook => ({
  format: 'quay-boat-book/1',
  id: 'bun',
  class: 'pontoon',
  name: 'Bun',
  base: 'quay',
  hullNumber: '1',
  ...more,
});
const faults = (boat: BoatBook, ...lineage: ClassBook[]) => {
  const resolved = mergeBooks(lineage.length > 0 ? lineage : [shared], boat);
  return resolved.ok ? [] : resolved.faults.map(({ book, path, reason }) => `${book}: ${path}: ${reason}`);
};

describe('a boat book merged over its class book', () => {
  it('changes the fields it names, takes rows away and adds its own, and says where each row comes from', () => {
    const resolved = mergeBooks(
      [shared],
      own({
        fittings: [
          { id: 'jacket', count: 9 },
          { id: 'fender', absent: true },
          { id: 'horn', station: 'bow', name: { en: 'Horn' }, kind: 'required', count: 1 },
        ],
      }),
    );
    if (!resolved.ok) throw new Error('does not resolve');
    expect(resolved.book.fittings.map(({ id, count }) => [id, count])).toEqual([
      ['jacket', 9],
      ['horn', 1],
    ]);
    expect(routeOf(resolved.book).map(({ station, fittings }) => [station.id, fittings.length])).toEqual([
      ['bow', 2],
      ['stern', 0],
    ]);
    expect([...resolved.origins.fittings]).toEqual([
      ['jacket', { book: 'bun', is: 'changed' }],
      ['horn', { book: 'bun', is: 'brought' }],
    ]);
    expect(resolved.origins.points.get('gate')).toEqual({ book: 'pontoon', is: 'brought' });
  });

  it('puts rows where they are asked to stand, whatever the order of asking', () => {
    const ids = ['a', 'b', 'c', 'd', 'e'];
    const row = (id: string) => ({ id, station: 'bow', name: { en: id }, kind: 'required', count: 1 });
    fc.assert(
      fc.property(fc.shuffledSubarray(ids, { minLength: 5 }), (wanted) => {
        // Each moved behind the one that is to stand before it, from the first on.
        const moves = wanted.map((id, i) => ({ id, after: i === 0 ? null : wanted[i - 1]! }));
        const resolved = mergeBooks([{ ...shared, fittings: ids.map(row) }], own({ fittings: moves }));
        expect(resolved.ok && resolved.book.fittings.map(({ id }) => id)).toEqual(wanted);
      }),
    );
  });

  it('reports everything that is wrong, by book and path', () => {
    expect(
      faults(
        own({
          fittings: [
            { id: 'rope', absent: true },
            { id: 'jacket', count: 'many' },
          ],
          points: [{ id: 'gate', seconds: 0 }],
        }),
      ),
    ).toEqual([
      'bun: fittings[rope]: is said to be absent, but there is no such row below',
      expect.stringMatching(/^bun: fittings\[jacket\]\.count: /),
      expect.stringMatching(/^bun: points\[gate\]\.seconds: /),
    ]);
    expect(faults(own({ fittings: [{ id: 'jacket', station: 'mast' }] }))).toEqual([
      'bun: fittings[jacket].station: there is no station “mast”',
    ]);
    // What a class says wrong is the class's to put right.
    expect(faults(own(), { ...shared, points: [{ ...shared.points![0]!, station: 'mast' }] })).toEqual([
      'pontoon: points[gate].station: there is no station “mast”',
    ]);
    expect(faults(own(), { ...shared, points: [...shared.points!, ...shared.points!] })).toEqual([
      'pontoon: points[gate]: this id is used twice',
    ]);
    expect(
      faults(own(), { ...shared, gauges: [{ id: 'g', station: 'bow', name: { en: 'G' }, reads: 'needle', tank: 'none', min: 1, max: 1 }] }),
    ).toEqual(['pontoon: gauges[g].tank: there is no tank “none”', 'pontoon: gauges[g].max: must be above min']);
    expect(faults(own({ conditions: { a: { named: 'b' }, b: { named: 'a' } } }))).toEqual([
      'bun: conditions.a: leads in a circle: a → b → a',
    ]);
    expect(
      faults(
        own({
          fixCards: [
            {
              id: 'hot',
              name: { en: 'Hot' },
              steps: [
                { id: 'one', say: { en: 'Stop.' }, to: 'two' },
                { id: 'ring', say: { en: 'Ring.' }, to: 'help' },
              ],
            },
          ],
          points: [
            {
              id: 'gate',
              when: { fact: 'moon', is: 1 },
              questions: [
                {
                  id: 'q',
                  ask: { en: '?' },
                  answers: [
                    { id: 'a', say: { en: 'a' } },
                    { id: 'b', say: { en: 'b' } },
                  ],
                },
              ],
            },
          ],
        }),
      ),
    ).toEqual([
      'bun: points[gate].when.fact: there is no fact “moon”',
      'bun: points[gate].questions[q].answers: one answer is right, not 0',
      'bun: fixCards[hot].steps[one]: leads to a step “two” that is not there',
      'bun: fixCards[hot].steps[ring]: “ring” is how a card ends, and no name of a step',
    ]);
  });

  it('names rows by their id', () => {
    expect(pathOf({ fittings: [{ id: 'fender' }] }, ['fittings', 0, 'count'])).toBe('fittings[fender].count');
    expect(pathOf({}, [])).toBe('(whole)');
  });
});

describe('classes that come from classes', () => {
  const all = (...books: ClassBook[]) => new Map(books.map((book) => [book.id, book]));
  const any: ClassBook = {
    format: 'quay-class-book/1',
    id: 'any',
    name: 'Any',
    points: [{ id: 'sober', station: 'bow', weight: 'must', seconds: 5, say: { en: 'Sober.' } }],
  };
  it('are merged furthest first', () => {
    const found = lineageOf('pontoon', all(any, { ...shared, from: 'any' }));
    if (!found.ok) throw new Error('no lineage');
    const resolved = mergeBooks(found.lineage, own({ points: [{ id: 'sober', seconds: 9 }] }));
    expect(resolved.ok && resolved.book.points.map(({ id, seconds }) => [id, seconds])).toEqual([
      ['sober', 9],
      ['gate', 20],
    ]);
    expect(resolved.ok && resolved.book.classes).toEqual(['pontoon', 'any']);
  });
  it('never go in a circle, and never to a class that is not there', () => {
    expect(lineageOf('pontoon', all({ ...any, from: 'pontoon' }, { ...shared, from: 'any' }))).toEqual({
      ok: false,
      fault: { book: 'any', path: 'from', reason: 'leads in a circle: pontoon → any → pontoon' },
    });
    expect(lineageOf('pontoon', all({ ...shared, from: 'none' }))).toMatchObject({ ok: false, fault: { book: 'pontoon', path: 'from' } });
  });
});

describe('texts that are not there in every language', () => {
  it('are found by path, whatever they stand in', () => {
    expect(
      untranslated({
        points: [
          { id: 'gate', say: { en: 'Shut.', fr: 'Fermez.' }, questions: [{ id: 'q', ask: { en: '?', fr: '?', de: '?', es: '¿?' } }] },
        ],
      }),
    ).toEqual([{ path: 'points[gate].say', languages: ['de', 'es'] }]);
  });
});
