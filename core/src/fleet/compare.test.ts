import { bookOfDemo } from '../testing/demoHire';
import type { Book } from './book';
import { comparableBook, differences as differ, reordered as order } from './compare';

const copyOf = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
const differences = (a: Book, b: Book) => differ(comparableBook(a), comparableBook(b));
const reordered = (a: Book, b: Book) => order(comparableBook(a), comparableBook(b));
const then = bookOfDemo('quiet-pickle', 'any-boat', 'electric-5');

describe('two versions of a book', () => {
  it('that say the same do not differ', () => {
    expect([differences(then, copyOf(then)), reordered(then, copyOf(then))]).toEqual([[], []]);
  });

  it('are told apart row by row: changed, come and gone, each with what differs', () => {
    const now = copyOf(then);
    const fitting = now.fittings[0]!;
    fitting.count += 1;
    const [gone] = now.gauges.splice(0, 1);
    now.fixCards.push({ id: 'smoke', name: { en: 'Smoke' }, steps: [{ id: 'a', say: { en: 'Stop.' }, to: 'end' }] });
    expect(differences(then, now)).toEqual([
      {
        list: 'fittings',
        id: fitting.id,
        then: `${fitting.name.en} · count: ${fitting.count - 1}`,
        now: `${fitting.name.en} · count: ${fitting.count}`,
      },
      { list: 'gauges', id: gone!.id, then: gone!.name.en, now: undefined },
      { list: 'fixCards', id: 'smoke', then: undefined, now: 'Smoke' },
    ]);
    expect(reordered(then, now)).toEqual([]);
  });

  it('in another order say so by list', () => {
    const now = copyOf(then);
    now.stations.reverse();
    expect([differences(then, now), reordered(then, now)]).toEqual([[], ['stations']]);
  });

  it('are told apart in what a book says once, too', () => {
    const now = { ...copyOf(then), plate: { people: 3, loadKg: 240 }, callSign: undefined };
    expect(differences(then, now)).toEqual([
      { list: 'about', id: 'plate', then: JSON.stringify(then.plate), now: '{"people":3,"loadKg":240}' },
      { list: 'about', id: 'callSign', then: 'OQP117', now: undefined },
    ]);
  });
});
