import { fetchEvents } from '../../local/outbox/fetch';
import { correctStatement } from '@quay/contract/settlement';
import { writeMinor } from '@quay/core/money/minor';
import type { Standing } from '@quay/core/settlement/correction';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { numberText } from '@quay/core/number/statementNumber';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import * as z from 'zod/mini';
import { call, NoAnswer } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import type { HireView } from '../../local/hire';
import { Notice } from '../../ui/board';
import { FormField, useSchemaForm } from '../../ui/controls/form';
import { Money, useMoney } from '../../ui/controls/money';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { useSnack } from '../../ui/controls/snack';
import * as typed from '../../ui/controls/typed';
import { Body, Small } from '../../ui/words';
import { useLineText } from './lineWords';
import { SumField, sumIn, sumOf } from './SumField';

/** A manager settles a line of a closed statement, wholly, in part or not at all, by a statement that refers to it. */
export const CorrectSheet = ({
  view,
  standing,
  last,
  prefix,
  onDone,
  onClose,
}: {
  view: HireView;
  standing: Standing;
  /** The hire's last statement, as it is seen. */
  last: number;
  /** What stands before the numbers of this hire's statements. */
  prefix: string | undefined;
  onDone: () => void;
  onClose: () => void;
}) => {
  const { t } = useTranslation();
  const errorWords = useErrorWords();
  const snack = useSnack();
  const client = useQueryClient();
  const { hire, prices } = view.pack;
  const { currency } = prices;
  const money = useMoney(currency);
  const { line, chargedMinor, mostMinor, remark, open } = standing;
  const text = useLineText(prices)(line);
  const schema = useMemo(() => {
    const most = mostMinor === undefined ? t('settle.badSum') : t('settle.shallBad', { most: money(mostMinor) });
    return z.object({
      sum: sumIn(currency, (minor) => minor >= 0 && (mostMinor === undefined || minor <= mostMinor), most),
      why: typed.words(500, 'settle.textWanted'),
    });
  }, [currency, mostMinor, money, t]);
  const form = useSchemaForm(schema, { sum: writeMinor(chargedMinor, currency), why: '' }, 'whileTyped');
  const minor = sumOf(form.watch('sum'), currency);
  // A line that is not open stands as it is until it comes to something else.
  const same = !open && minor === chargedMinor;
  const work = useMutation({
    mutationFn: async ({ sum, why }: { sum: number; why: string }) => {
      const done = await call(correctStatement, {
        params: { hireId: hire.id },
        body: { seen: last, lines: [{ line: line.key, amountMinor: sum - chargedMinor }], why },
      });
      await fetchEvents(hire.id);
      await client.invalidateQueries();
      return done;
    },
    onSuccess: ({ number }) => {
      snack({ text: t('settle.corrected', { n: numberText(number, prefix) }) });
      onDone();
    },
  });
  const trouble = work.error instanceof NoAnswer ? t('statement.offline') : work.error ? errorWords(work.error) : undefined;
  return (
    <ModalSheet
      title={text.title}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        <Button
          mode="contained"
          label={t('settle.correct')}
          busy={work.isPending}
          disabled={same}
          onPress={() => void form.handleSubmit((entered) => work.mutate(entered))()}
          testID="correct-go"
        />
      }
    >
      {trouble === undefined ? null : <Notice kind="stop" title={trouble} />}
      {text.about.map((one) => (
        <Body key={one}>{one}</Body>
      ))}
      {remark ? <Notice kind="ask" title={`“${remark}”`} /> : null}
      <View style={{ flexDirection: 'row', gap: 28 }}>
        {mostMinor === undefined ? null : (
          <View>
            <Small>{t('settle.claimed')}</Small>
            <Money minor={mostMinor} currency={currency} size={30} />
          </View>
        )}
        <View>
          <Small>{t('settle.charged')}</Small>
          <Money minor={chargedMinor} currency={currency} size={30} />
        </View>
      </View>
      {mostMinor === undefined || mostMinor < 0 ? null : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {[...new Set([0, Math.round(mostMinor / 2), mostMinor])].map((share) => (
            <ChoiceChip
              key={share}
              label={money(share)}
              on={minor === share}
              onPress={() => form.setValue('sum', writeMinor(share, currency), { shouldValidate: true })}
              testID={`shall-${share}`}
            />
          ))}
        </View>
      )}
      <SumField form={form} name="sum" label={t('settle.shall')} currency={currency} testID="shall" />
      <FormField form={form} name="why" label={t('settle.correctWhy')} lines={2} testID="correct-why" />
    </ModalSheet>
  );
};
