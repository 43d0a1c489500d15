import type { BoatBook, ClassBook } from './book';
import { layBook, pathOf } from './lay';
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
  surfaces: [],
  tanks: [],
  gauges: [],
  propellers: [],
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
const faults = (boat: BoatBook, of = shared) => {
  const laid = layBook(of, boat);
  return laid.ok ? [] : laid.faults.map(({ path, reason }) => `${path}: ${reason}`);
};

describe('a boat book laid over its class book', () => {
  it('changes the fields it names, takes rows away and adds its own', () => {
    const laid = layBook(
      shared,
      own({
        fittings: [
          { id: 'jacket', count: 9 },
          { id: 'fender', absent: true },
          { id: 'horn', station: 'bow', name: { en: 'Horn' }, kind: 'required', count: 1 },
        ],
      }),
    );
    expect(laid.ok && laid.book.fittings.map(({ id, count }) => [id, count])).toEqual([
      ['jacket', 9],
      ['horn', 1],
    ]);
    expect(laid.ok && routeOf(laid.book).map(({ station, fittings }) => [station.id, fittings.length])).toEqual([
      ['bow', 2],
      ['stern', 0],
    ]);
  });

  it('reports everything that is wrong, by path', () => {
    expect(
      faults(
        own({
          fittings: [
            { id: 'rope', absent: true },
            { id: 'jacket', station: 'mast' },
          ],
          points: [{ id: 'gate', seconds: 0 }],
        }),
      ),
    ).toEqual(['fittings[rope]: is said to be absent, but the class has no such row', expect.stringMatching(/^points\[gate\]\.seconds: /)]);
    expect(faults(own({ fittings: [{ id: 'jacket', station: 'mast' }] }))).toEqual([
      'fittings[jacket].station: there is no station “mast”',
    ]);
    expect(faults(own({ class: 'rib' }))).toEqual(['class: is “rib”, but the class book is “pontoon”']);
    expect(faults(own(), { ...shared, points: [...shared.points, ...shared.points] })).toEqual(['points[gate]: this id is used twice']);
    expect(
      faults(own(), { ...shared, gauges: [{ id: 'g', station: 'bow', name: { en: 'G' }, reads: 'needle', tank: 'none', min: 1, max: 1 }] }),
    ).toEqual(['gauges[g].tank: there is no tank “none”', 'gauges[g].max: must be above min']);
  });

  it('names rows by their id', () => {
    expect(pathOf({ fittings: [{ id: 'fender' }] }, ['fittings', 0, 'count'])).toBe('fittings[fender].count');
    expect(pathOf({}, [])).toBe('(whole)');
  });
});
