import { exponentOf, moneyParts, readMinor, roundMinor, showMinor } from './minor';

describe('minor units', () => {
  it('rounds half away from zero on both sides', () => {
    expect([0.5, 1.5, 2.5, -0.5, -2.5, 2.4999].map(roundMinor)).toEqual([1, 2, 3, -1, -3, 2]);
    expect(roundMinor(1.005 * 100)).toBe(101);
    expect(Object.is(roundMinor(-0.2), 0)).toBe(true);
  });

  it('reads amounts by the currency and refuses too many decimals', () => {
    expect(readMinor('38', 'EUR')).toBe(3800);
    expect(readMinor('38.5', 'EUR')).toBe(3850);
    expect(readMinor('-0.05', 'EUR')).toBe(-5);
    expect(readMinor('1500', 'JPY')).toBe(1500);
    expect(readMinor('1.250', 'KWD')).toBe(1250);
    expect(readMinor('38.505', 'EUR')).toBeUndefined();
    expect(readMinor('38,50', 'EUR')).toBeUndefined();
    expect(exponentOf('JPY')).toBe(0);
  });

  it('sets the sign of the currency apart, before or after the figures as the language has it', () => {
    expect(moneyParts(3850, 'EUR', 'en-GB')).toEqual([
      { text: '€', sign: true },
      { text: '38.50', sign: false },
    ]);
    const german = moneyParts(-385_000, 'EUR', 'de');
    expect(german.map(({ text }) => text).join('')).toBe(showMinor(-385_000, 'EUR', 'de'));
    expect(german[german.length - 1]).toEqual({ text: '€', sign: true });
  });

  it('shows what it read', () => {
    expect(showMinor(3850, 'EUR', 'en-IE')).toBe('€38.50');
  });
});
