import type { Problem } from '@quay/contract/problems';
import type { TFunction } from 'i18next';

/** Waits are told in seconds up to here, then in minutes, s. */
const IN_SECONDS = 120;

/** What the quay says no with, in the reader's words. */
export const problemWords = (t: TFunction, { code, figures = {} }: Pick<Problem, 'code' | 'figures'>): string => {
  const seconds = Number(figures.seconds ?? 0);
  return t(`problem.${code as 'fault'}`, {
    ...figures,
    code,
    wait: seconds < IN_SECONDS ? `${seconds} s` : `${Math.ceil(seconds / 60)} min`,
    // A code that this page does not know comes from a newer quay.
    defaultValue: t('problem.other', { code }),
  }).trim();
};
