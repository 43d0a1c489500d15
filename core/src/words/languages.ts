import { LANGUAGES, type Wording } from './words';

/** A text that is not there in every language. It is shown in English, and says so. */
export type Untranslated = { path: string; languages: string[] };

export const isWording = (value: object): value is Wording => {
  const entries = Object.entries(value);
  return entries.some(([key]) => key === 'en') && entries.every(([key, text]) => key.length === 2 && typeof text === 'string');
};

/** Every text of a book that lacks a language, with its path. Rows are named by their id. */
export const untranslated = (value: unknown, path = '', languages: readonly string[] = LANGUAGES): Untranslated[] => {
  if (typeof value !== 'object' || value === null) return [];
  if (Array.isArray(value))
    return value.flatMap((one: unknown, i) => {
      const id = (one as { id?: unknown } | null)?.id;
      return untranslated(one, `${path}[${typeof id === 'string' ? id : i}]`, languages);
    });
  if (isWording(value)) {
    const missing = languages.filter((language) => value[language] === undefined);
    return missing.length > 0 ? [{ path, languages: missing }] : [];
  }
  return Object.entries(value).flatMap(([key, one]) => untranslated(one, path ? `${path}.${key}` : key, languages));
};
