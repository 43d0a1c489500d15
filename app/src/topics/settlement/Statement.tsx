import { signRefused } from '@quay/core/walk/events';
import { isEntered, currentOf, currentUnder } from '@quay/core/events/record';
import { closed, corrected, waiverSet } from '@quay/core/settlement/events';
import { closeHire, statementPdf } from '@quay/contract/hire';
import { chargedOf, keptFor, standingsOf } from '@quay/core/settlement/correction';
import { isAtRest, ledgerOf } from '@quay/core/settlement/ledger';
import { settle } from '@quay/core/settlement/settle';
import type { Line } from '@quay/core/settlement/statement';
import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { addressOf, call, NoAnswer, Refused } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import { type HireView, useHire } from '../../local/hire';
import { eventsHere } from '../../local/localDb';
import { deliver, fetchEvents } from '../../local/outbox';
import { useMe } from '../../local/session';
import { openInNewTab } from '../../platform/browser';
import { Card, Notice, Tag } from '../../ui/board';
import { Money, useMoney } from '../../ui/controls/money';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { useSnack } from '../../ui/controls/snack';
import { useTones } from '../../ui/theme';
import { Body, Bold, Small } from '../../ui/words';
import { DepartureNotice } from '../findings/DepartureNotice';
import { HireMissing } from '../record/HireMissing';
import { AddLineSheet } from './AddLineSheet';
import { CorrectSheet } from './CorrectSheet';
import { Evidence } from './Evidence';
import { LedgerCard } from './LedgerCard';
import { LineCard, type LineDoing } from './LineCard';
import { QuoteSheet } from './QuoteSheet';
import { Signatures } from './Signatures';
import { WordSheet } from './WordSheet';

/** So long a closing can be taken back before the quay and its terminal have it, s. */
const CLOSES_IN_S = 5;

/** Width of what lies beside the lines on a desk, px. */
const SIDE = 440;

export const Statement = ({ hireId }: { hireId: string }) => {
  const { view, error, refetch } = useHire(hireId);
  return view ? <Settling view={view} /> : <HireMissing error={error} onAgain={refetch} />;
};

/** The settlement: lines with their reasons, what becomes of the deposit, agreement or not, and the closing. */
const Settling = ({ view }: { view: HireView }) => {
  const { t } = useTranslation();
  const errorWords = useErrorWords();
  const router = useRouter();
  const client = useQueryClient();
  const snack = useSnack();
  const manager = useMe().data?.staff.role === 'manager';
  const tones = useTones();
  const { wide } = useRoom();
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<string>();
  const [doing, setDoing] = useState<{ what: LineDoing; line: Line } | 'add'>();
  const [closedNow, setClosedNow] = useState(0);
  /** Seconds until it is closed; nothing while nobody has asked for that. */
  const [closing, setClosing] = useState<number>();
  const { pack, record } = view;
  const { hire, prices } = pack;
  const { statement } = useMemo(() => settle(record, pack), [record, pack]);
  const isClosed = currentOf(record, ['closed'], closed)?.value;
  const standings = useMemo(() => (isClosed ? standingsOf(record, statement) : []), [isClosed, record, statement]);
  const corrections = currentUnder(record, ['corrected'], corrected).map(({ value }) => value);
  const money = useMoney(prices.currency);
  const { currency } = prices;
  const walkedIn = isEntered(record, ['in', 'sealed']);
  const ready = walkedIn && statement.open.length === 0 && statement.toQuote.length === 0;
  const waiver = currentOf(record, ['waiver'], waiverSet)?.value.taken === true;
  const unsigned = currentOf(record, ['in', 'refused'], signRefused)?.value;
  const open = standings.filter((one) => one.open).length;
  const close = async () => {
    setBusy(true);
    setFault(undefined);
    try {
      await deliver();
      await fetchEvents(hire.id);
      // What was pressed a moment ago may not be on the screen yet: all that is here now is what is closed over.
      const now = await eventsHere(hire.id);
      await call(closeHire, { params: { hireId: hire.id }, body: { totalMinor: statement.totalMinor, events: now.length } });
      await fetchEvents(hire.id);
      await client.invalidateQueries();
      setClosedNow((n) => n + 1);
    } catch (error) {
      if (error instanceof NoAnswer) setFault(t('statement.offline'));
      else if (error instanceof Refused) setFault(error.problem.code === 'changedMeanwhile' ? t('statement.changed') : errorWords(error));
      else throw error;
    } finally {
      setBusy(false);
    }
  };
  // Nothing has moved until the seconds are over: it is the one moment in which everything can still be taken back.
  const closeNow = useRef(close);
  useEffect(() => {
    closeNow.current = close;
  });
  useEffect(() => {
    if (closing === undefined) return;
    const timer = setTimeout(() => {
      setClosing(closing > 1 ? closing - 1 : undefined);
      if (closing === 1) void closeNow.current();
    }, 1000);
    return () => clearTimeout(timer);
  }, [closing]);
  // What is closed is what stood there when it was asked for.
  useEffect(() => setClosing(undefined), [statement.totalMinor]);
  const closeLabel =
    statement.totalMinor > 0
      ? t('statement.closeTake', { sum: money(statement.totalMinor) })
      : statement.totalMinor < 0
        ? t('statement.closePay', { sum: money(-statement.totalMinor) })
        : t('statement.closeNothing');
  const shut = () => setDoing(undefined);
  const remark = async (line: Line, text: string) => {
    shut();
    await view.add([{ kind: 'lineDecided', line: line.key, state: 'disputed', ...(text ? { note: text } : {}) }]);
  };
  const contest = async (line: Line, text: string) => {
    shut();
    const held = await view.add([{ kind: 'lineContested', line: line.key, remark: text }]);
    snack({ text: t('settle.contested'), undo: () => void view.undo(held) });
  };
  const pdf = (number?: number) => addressOf(statementPdf, { hireId: hire.id }, number === undefined ? {} : { number: String(number) });
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
  // As long as money is to be moved, that is the one thing to do.
  const paperIsNext = isClosed && isAtRest(ledgerOf(record, chargedOf(standings)), keptFor(standings));
  const footer = isClosed ? (
    <Button mode={paperIsNext ? 'contained' : 'outlined'} label={t('statement.pdf')} onPress={() => openInNewTab(pdf())} testID="pdf" />
  ) : ready ? (
    closing === undefined ? (
      <Button mode="contained" label={closeLabel} busy={busy} onPress={() => setClosing(CLOSES_IN_S)} testID="close-hire" />
    ) : (
      <Button
        mode="contained"
        label={t('statement.undoClose')}
        tone="warning"
        hint={t('statement.closesIn', { count: closing })}
        onPress={() => setClosing(undefined)}
        testID="undo-close"
      />
    )
  ) : (
    <Button
      mode="contained"
      label={t('statement.back')}
      tone="warning"
      onPress={() => router.push(`/hire/${hire.id}/compare`)}
      {...(why ? { hint: why } : {})}
    />
  );
  const on = doing !== undefined && doing !== 'add' ? doing : undefined;
  const standing = on && standings.find(({ line }) => line.key === on.line.key);
  const evidence =
    on?.what === 'evidence' ? (
      <Evidence
        key={on.line.key}
        view={view}
        line={on.line}
        standing={standing}
        manager={manager}
        onDo={(what) => setDoing({ what, line: on.line })}
        onClose={shut}
        panel={wide ? SIDE - 36 : undefined}
      />
    ) : null;
  const paper = (
    <>
      <View style={{ borderTopWidth: 3, borderTopColor: tones.ink, paddingTop: 8, paddingHorizontal: 4 }}>
        {sumRow(t('statement.total'), statement.totalMinor, true)}
        {statement.taxes
          .filter(({ taxMinor }) => taxMinor !== 0)
          .map(({ taxBp, taxMinor }) => (
            <View key={taxBp}>{sumRow(t('statement.tax', { p: taxBp / 100 }), taxMinor)}</View>
          ))}
        {sumRow(t('statement.held'), statement.deposit.heldMinor)}
        {sumRow(t('statement.captured'), statement.deposit.capturedMinor)}
        {statement.deposit.stillHeldMinor > 0 ? sumRow(t('statement.stillHeld'), statement.deposit.stillHeldMinor) : null}
        {sumRow(t('statement.released'), statement.deposit.releasedMinor, true)}
        {statement.balanceMinor > 0 ? sumRow(t('statement.balance'), statement.balanceMinor, true) : null}
        {statement.payOutMinor > 0 ? sumRow(t('settle.payOut'), statement.payOutMinor, true) : null}
      </View>
      {corrections.map(({ number, why: reason, lines }) => (
        <Card key={number} style={{ gap: 6, padding: 14 }}>
          <Bold>{t('settle.corrects', { n: number, why: reason })}</Bold>
          {sumRow(
            t('statement.total'),
            lines.reduce((sum, { amountMinor }) => sum + amountMinor, 0),
          )}
          <Button mode="outlined" label={t('statement.pdf')} onPress={() => openInNewTab(pdf(number))} testID={`pdf-${number}`} />
        </Card>
      ))}
      {isClosed ? <LedgerCard view={view} standings={standings} settleNow={closedNow} /> : <Small>{t('settle.draftBy')}</Small>}
      <Signatures view={view} />
      {isClosed ? null : <Button mode="outlined" label={t('statement.pdf')} onPress={() => openInNewTab(pdf())} />}
    </>
  );
  // On a desk the sums, the money and what a line rests on lie beside the lines.
  const side = wide ? (
    <View style={{ padding: 18, gap: 14 }}>
      <View>{footer}</View>
      {evidence}
      {paper}
    </View>
  ) : undefined;
  return (
    <Screen
      title={isClosed ? `${t('statement.title')} ${isClosed.number}` : t('statement.title')}
      sub={`${pack.boat.name} · ${hire.renter}`}
      onBack={() => router.push(`/hire/${hire.id}`)}
      right={<Tag kind={isClosed ? 'ok' : 'ask'}>{isClosed ? t('statement.closed') : t('statement.draft')}</Tag>}
      {...(wide ? { side, sideWidth: SIDE } : { footer })}
    >
      <View style={{ padding: 12, gap: 12 }}>
        {fault ? <Notice kind="stop" title={fault} /> : null}
        <DepartureNotice record={record} />
        {unsigned ? (
          <Notice kind="ask" title={t('settle.unsigned')}>
            <Body>{unsigned.why}</Body>
          </Notice>
        ) : null}
        {open > 0 ? (
          <Notice kind="stop" title={t('settle.open', { count: open })}>
            <Body>{t('settle.openWhy')}</Body>
          </Notice>
        ) : null}
        {statement.open.length > 0 ? (
          <Notice kind="ask" title={t('statement.undecided', { count: statement.open.length })}>
            <Body>{t('statement.notInSums')}</Body>
          </Notice>
        ) : statement.lines.length === 0 && walkedIn ? (
          <Notice kind="ok" title={t('statement.empty')}>
            <Body>{t('statement.emptyWhy')}</Body>
          </Notice>
        ) : null}
        {statement.lines.map((line) => (
          <LineCard
            key={line.key}
            view={view}
            line={line}
            standing={standings.find((one) => one.line.key === line.key)}
            manager={manager}
            onDo={(what) => setDoing({ what, line })}
          />
        ))}
        {isClosed ? null : (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' }}>
            <Button mode="outlined" label={t('settle.add')} onPress={() => setDoing('add')} testID="add-line" />
            {prices.waiver ? (
              <ChoiceChip
                label={
                  waiver
                    ? t('settle.waiverTaken', { sum: money(prices.waiver.capMinor) })
                    : `${t('settle.waiver')}: ${t('settle.waiverNone')}`
                }
                on={waiver}
                onPress={() => void view.add([{ kind: 'waiverSet', taken: !waiver }])}
                testID="waiver"
              />
            ) : null}
          </View>
        )}
        {wide ? null : paper}
      </View>
      {doing === 'add' ? <AddLineSheet view={view} onClose={shut} /> : null}
      {wide ? null : evidence}
      {on?.what === 'quote' ? <QuoteSheet view={view} line={on.line} onClose={shut} /> : null}
      {on?.what === 'remark' ? (
        <WordSheet
          title={t('statement.dispute')}
          label={t('settle.remarkOf')}
          go={t('statement.dispute')}
          optional
          onGo={(text) => void remark(on.line, text)}
          onClose={shut}
        />
      ) : null}
      {on?.what === 'contest' ? (
        <WordSheet
          title={t('settle.contest')}
          label={t('settle.contestText')}
          go={t('settle.contest')}
          onGo={(text) => void contest(on.line, text)}
          onClose={shut}
        />
      ) : null}
      {on?.what === 'decide' && standing && isClosed ? (
        <CorrectSheet
          view={view}
          standing={standing}
          last={Math.max(isClosed.number, ...corrections.map(({ number }) => number))}
          onDone={() => {
            shut();
            setClosedNow((n) => n + 1);
          }}
          onClose={shut}
        />
      ) : null}
    </Screen>
  );
};
