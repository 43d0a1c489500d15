import i18next from 'i18next';
import { initReactI18next } from 'react-i18next';
import { en } from './en';
import type { RenterWords } from './renter/en';

declare module 'i18next' {
  interface CustomTypeOptions {
    defaultNS: 'translation';
    resources: { translation: typeof en & RenterWords };
  }
}

/** One catalogue; further languages stand beside `en.ts`. */
export const i18n = i18next.createInstance();
void i18n.use(initReactI18next).init({
  lng: 'en',
  fallbackLng: 'en',
  resources: { en: { translation: en } },
  showSupportNotice: false,
  interpolation: { escapeValue: false },
  initAsync: false,
});

/** The locale that dates and numbers are written in: a bare `en` would put the month before the day. */
export const localeOf = (language: string): string => (language === 'en' ? 'en-GB' : language);
