import fc from 'fast-check';
import { grouped } from './grouped';

const ROOM = { width: 260, height: 728 };

describe('discs of one place', () => {
  it('each that is alone stands where its place is', () => {
    const [one, other] = [
      { x: 100, y: 300, count: 1 },
      { x: 110, y: 310, count: 1 },
    ];
    expect(grouped([one, other], ROOM)).toEqual([[[100, 300]], [[110, 310]]]);
  });

  it('are whole within the drawing and never upon each other, wherever their places are', () => {
    const group = fc.record({
      x: fc.integer({ min: -20, max: 280 }),
      y: fc.integer({ min: -20, max: 750 }),
      count: fc.integer({ min: 2, max: 11 }),
    });
    fc.assert(
      fc.property(fc.array(group, { minLength: 1, maxLength: 4 }), (groups) => {
        const discs = grouped(groups, ROOM);
        expect(discs.map(({ length }) => length)).toEqual(groups.map(({ count }) => count));
        const all = discs.flat();
        const isWhole = ([x, y]: [number, number]) => Math.min(x, y, ROOM.width - x, ROOM.height - y) >= 20;
        const isUpon = ([x, y]: [number, number]) => all.filter(([u, v]) => Math.hypot(u - x, v - y) < 28).length > 1;
        expect(all.filter((disc) => !isWhole(disc) || isUpon(disc))).toEqual([]);
      }),
    );
  });

  it('at the foot of the drawing the second group goes above the first', () => {
    const foot = [
      { x: 130, y: 715, count: 4 },
      { x: 130, y: 720, count: 4 },
    ];
    const [first, second] = grouped(foot, ROOM);
    expect([first![0]![1], second![0]![1]]).toEqual([707, 677]);
  });
});
