import { fetchEvents } from '../../local/outbox/fetch';
import { isEntered, currentAt, currentUnder } from '@quay/core/events/record';
import { depositAnswered } from '@quay/core/settlement/events';
import { askDeposit, holdDeposit, releaseDeposit, type DepositReply } from '@quay/contract/deposit';
import type { Deposit } from '@quay/core/settlement/deposit';
import { endingHoldings } from '@quay/core/settlement/holding';
import { ledgerOf } from '@quay/core/settlement/ledger';
import { useMutation } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { call, NoAnswer } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import type { HireView } from '../../local/hire';
import { Notice, Tag } from '../../ui/board';
import { useNow } from '../../ui/clock';
import { whenOf } from '../../ui/format';
import { Money, useMoney } from '../../ui/controls/money';
import { Button } from '../../ui/controls/button';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { useSnack } from '../../ui/controls/snack';
import { Body, Small } from '../../ui/words';

/** Holdings of this hire's deposit that end too early, the first first. */
const useEndings = ({ pack, record }: HireView) => {
  const now = new Date(useNow()).toISOString();
  return endingHoldings(ledgerOf(record, 0), now, isEntered(record, ['closed']) ? undefined : pack.hire.to);
};

const WHY = { over: 'overWhy', soon: 'endingWhy', beforeEnd: 'earlyWhy' } as const;

/** Says what of the deposit its bank lets go of before it has done its work. */
export const EndingNotice = ({ view, children }: { view: HireView; children?: ReactNode }) => {
  const { t, i18n } = useTranslation();
  const now = useNow();
  const [first] = useEndings(view);
  const money = useMoney(view.pack.prices.currency);
  if (!first) return null;
  const closed = isEntered(view.record, ['closed']);
  return (
    <Notice
      kind={first.is === 'over' ? 'stop' : 'ask'}
      title={t(`deposit.ending.${first.is}`, {
        sum: money(first.amountMinor),
        when: whenOf(first.expiresAt, view.pack.base.zone, now, i18n.language),
      })}
    >
      <Body>{t(`deposit.${closed && first.is !== 'over' ? 'closedWhy' : WHY[first.is]}`)}</Body>
      {children}
    </Notice>
  );
};

/**
 * Holds the deposit on a card, or writes down that it was taken otherwise. What became of an asking is never guessed: while
 * the terminal has not said, nothing more is asked of it.
 */
export const DepositSheet = ({
  view,
  deposit,
  routed = false,
  onClose,
}: {
  view: HireView;
  deposit: Deposit;
  /** It is open because the address says so. */
  routed?: boolean;
  onClose: () => void;
}) => {
  const { t } = useTranslation();
  const errorWords = useErrorWords();
  const snack = useSnack();
  const { hire, prices } = view.pack;
  const money = useMoney(prices.currency);
  // The same name as long as this asking has no answer: pressed twice, it still holds once.
  const [attempt, setAttempt] = useState(() => uuidv7());
  const { state, wantedMinor, heldMinor, open, why } = deposit;
  const missing = wantedMinor - heldMinor;
  const heldOne = currentUnder(view.record, ['deposit'], depositAnswered).find(({ currentEvents }) => {
    const body = currentEvents.at(-1)?.event.body;
    return body?.kind === 'depositAnswered' && body.answer === 'authorised';
  });
  const taken = currentAt(view.record, ['depositTaken']);
  const work = useMutation({
    mutationFn: async (ask: () => Promise<DepositReply>) => {
      const reply = await ask();
      await fetchEvents(hire.id);
      return reply;
    },
    onSuccess: ({ state: said }) => {
      if (said !== 'unknown') setAttempt(uuidv7());
    },
  });
  const params = { hireId: hire.id, attempt };
  const ending = useEndings(view)[0];
  const anew = () =>
    ending && work.mutate(() => call(holdDeposit, { params, body: { amountMinor: ending.amountMinor, instead: ending.attempt } }));
  const hold = () => work.mutate(() => call(holdDeposit, { params, body: { amountMinor: missing } }));
  const ask = (name = open ?? attempt) => work.mutate(() => call(askDeposit, { params: { hireId: hire.id, attempt: name } }));
  const release = () => heldOne && work.mutate(() => call(releaseDeposit, { params: { hireId: hire.id, attempt: heldOne.value.attempt } }));
  const take = async (how: 'cash' | 'otherwise') => {
    const added = await view.add([{ kind: 'depositTaken', amountMinor: missing, how }]);
    snack({ text: t('deposit.taken'), undo: () => void view.undo(added) });
    onClose();
  };
  const trouble = work.error instanceof NoAnswer ? t('deposit.noSignal') : work.error ? errorWords(work.error) : undefined;
  const done = state === 'authorised';
  return (
    <ModalSheet
      routed={routed}
      title={t('deposit.title')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        done && ending?.is === 'over' ? (
          <Button
            mode="contained"
            label={t('deposit.askOver')}
            tone="warning"
            busy={work.isPending}
            onPress={() => ask(ending.attempt)}
            testID="deposit-ask-over"
          />
        ) : done && ending?.is === 'soon' ? (
          <Button
            mode="contained"
            label={t('deposit.anew', { sum: money(ending.amountMinor) })}
            tone="warning"
            busy={work.isPending}
            onPress={anew}
            testID="deposit-anew"
          />
        ) : done ? (
          <Button mode="contained" label={t('common.done')} onPress={onClose} testID="deposit-done" />
        ) : state === 'unknown' ? (
          <Button
            mode="contained"
            label={t('deposit.ask')}
            tone="warning"
            busy={work.isPending}
            onPress={() => ask()}
            testID="deposit-ask"
          />
        ) : (
          <Button
            mode="contained"
            label={t('deposit.hold', { sum: money(missing) })}
            busy={work.isPending}
            onPress={hold}
            testID="deposit-hold"
          />
        )
      }
    >
      <View style={{ flexDirection: 'row', gap: 28 }}>
        <View>
          <Small>{t('deposit.wanted')}</Small>
          <Money minor={wantedMinor} currency={prices.currency} size={34} />
        </View>
        <View>
          <Small>{t('deposit.held')}</Small>
          <Money minor={heldMinor} currency={prices.currency} size={34} tone={done ? 'primaryText' : 'ink'} />
        </View>
      </View>
      <EndingNotice view={view} />
      {heldMinor > wantedMinor ? <Notice kind="ask" title={t('deposit.twice', { sum: money(heldMinor - wantedMinor) })} /> : null}
      {work.data?.simulated ? <Tag kind="ask">{t('deposit.simulated')}</Tag> : null}
      {work.isPending ? <Notice kind="ask" title={t('deposit.waiting')} /> : null}
      {!work.isPending && state === 'unknown' ? (
        <Notice kind="stop" title={t('deposit.unknown')}>
          <Body>{t('deposit.unknownWhy')}</Body>
        </Notice>
      ) : null}
      {!work.isPending && state === 'declined' ? <Notice kind="stop" title={t('deposit.declined', { why: why ?? '' })} /> : null}
      {work.data?.state === 'none' ? <Notice kind="ask" title={t('deposit.noTerminal')} /> : null}
      {trouble !== undefined && !work.isPending ? <Notice kind="stop" title={trouble} /> : null}
      {done ? (
        <View style={{ gap: 8 }}>
          <Notice kind="ok" title={t('deposit.done', { sum: money(heldMinor) })} />
          {ending?.is === 'beforeEnd' ? (
            <Button mode="outlined" label={t('deposit.anew', { sum: money(ending.amountMinor) })} onPress={anew} testID="deposit-anew" />
          ) : null}
          {heldOne ? <Button mode="outlined" label={t('deposit.release')} onPress={release} testID="deposit-release" /> : null}
          {taken ? (
            <Button
              mode="outlined"
              label={t('deposit.notTaken')}
              onPress={() =>
                void view
                  .undo(taken.currentEvents)
                  .then((stored) => snack({ text: t('deposit.takenBack'), undo: () => void view.undo(stored) }))
              }
              testID="deposit-not-taken"
            />
          ) : null}
        </View>
      ) : (
        <View style={{ gap: 8 }}>
          <Small>{t('deposit.otherwise')}</Small>
          <View style={{ flexDirection: 'row', gap: 8, flexWrap: 'wrap' }}>
            <Button mode="outlined" label={t('deposit.cash')} onPress={() => void take('cash')} testID="deposit-cash" />
            <Button mode="outlined" label={t('deposit.other')} onPress={() => void take('otherwise')} testID="deposit-other" />
          </View>
        </View>
      )}
    </ModalSheet>
  );
};
