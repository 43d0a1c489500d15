import { changePrices, dropPlannedPrices, type Prices } from '@quay/contract/prices';
import { priceChanges } from '@quay/core/settlement/planned';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call } from '../../../local/api';
import { useErrorWords } from '../../../local/errorWords';
import { Card, Notice } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { useSnack } from '../../../ui/controls/snack';
import { longDay } from '../../../ui/format';
import { Bold, SlabBold, Small } from '../../../ui/words';
import { ChangeLines } from './ChangeLines';

/** Lists that hold from a day on, with what becomes another price then; each can be changed and taken back. */
export const PlannedCard = ({ answer, onChange }: { answer: Prices; onChange: (day: string) => void }) => {
  const { t, i18n } = useTranslation();
  const client = useQueryClient();
  const snack = useSnack();
  const errorWords = useErrorWords();
  const { list: now, planned } = answer;
  const keep = (next: Prices) => client.setQueryData(['prices'], next);
  const drop = useMutation({
    mutationFn: async (day: string) => {
      const { list } = planned.find(({ from }) => from === day)!;
      const next = await call(dropPlannedPrices, { params: { from: day }, headers: { 'if-match': `"${answer.version}"` } });
      return { day, list, next };
    },
    onSuccess: ({ day, list, next }) => {
      keep(next);
      const { version: _, currency: _currency, breach: _breach, ...back } = list;
      snack({
        text: t('prices.dropped', { day: longDay(day, i18n.language) }),
        undo: () =>
          void call(changePrices, { body: { ...back, from: day }, headers: { 'if-match': `"${next.version}"` } }).then(keep, () =>
            client.invalidateQueries({ queryKey: ['prices'] }),
          ),
      });
    },
    onError: () => client.invalidateQueries({ queryKey: ['prices'] }),
  });
  if (planned.length === 0) return null;
  return (
    <Card style={{ gap: 12 }}>
      <SlabBold size={22} heading={2}>
        {t('prices.planned')}
      </SlabBold>
      {drop.error ? <Notice kind="stop" title={errorWords(drop.error)} /> : null}
      {planned.map(({ from, list, madeBy }, i) => (
        <View key={from} style={{ gap: 6 }} testID={`planned-${from}`}>
          <Bold>{t('prices.from', { day: longDay(from, i18n.language) })}</Bold>
          {madeBy ? <Small>{t('prices.by', { who: madeBy })}</Small> : null}
          <ChangeLines
            changes={priceChanges((planned[i - 1]?.list ?? now).prices, list.prices)}
            currency={now.currency}
            testID={`changes-${from}`}
          />
          <View style={{ flexDirection: 'row', gap: 8 }}>
            <Button mode="outlined" label={t('prices.changePlan')} onPress={() => onChange(from)} testID={`change-${from}`} />
            <Button
              mode="outlined"
              label={t('prices.drop')}
              busy={drop.isPending}
              onPress={() => drop.mutate(from)}
              testID={`drop-${from}`}
            />
          </View>
        </View>
      ))}
    </Card>
  );
};
