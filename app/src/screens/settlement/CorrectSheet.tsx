import { correctStatement } from '@quay/contract/settlement';
import { writeMinor } from '@quay/core/money/minor';
import type { Standing } from '@quay/core/settlement/correction';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call, NoAnswer, Refused } from '../../data/api';
import type { HireView } from '../../data/hire';
import { fetchEvents } from '../../data/outbox';
import { Notice } from '../../ui/board';
import { Field } from '../../ui/field';
import { Money, useMoney } from '../../ui/money';
import { Chip, Go } from '../../ui/press';
import { Sheet } from '../../ui/sheet';
import { useSnack } from '../../ui/snack';
import { Body, Small } from '../../ui/words';
import { useLineText } from './lineWords';
import { SumField, sumOf } from './SumField';

/** A manager settles a line of a closed statement, wholly, in part or not at all, by a statement that refers to it. */
export const CorrectSheet = ({
  view,
  standing,
  last,
  onDone,
  onClose,
}: {
  view: HireView;
  standing: Standing;
  /** The hire's last statement, as it is seen. */
  last: number;
  onDone: () => void;
  onClose: () => void;
}) => {
  const { t } = useTranslation();
  const snack = useSnack();
  const client = useQueryClient();
  const { hire, prices } = view.pack;
  const { currency } = prices;
  const money = useMoney(currency);
  const { line, chargedMinor, mostMinor, remark, open } = standing;
  const text = useLineText(prices)(line);
  const [sum, setSum] = useState(writeMinor(chargedMinor, currency));
  const [why, setWhy] = useState('');
  const minor = sumOf(sum, currency);
  const fits = minor !== undefined && minor >= 0 && (mostMinor === undefined || minor <= mostMinor) && (open || minor !== chargedMinor);
  const work = useMutation({
    mutationFn: async () => {
      const done = await call(correctStatement, {
        params: { hireId: hire.id },
        body: { seen: last, lines: [{ line: line.key, amountMinor: minor! - chargedMinor }], why: why.trim() },
      });
      await fetchEvents(hire.id);
      await client.invalidateQueries();
      return done;
    },
    onSuccess: ({ number }) => {
      snack({ text: t('settle.corrected', { n: number }) });
      onDone();
    },
  });
  const trouble =
    work.error instanceof NoAnswer
      ? t('statement.offline')
      : work.error instanceof Refused
        ? work.error.problem.title
        : work.error?.message;
  return (
    <Sheet
      title={text.title}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        <Go
          label={t('settle.correct')}
          busy={work.isPending}
          disabled={!fits || why.trim() === ''}
          onPress={() => work.mutate()}
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
            <Chip
              key={share}
              label={money(share)}
              on={minor === share}
              onPress={() => setSum(writeMinor(share, currency))}
              testID={`shall-${share}`}
            />
          ))}
        </View>
      )}
      <SumField
        label={t('settle.shall')}
        value={sum}
        onChange={setSum}
        currency={currency}
        fault={
          minor === undefined || minor < 0 || (mostMinor !== undefined && minor > mostMinor)
            ? mostMinor === undefined
              ? t('settle.badSum')
              : t('settle.shallBad', { most: money(mostMinor) })
            : undefined
        }
        testID="shall"
      />
      <Field label={t('settle.correctWhy')} value={why} onChange={setWhy} lines={2} testID="correct-why" />
    </Sheet>
  );
};
