import fc from 'fast-check';
import { assign } from '../matching/assign';
import { chance } from '../number/chance';
import { compareMarks, MARK_KINDS, markCost, type Mark, type MarkKind } from './marks';

const clamp = (x: number) => Math.min(1, Math.max(0, x));

/** What people take one kind for: the neighbours a hand really confuses. */
const MISTAKEN: Record<MarkKind, readonly MarkKind[]> = {
  scratch: ['gouge', 'crack'],
  gouge: ['scratch', 'dent'],
  dent: ['bend', 'gouge'],
  crack: ['scratch', 'chip'],
  chip: ['gouge', 'crack'],
  tear: ['scratch'],
  stain: ['scratch'],
  bend: ['dent'],
  missing: ['chip', 'tear'],
};

const cheapest = (cost: number[][], alone: number, row = 0, used = new Set<number>()): number => {
  if (row === cost.length) return 0;
  let best = alone + cheapest(cost, alone, row + 1, used);
  cost[row]!.forEach((c, j) => {
    if (used.has(j) || c > alone) return;
    used.add(j);
    best = Math.min(best, c + cheapest(cost, alone, row + 1, used));
    used.delete(j);
  });
  return best;
};

describe('assignment', () => {
  it('costs as little as the best of all assignments', () => {
    const matrix = fc
      .integer({ min: 1, max: 5 })
      .chain((columns) =>
        fc.array(
          fc.array(
            fc.oneof(
              { weight: 5, arbitrary: fc.double({ min: 0, max: 20, noNaN: true }) },
              { weight: 1, arbitrary: fc.constant(Infinity) },
            ),
            { minLength: columns, maxLength: columns },
          ),
          { minLength: 0, maxLength: 5 },
        ),
      );
    fc.assert(
      fc.property(matrix, fc.double({ min: 1, max: 15, noNaN: true }), (cost, alone) => {
        const got = assign(cost, alone);
        const taken = got.filter((j) => j >= 0);
        expect(new Set(taken).size).toBe(taken.length);
        const total = got.reduce((sum, j, i) => sum + (j < 0 ? alone : cost[i]![j]!), 0);
        expect(total).toBeCloseTo(cheapest(cost, alone), 6);
      }),
      { numRuns: 500 },
    );
  });
});

describe('marks out and in', () => {
  const sizes = new Map([['side', { widthM: 8, heightM: 0.6 }]]);
  const mark = (id: string, x: number, sizeMm = 40, kind: MarkKind = 'scratch'): Mark => ({
    id,
    surface: 'side',
    x,
    y: 0.5,
    kind,
    sizeMm,
    photos: [],
  });

  it('finds new flaws on boats with up to 60 marks: precision and recall of at least 0.97', () => {
    const seed = 20260613;
    const { next, normal, pick } = chance(seed);
    let [hits, false_, missed] = [0, 0, 0];
    for (let boat = 0; boat < 300; boat += 1) {
      const surfaces = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'];
      const some = (id: string): Mark => ({
        id,
        surface: pick(surfaces),
        x: next(),
        y: next(),
        kind: pick(MARK_KINDS),
        sizeMm: Math.exp(2 + 3 * next()),
        photos: [],
      });
      const out = Array.from({ length: Math.floor(next() * 56) }, (_, i) => some(`o${i}`));
      const fresh = Array.from({ length: Math.floor(next() * 5) }, (_, i) => some(`n${i}`));
      const seen = out
        .filter(() => next() > 0.05)
        .map((m, i): Mark => ({
          ...m,
          id: `s${i}`,
          x: clamp(m.x + 0.02 * normal()),
          y: clamp(m.y + 0.02 * normal()),
          kind: next() < 0.15 ? pick(MISTAKEN[m.kind]) : m.kind,
          sizeMm: m.sizeMm * Math.exp(0.3 * normal()),
        }));
      const truth = new Set(fresh.map(({ id }) => id));
      for (const finding of compareMarks(out, [...seen, ...fresh], sizes)) {
        if (finding.is !== 'new') continue;
        if (truth.delete(finding.in.id)) hits += 1;
        else false_ += 1;
      }
      missed += truth.size;
    }
    const [precision, recall] = [hits / (hits + false_), hits / (hits + missed)];
    console.log(`marks, seed ${seed}: precision ${precision.toFixed(4)}, recall ${recall.toFixed(4)} of ${hits + missed} new`);
    expect(precision).toBeGreaterThanOrEqual(0.97);
    expect(recall).toBeGreaterThanOrEqual(0.97);
  });

  it('says known, grown, not seen and new, each for its own reason', () => {
    const out = [mark('a', 0.2), mark('b', 0.5), mark('c', 0.8)];
    const findings = compareMarks(out, [mark('x', 0.21, 44), mark('y', 0.5, 200), mark('z', 0.35)], sizes);
    expect(findings.map((f) => [f.is, f.is === 'notSeen' ? f.out.id : f.in.id])).toEqual([
      ['known', 'x'],
      ['grown', 'y'],
      ['new', 'z'],
      ['notSeen', 'c'],
    ]);
    const fresh = findings.find((f) => f.is === 'new');
    expect(fresh?.is === 'new' && fresh.nearestM).toBeCloseTo(1.2, 6);
  });

  it('trusts a hand who recognised the mark, wherever the thumb fell', () => {
    expect(compareMarks([mark('a', 0.2)], [mark('a', 0.6)], sizes)).toEqual([{ is: 'known', out: mark('a', 0.2), in: mark('a', 0.6) }]);
  });

  it('never matches across surfaces', () => {
    expect(markCost(mark('a', 0.2), { ...mark('b', 0.2), surface: 'deck' })).toBe(Infinity);
  });
});
