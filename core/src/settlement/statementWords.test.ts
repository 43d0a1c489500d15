import { MARK_KINDS } from '../condition/marks';
import { LANGUAGES } from '../words/words';
import { filled, STATEMENT_WORDS } from './statementWords';

const texts = (value: unknown): string[] => (typeof value === 'string' ? [value] : Object.values(value as object).flatMap(texts));
const holes = (text: string) => [...text.matchAll(/\{\w+\}/g)].map(([hole]) => hole).sort();

describe('words of the statement', () => {
  it('leave the same holes to be filled in every language, and name every kind of mark', () => {
    for (const language of LANGUAGES) {
      const words = STATEMENT_WORDS[language];
      expect(Object.keys(words.mark).sort()).toEqual([...MARK_KINDS].sort());
      expect(texts(words).map(holes)).toEqual(texts(STATEMENT_WORDS.en).map(holes));
      expect(texts(words).every((text) => text.trim() !== '')).toBe(true);
    }
  });
  it('are filled with what is given, a nothing by nothing', () => {
    expect(filled('{low} to {high} L', { low: 0, high: 4.5 })).toBe('0 to 4.5 L');
    expect(filled('no. {n}', {})).toBe('no. ');
  });
});
