import { closeHire, statementPdf } from '@quay/contract/hire';
import { say } from '@quay/core/fleet/words';
import { slot } from '@quay/core/record/project';
import { settle } from '@quay/core/settlement/settle';
import type { Line } from '@quay/core/settlement/statement';
import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useWindowDimensions, View } from 'react-native';
import { addressOf, call, NoAnswer, Refused } from '../../data/api';
import { type HireView, useHire } from '../../data/hire';
import { deliver, fetchEvents } from '../../data/outbox';
import { useMe } from '../../data/session';
import { openInNewTab } from '../../platform/browser';
import { Card, Notice, Tag, type TagKind } from '../../ui/board';
import { Money, useMoney } from '../../ui/money';
import { Alt, Chip, Go } from '../../ui/press';
import { Screen } from '../../ui/screen';
import { useTones, WIDE } from '../../ui/theme';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { useFindingWords } from '../condition/findingWords';
import { HireMissing } from '../hire/HireMissing';
import { Signatures } from './Signatures';

export const Statement = ({ hireId }: { hireId: string }) => {
  const { view, error, refetch } = useHire(hireId);
  return view ? <Settling view={view} /> : <HireMissing error={error} onAgain={refetch} />;
};

const STATE_TAG: Record<Line['state'], TagKind> = { proposed: 'ask', accepted: 'ok', disputed: 'stop', waived: 'calm' };

/** The settlement: lines with their reasons, what becomes of the deposit, agreement or not, and the closing. */
const Settling = ({ view }: { view: HireView }) => {
  const { t, i18n } = useTranslation();
  const router = useRouter();
  const client = useQueryClient();
  const me = useMe().data;
  const tones = useTones();
  const { width } = useWindowDimensions();
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<string>();
  const { pack, record, events } = view;
  const { hire } = pack;
  const { findings, statement } = useMemo(() => settle(record, pack), [record, pack]);
  const words = useFindingWords(pack);
  const closed = slot(record, 'closed', 'closed')?.value;
  const money = useMoney(pack.prices.currency);
  const { currency } = pack.prices;
  const walkedIn = record.slots.has('in/sealed');
  const ready = walkedIn && statement.open.length === 0 && statement.toQuote.length === 0;
  const close = async () => {
    setBusy(true);
    setFault(undefined);
    try {
      await deliver();
      await fetchEvents(hire.id);
      await call(closeHire, {
        params: { hireId: hire.id },
        body: { totalMinor: statement.totalMinor, events: events.filter(({ state }) => state !== 'refused').length },
      });
      await fetchEvents(hire.id);
      await client.invalidateQueries();
    } catch (error) {
      if (error instanceof NoAnswer) setFault(t('statement.offline'));
      else if (error instanceof Refused) setFault(error.problem.code === 'changedMeanwhile' ? t('statement.changed') : error.problem.title);
      else throw error;
    } finally {
      setBusy(false);
    }
  };
  const set = (line: Line, state: Line['state']) => void view.add([{ kind: 'lineDecided', line: line.key, state }]);
  const pdf = addressOf(statementPdf, { hireId: hire.id });
  const sumRow = (label: string, minor: number, strong = false) => (
    <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline', paddingVertical: 3 }}>
      {strong ? <Bold>{label}</Bold> : <Body>{label}</Body>}
      <Money minor={minor} currency={currency} size={strong ? 25 : 19} />
    </View>
  );
  const why = !walkedIn
    ? t('statement.notWalkedIn')
    : statement.open.length > 0
      ? t('statement.undecided', { count: statement.open.length })
      : statement.toQuote.length > 0
        ? t('statement.toQuoteOpen')
        : undefined;
  const footer = closed ? (
    <Go label={t('statement.pdf')} onPress={() => openInNewTab(pdf)} testID="pdf" />
  ) : ready ? (
    <Go label={t('statement.close')} busy={busy} onPress={() => void close()} testID="close-hire" />
  ) : (
    <Go label={t('statement.back')} tone="mari" onPress={() => router.push(`/hire/${hire.id}/compare`)} {...(why ? { hint: why } : {})} />
  );
  return (
    <Screen
      title={closed ? `${t('statement.title')} ${closed.number}` : t('statement.title')}
      sub={`${pack.boat.name} · ${hire.renter}`}
      onBack={() => router.push(`/hire/${hire.id}`)}
      right={<Tag kind={closed ? 'ok' : 'ask'}>{closed ? t('statement.closed') : t('statement.draft')}</Tag>}
      measure={width >= WIDE ? 760 : width}
      footer={footer}
    >
      <View style={{ padding: 12, gap: 12 }}>
        {fault ? <Notice kind="stop" title={fault} /> : null}
        {statement.lines.length === 0 ? (
          <Notice kind="ok" title={t('statement.empty')}>
            <Body>{t('statement.emptyWhy')}</Body>
          </Notice>
        ) : null}
        {statement.lines.map((line) => {
          const w = words(line.finding, line);
          return (
            <Card key={line.key} style={{ gap: 6, padding: 14 }}>
              <View style={{ flexDirection: 'row', gap: 10, alignItems: 'flex-start' }}>
                <View style={{ flex: 1 }}>
                  <Bold>{line.price ? say(line.price.name, i18n.language) : t('statement.toQuote')}</Bold>
                  <Small>{`${w.what} · ${w.is}`}</Small>
                  {w.why ? <Small>{w.why}</Small> : null}
                  {line.quantity !== 1 && line.price ? (
                    <Small>{t('statement.times', { n: line.quantity, price: money(line.price.amountMinor) })}</Small>
                  ) : null}
                </View>
                <View style={{ alignItems: 'flex-end', gap: 4 }}>
                  {line.amountMinor === undefined ? (
                    <SlabBold size={24}>–</SlabBold>
                  ) : (
                    <Money
                      minor={line.amountMinor}
                      currency={currency}
                      size={24}
                      style={line.state === 'waived' ? { textDecorationLine: 'line-through' } : {}}
                    />
                  )}
                  <Tag kind={closed && line.state === 'proposed' ? 'ok' : STATE_TAG[line.state]}>
                    {closed && line.state === 'proposed' ? t('statement.charged') : t(`statement.state.${line.state}`)}
                  </Tag>
                </View>
              </View>
              {closed ? null : (
                <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={w.what}>
                  <Chip
                    label={t('statement.accept')}
                    on={line.state === 'accepted'}
                    onPress={() => set(line, 'accepted')}
                    testID={`accept-${line.key}`}
                  />
                  <Chip
                    label={t('statement.dispute')}
                    on={line.state === 'disputed'}
                    tone="lead"
                    onPress={() => set(line, 'disputed')}
                    testID={`dispute-${line.key}`}
                  />
                  {me?.staff.role === 'manager' ? (
                    <Chip label={t('statement.waive')} on={line.state === 'waived'} tone="mari" onPress={() => set(line, 'waived')} />
                  ) : null}
                </View>
              )}
            </Card>
          );
        })}
        <View style={{ borderTopWidth: 3, borderTopColor: tones.ink, paddingTop: 8, paddingHorizontal: 4 }}>
          {sumRow(t('statement.total'), statement.totalMinor, true)}
          {statement.taxes
            .filter(({ taxMinor }) => taxMinor > 0)
            .map(({ taxBp, taxMinor }) => (
              <View key={taxBp}>{sumRow(t('statement.tax', { p: taxBp / 100 }), taxMinor)}</View>
            ))}
          {sumRow(t('statement.held'), statement.deposit.heldMinor)}
          {sumRow(t('statement.captured'), statement.deposit.capturedMinor)}
          {statement.deposit.stillHeldMinor > 0 ? sumRow(t('statement.stillHeld'), statement.deposit.stillHeldMinor) : null}
          {sumRow(t('statement.released'), statement.deposit.releasedMinor, true)}
          {statement.balanceMinor > 0 ? sumRow(t('statement.balance'), statement.balanceMinor, true) : null}
        </View>
        <Signatures view={view} />
        {closed ? null : <Alt label={t('statement.pdf')} onPress={() => openInNewTab(pdf)} />}
      </View>
    </Screen>
  );
};
