import { SkipSheet } from './SkipSheet';
import { questionsDue } from '@quay/core/briefing/ofHire';
import { isEntered } from '@quay/core/events/record';
import { say } from '@quay/core/words/words';
import type { Walk as WalkName } from '@quay/core/events/parts';
import { asItWas, unsaidBy } from '@quay/core/walk/asItWas';
import { nextOpen } from '@quay/core/walk/walk';
import { useRouter } from 'expo-router';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { type ScrollView, View } from 'react-native';
import { bringIntoView, canWorkOffline, onKey } from '../../platform/browser';
import { Card, Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { useHandler } from '../../ui/controls/handler';
import { useRoom } from '../../ui/room';
import { HEAD, Screen } from '../../ui/screen';
import { Scroll } from '../../ui/scroll';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { useTones } from '../../ui/theme';
import { Body, SlabBold, Small } from '../../ui/words';
import { BriefingLine } from '../briefing/BriefingLine';
import { HireMissing } from '../record/HireMissing';
import { HoldSheet } from '../castOff/HoldSheet';
import { ComeIn } from './ComeIn';
import { SaySection } from '../briefing/SaySection';
import { RecordPanel } from '../record/Log';
import { RestSheet } from './RestSheet';
import { StillOut } from './StillOut';
import { Missing, StopJobs } from './StopJobs';
import { useWalk, type WalkView } from '../../local/useWalk';
import { WalkPlan, WalkRope } from './WalkStops';

type Open = 'job' | 'hold' | 'skip' | 'left' | 'rest' | 'keys';

/** The walk: stop by stop, say, count, look and read in one place. */
export const Walk = ({ hireId, walk, stop }: { hireId: string; walk: WalkName; stop?: string | undefined }) => {
  const { t } = useTranslation();
  const { ready, error, refetch } = useWalk(hireId, walk, false, stop);
  if (!canWorkOffline()) {
    return (
      <Screen title={t('app.name')}>
        <View style={{ padding: 16 }}>
          <Notice kind="stop" title={t('insecure.title')}>
            <Body>{t('insecure.why')}</Body>
          </Notice>
        </View>
      </Screen>
    );
  }
  return ready ? <Walking view={ready} hireId={hireId} /> : <HireMissing error={error} onAgain={refetch} />;
};

const Walking = ({ view, hireId }: { view: WalkView; hireId: string }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const tones = useTones();
  const { width, height, wide } = useRoom();
  const scroll = useRef<ScrollView>(null);
  const [open, setOpen] = useState<Open>();
  const { pack, stops, at, walk, enter, language, record } = view;
  const stop = stops[at]!;
  const { missing } = stop;
  const { jump: show } = view;
  const jump = useCallback(
    (index: number) => {
      show(index);
      scroll.current?.scrollTo({ y: 0, animated: false });
    },
    [show],
  );
  const allTied = stops.every(({ completed }) => completed);
  const readBack = () => router.push(`/hire/${hireId}/sign/${walk}`);
  const complete = async (extra: Parameters<typeof enter>[0] = []) => {
    setOpen(undefined);
    await enter([...extra, { kind: 'stationCompleted', walk, station: stop.station.id }]);
    const next = nextOpen(stops, at);
    if (next === undefined) readBack();
    else jump(next);
  };
  // Coming in, one press says of all that is still open here that it is as it was; what it cannot say is asked for.
  const said = walk === 'in' ? asItWas(record, stop) : [];
  const unsaid = unsaidBy(said, stop);
  // A question that waits is not passed over without a word: the first press leads to it, the second goes on.
  const waits = walk === 'out' && questionsDue(record, view.briefing, pack.operator, stop.station.id).length > 0;
  const [ledTo, setLedTo] = useState<string>();
  const press = () => {
    if (waits && !stop.completed && ledTo !== stop.station.id) {
      setLedTo(stop.station.id);
      bringIntoView('question');
      return;
    }
    if (stop.completed) {
      if (allTied) readBack();
      else jump(stops.findIndex(({ completed }) => !completed));
    } else if (missing.points.length > 0) setOpen('skip');
    else if (stop.left === 0) void complete();
    else if (walk === 'out') setOpen('left');
    else if (unsaid === 0) void complete(said);
    else setOpen('rest');
  };
  // Decided by what was pressed before as well, and never of another stop than the one it was pressed at.
  const pressDrawn = useHandler((pressedAt: string) => (pressedAt === stop.station.id ? press() : undefined));
  const toDo = stop.left - missing.points.length;
  useEffect(
    () =>
      onKey((key) => {
        if (open) return false;
        if (key === 'ArrowRight') jump(Math.min(stops.length - 1, at + 1));
        else if (key === 'ArrowLeft') jump(Math.max(0, at - 1));
        else if (key === 'h') setOpen('hold');
        else if (key === '?') setOpen('keys');
        else return false;
        return true;
      }),
    [open, at, stops.length, jump],
  );

  if (walk === 'out' && view.away && !view.sealed)
    return <StillOut view={view} away={view.away} onBack={() => router.push(`/hire/${hireId}`)} />;
  if (walk === 'in' && !isEntered(record, ['cameIn'])) return <ComeIn view={view} onBack={() => router.push(`/hire/${hireId}`)} />;

  const ahead = stop.completed ? stops.findIndex(({ completed }) => !completed) : nextOpen(stops, at);
  const comes = ahead === undefined ? undefined : stops[ahead];
  const name = comes && say(comes.station.name, language);
  const label = stop.completed
    ? allTied || name === undefined
      ? t('walk.last')
      : t('walk.completed', { name })
    : walk === 'in' && stop.left > 0
      ? t(said.length > 0 ? 'walk.restAsItWas' : 'walk.rest')
      : name === undefined
        ? t('walk.completeLast')
        : t('walk.complete', { name });
  const seconds =
    walk === 'out'
      ? stop.points.reduce((sum, { seconds: s, weight }) => (weight === 'spare' ? sum : sum + s), 0)
      : stop.fittings.length * 6 + stop.surfaces.length * 20 + stop.gauges.length * 10;
  const footer = (
    <View style={{ flexDirection: 'row', gap: 10, alignItems: 'center' }}>
      <Button mode="outlined" label={t('hold.hold')} onPress={() => setOpen('hold')} style={{ width: 108 }} testID="hold" />
      <Button
        mode="contained"
        label={label}
        {...(stop.completed
          ? {}
          : waits
            ? { hint: t(ledTo === stop.station.id ? 'walk.questionOpen' : 'walk.questionWaits') }
            : unsaid > 0
              ? { hint: t('walk.open', { count: unsaid }) }
              : {})}
        onPress={() => void view.allDrawn().then(() => pressDrawn(stop.station.id))}
        style={{ flex: 1 }}
        testID="complete-station"
      />
    </View>
  );
  const card = (
    <Card style={{ marginHorizontal: 12, ...(wide ? { marginTop: 14 } : {}) }}>
      <SlabBold size={27} heading={2}>
        {say(stop.station.name, language)}
      </SlabBold>
      <Small style={{ paddingBottom: 10 }}>
        {[
          t('walk.stop', { i: at + 1, n: stops.length }),
          t('walk.minutes', { n: Math.max(1, Math.round(seconds / 60)) }),
          stop.station.hint ? say(stop.station.hint, language) : '',
        ]
          .filter(Boolean)
          .join(' · ')}
      </Small>
      {view.sealed ? (
        <Notice
          kind="ask"
          title={t(
            walk === 'out' && !isEntered(record, ['castOff'])
              ? 'walk.sealedPutRight'
              : walk === 'in' && !isEntered(record, ['closed'])
                ? 'again.sealed'
                : 'walk.sealedAlready',
          )}
        />
      ) : null}
      {walk === 'out' && at === 0 ? <BriefingLine view={view} /> : null}
      <SaySection view={view} />
      <StopJobs view={view} onSheet={(is) => setOpen(is ? 'job' : undefined)} />
      <Small size={14} style={{ paddingTop: 6 }}>
        {t('walk.cautionFirst')}
      </Small>
    </Card>
  );
  const rope = (of: number) => <WalkRope view={view} width={of} onJump={jump} />;
  const party = pack.hire.party.adults + pack.hire.party.children;
  const sub = `${t(`walk.${walk}`)} · ${t('walk.party', { n: party })}`;
  const sheets = (
    <>
      {open === 'hold' ? <HoldSheet view={view} onClose={() => setOpen(undefined)} /> : null}
      {open === 'keys' ? (
        <ModalSheet title={t('common.keys')} closeLabel={t('common.close')} onClose={() => setOpen(undefined)}>
          <Body>{t('walk.keyHelp')}</Body>
        </ModalSheet>
      ) : null}
      {open === 'rest' ? <RestSheet view={view} onClose={() => setOpen(undefined)} onComplete={(extra) => void complete(extra)} /> : null}
      {open === 'left' ? (
        <ModalSheet
          title={t('walk.openTitle')}
          closeLabel={t('common.close')}
          onClose={() => setOpen(undefined)}
          footer={
            <>
              <Button mode="contained" label={t('walk.goBack')} onPress={() => setOpen(undefined)} />
              <Button mode="outlined" label={t('walk.completeOpen')} onPress={() => void complete()} testID="complete-station-open" />
            </>
          }
        >
          <Body>{t('walk.openWhy')}</Body>
          <Missing view={view} />
        </ModalSheet>
      ) : null}
      {open === 'skip' ? (
        <SkipSheet view={view} toDo={toDo} onClose={() => setOpen(undefined)} onComplete={(extra) => void complete(extra)} />
      ) : null}
    </>
  );
  if (wide) {
    return (
      <Screen fill title={pack.boat.name} sub={`${pack.hire.renter} · ${sub}`} onBack={() => router.push(`/hire/${hireId}`)}>
        <View style={{ flexDirection: 'row', flex: 1 }}>
          <View style={{ width: 290 }}>
            <WalkPlan view={view} width={290} height={height - HEAD} bowUp onJump={jump} />
          </View>
          <View style={{ flex: 1, minWidth: 0 }}>
            {rope(width - 290 - 350)}
            <Scroll scroll={scroll} style={{ flex: 1 }}>
              {card}
            </Scroll>
            <View style={{ padding: 12 }}>{footer}</View>
          </View>
          <View style={{ width: 350, borderLeftWidth: 1, borderLeftColor: tones.line, backgroundColor: tones.card }}>
            <RecordPanel view={view} />
          </View>
        </View>
        {sheets}
      </Screen>
    );
  }
  return (
    <Screen
      title={pack.boat.name}
      sub={sub}
      onBack={() => router.push(`/hire/${hireId}`)}
      footer={footer}
      scroll={scroll}
      top={
        <>
          <WalkPlan view={view} width={width} height={Math.min(150, height * 0.18)} onJump={jump} />
          {rope(width)}
        </>
      }
    >
      {card}
      {sheets}
    </Screen>
  );
};
