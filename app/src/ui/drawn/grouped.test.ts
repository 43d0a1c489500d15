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

  it('are whole within the drawing and never upon each other, wherever their place is', () => {
    const group = fc.record({
      x: fc.integer({ min: -20, max: 280 }),
      y: fc.integer({ min: -20, max: 750 }),
      count: fc.integer({ min: 1, max: 11 }),
    });
    fc.assert(
      fc.property(group, (one) => {
        const discs = grouped([one], ROOM)[0]!;
        expect(discs).toHaveLength(one.count);
        for (const [x, y] of discs) {
          expect(Math.min(x, y, ROOM.width - x, ROOM.height - y)).toBeGreaterThanOrEqual(20);
          expect(discs.filter(([u, v]) => Math.hypot(u - x, v - y) < 28)).toHaveLength(1);
        }
      }),
    );
  });

  it('two places close to each other keep their discs apart', () => {
    const [upper, lower] = grouped(
      [
        { x: 230, y: 340, count: 4 },
        { x: 210, y: 320, count: 3 },
      ],
      ROOM,
    );
    for (const [x, y] of upper!) expect(lower!.filter(([u, v]) => Math.hypot(u - x, v - y) < 28)).toEqual([]);
  });
});
