import { bookOfDemo, demoCase } from '../testing/demoHire';
import { limitsOf } from './limits';
import { speedTable } from './speedTable';

describe('limits of a water', () => {
  it('come once each, from the lowest, with the revs that keep them on her', () => {
    const { engine } = bookOfDemo('tuppenny-bun', 'any-boat', 'pontoon-7');
    const limits = limitsOf(demoCase.waters!, engine);
    expect(limits.map(({ limitKmh }) => limitKmh)).toEqual([6, 30]);
    expect(limits[0]!.names).toEqual(['No wake near the shore (by-law 4)']);
    for (const { limitKmh, rpm } of limits) {
      expect(rpm! % 50).toBe(0);
      expect(speedTable(engine)!.kmhAt(rpm!)).toBeLessThanOrEqual(limitKmh);
    }
  });

  it('say no revs of a boat that nobody tried', () => {
    expect(limitsOf(demoCase.waters!, { kind: 'outboard' }).map(({ rpm }) => rpm)).toEqual([undefined, undefined]);
  });
});
