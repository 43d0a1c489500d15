import { chance } from '../number/chance';
import { recordOf } from '../testing/demoHire';
import { type JudgedBox, judgedOf, shownFrom, USUALLY_SHOWN_FROM } from './shownFrom';

const many = (count: number, strength: number, flaw: boolean): JudgedBox[] => Array.from({ length: count }, () => ({ strength, flaw }));

it('asks for what is usual where nobody has judged anything', () => {
  expect(shownFrom([])).toBe(USUALLY_SHOWN_FROM);
});

it('asks for more where boxes turn out to be nothing, and for less where faint ones turn out to be flaws', () => {
  const nothing = [1, 3, 9, 27].map((count) => shownFrom(many(count, 0.4, false)));
  expect(nothing).toEqual([...nothing].sort((a, b) => a - b));
  expect(nothing[0]).toBeGreaterThan(USUALLY_SHOWN_FROM);
  const flaws = [1, 3, 9, 27].map((count) => shownFrom(many(count, 0.4, true)));
  expect(flaws).toEqual([...flaws].sort((a, b) => b - a));
  expect(flaws[0]).toBeLessThan(USUALLY_SHOWN_FROM);
});

it('is changed little by what the machine was sure of, and never out of all bounds', () => {
  expect(Math.abs(shownFrom(many(5, 0.99, true)) - USUALLY_SHOWN_FROM)).toBeLessThan(0.02);
  expect(shownFrom(many(1000, 0.3, false))).toBeLessThan(0.7);
  expect(shownFrom(many(1000, 0.3, true))).toBeGreaterThan(0.03);
  expect(shownFrom([...many(500, 1, false), ...many(500, 0, true)])).toBeGreaterThan(0);
});

it('finds out by how much a machine is off whose odds are all too high', () => {
  const c = chance(11);
  const off = 1.2;
  const judged = Array.from({ length: 3000 }, (): JudgedBox => {
    const odds = c.within(-2, 3);
    return { strength: 1 / (1 + Math.exp(-odds)), flaw: c.next() < 1 / (1 + Math.exp(-(odds - off))) };
  });
  const odds = (likely: number) => Math.log(likely / (1 - likely));
  expect(odds(shownFrom(judged)) - odds(USUALLY_SHOWN_FROM)).toBeCloseTo(off, 0);
});

it('takes a box for judged that was put aside or put down as a mark', () => {
  const BACK = 'b'.repeat(64);
  const boxes = [
    { x: 0.1, y: 0.2, width: 0.05, height: 0.05, strength: 0.9 },
    { x: 0.6, y: 0.5, width: 0.1, height: 0.02, strength: 0.4 },
    { x: 0.3, y: 0.8, width: 0.1, height: 0.02, strength: 0.3 },
  ];
  const record = recordOf(
    { kind: 'boxDismissed', photo: BACK, x: 0.6, y: 0.5 },
    { kind: 'markPlaced', walk: 'in', mark: { id: 'm1', surface: 'port', x: 0.12, y: 0.22, kind: 'scratch', sizeMm: 40, photos: [] } },
  );
  expect(judgedOf(record, 'port', BACK, boxes).map(({ strength, flaw }) => [strength, flaw])).toEqual([
    [0.9, true],
    [0.4, false],
  ]);
});
