import { lazyWords } from './lazyWords';

/** Whether the chart can be spoken of: staff and renters alike. */
export const useChartWords = lazyWords({
  en: () => import('./chart/en').then(({ en }) => en),
  fr: () => import('./chart/fr').then(({ fr }) => fr),
  de: () => import('./chart/de').then(({ de }) => de),
  es: () => import('./chart/es').then(({ es }) => es),
});
