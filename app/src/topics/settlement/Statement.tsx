import { signRefused } from '@quay/core/walk/events';
import { isEntered, currentOf, currentUnder } from '@quay/core/events/record';
import { closed, corrected, waiverSet } from '@quay/core/settlement/events';
import { statementPdf } from '@quay/contract/hire';
import { chargedOf, keptFor, standingsOf } from '@quay/core/settlement/correction';
import { isAtRest, ledgerOf } from '@quay/core/settlement/ledger';
import { settle } from '@quay/core/settlement/settle';
import type { Line } from '@quay/core/settlement/statement';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { numberText } from '@quay/core/number/statementNumber';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { addressOf } from '../../local/api';
import { type HireView, useHire } from '../../local/hire';
import { useMe } from '../../local/session';
import { openInNewTab } from '../../platform/browser';
import { Notice, Tag } from '../../ui/board';
import { useMoney } from '../../ui/controls/money';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { useSnack } from '../../ui/controls/snack';
import { Body } from '../../ui/words';
import { DepartureNotice } from '../findings/DepartureNotice';
import { HireMissing } from '../record/HireMissing';
import { AddLineSheet } from './AddLineSheet';
import { CorrectSheet } from './CorrectSheet';
import { Evidence } from './Evidence';
import { LineCard, type LineDoing } from './LineCard';
import { QuoteSheet } from './QuoteSheet';
import { StatementSums } from './StatementSums';
import { CLOSES_IN_S, useClosing } from './useClosing';
import { WordSheet } from './WordSheet';

/** Width of what lies beside the lines on a desk, px. */
const SIDE = 440;

export const Statement = ({ hireId }: { hireId: string }) => {
  const { view, error, refetch } = useHire(hireId);
  return view ? <Settling view={view} /> : <HireMissing error={error} onAgain={refetch} />;
};

/** The settlement: lines with their reasons, what becomes of the deposit, agreement or not, and the closing. */
const Settling = ({ view }: { view: HireView }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const snack = useSnack();
  const manager = useMe().data?.staff.role === 'manager';
  const { wide } = useRoom();
  const [doing, setDoing] = useState<{ what: LineDoing; line: Line } | 'add'>();
  const { pack, record } = view;
  const { hire, prices } = pack;
  const { statement } = useMemo(() => settle(record, pack), [record, pack]);
  const isClosed = currentOf(record, ['closed'], closed)?.value;
  const standings = useMemo(() => (isClosed ? standingsOf(record, statement) : []), [isClosed, record, statement]);
  const money = useMoney(prices.currency);
  const walkedIn = isEntered(record, ['in', 'sealed']);
  const ready = walkedIn && statement.open.length === 0 && statement.toQuote.length === 0;
  const waiver = currentOf(record, ['waiver'], waiverSet)?.value.taken === true;
  const unsigned = currentOf(record, ['in', 'refused'], signRefused)?.value;
  const open = standings.filter((one) => one.open).length;
  const { busy, fault, closing, closedNow, setClosing, settleAgain } = useClosing(hire.id, statement.totalMinor);
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
    const added = await view.add([{ kind: 'lineContested', line: line.key, remark: text }]);
    snack({ text: t('settle.contested'), undo: () => void view.undo(added) });
  };
  const paperOf = (number?: number) => addressOf(statementPdf, { hireId: hire.id }, number === undefined ? {} : { number: String(number) });
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
    <Button mode={paperIsNext ? 'contained' : 'outlined'} label={t('statement.pdf')} onPress={() => openInNewTab(paperOf())} testID="pdf" />
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
  const sums = <StatementSums view={view} statement={statement} standings={standings} settleNow={closedNow} paperOf={paperOf} />;
  // On a desk the sums, the money and what a line rests on lie beside the lines.
  const side = wide ? (
    <View style={{ padding: 18, gap: 14 }}>
      <View>{footer}</View>
      {evidence}
      {sums}
    </View>
  ) : undefined;
  return (
    <Screen
      title={isClosed ? `${t('statement.title')} ${numberText(isClosed.number, isClosed.prefix)}` : t('statement.title')}
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
        {wide ? null : sums}
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
          last={Math.max(isClosed.number, ...currentUnder(record, ['corrected'], corrected).map(({ value }) => value.number))}
          prefix={isClosed.prefix}
          onDone={() => {
            shut();
            settleAgain();
          }}
          onClose={shut}
        />
      ) : null}
    </Screen>
  );
};
