import { codeIn } from './enrolCode';

describe('the code a camera reads', () => {
  it('is the fragment of an address, or stands alone, in whatever letters', () => {
    expect(codeIn('https://quay.example/enrol#ABCD2345EFGH')).toBe('ABCD2345EFGH');
    expect(codeIn('abcd 2345 efgh')).toBe('ABCD2345EFGH');
  });
  it('is nothing else: another address, a longer text, signs that no code has', () => {
    for (const text of [
      'https://quay.example/enrol',
      'https://elsewhere.example/#top',
      'ABCD2345EFGHI',
      'ABCD-2345-EF',
      '',
      '0000 1111 0000',
    ])
      expect(codeIn(text)).toBeUndefined();
  });
});
