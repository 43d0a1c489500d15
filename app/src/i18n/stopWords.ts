import { lazyWords } from './lazyWords';

/** Whether a stop can be spoken of; the English words come with the walk. */
export const useStopWords = lazyWords({
  fr: () => import('./stop/fr').then(({ fr }) => fr),
  de: () => import('./stop/de').then(({ de }) => de),
  es: () => import('./stop/es').then(({ es }) => es),
});
