import { LANGUAGES, type Language } from '@quay/core/words/words';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { i18n } from './';
import type { StopWords } from './stop/en';

/** Words of a stop, in a file of its own for each language; the English ones come with the walk. */
const FILES: Readonly<Record<Exclude<Language, 'en'>, () => Promise<StopWords>>> = {
  fr: () => import('./stop/fr').then(({ fr }) => fr),
  de: () => import('./stop/de').then(({ de }) => de),
  es: () => import('./stop/es').then(({ es }) => es),
};
const added = new Set<Language>(['en']);

/**
 * Whether a stop can be spoken of in a language, by itself the one that is chosen here; fetches its words when it cannot
 * yet.
 */
export const useStopWords = (wanted?: string): boolean => {
  const { i18n: speaking } = useTranslation();
  const language = LANGUAGES.find((one) => one === (wanted ?? speaking.language)) ?? 'en';
  const [ready, setReady] = useState(added.has(language));
  const [failed, setFailed] = useState<Error>();
  useEffect(() => {
    if (language === 'en' || added.has(language)) {
      setReady(true);
      return;
    }
    FILES[language]()
      .then((words) => {
        i18n.addResourceBundle(language, 'translation', words, true);
        added.add(language);
        setReady(true);
      })
      .catch(setFailed);
  }, [language]);
  if (failed) throw failed;
  return ready;
};
