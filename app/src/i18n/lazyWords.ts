import { LANGUAGES, type Language } from '@quay/core/words/words';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { i18n } from './';

/**
 * Words that come in a file of their own for each language, when the first view that speaks them is opened.
 * @param files those that are fetched; a language that has none comes with the views themselves
 * @returns a hook that says whether they can be spoken, in the language that is chosen here or in another that is wanted
 */
export const lazyWords = (files: Readonly<Partial<Record<Language, () => Promise<object>>>>): ((wanted?: string) => boolean) => {
  const added = new Set<Language>(LANGUAGES.filter((language) => !files[language]));
  return (wanted) => {
    const { i18n: speaking } = useTranslation();
    const language = LANGUAGES.find((one) => one === (wanted ?? speaking.language)) ?? 'en';
    const [ready, setReady] = useState(added.has(language));
    const [failed, setFailed] = useState<Error>();
    useEffect(() => {
      const fetchWords = files[language];
      if (!fetchWords || added.has(language)) {
        setReady(true);
        return;
      }
      fetchWords()
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
};
