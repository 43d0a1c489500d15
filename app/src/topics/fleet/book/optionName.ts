import type { TFunction } from 'i18next';
import { isMatter } from './about';

/** What an option of a choice is called; schools are called by their matter. */
export const optionName = (field: string, option: string, t: TFunction): string =>
  isMatter(field) ? t(`fleet.school.${field}.${option}` as 'fleet.school.trees.yes') : t(`fleet.option.${option}` as 'fleet.option.must');
