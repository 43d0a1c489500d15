import { PROBLEM_CODES } from '@quay/contract/problems';
import i18next from 'i18next';
import { de } from '../i18n/problems/de';
import { problems, renterProblems } from '../i18n/problems/en';
import { es } from '../i18n/problems/es';
import { fr } from '../i18n/problems/fr';
import { problemWords } from './problemWords';

const FIGURES = {
  where: 'people.0.age',
  why: 'too small',
  role: 'hand',
  lines: 'mark/m',
  faults: 'book: odd',
  modes: 'silent',
  count: 2,
  seconds: 30,
  minutes: 10,
  needs: 30,
  people: 8,
  boat: 'Tuppenny Bun',
  name: 'Low Pier',
  zone: 'Low/Mere',
  code: 'fender',
  by: 'Tuppenny Bun',
  clock: '07:30',
  most: 20,
};

const wordsOf = async (language: string, problem: Record<string, string>) => {
  const own = i18next.createInstance();
  await own.init({ lng: language, resources: { [language]: { translation: { problem } } }, interpolation: { escapeValue: false } });
  return (code: string, figures: Record<string, string | number> = FIGURES) => problemWords(own.t, { code, figures });
};

describe('what the quay says no with', () => {
  it('is a whole sentence for staff, whichever code it is', async () => {
    const words = await wordsOf('en', problems);
    for (const code of PROBLEM_CODES) {
      expect(words(code)).toMatch(/^[A-Z0-9].*[.\w]$/s);
      expect(words(code)).not.toMatch(/\{\{|^problem\./);
      expect(words(code)).not.toBe(words('of a newer quay'));
    }
  });

  it('names a code that this page does not know', async () => {
    expect((await wordsOf('en', problems))('lockedByTide')).toContain('lockedByTide');
  });

  it.each([
    ['fr', fr],
    ['de', de],
    ['es', es],
  ])('says the same figures in %s as in English', async (language, theirs) => {
    const placed = (text: string) => (text.match(/\{\{\w+\}\}/g) ?? []).sort();
    for (const [code, text] of Object.entries(renterProblems)) {
      expect([code, placed(theirs[code as keyof typeof theirs])]).toEqual([code, placed(text)]);
      expect(theirs[code as keyof typeof theirs]).not.toBe(text);
    }
    const words = await wordsOf(language, theirs);
    expect(words('picturesMissing', { count: 2 })).toContain('2');
  });

  it('tells a long wait in minutes', async () => {
    const words = await wordsOf('en', problems);
    expect(words('wait', { seconds: 119 })).toContain('119 s');
    expect(words('wait', { seconds: 121 })).toContain('3 min');
  });
});
