import { LANGUAGES, type Language } from '@quay/core/words/words';
import { i18n } from '../../i18n';
import type { RenterWords } from '../../i18n/renter/en';
import { browserLanguage, rememberChoice, rememberedChoice, setPageLanguage } from '../../platform/browser';

const CHOICE = 'quay-renter-language';
/** Each in a file of its own, fetched when it is chosen; all of them are kept offline. */
const FILES: Readonly<Record<Language, () => Promise<RenterWords>>> = {
  en: () => import('../../i18n/renter/en').then(({ en }) => en),
  fr: () => import('../../i18n/renter/fr').then(({ fr }) => fr),
  de: () => import('../../i18n/renter/de').then(({ de }) => de),
  es: () => import('../../i18n/renter/es').then(({ es }) => es),
};

const known = (language: string | undefined): Language | undefined => LANGUAGES.find((one) => one === language?.slice(0, 2));

/** Speaks a language from here on. */
const speak = async (language: Language): Promise<void> => {
  if (!i18n.hasResourceBundle(language, 'translation')) i18n.addResourceBundle(language, 'translation', await FILES[language](), true);
  setPageLanguage(language);
  await i18n.changeLanguage(language);
};

export const chooseLanguage = async (language: Language): Promise<void> => {
  rememberChoice(CHOICE, language);
  await speak(language);
};

/**
 * The language chosen here before, else that of the booking where somebody chose one, else the browser's, else English:
 * a booking in English may only mean that nobody asked.
 */
export const speakTheirs = (booked: string | undefined): Promise<void> =>
  speak(known(rememberedChoice(CHOICE)) ?? (booked === 'en' ? undefined : known(booked)) ?? known(browserLanguage()) ?? 'en');
