import type { Finding } from '@quay/core/findings/finding';
import { isEntered, currentOf } from '@quay/core/events/record';
import { sealed } from '@quay/core/record/events';
import type { Tank } from '@quay/core/fleet/rows';
import { needsDecision, unchangedCount } from '@quay/core/findings/findings';
import { costOf, settle } from '@quay/core/settlement/settle';
import { useRouter } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { type HireView, useHire } from '../../local/hire';
import { useMe } from '../../local/session';
import { onKey } from '../../platform/browser';
import { Notice } from '../../ui/board';
import { useMoney } from '../../ui/controls/money';
import { Plan } from '../../ui/drawn/plan';
import { Button } from '../../ui/controls/button';
import { useRoom } from '../../ui/room';
import { HEAD, Screen } from '../../ui/screen';
import { Scroll } from '../../ui/scroll';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { useSnack } from '../../ui/controls/snack';
import { useTones } from '../../ui/theme';
import { Body, SlabBold } from '../../ui/words';
import { HireMissing } from '../record/HireMissing';
import { FillSheet } from '../fuel/FillSheet';
import { choices, type Decision, keyOf, KEYS } from './decisions';
import { ClearAdded } from '../record/ClearAdded';
import { DepartureNotice } from './DepartureNotice';
import { CompareSums } from './CompareSums';
import { FindingDetail } from './FindingDetail';
import { FindingHead, FindingRow } from './FindingRow';
import { useFindingWords } from './findingWords';
import { MachineRows } from './MachineRows';
import { Settle } from '../record/Settle';

export const Compare = ({ hireId }: { hireId: string }) => {
  const { view, error, refetch } = useHire(hireId);
  return view ? <Comparing view={view} /> : <HireMissing error={error} onAgain={refetch} />;
};

/** Out beside in: every difference with what it rests on, and the decision of a person. */
const Comparing = ({ view }: { view: HireView }) => {
  const { t } = useTranslation();
  const tones = useTones();
  const router = useRouter();
  const snack = useSnack();
  const me = useMe().data;
  const { width, height, wide } = useRoom();
  const { pack, record } = view;
  const { hire } = pack;
  const { findings, statement } = useMemo(() => settle(record, pack), [record, pack]);
  const words = useFindingWords(pack);
  const money = useMoney(pack.prices.currency);
  const open = findings.filter(needsDecision);
  // What wants a decision comes first; the rest in the order of the walk.
  const rows = [...open, ...findings.filter((one) => !needsDecision(one))];
  const [chosen, setChosen] = useState<string>();
  /** The tank that is said to be filled: the one of the finding in hand, where she has several. */
  const [filling, setFilling] = useState<Tank>();
  const [keys, setKeys] = useState(false);
  const at = Math.max(
    0,
    rows.findIndex(({ key }) => key === chosen),
  );
  const current = wide ? rows[at] : rows.find(({ key }) => key === chosen);
  const closed = isEntered(record, ['closed']);
  const same = unchangedCount(record, findings);
  const decide = async (finding: Finding, decision: Decision) => {
    // The next one stands there at once: a second key pressed while this is kept is meant for it.
    setChosen(open.find(({ key }) => key !== finding.key)?.key);
    const added = await view.add([{ kind: 'findingDecided', finding: finding.key, decision }]);
    snack({ text: t(`compare.decided.${decision}`), undo: () => void view.undo(added) });
  };
  const may = (decision: Decision, finding: Finding) =>
    finding.decision !== 'askManager' || me?.staff.role === 'manager' || decision === 'askManager';
  useEffect(() =>
    onKey((key) => {
      if (keys || filling) return false;
      if (key === '?') setKeys(true);
      else if (key === 'ArrowDown' || key === 'ArrowUp')
        setChosen(rows[Math.min(rows.length - 1, Math.max(0, at + (key === 'ArrowDown' ? 1 : -1)))]?.key);
      else if (current && KEYS[key] && choices(current).includes(KEYS[key]) && !closed) void decide(current, KEYS[key]);
      else return false;
      return true;
    }),
  );
  const detail = current ? (
    <FindingDetail
      view={view}
      finding={current}
      words={words(
        current,
        statement.lines.find(({ key }) => key === current.key),
      )}
      width={wide ? 380 : Math.min(width, 640) - 36}
    />
  ) : null;
  /** What a press would charge, or pay, stands on it before it is pressed. */
  const bearing = (decision: 'renters' | 'credit') => {
    const minor = current && costOf(record, pack, current.key, decision);
    if (minor === undefined) return t(`compare.decide.${decision}`);
    return t(`compare.decideFor.${decision}`, { sum: money(Math.abs(minor)) });
  };
  const labelOf = (finding: Finding, one: Decision) => {
    // Of a tank it is the renter's receipts that are taken or not; what was burnt is charged either way.
    if (finding.topic === 'fuel' && (one === 'credit' || one === 'notOurs')) return t(`compare.fills.${one}`);
    return one === 'credit' ? bearing(one) : t(`compare.decide.${one}`);
  };
  const acts =
    current && !closed ? (
      <View style={{ gap: 10 }}>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
          {choices(current)
            .filter((one) => one !== 'renters' && may(one, current))
            .map((one) => (
              <Button
                mode="outlined"
                key={one}
                label={labelOf(current, one)}
                onPress={() => void decide(current, one)}
                style={{ flexGrow: 1, flexBasis: '44%', paddingHorizontal: 8 }}
                testID={`decide-${one}`}
                {...(wide && keyOf(one) ? { hint: keyOf(one)! } : {})}
              />
            ))}
        </View>
        {choices(current).includes('renters') && may('renters', current) ? (
          <Button mode="contained" label={bearing('renters')} onPress={() => void decide(current, 'renters')} testID="decide-renters" />
        ) : null}
        {current.topic === 'conflict' ? <Settle view={view} subject={current.subject} onDone={() => setChosen(undefined)} /> : null}
        {current.topic === 'fuel' ? (
          <Button mode="outlined" label={t('compare.fill')} onPress={() => setFilling(current.tank)} testID="fill" />
        ) : null}
      </View>
    ) : null;
  const added = record.unsigned.in.length;
  const walkedAlone = currentOf(record, ['in', 'sealed'], sealed)?.by.actor.role === 'renter';
  const list = (
    <View style={{ padding: wide ? 14 : 8 }}>
      {walkedAlone && !closed ? (
        <Notice
          kind="ask"
          title={t('again.alone')}
          action={
            <Button mode="outlined" label={t('again.walk')} onPress={() => router.push(`/hire/${hire.id}/walk/in`)} testID="walk-again" />
          }
        />
      ) : null}
      {added > 0 && !closed ? (
        <Notice kind="ask" title={t('again.added', { count: added })} action={<ClearAdded view={view} walk="in" />} />
      ) : null}
      <DepartureNotice record={record} />
      {closed ? null : <MachineRows hireId={hire.id} />}
      {findings.length > 0 ? null : isEntered(record, ['in', 'started']) ? (
        <Notice kind="ok" title={t('compare.nothing')}>
          <Body>{t('compare.nothingWhy')}</Body>
        </Notice>
      ) : (
        <Notice kind="ask" title={t('statement.notWalkedIn')} />
      )}
      {wide && rows.length > 0 ? <FindingHead /> : null}
      {rows.map((finding, i) => (
        <FindingRow
          key={finding.key}
          nth={i + 1}
          finding={finding}
          words={words(
            finding,
            statement.lines.find(({ key }) => key === finding.key),
          )}
          on={current?.key === finding.key}
          onOpen={() => setChosen(finding.key)}
        />
      ))}
      {same > 0 ? (
        <Body tone="soft" style={{ padding: 10 }}>
          {t('compare.same', { count: same })}
        </Body>
      ) : null}
      <CompareSums statement={statement} currency={pack.prices.currency} />
    </View>
  );
  const toStatement = (
    <Button
      mode="contained"
      label={open.length > 0 ? t('compare.open', { count: open.length }) : t('compare.toStatement')}
      tone={open.length > 0 ? 'warning' : 'primary'}
      onPress={() => (open.length > 0 ? setChosen(open[0]!.key) : router.push(`/hire/${hire.id}/statement`))}
      testID="open-statement"
    />
  );
  const sheets = (
    <>
      {keys ? (
        <ModalSheet title={t('common.keys')} closeLabel={t('common.close')} onClose={() => setKeys(false)}>
          <Body>{t('compare.keys')}</Body>
        </ModalSheet>
      ) : null}
      {!wide && current && !filling ? (
        <ModalSheet
          title={words(current, undefined).what}
          closeLabel={t('common.close')}
          onClose={() => setChosen(undefined)}
          footer={acts}
        >
          {detail}
        </ModalSheet>
      ) : null}
      {filling ? <FillSheet view={view} tank={filling} onClose={() => setFilling(undefined)} /> : null}
    </>
  );
  const sub = `${pack.boat.name} · ${hire.renter}`;
  const planStops = rows.flatMap((finding, i) =>
    finding.station && needsDecision(finding)
      ? [{ id: finding.station, name: '', label: String(i + 1), state: current?.key === finding.key ? ('now' as const) : ('ask' as const) }]
      : [],
  );
  if (wide) {
    return (
      <Screen fill title={t('compare.title')} sub={sub} onBack={() => router.push(`/hire/${hire.id}`)}>
        <View style={{ flexDirection: 'row', flex: 1 }}>
          <View style={{ width: 260 }}>
            <Plan plan={pack.book.plan} stations={pack.book.stations} stops={planStops} width={260} height={height - HEAD} bowUp />
          </View>
          <View style={{ flex: 1 }}>
            <Scroll style={{ flex: 1 }}>{list}</Scroll>
            <View style={{ padding: 14 }}>{toStatement}</View>
          </View>
          <View style={{ width: 420, backgroundColor: tones.card, borderLeftWidth: 1, borderLeftColor: tones.line }}>
            <Scroll contentContainerStyle={{ padding: 20, gap: 12 }}>
              {current ? (
                <SlabBold size={22} heading={2}>
                  {words(current, undefined).what}
                </SlabBold>
              ) : null}
              {detail}
            </Scroll>
            <View style={{ padding: 20, paddingTop: 8, gap: 8 }}>{acts}</View>
          </View>
        </View>
        {sheets}
      </Screen>
    );
  }
  return (
    <Screen title={t('compare.title')} sub={sub} onBack={() => router.push(`/hire/${hire.id}`)} footer={toStatement}>
      {list}
      {sheets}
    </Screen>
  );
};
