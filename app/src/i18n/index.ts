import i18next from 'i18next';
import { initReactI18next } from 'react-i18next';
import type { AfloatWords } from './afloat/en';
import type { ChartWords } from './chart/en';
import type { StaffWords } from './en';
import type { InsideWords } from './inside';
import type { RenterWords } from './renter/en';
import type { StopWords } from './stop/en';

declare module 'i18next' {
  interface CustomTypeOptions {
    defaultNS: 'translation';
    resources: { translation: StaffWords & InsideWords & RenterWords & StopWords & ChartWords & AfloatWords };
  }
}

/** Words come with the face that speaks them: the staff's in English, a renter's in the language they choose. */
export const i18n = i18next.createInstance();
void i18n.use(initReactI18next).init({
  lng: 'en',
  fallbackLng: 'en',
  resources: {},
  showSupportNotice: false,
  interpolation: { escapeValue: false },
  initAsync: false,
  partialBundledLanguages: true,
  react: { bindI18n: 'languageChanged', bindI18nStore: 'added' },
});

/** The locale that dates and numbers are written in: a bare `en` would put the month before the day. */
export const localeOf = (language: string): string => (language === 'en' ? 'en-GB' : language);
