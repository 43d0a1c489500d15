import fc from 'fast-check';
import { measuresIn, METRIC, QUANTITIES, UNITS, Units, usualUnits } from './units';

const some = fc.record(Object.fromEntries(QUANTITIES.map((one) => [one, fc.constantFrom(...UNITS[one])]))) as fc.Arbitrary<Units>;

describe('units of an operator', () => {
  it('are those of the region, metric where nobody names one', () => {
    expect(usualUnits(undefined)).toEqual(METRIC);
    expect(usualUnits('DE')).toEqual(METRIC);
    expect(Units.safeParse(usualUnits('US'))).toMatchObject({ success: true, data: { volume: 'galUs', mass: 'lb' } });
    expect(usualUnits('GB')).toEqual({ ...METRIC, speed: 'mph' });
  });

  it.each([
    ['kmh' as const, '18.5 km'],
    ['mph' as const, '11.5 mi'],
    ['kn' as const, '10 NM'],
  ])('say a way of 18,520 m to who makes %s as %s', (speed, said) => expect(measuresIn({ ...METRIC, speed }).far(18_520)).toBe(said));

  it.each<[Partial<Units>, number, string, number, string]>([
    [{}, 42.4, 'L', 0, '42 L'],
    // Tables of weights and measures: 1 US gallon 3.7854 L, 1 gallon 4.5461 L, 1 lb 0.45359 kg, 1 ft 0.3048 m, 1 in 25.4 mm.
    [{ volume: 'galUs' }, 37.854, 'L', 0, '10 gal'],
    [{ volume: 'galUk' }, 45.4609, 'L', 0, '10 gal'],
    [{ volume: 'galUs' }, 5, 'L', 0, '1.3 gal'],
    [{ volume: 'galUs' }, 18.927, 'L/h', 1, '5 gal/h'],
    [{ mass: 'lb' }, 100, 'kg', 0, '220 lb'],
    [{ length: 'ft' }, 10, 'm', 1, '32.8 ft'],
    [{ length: 'ft' }, 40, 'mm', 0, '1.6 in'],
    [{ speed: 'mph' }, 8, 'km/h', 0, '5 mph'],
    [{ speed: 'kn' }, 18.52, 'km/h', 1, '10 kn'],
    [{ speed: 'kn' }, 10, 'm/s', 1, '19.4 kn'],
    [{ speed: 'mph' }, 10, 'm/s', 1, '22.4 mph'],
    [{}, 3.42, 'm/s', 1, '3.4 m/s'],
    [{ volume: 'galUs', mass: 'lb', length: 'ft', speed: 'kn' }, 12.6, 'V', 1, '12.6 V'],
    [{}, -0.04, 'm', 1, '0 m'],
  ])('%j: %d %s with %d decimals is said %s', (chosen, si, unit, decimals, said) =>
    expect(measuresIn({ ...METRIC, ...chosen }).said(si, unit, decimals)).toBe(said),
  );

  it('give back what was typed, to the last digit that a field shows', () =>
    fc.assert(
      fc.property(
        some,
        fc.constantFrom('L', 'L/h', 'kg', 'm', 'mm', 'km/h', 'm/s', 'V'),
        fc.integer({ min: 0, max: 2_000_000 }),
        (units, unit, n) => {
          const { inside, shown } = measuresIn(units);
          expect(shown(inside(n / 100, unit), unit)).toBe(n / 100);
        },
      ),
    ));

  it('convert nothing where all are metric', () => {
    const { converts } = measuresIn(METRIC);
    for (const unit of ['L', 'kg', 'm', 'mm', 'km/h', 'm/s', 'V']) expect(converts(unit)).toBe(false);
  });

  it('are said one like the other: speed of a boat and of the wind', () =>
    fc.assert(
      fc.property(fc.constantFrom('mph' as const, 'kn' as const), fc.double({ min: 0, max: 40, noNaN: true }), (speed, ms) => {
        const measures = measuresIn({ ...METRIC, speed });
        expect(measures.wind(ms)).toBe(measures.speed(ms));
      }),
    ));
});
