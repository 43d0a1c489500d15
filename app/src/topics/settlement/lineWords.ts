import type { PriceList } from '@quay/core/settlement/prices';
import { type LineText, lineText } from '@quay/core/settlement/lineText';
import type { Line } from '@quay/core/settlement/statement';
import { STATEMENT_WORDS } from '@quay/core/settlement/statementWords';
import { LANGUAGES } from '@quay/core/words/words';
import { useTranslation } from 'react-i18next';
import { measures } from '../../ui/units';
import { useMoney } from '../../ui/controls/money';

/** A line of the statement in the reader's language, in the same words as on paper. */
export const useLineText = ({ currency }: Pick<PriceList, 'currency'>): ((line: Line) => LineText) => {
  const { i18n } = useTranslation();
  const money = useMoney(currency);
  const language = LANGUAGES.find((one) => one === i18n.language) ?? 'en';
  return (line) => lineText(line, { words: STATEMENT_WORDS[language], language, money, measures: measures() });
};
