import equal from 'fast-deep-equal';
import { isWording } from './languages';
import type { Wording } from './words';

/** Languages whose text is older than another's of the same wording, and how the wording was before it was changed in part. */
export type Stale = { languages: string[]; was: Wording };
/** By path of the wording, rows named by their id: `points[bow-rails].caution`. */
export type StaleTexts = Readonly<Record<string, Stale>>;

/** The path of a row's field, as texts that wait are told by. */
export const pathOfText = (list: string, row: string, field: string): string => `${list}[${row}].${field}`;

/** Languages that any text of a row waits for. */
export const waitingOf = (waiting: Readonly<Record<string, readonly string[]>>, list: string, row: string): string[] => [
  ...new Set(Object.entries(waiting).flatMap(([path, languages]) => (path.startsWith(`${list}[${row}]`) ? languages : []))),
];

/** Every wording of a book with its path. */
const wordingsIn = (value: unknown, path = '', found = new Map<string, Wording>()): Map<string, Wording> => {
  if (typeof value !== 'object' || value === null) return found;
  if (Array.isArray(value)) {
    for (const [i, one] of (value as unknown[]).entries()) {
      const id = (one as { id?: unknown } | null)?.id;
      wordingsIn(one, `${path}[${typeof id === 'string' ? id : i}]`, found);
    }
  } else if (isWording(value)) found.set(path, value);
  else for (const [key, one] of Object.entries(value)) wordingsIn(one, path ? `${path}.${key}` : key, found);
  return found;
};

const staleAfter = (before: Wording, after: Wording, old: Stale | undefined): Stale | undefined => {
  // Put back as it was before anybody changed a part of it, by undo or by hand.
  if (old && equal(after, old.was)) return undefined;
  const present = Object.keys(after);
  const changed = present.filter((language) => after[language] !== before[language]);
  if (changed.length === 0) return old;
  // Translations that were waited for come in; anything else makes all the others older than what is new.
  const waited = old && changed.every((language) => old.languages.includes(language)) ? old.languages : present;
  const languages = waited.filter((language) => !changed.includes(language) && present.includes(language));
  return languages.length === 0 ? undefined : { languages, was: old?.was ?? before };
};

/**
 * What is to be translated after a change of a book: a text that was changed in one language keeps its old sense in the
 * others, and says so until it is translated or found right as it is.
 * @param before the book, and what was to be translated then
 */
export const staleTexts = (before: unknown, after: unknown, stale: StaleTexts): StaleTexts => {
  const was = wordingsIn(before);
  const found: Record<string, Stale> = {};
  for (const [path, wording] of wordingsIn(after)) {
    const earlier = was.get(path);
    const next = earlier && staleAfter(earlier, wording, stale[path]);
    if (next) found[path] = next;
  }
  return found;
};
