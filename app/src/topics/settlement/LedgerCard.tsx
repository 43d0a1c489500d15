import { fetchEvents } from '../../local/outbox/fetch';
import { chargeCard, type PaymentReply, settlePayments } from '@quay/contract/settlement';
import { chargedOf, keptFor, type Standing } from '@quay/core/settlement/correction';
import { ledgerOf, nextStep } from '@quay/core/settlement/ledger';
import { useMutation } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { call, NoAnswer } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import type { HireView } from '../../local/hire';
import { Card, Notice, Tag } from '../../ui/board';
import { Money, useMoney } from '../../ui/controls/money';
import { Button } from '../../ui/controls/button';
import { useSnack } from '../../ui/controls/snack';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { EndingNotice } from './DepositSheet';

/** Where the money of a closed hire is: what is held, taken, let go, owed, and what is in doubt until the terminal says. */
export const LedgerCard = ({ view, standings, settleNow }: { view: HireView; standings: readonly Standing[]; settleNow: number }) => {
  const { t } = useTranslation();
  const errorWords = useErrorWords();
  const snack = useSnack();
  const { hire, prices } = view.pack;
  const money = useMoney(prices.currency);
  // The same name until it is answered: pressed twice, it is still paid once.
  const [payment, setPayment] = useState(() => uuidv7());
  const ledger = ledgerOf(view.record, chargedOf(standings));
  const kept = keptFor(standings);
  const work = useMutation({
    mutationFn: async (ask: () => Promise<PaymentReply>) => {
      const reply = await ask();
      await fetchEvents(hire.id);
      return reply;
    },
    onSuccess: ({ state }) => {
      if (state !== 'inDoubt') setPayment(uuidv7());
      if (state === 'done') snack({ text: t('settle.settled') });
    },
  });
  const { mutate } = work;
  const settle = () => mutate(() => call(settlePayments, { params: { hireId: hire.id } }));
  // What was closed or corrected here a moment ago is settled at once.
  useEffect(() => {
    if (settleNow > 0) mutate(() => call(settlePayments, { params: { hireId: hire.id } }));
  }, [settleNow, mutate, hire.id]);
  const charge = () => mutate(() => call(chargeCard, { params: { hireId: hire.id, payment }, body: { amountMinor: ledger.balanceMinor } }));
  const byHand = async (what: 'paid' | 'givenBack') => {
    const added = await view.add([
      { kind: 'paidByHand', payment: uuidv7(), what, amountMinor: Math.abs(ledger.balanceMinor), how: 'cash' },
    ]);
    snack({ text: t('settle.written'), undo: () => void view.undo(added) });
  };
  const doubtful = ledger.inDoubt.length > 0;
  const step = nextStep(ledger, kept);
  const owed = ledger.balanceMinor > 0 && !step;
  const trouble = work.error instanceof NoAnswer ? t('deposit.noSignal') : work.error ? errorWords(work.error) : undefined;
  const row = (label: string, minor: number) =>
    minor === 0 ? null : (
      <View key={label} style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline', paddingVertical: 2 }}>
        <Body>{label}</Body>
        <Money minor={minor} currency={prices.currency} size={19} />
      </View>
    );
  return (
    <Card style={{ gap: 8, padding: 14 }}>
      <SlabBold size={21} heading={2}>
        {t('settle.money')}
      </SlabBold>
      {doubtful ? (
        <Notice kind="stop" title={t('settle.doubt', { count: ledger.inDoubt.length })}>
          {ledger.inDoubt.map(({ payment: name, what, amountMinor }) => (
            <Body key={name}>{t(`settle.doubtWhat.${what}`, { sum: money(amountMinor) })}</Body>
          ))}
        </Notice>
      ) : null}
      <EndingNotice view={view} />
      {work.data?.state === 'inDoubt' && !work.isPending ? <Small>{t('settle.inDoubt')}</Small> : null}
      {work.data?.state === 'declined' && !work.isPending ? (
        <Notice kind="stop" title={t('settle.declined', { why: work.data.why ?? '' })} />
      ) : null}
      {work.data?.state === 'none' ? <Notice kind="ask" title={t('settle.noTerminal')} /> : null}
      {trouble === undefined || work.isPending ? null : <Notice kind="stop" title={trouble} />}
      {work.data?.simulated ? <Tag kind="ask">{t('settle.simulated')}</Tag> : null}
      <View>
        {row(t('settle.held'), ledger.heldMinor)}
        {row(t('settle.cash'), ledger.byHandHeldMinor)}
        {row(t('settle.captured'), ledger.capturedMinor)}
        {row(t('settle.released'), ledger.releasedMinor)}
        {row(t('settle.expired'), ledger.expiredMinor)}
        {row(t('settle.stillHeld'), ledger.stillHeldMinor)}
        {row(t('settle.paid'), ledger.paidMinor - ledger.byHandHeldMinor)}
        {row(t('settle.refunded'), ledger.refundedMinor)}
      </View>
      {ledger.balanceMinor === 0 ? (
        <Bold tone={ledger.stillHeldMinor > 0 ? 'ink' : 'primaryText'}>
          {ledger.stillHeldMinor > 0 ? t('settle.stillKept', { sum: money(ledger.stillHeldMinor) }) : t('settle.even')}
        </Bold>
      ) : (
        <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline' }}>
          <Bold>{t(ledger.balanceMinor > 0 ? 'settle.owed' : 'settle.owes')}</Bold>
          <Money
            minor={Math.abs(ledger.balanceMinor)}
            currency={prices.currency}
            size={27}
            tone={ledger.balanceMinor > 0 ? 'dangerText' : 'primaryText'}
          />
        </View>
      )}
      {step || doubtful ? (
        <Button
          mode="contained"
          label={t(doubtful ? 'settle.askAgain' : 'settle.settle')}
          tone={doubtful ? 'warning' : 'primary'}
          busy={work.isPending}
          onPress={settle}
          testID="settle-money"
        />
      ) : null}
      {owed && !doubtful ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          <Button mode="outlined" label={t('settle.charge', { sum: money(ledger.balanceMinor) })} onPress={charge} testID="charge-card" />
          <Button
            mode="outlined"
            label={t('settle.handPaid', { sum: money(ledger.balanceMinor) })}
            onPress={() => void byHand('paid')}
            testID="paid-by-hand"
          />
        </View>
      ) : null}
      {ledger.balanceMinor < 0 && !step && !doubtful ? (
        <Button
          mode="outlined"
          label={t('settle.handBack', { sum: money(-ledger.balanceMinor) })}
          onPress={() => void byHand('givenBack')}
          testID="back-by-hand"
        />
      ) : null}
      <Small size={14}>{t('settle.moneyWhy')}</Small>
    </Card>
  );
};
