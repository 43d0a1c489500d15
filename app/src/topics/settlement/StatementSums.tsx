import { currentUnder, isEntered } from '@quay/core/events/record';
import type { Standing } from '@quay/core/settlement/correction';
import { corrected } from '@quay/core/settlement/events';
import type { Statement } from '@quay/core/settlement/statement';
import { numberText } from '@quay/core/number/statementNumber';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { HireView } from '../../local/hire';
import { openInNewTab } from '../../platform/browser';
import { Card } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { Money } from '../../ui/controls/money';
import { useTones } from '../../ui/theme';
import { Body, Bold, Small } from '../../ui/words';
import { LedgerCard } from './LedgerCard';
import { Signatures } from './Signatures';

/** What the lines come to, what becomes of the deposit, what was corrected since, who has signed. */
export const StatementSums = ({
  view,
  statement,
  standings,
  settleNow,
  paperOf,
}: {
  view: HireView;
  statement: Statement;
  standings: readonly Standing[];
  /** Changes whenever money is to be moved. */
  settleNow: number;
  /** Address of the statement's paper, or of a correction's by its number. */
  paperOf: (number?: number) => string;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  const { currency } = view.pack.prices;
  const isClosed = isEntered(view.record, ['closed']);
  const { deposit } = statement;
  const corrections = currentUnder(view.record, ['corrected'], corrected).map(({ value }) => value);
  const sumRow = (label: string, minor: number, strong = false) => (
    <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline', paddingVertical: 3 }}>
      {strong ? <Bold>{label}</Bold> : <Body>{label}</Body>}
      <Money minor={minor} currency={currency} size={strong ? 25 : 19} />
    </View>
  );
  return (
    <>
      <View style={{ borderTopWidth: 3, borderTopColor: tones.ink, paddingTop: 8, paddingHorizontal: 4 }}>
        {sumRow(t('statement.total'), statement.totalMinor, true)}
        {statement.taxes
          .filter(({ taxMinor }) => taxMinor !== 0)
          .map(({ taxBp, taxMinor }) => (
            <View key={taxBp}>{sumRow(t('statement.tax', { p: taxBp / 100 }), taxMinor)}</View>
          ))}
        {sumRow(t('statement.held'), deposit.heldMinor)}
        {sumRow(t('statement.captured'), deposit.capturedMinor)}
        {deposit.stillHeldMinor > 0 ? sumRow(t('statement.stillHeld'), deposit.stillHeldMinor) : null}
        {sumRow(t('statement.released'), deposit.releasedMinor, true)}
        {statement.balanceMinor > 0 ? sumRow(t('statement.balance'), statement.balanceMinor, true) : null}
        {statement.payOutMinor > 0 ? sumRow(t('settle.payOut'), statement.payOutMinor, true) : null}
      </View>
      {corrections.map(({ number, prefix, why, lines }) => (
        <Card key={number} style={{ gap: 6, padding: 14 }}>
          <Bold>{t('settle.corrects', { n: numberText(number, prefix), why })}</Bold>
          {sumRow(
            t('statement.total'),
            lines.reduce((sum, { amountMinor }) => sum + amountMinor, 0),
          )}
          <Button mode="outlined" label={t('statement.pdf')} onPress={() => openInNewTab(paperOf(number))} testID={`pdf-${number}`} />
        </Card>
      ))}
      {isClosed ? <LedgerCard view={view} standings={standings} settleNow={settleNow} /> : <Small>{t('settle.draftBy')}</Small>}
      <Signatures view={view} />
      {isClosed ? null : <Button mode="outlined" label={t('statement.pdf')} onPress={() => openInNewTab(paperOf())} />}
    </>
  );
};
