import type { Fitting } from '../fleet/rows';
import { compareCount, departureFault } from './counts';

const fitting = (more: Partial<Fitting> = {}): Fitting => ({
  id: 'jacket',
  station: 'bow',
  name: { en: 'Jacket' },
  kind: 'required',
  count: 8,
  ...more,
});
const fine = (count: number) => ({ count, state: 'fine' as const });

describe('equipment out and in', () => {
  it('says missing, used, damaged, unsealed and extra', () => {
    expect(compareCount(fitting(), fine(8), fine(6))).toEqual({ is: 'missing', pieces: 2 });
    expect(compareCount(fitting({ kind: 'consumable' }), fine(8), fine(6))).toEqual({ is: 'used', pieces: 2 });
    expect(compareCount(fitting(), fine(8), { count: 8, state: 'damaged' }).is).toBe('damaged');
    expect(compareCount(fitting(), { count: 8, state: 'damaged' }, { count: 8, state: 'damaged' }).is).toBe('same');
    expect(compareCount(fitting({ kind: 'sealedKit' }), fine(1), { count: 1, state: 'unsealed' }).is).toBe('unsealed');
    expect(compareCount(fitting(), fine(8), fine(9))).toEqual({ is: 'extra', pieces: 1 });
  });

  it('gives the renter the doubt where departure was not counted', () => {
    expect(compareCount(fitting(), undefined, fine(2)).is).toBe('same');
    expect(compareCount(fitting(), fine(8), undefined).is).toBe('notCounted');
  });

  it('knows what is wrong before departure, to the end of the expiry month', () => {
    expect(departureFault(fitting(), fine(7), '2026-06-13')).toMatchObject({ is: 'short', pieces: 1 });
    const flare = fitting({ expiry: '2026-05', count: 1 });
    expect(departureFault(flare, fine(1), '2026-05-31')).toBeUndefined();
    expect(departureFault(flare, fine(1), '2026-06-01')?.is).toBe('outOfDate');
    expect(departureFault(fitting({ kind: 'sealedKit', count: 1 }), { count: 1, state: 'unsealed' }, '2026-06-01')?.is).toBe('broken');
  });
});
