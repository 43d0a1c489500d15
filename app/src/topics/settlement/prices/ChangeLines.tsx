import type { PriceChange } from '@quay/core/settlement/planned';
import { say } from '@quay/core/words/words';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Button } from '../../../ui/controls/button';
import { useMoney } from '../../../ui/controls/money';
import { Body, Bold } from '../../../ui/words';

/** So many are named at once. */
const AT_ONCE = 8;

/** Prices that become others: what each was, and what it is then. */
export const ChangeLines = ({ changes, currency, testID }: { changes: readonly PriceChange[]; currency: string; testID: string }) => {
  const { t, i18n } = useTranslation();
  const money = useMoney(currency);
  const [all, setAll] = useState(false);
  const shown = all ? changes : changes.slice(0, AT_ONCE);
  return (
    <View style={{ gap: 4 }} testID={testID}>
      {shown.map(({ code, was, is }) => {
        const name = say((is ?? was)!.name, i18n.language);
        const line =
          was && is
            ? was.amountMinor === is.amountMinor
              ? t('prices.otherwise')
              : `${money(was.amountMinor)} → ${money(is.amountMinor)}`
            : is
              ? t('prices.isNew', { sum: money(is.amountMinor) })
              : t('prices.isGone');
        return (
          <View key={code} style={{ flexDirection: 'row', gap: 10, justifyContent: 'space-between' }}>
            <Body style={{ flex: 1 }}>{name}</Body>
            <Bold>{line}</Bold>
          </View>
        );
      })}
      {changes.length > AT_ONCE ? (
        <Button
          mode="outlined"
          label={t(all ? 'prices.fewerChanges' : 'prices.allChanges', { count: changes.length })}
          onPress={() => setAll(!all)}
          style={{ alignSelf: 'flex-start' }}
          testID={`${testID}-all`}
        />
      ) : null}
    </View>
  );
};
