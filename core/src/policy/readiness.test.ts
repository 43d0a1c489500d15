import fc from 'fast-check';
import { type Installation, isReady, READINESS, readinessOf } from './readiness';

const installations: fc.Arbitrary<Installation> = fc
  .record({
    bases: fc.nat(3),
    waters: fc.nat(3),
    boats: fc.nat(3),
    boatsLacking: fc.nat(3),
    withoutRules: fc.nat(2),
    pricesNamed: fc.nat(9),
    termsDecided: fc.boolean(),
    hands: fc.nat(2),
    managers: fc.integer({ min: 1, max: 2 }),
    phones: fc.nat(2),
    https: fc.boolean(),
    backupDays: fc.option(fc.nat(20), { nil: undefined }),
    empty: fc.nat(3),
    open: fc.nat(9),
  })
  .map(({ empty, open, ...at }) => ({ ...at, watersEmpty: Math.min(empty, at.waters), pricesOpen: Math.min(open, at.pricesNamed) }));

describe('before the first hire', () => {
  it('every step is said once, in order, and nothing that is wanting is called done', () => {
    fc.assert(
      fc.property(installations, (at) => {
        const steps = readinessOf(at);
        expect(steps.map(({ is }) => is)).toEqual([...READINESS]);
        const done = (is: (typeof READINESS)[number]) => steps.find((step) => step.is === is)!.state === 'done';
        expect(isReady(steps)).toBe(at.bases > 0 && at.boats > 0 && at.withoutRules === 0);
        expect(done('book')).toBe(at.boats > 0 && at.boatsLacking === 0);
        expect(done('prices')).toBe(at.boats > 0 && at.pricesOpen === 0);
        expect(done('backup')).toBe(at.backupDays !== undefined && at.backupDays <= 8);
        expect(done('staff')).toBe(at.hands + at.managers >= 2);
      }),
    );
  });

  it('a quay of nobody lacks everything but itself', () => {
    const empty: Installation = {
      bases: 0,
      waters: 0,
      watersEmpty: 0,
      boats: 0,
      boatsLacking: 0,
      withoutRules: 0,
      pricesNamed: 0,
      pricesOpen: 0,
      termsDecided: false,
      hands: 0,
      managers: 1,
      phones: 0,
      https: false,
      backupDays: undefined,
    };
    expect(readinessOf(empty).filter(({ state }) => state === 'done')).toEqual([]);
    expect(
      readinessOf(empty)
        .filter(({ state }) => state === 'needed')
        .map(({ is }) => is),
    ).toEqual(['base', 'boat', 'rules']);
  });
});
