import { lazyWords } from './lazyWords';

/** Whether what a renter enters on the way can be spoken of. */
export const useAfloatWords = lazyWords({
  en: () => import('./afloat/en').then(({ en }) => en),
  fr: () => import('./afloat/fr').then(({ fr }) => fr),
  de: () => import('./afloat/de').then(({ de }) => de),
  es: () => import('./afloat/es').then(({ es }) => es),
});
