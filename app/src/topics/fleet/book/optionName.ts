import type { TFunction } from 'i18next';
import { isMatter } from './about';

/** What an option of a choice is called; policies are called by their matter. */
export const optionName = (field: string, option: string, t: TFunction): string =>
  isMatter(field) ? t(`fleet.policy.${field}.${option}` as 'fleet.policy.trees.yes') : t(`fleet.option.${option}` as 'fleet.option.must');
