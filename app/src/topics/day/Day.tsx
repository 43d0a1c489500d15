import { clockOf } from '@quay/core/time/zone';
import { useRouter } from 'expo-router';
import { useContext, useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { fetchAhead, fetchWalkIns } from '../../local/prefetch';
import { Refused } from '../../local/api';
import { isAnotherClock } from '../../platform/clock';
import { useBoard } from '../../local/hire';
import { useMe } from '../../local/session';
import { useErrorWords } from '../../local/errorWords';
import { Notice, Tag } from '../../ui/board';
import { useNow } from '../../ui/clock';
import { dayName, whenOf } from '../../ui/format';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { useTones } from '../../ui/theme';
import { Body, Small } from '../../ui/words';
import { LetIn } from '../../local/letIn';
import { AtTheQuay, Been, Coming, ToSettle, ToTurnRound } from './rows';
import { WaitingForManager } from './WaitingForManager';
import { Waterline } from './Waterline';

/** Width of what stands beside the day on a desk, px. */
const SIDE = 380;
/** The boats that can be hired without signal are asked for so often. */
const WALK_INS_MS = 300_000;

export const Day = () => (useContext(LetIn) ? <Board /> : null);

/** The day round the waterline of the present: above it what comes, under it what is out, below what has been. */
const Board = () => {
  const { t, i18n } = useTranslation();
  const said = useErrorWords();
  const router = useRouter();
  const tones = useTones();
  const { width, wide } = useRoom();
  const me = useMe().data;
  const now = useNow();
  const [base, setBase] = useState<string>();
  const { board, data, error, refetch, isPending } = useBoard(base, now);
  // A new installation: nothing is wrong, there is only nothing in it yet.
  const noBase = error instanceof Refused && error.problem.code === 'noBaseYet';
  const ids = data?.hires.map(({ id }) => id).join();
  useEffect(() => {
    if (ids) void fetchAhead(ids.split(','));
  }, [ids]);
  // What is free, and the books of boats that nobody has hired today, for whoever comes when there is no signal.
  const at = data?.base.id;
  const round = Math.floor(now / WALK_INS_MS);
  useEffect(() => {
    if (at !== undefined) void fetchWalkIns(at);
  }, [at, ids, round]);
  const open = (id: string) => router.push(`/hire/${id}`);
  const zone = data?.base.zone ?? 'UTC';
  const stale = data && now - data.keptAt > 120_000;
  const next = board?.next;
  const start = () => {
    if (!next) return;
    if (next.doing === 'walkOut' || next.doing === 'goOnOut') router.push(`/hire/${next.hire.id}/walk/out`);
    else if (next.doing === 'walkIn' || next.doing === 'goOnIn') router.push(`/hire/${next.hire.id}/walk/in`);
    else if (next.doing === 'settle') router.push(`/hire/${next.hire.id}/compare`);
    else open(next.hire.id);
  };
  const sub =
    data && board
      ? `${dayName(now, zone, i18n.language)} · ${t('day.afloat', { count: board.afloat.length })}, ${t('day.toGo', { count: board.coming.length })}`
      : '';
  const footer = next ? (
    <Button
      mode="contained"
      label={t(`day.next.${next.doing}`, { boat: next.hire.boat })}
      {...(next.at === undefined ? {} : { hint: t(`day.nextAt.${next.doing}`, { time: whenOf(next.at, zone, now, i18n.language) }) })}
      onPress={start}
      testID="next"
    />
  ) : board ? (
    <Small style={{ textAlign: 'center' }}>{t('day.nothingDone')}</Small>
  ) : null;
  const been = board ? <Been rows={board.been} zone={zone} now={now} onOpen={open} /> : null;
  const coming = board ? <Coming rows={board.coming} zone={zone} now={now} onOpen={open} /> : null;
  const quay = board ? (
    <>
      <AtTheQuay hires={board.atTheQuay} onOpen={open} />
      <ToTurnRound hires={board.toTurnRound} onOpen={(id) => router.push(`/hire/${id}/turnaround`)} />
      <ToSettle hires={board.toSettle} onOpen={open} />
    </>
  ) : null;
  const side =
    wide && board && data && data.hires.length > 0 ? (
      <View style={{ gap: 10, paddingTop: 12 }}>
        {quay}
        {me?.staff.role === 'manager' ? <WaitingForManager /> : null}
      </View>
    ) : null;
  return (
    <Screen title={data?.base.name ?? t('app.name')} sub={sub} {...(wide ? { right: footer, side, sideWidth: SIDE } : { footer })}>
      {me?.operator.simulated ? (
        <View style={{ paddingHorizontal: 16, paddingBottom: 4 }}>
          <Small size={14}>
            {isAnotherClock()
              ? `${t('app.simulated')}. ${t('app.itsClock', { time: `${dayName(now, zone, i18n.language)}, ${clockOf(new Date(now).toISOString(), zone)}` })}`
              : t('app.simulated')}
          </Small>
        </View>
      ) : null}
      {data && data.bases.length > 1 ? (
        <View
          style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, paddingHorizontal: 16, paddingVertical: 6 }}
          role="radiogroup"
          aria-label={t('day.bases')}
        >
          {data.bases.map(({ id, name }) => (
            <ChoiceChip key={id} label={name} on={id === data.base.id} onPress={() => setBase(id)} testID={`base-${id}`} />
          ))}
        </View>
      ) : null}
      {stale ? (
        <View style={{ paddingHorizontal: 16 }}>
          <Tag kind="ask">{t('day.asOf', { time: new Date(data.keptAt).toTimeString().slice(0, 5) })}</Tag>
        </View>
      ) : null}
      {isPending ? <Body style={{ padding: 16 }}>{t('common.loading')}</Body> : null}
      {noBase ? (
        <View style={{ padding: 16 }}>
          <Notice
            kind="calm"
            title={t('day.noBase')}
            {...(me?.staff.role === 'manager'
              ? {
                  action: (
                    <Button mode="outlined" label={t('day.noBaseGo')} onPress={() => router.push('/first-hire')} testID="open-first-hire" />
                  ),
                }
              : {})}
          >
            <Body>{t('day.noBaseWhy')}</Body>
          </Notice>
        </View>
      ) : null}
      {error && !data && !noBase ? (
        <View style={{ padding: 16 }}>
          <Notice
            kind="stop"
            title={t('day.failed')}
            action={<Button mode="outlined" label={t('common.again')} onPress={() => void refetch()} />}
          >
            <Body>{`${said(error)} ${t('day.failedWhy')}`}</Body>
          </Notice>
        </View>
      ) : null}
      {board && data?.hires.length === 0 ? (
        <View style={{ padding: 16 }}>
          <Notice kind="calm" title={t('day.quiet')}>
            <Body>{t('day.quietWhy')}</Body>
          </Notice>
        </View>
      ) : null}
      {board && data && data.hires.length > 0 ? (
        wide ? (
          <View>
            {coming}
            <Waterline afloat={board.afloat} now={now} zone={zone} width={width - SIDE} columns={1} onOpen={open} />
            {been}
          </View>
        ) : (
          <View>
            {coming}
            {quay}
            <Waterline afloat={board.afloat} now={now} zone={zone} width={width} columns={1} onOpen={open} />
            <View style={{ backgroundColor: tones.ground }}>{been}</View>
          </View>
        )
      ) : null}
    </Screen>
  );
};
