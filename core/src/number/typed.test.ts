import fc from 'fast-check';
import { typedNumber } from './typed';

describe('a number as people type it', () => {
  it.each([
    ['12', 12],
    [' 12,5 ', 12.5],
    ['12.5', 12.5],
    ['1 204', 1204],
    ['1\u202f204,75', 1204.75],
    ['-3', -3],
    ['+3', 3],
    [',5', 0.5],
    ['5,', 5],
    ['0', 0],
  ])('%j', (text, value) => {
    expect(typedNumber(text)).toBe(value);
  });
  it.each(['', '  ', ',', '-', 'half', '12 L', '0x10', '1e3', 'Infinity', '1.204,5', '1,2,3', '--1', 'NaN'])('%j is none', (text) => {
    expect(typedNumber(text)).toBeNaN();
  });
  it('comes back as it was written, with either sign for the decimals', () => {
    fc.assert(
      fc.property(fc.integer({ min: -1e6, max: 1e6 }), fc.constantFrom(',', '.'), (tenths, sign) => {
        expect(typedNumber((tenths / 10).toFixed(1).replace('.', sign))).toBeCloseTo(tenths / 10, 9);
      }),
    );
  });
});
