import { isEntered } from '@quay/core/events/record';
import { say } from '@quay/core/words/words';
import { asItWas, unsaidBy } from '@quay/core/walk/asItWas';
import type { Walk } from '@quay/core/events/parts';
import type { EventBody } from '@quay/core/record/event';
import { nextOpen } from '@quay/core/walk/walk';
import { useRouter } from 'expo-router';
import { useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { type ScrollView, View } from 'react-native';
import { Card, Notice } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { useHandler } from '../../../ui/controls/handler';
import { useRoom } from '../../../ui/room';
import { Screen } from '../../../ui/screen';
import { ModalSheet } from '../../../ui/controls/modalSheet';
import { Body, SlabBold, Small } from '../../../ui/words';
import { ComeIn } from '../../walk/ComeIn';
import { RestSheet } from '../../walk/RestSheet';
import { StillOut } from '../../walk/StillOut';
import { Missing, StopJobs } from '../../walk/StopJobs';
import { useWalk, type WalkView } from '../../../local/useWalk';
import { WalkPlan, WalkRope } from '../../walk/WalkStops';
import { bringIntoView } from '../../../platform/browser';
import { useRenting } from '../RenterFace';
import { Question, ReadingSection, useOpenQuestion } from './ReadingSection';
import { useStopWords } from '../../../i18n/stopWords';

/** The renter's own walk round the boat: the same stops, the same record, nobody beside them. */
export const AloneWalk = ({ walk }: { walk: Walk }) => {
  const { pack } = useRenting();
  const { ready } = useWalk(pack.hire.id, walk, true);
  return useStopWords() && ready ? <Walking view={ready} /> : null;
};

const Walking = ({ view }: { view: WalkView }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const { width, height } = useRoom();
  const scroll = useRef<ScrollView>(null);
  const [left, setLeft] = useState(false);
  const [rest, setRest] = useState(false);
  const { pack, stops, at, walk, language, record, enter } = view;
  const stop = stops[at]!;
  const question = useOpenQuestion(view);
  const wide = Math.min(width, 640);
  const jump = (index: number) => {
    view.jump(index);
    scroll.current?.scrollTo({ y: 0, animated: false });
  };
  const allTied = stops.every(({ completed }) => completed);
  const done = () => router.push(`/r/alone/sign/${walk}`);
  const onward = () => {
    const next = nextOpen(stops, at);
    if (next === undefined) done();
    else jump(next);
  };
  // Coming in, one press says of all that is still open here that it is as it was; what it cannot say is asked for.
  const said = walk === 'in' ? asItWas(record, stop, true) : [];
  const unsaid = unsaidBy(said, stop);
  const complete = async (extra: EventBody[] = []) => {
    setLeft(false);
    setRest(false);
    await enter([...extra, { kind: 'stationCompleted', walk, station: stop.station.id }]);
    onward();
  };
  const waits = question !== undefined && !stop.completed;
  // Decided by what was pressed before as well, and never of another stop than the one it was pressed at.
  const press = useHandler((pressedAt: string) => {
    if (pressedAt !== stop.station.id) return;
    // A question that is open is answered before the stop is left; whoever presses is led to it.
    if (waits) bringIntoView('open-question');
    else if (stop.completed) (allTied ? done : onward)();
    else if (stop.left === 0) void complete();
    else if (walk === 'out') setLeft(true);
    else if (unsaid === 0) void complete(said);
    else setRest(true);
  });
  if (walk === 'out' && view.away && !view.sealed) return <StillOut view={view} away={view.away} onBack={() => router.push('/r/alone')} />;
  if (walk === 'in' && !isEntered(record, ['cameIn'])) return <ComeIn view={view} onBack={() => router.push('/r/alone')} />;
  return (
    <Screen
      title={pack.boat.name}
      sub={t(`alone.title.${walk}`)}
      onBack={() => router.push('/r/alone')}
      measure={640}
      scroll={scroll}
      top={
        <View style={{ width: wide, alignSelf: 'center' }}>
          <WalkPlan view={view} width={wide} height={Math.min(150, height * 0.18)} onJump={jump} />
          <WalkRope view={view} width={wide} onJump={jump} />
        </View>
      }
      footer={
        <Button
          mode="contained"
          label={t(
            !stop.completed && walk === 'in' && stop.left > 0
              ? said.length > 0
                ? 'walk.restAsItWas'
                : 'walk.rest'
              : stop.completed && allTied
                ? 'alone.last'
                : 'alone.next',
          )}
          {...(waits ? { hint: t('alone.questionFirst'), tone: 'warning' as const } : {})}
          onPress={() => void view.allDrawn().then(() => press(stop.station.id))}
          testID="complete-station"
        />
      }
    >
      <Card style={{ marginHorizontal: 12 }}>
        <SlabBold size={27} heading={2}>
          {say(stop.station.name, language)}
        </SlabBold>
        <Small style={{ paddingBottom: 10 }}>
          {[t('walk.stop', { i: at + 1, n: stops.length }), stop.station.hint ? say(stop.station.hint, language) : '']
            .filter(Boolean)
            .join(' · ')}
        </Small>
        {view.sealed ? (
          <Notice kind="ask" title={t(walk === 'out' && !isEntered(record, ['castOff']) ? 'walk.sealedPutRight' : 'walk.sealedAlready')} />
        ) : null}
        <ReadingSection view={view} />
        <StopJobs view={view} />
        {question ? (
          <View testID="open-question" style={{ paddingTop: 10 }}>
            <Question key={`${question.point.id}/${question.state.is}`} view={view} due={question} />
          </View>
        ) : null}
        <Small size={14} style={{ paddingTop: 6 }}>
          {t('walk.cautionFirst')}
        </Small>
      </Card>
      {rest ? <RestSheet view={view} onClose={() => setRest(false)} onComplete={(extra) => void complete(extra)} /> : null}
      {left ? (
        <ModalSheet
          title={t('walk.openTitle')}
          closeLabel={t('common.close')}
          onClose={() => setLeft(false)}
          footer={
            <>
              <Button mode="contained" label={t('walk.goBack')} onPress={() => setLeft(false)} />
              {stop.missing.points.length === 0 ? (
                <Button mode="outlined" label={t('walk.completeOpen')} onPress={() => void complete()} testID="complete-station-open" />
              ) : null}
            </>
          }
        >
          <Body>{t('walk.openWhy')}</Body>
          {stop.points
            .filter(({ id }) => stop.missing.points.includes(id))
            .map(({ id, say: words }) => (
              <Body key={id}>{`– ${say(words, language)}`}</Body>
            ))}
          <Missing view={view} />
        </ModalSheet>
      ) : null}
    </Screen>
  );
};
