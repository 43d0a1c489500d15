import type { Fitting } from '../fleet/rows';
import { compareCount, departureFault, neededOf } from './counts';

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

  it('says swapped by the number on the seal, and moved by the station it was found at', () => {
    const kit = fitting({ kind: 'sealedKit', count: 1 });
    const sealed = (seal?: string) => ({ ...fine(1), seal });
    expect(compareCount(kit, sealed('A 4471'), sealed('A-4472')).is).toBe('swapped');
    expect(compareCount(kit, sealed('A 4471'), sealed('a4471')).is).toBe('same');
    expect(compareCount(kit, sealed('A 4471'), sealed()).is).toBe('same');
    expect(compareCount(fitting(), fine(8), { ...fine(8), at: 'stern' })).toEqual({ is: 'moved', pieces: 8 });
    expect(compareCount(fitting(), { ...fine(8), at: 'stern' }, { ...fine(8), at: 'stern' }).is).toBe('same');
    // What is short is short, wherever the rest lies.
    expect(compareCount(fitting(), fine(8), { ...fine(7), at: 'stern' }).is).toBe('missing');
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

describe('what there must be', () => {
  const line = (more: object) => ({ id: 'x', station: 's', name: { en: 'X' }, kind: 'required' as const, count: 2, ...more });
  it('is what the book says, or one for each of the party where that is more', () => {
    const heads = { people: 7, children: 3 };
    expect(['person', 'adult', 'child', undefined].map((per) => neededOf(line({ per }), heads))).toEqual([7, 4, 3, 2]);
    expect(neededOf(line({ per: 'person' }), { people: 1, children: 0 })).toBe(2);
    expect(neededOf(line({ per: 'person' }), undefined)).toBe(2);
    expect(departureFault(line({ per: 'child' }), { count: 2, state: 'fine' }, '2026-06-13', heads)).toMatchObject({
      is: 'short',
      pieces: 1,
    });
  });
  it('is out of date when its expiry or its service has passed, from the month after', () => {
    const at = (more: object) => departureFault(line(more), { count: 2, state: 'fine' }, '2026-06-30')?.is;
    expect([
      at({ service: '2026-06' }),
      at({ service: '2026-05' }),
      at({ expiry: '2027-01', service: '2026-05' }),
      at({ expiry: '2026-05' }),
    ]).toEqual([undefined, 'outOfDate', 'outOfDate', 'outOfDate']);
  });
});
