import fc from 'fast-check';
import type { Point } from '../fleet/points';
import { compose, fill } from './compose';

const point = (id: string, more: Partial<Point> = {}): Point => ({
  id,
  station: 's',
  weight: 'should',
  seconds: 10,
  say: { en: id },
  ...more,
});

/** Every choice there is. */
const bestByTrying = (items: readonly { seconds: number; value: number }[], room: number): number => {
  let best = 0;
  for (let set = 0; set < 2 ** items.length; set += 1) {
    const chosen = items.filter((_, i) => (set >> i) & 1);
    if (chosen.reduce((sum, { seconds }) => sum + seconds, 0) <= room)
      best = Math.max(
        best,
        chosen.reduce((sum, { value }) => sum + value, 0),
      );
  }
  return best;
};

describe('filling the time', () => {
  it('is worth as much as the best of all choices', () => {
    const items = fc.array(fc.record({ seconds: fc.integer({ min: 1, max: 40 }), value: fc.integer({ min: 1, max: 50 }) }), {
      maxLength: 11,
    });
    fc.assert(
      fc.property(items, fc.integer({ min: -5, max: 200 }), (all, room) => {
        const chosen = all.filter((_, i) => fill(all, room)[i]);
        expect(chosen.reduce((sum, { seconds }) => sum + seconds, 0)).toBeLessThanOrEqual(Math.max(0, room));
        expect(chosen.reduce((sum, { value }) => sum + value, 0)).toBe(bestByTrying(all, Math.max(0, room)));
      }),
      { numRuns: 800 },
    );
  });
});

describe('a composed briefing', () => {
  const points = fc.array(
    fc.record({
      weight: fc.constantFrom('must', 'should', 'spare'),
      seconds: fc.integer({ min: 1, max: 60 }),
      value: fc.option(fc.integer({ min: 1, max: 100 }), { nil: undefined }),
      when: fc.option(fc.constantFrom({ fact: 'party.children', atLeast: 1 }, { fact: 'forecast.windMs', atLeast: 8 }), { nil: undefined }),
      told: fc.option(fc.integer({ min: 0, max: 400 }), { nil: undefined }),
    }),
    { maxLength: 14 },
  );
  it('never lacks a must that applies or cannot be judged, loses nothing, keeps the order, and lets a should outrank all spares', () => {
    fc.assert(
      fc.property(points, fc.integer({ min: 0, max: 600 }), (rows, secondsThere) => {
        const all = rows.map(({ weight, seconds, value, when }, i) =>
          point(`p${i}`, { weight, seconds, again: { days: 180 }, ...(value === undefined ? {} : { value }), ...(when ? { when } : {}) }),
        );
        const daysAgo = (id: string) => rows[Number(id.slice(1))]!.told;
        const got = compose({ points: all, facts: { 'party.children': 0 }, secondsThere, briefedDaysAgo: daysAgo });
        const ids = (list: readonly { point: Point }[]) => list.map((one) => one.point.id);
        for (const [i, one] of all.entries()) {
          const applies = rows[i]!.when?.fact !== 'party.children';
          expect(got.dropped.includes(one)).toBe(!applies);
          if (one.weight === 'must' && applies) expect(ids(got.toBrief)).toContain(one.id);
          if (applies && rows[i]!.when) expect(got.unsure).toContain(one.id);
        }
        expect([...ids(got.toBrief), ...ids(got.guide), ...got.dropped.map(({ id }) => id)].sort()).toEqual(all.map(({ id }) => id).sort());
        expect(ids(got.toBrief)).toEqual(all.map(({ id }) => id).filter((id) => ids(got.toBrief).includes(id)));
        const musts = got.toBrief.filter((one) => one.point.weight === 'must').reduce((sum, { seconds }) => sum + seconds, 0);
        expect(got.overBy).toBe(Math.max(0, musts - secondsThere));
        expect(got.seconds).toBeLessThanOrEqual(Math.max(secondsThere, musts));
        // A should left out for want of time would not fit even in the place of every spare.
        const spares = got.toBrief.filter((one) => one.point.weight === 'spare').reduce((sum, { seconds }) => sum + seconds, 0);
        for (const left of got.guide)
          if (left.point.weight === 'should' && left.why === 'noTime')
            expect(got.seconds - spares + left.seconds).toBeGreaterThan(secondsThere);
      }),
      { numRuns: 1500 },
    );
  });

  it('tells somebody who was told not long ago the shorter of it, and why', () => {
    const all = [
      point('must', { weight: 'must', seconds: 60, again: { days: 90, seconds: 15 } }),
      point('should', { again: { days: 90 } }),
      point('fresh', { again: { days: 90 } }),
    ];
    const daysAgo = (id: string) => (id === 'fresh' ? 91 : 30);
    const got = compose({ points: all, facts: {}, secondsThere: 600, briefedDaysAgo: daysAgo });
    expect(got.toBrief).toEqual([
      { point: all[0], seconds: 15, short: true, briefedDaysAgo: 30 },
      { point: all[2], seconds: 10, short: false, briefedDaysAgo: 91 },
    ]);
    expect(got.guide).toMatchObject([{ why: 'toldBefore', briefedDaysAgo: 30 }]);
  });
});
