import fc from 'fast-check';
import { bookOfDemo, recordOf } from '../testing/demoHire';
import type { EventBody } from '../record/event';
import { roundDone } from './events';
import { roundMatters, unusualOf } from './round';

const book = bookOfDemo('copper-kettle', 'any-boat', 'live-aboard', 'canal-12');
const done = (round: string, more: Partial<Extract<EventBody, { kind: 'roundDone' }>> = {}): EventBody => ({
  kind: 'roundDone',
  round,
  done: [],
  left: [],
  ...more,
});

describe('a round told in figures', () => {
  it('is of the quay’s matter beyond what the book calls usual, whose bounds are usual: hand-worked', () => {
    const battery = { id: 'battery', figure: { unit: 'V' as const, least: 12.2 } };
    expect(unusualOf(battery, 12.2)).toBeUndefined();
    expect(unusualOf(battery, 12.1)).toEqual({ item: 'battery', value: 12.1, is: 'less', usual: 12.2, unit: 'V' });
    const oil = { id: 'oil', figure: { unit: 'mL' as const, most: 250 } };
    expect(unusualOf(oil, 0)).toBeUndefined();
    expect(unusualOf(oil, 251)).toMatchObject({ is: 'more', usual: 250 });
    expect(unusualOf({ id: 'lines' }, 7)).toBeUndefined();
  });

  it('tells oil, battery and bilge of the starters, round by round; what a book does not have tells nothing', () => {
    const figures = [
      { item: 'oil', value: 400 },
      { item: 'battery', value: 12.6 },
      { item: 'gone', value: 1 },
    ];
    const record = recordOf(
      done('morning', { figures }),
      done('evening', { figures: [{ item: 'bilge', value: 9 }] }),
      done('morning', { figures: [{ item: 'oil', value: 100 }] }),
      done('nowhere', { figures }),
    );
    const matters = roundMatters(record, book);
    expect(matters.map(({ round, unusual }) => [round, unusual.map(({ item }) => item)])).toEqual([
      ['morning', ['oil']],
      ['evening', ['bilge']],
    ]);
  });

  it('tells what was left of an evening, and of being laid up; a morning is looked at by its figures alone', () => {
    const record = recordOf(done('evening', { left: ['gas'] }), done('lay-up', { left: ['key'] }), done('morning', { left: ['oil'] }));
    expect(roundMatters(record, book).map(({ round, left }) => [round, left])).toEqual([
      ['evening', ['gas']],
      ['lay-up', ['key']],
    ]);
    expect(roundMatters(recordOf(done('evening')), book)).toEqual([]);
  });

  it('says more above and less below, and never both (property)', () => {
    const value = fc.double({ min: 0, max: 1000, noNaN: true });
    fc.assert(
      fc.property(value, value, value, (a, b, at) => {
        const [least, most] = [Math.min(a, b), Math.max(a, b)];
        const found = unusualOf({ id: 'x', figure: { unit: '%', least, most } }, at);
        expect(found?.is).toBe(at > most ? 'more' : at < least ? 'less' : undefined);
      }),
    );
  });

  it('takes no figure that is none', () => {
    for (const value of [-1, 100_001, NaN, Infinity])
      expect(roundDone.schema.safeParse(done('morning', { figures: [{ item: 'oil', value }] })).success).toBe(false);
  });
});
