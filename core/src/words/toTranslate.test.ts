import fc from 'fast-check';
import { LANGUAGES } from './words';
import { staleTexts, type StaleTexts } from './toTranslate';

const all = (text: string) => ({ en: text, fr: `${text} fr`, de: `${text} de`, es: `${text} es` });
const book = (caution: Record<string, string>) => ({
  points: [
    { id: 'rails', say: all('rails'), caution },
    { id: 'other', say: all('other') },
  ],
});
const PATH = 'points[rails].caution';
const stepping = (...texts: Record<string, string>[]): StaleTexts =>
  texts.slice(1).reduce<StaleTexts>((stale, text, i) => staleTexts(book(texts[i]!), book(text), stale), {});

it('a text changed in one language is to be translated in the others, until each of them is', () => {
  const old = all('mind the bow');
  const en = { ...old, en: 'mind the stern' };
  expect(stepping(old, en)).toEqual({ [PATH]: { languages: ['fr', 'de', 'es'], was: old } });
  expect(stepping(old, en, { ...en, de: 'neu' })[PATH]?.languages).toEqual(['fr', 'es']);
  expect(stepping(old, en, { ...en, de: 'neu' }, { ...en, de: 'neu', fr: 'neuf', es: 'nuevo' })).toEqual({});
  // Somebody who works in German changes it: then English waits as well.
  expect(stepping(old, { ...old, de: 'neu' })[PATH]?.languages).toEqual(['en', 'fr', 'es']);
});

it('changed again while translations are waited for, all the others wait again', () => {
  const old = all('a');
  const [en, de] = [
    { ...old, en: 'b' },
    { ...old, en: 'b', de: 'b de' },
  ];
  expect(stepping(old, en, de, { ...de, en: 'c' })[PATH]?.languages).toEqual(['fr', 'de', 'es']);
});

it('says nothing of what was changed in all languages at once, is new, was put back, or is gone', () => {
  const old = all('a');
  expect(stepping(old, all('b'))).toEqual({});
  expect(stepping(old, { ...old, en: 'b' }, old)).toEqual({});
  expect(staleTexts({ points: [] }, book(old), {})).toEqual({});
  const stale = stepping(old, { ...old, en: 'b' });
  expect(staleTexts(book(old), { points: [] }, stale)).toEqual({});
});

it('never waits for a language that was just written, nor for one that is not there (property)', () => {
  const text = fc
    .record(
      Object.fromEntries(LANGUAGES.map((language) => [language, fc.constantFrom('x', 'y', 'z')])) as Record<string, fc.Arbitrary<string>>,
    )
    .map((one) => ({ ...one }));
  fc.assert(
    fc.property(fc.array(text, { minLength: 2, maxLength: 6 }), (texts) => {
      const [before, after] = texts.slice(-2) as [Record<string, string>, Record<string, string>];
      const waits = stepping(...texts)[PATH]?.languages ?? [];
      for (const language of LANGUAGES) if (before[language] !== after[language]) expect(waits).not.toContain(language);
      expect(waits.length).toBeLessThan(LANGUAGES.length);
    }),
  );
});
