import type { HullFigures } from '@quay/core/docking/hull';
import type { Conditions } from '@quay/core/docking/place';
import { touchOf, type Review } from '@quay/core/docking/practice';
import { type TaskName, TASKS, type WeatherChoice, WEATHERS } from '@quay/core/docking/tasks';
import { STEP_S } from '@quay/core/docking/motion';
import { mdiRestart } from '@mdi/js';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useWindowDimensions, View } from 'react-native';
import { onKey } from '../../platform/browser';
import { Card, Notice, Tag } from '../../ui/board';
import { figure } from '../../ui/format';
import { Alt, Chip, Go, Row, Sign } from '../../ui/press';
import { HEAD, Screen } from '../../ui/screen';
import { WIDE } from '../../ui/theme';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { Helm, HelmNotes, Lever, Thruster } from './Controls';
import { metres } from './dockWords';
import { PracticeScene } from './Scene';
import { NEUTRAL, type PracticeView, usePractice } from './usePractice';
import { DETENTS } from '@quay/core/docking/practice';

/** Which of the tasks. */
export const TaskList = ({ boat, onTask, onBack }: { boat: string; onTask: (task: TaskName) => void; onBack: () => void }) => {
  const { t } = useTranslation();
  return (
    <Screen title={t('dock.practise')} sub={boat} onBack={onBack} measure={640}>
      <View style={{ padding: 12, gap: 12 }}>
        <Body>{t('dock.practiseWhy')}</Body>
        <Card style={{ gap: 2 }}>
          {TASKS.map((task) => (
            <Row
              key={task}
              label={`${t(`dock.task.${task}.name`)}. ${t(`dock.task.${task}.goal`)}`}
              onPress={() => onTask(task)}
              testID={`task-${task}`}
              style={{ flexDirection: 'row', alignItems: 'center', gap: 8, paddingVertical: 8 }}
            >
              <View style={{ flex: 1 }}>
                <Bold size={19}>{t(`dock.task.${task}.name`)}</Bold>
                <Small>{t(`dock.task.${task}.goal`)}</Small>
              </View>
              <Bold size={22}>›</Bold>
            </Row>
          ))}
        </Card>
        <Small size={14}>{t('dock.caution')}</Small>
      </View>
    </Screen>
  );
};

export type Outcome = Review & { weather: WeatherChoice; wentBack: number };

const CONTROLS = 300;
/** By one press of an arrow. */
const HELM_KEY = 0.2;

/** One task: the water above, lever and helm at the thumbs, and afterwards what went well and what to try. */
export const PracticePage = ({
  task,
  hull,
  now,
  boat,
  onBack,
  onDone,
}: {
  task: TaskName;
  hull: HullFigures;
  now: Conditions | undefined;
  boat: string;
  onBack: () => void;
  /** Keeps a go that was passed. */
  onDone: (outcome: Outcome) => Promise<void>;
}) => {
  const { t } = useTranslation();
  const { width, height } = useWindowDimensions();
  const wide = width >= WIDE;
  const [weather, setWeather] = useState<WeatherChoice>('task');
  const view = usePractice(task, hull, weather, now);
  const { told, wentBack } = view;
  useKeys(view);

  const kept = useRef(false);
  const review = told?.review;
  useEffect(() => {
    if (!review) kept.current = false;
    if (!review?.passed || kept.current) return;
    kept.current = true;
    void onDone({ ...review, weather, wentBack });
  }, [review, onDone, weather, wentBack]);

  const fresh = !told || (told.step === 0 && !told.running);
  const controls = (
    <View style={{ padding: 10, gap: 6 }}>
      {hull.thrusterN > 0 ? (
        <View style={{ alignItems: 'center' }}>
          <Thruster view={view} />
        </View>
      ) : null}
      <View style={{ flexDirection: 'row', justifyContent: 'space-around', alignItems: 'center' }}>
        <Lever view={view} />
        <View style={{ alignItems: 'center', gap: 4 }}>
          <Helm view={view} hull={hull} />
          <HelmNotes view={view} hull={hull} />
        </View>
      </View>
    </View>
  );
  const scene = (
    <PracticeScene
      view={view}
      width={wide ? Math.min(820, width * 0.6) : width}
      height={wide ? height - HEAD - 40 : Math.max(230, height - HEAD - CONTROLS - 150)}
      label={t(`dock.task.${task}.goal`)}
    />
  );
  const below = fresh ? (
    <Ready view={view} task={task} weather={weather} now={now} onWeather={setWeather} />
  ) : review ? (
    <Told view={view} review={review} onBack={onBack} />
  ) : told?.running ? (
    controls
  ) : (
    <Paused view={view} />
  );
  return (
    <Screen
      title={t(`dock.task.${task}.name`)}
      sub={boat}
      onBack={onBack}
      fill
      {...(wide ? { measure: 1340 } : {})}
      right={<Sign path={mdiRestart} label={t('dock.againTask')} plain onPress={view.again} testID="practice-again" />}
    >
      <View
        style={{
          flex: 1,
          flexDirection: wide ? 'row' : 'column',
          gap: wide ? 16 : 0,
          paddingHorizontal: wide ? 16 : 0,
          alignSelf: 'center',
          width: '100%',
          maxWidth: wide ? 1340 : width,
        }}
      >
        <View>
          {scene}
          <Figures view={view} />
        </View>
        <View style={{ flex: 1 }}>{below}</View>
      </View>
    </Screen>
  );
};

/** Arrows work lever and helm, N is neutral, M midships, P a pause. */
const useKeys = (view: PracticeView) => {
  const latest = useRef(view);
  latest.current = view;
  useEffect(
    () =>
      onKey((key) => {
        const { hands, told, setLever, setHandle, run, pause } = latest.current;
        const at = DETENTS.indexOf(hands.lever as (typeof DETENTS)[number]);
        const keys: Readonly<Record<string, () => void>> = {
          ArrowUp: () => setLever(at + 1),
          ArrowDown: () => setLever(at - 1),
          ArrowLeft: () => setHandle(hands.handle - HELM_KEY),
          ArrowRight: () => setHandle(hands.handle + HELM_KEY),
          n: () => setLever(NEUTRAL),
          m: () => setHandle(0),
          p: told?.running ? pause : run,
        };
        keys[key]?.();
        return keys[key] !== undefined;
      }),
    [],
  );
};

/** What is read while she moves, over the water. */
const Figures = ({ view }: { view: PracticeView }) => {
  const { t } = useTranslation();
  const { told } = view;
  if (!told) return null;
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap', gap: 8, paddingHorizontal: 10, paddingVertical: 6 }}>
      <View testID="practice-speed">
        <Bold size={18}>{t('dock.speed', { v: figure(told.speedMs * 3.6) })}</Bold>
      </View>
      <View testID="practice-clock" style={{ flexGrow: 1 }}>
        <Small>{t('dock.seconds', { s: Math.floor(told.step * STEP_S) })}</Small>
      </View>
      {told.underM === undefined ? null : <Small>{t('dock.depth', { m: metres(Math.max(0, told.underM)) })}</Small>}
      {told.heldS > 0 && !told.ended ? <Tag kind="ok">{t('dock.held', { s: Math.max(0, Math.ceil(told.holdS - told.heldS)) })}</Tag> : null}
      {told.hardestMs === undefined ? null : (
        <View testID={`touch-${touchOf(told.hardestMs)}`}>
          <Tag kind={touchOf(told.hardestMs) === 'soft' ? 'ok' : touchOf(told.hardestMs) === 'firm' ? 'ask' : 'stop'}>
            {t(`dock.touch.${touchOf(told.hardestMs)}`)}
          </Tag>
        </View>
      )}
      {told.running ? <Alt label={t('dock.pause')} onPress={view.pause} testID="practice-pause" style={{ minHeight: 52 }} /> : null}
    </View>
  );
};

const Ready = ({
  view,
  task,
  weather,
  now,
  onWeather,
}: {
  view: PracticeView;
  task: TaskName;
  weather: WeatherChoice;
  now: Conditions | undefined;
  onWeather: (weather: WeatherChoice) => void;
}) => {
  const { t } = useTranslation();
  return (
    <View style={{ padding: 14, gap: 12, flex: 1 }}>
      <SlabBold size={22}>{t(`dock.task.${task}.goal`)}</SlabBold>
      <View style={{ gap: 6 }} role="radiogroup" aria-label={t('dock.weatherTitle')}>
        <Small>{t('dock.weatherTitle')}</Small>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
          {WEATHERS.filter((one) => one !== 'now' || now !== undefined).map((one) => (
            <Chip
              key={one}
              label={t(`dock.weather.${one}`)}
              on={weather === one}
              onPress={() => onWeather(one)}
              testID={`weather-${one}`}
            />
          ))}
        </View>
      </View>
      <Go label={t('dock.begin')} onPress={view.run} testID="practice-begin" />
      <Small size={14}>{t('dock.caution')}</Small>
    </View>
  );
};

const BACK_S = 3;

/** Back to a moment, and on from there. */
const Back = ({ view }: { view: PracticeView }) => {
  const { t } = useTranslation();
  const { told } = view;
  if (!told) return null;
  const at = told.step * STEP_S;
  const end = told.last * STEP_S;
  return (
    <View style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', gap: 8, alignItems: 'center' }}>
        <Alt
          label={`◀ ${t('dock.earlier')}`}
          disabled={at <= 0}
          onPress={() => view.look(Math.max(0, at - BACK_S))}
          style={{ flex: 1 }}
          testID="earlier"
        />
        <Alt
          label={`${t('dock.later')} ▶`}
          disabled={at >= end - STEP_S}
          onPress={() => view.look(Math.min(end, at + BACK_S))}
          style={{ flex: 1 }}
          testID="later"
        />
      </View>
      {told.step < told.last ? (
        <Go
          label={t('dock.fromHere')}
          onPress={() => {
            view.goOnFromHere();
            view.run();
          }}
          testID="from-here"
        />
      ) : null}
    </View>
  );
};

const Paused = ({ view }: { view: PracticeView }) => {
  const { t } = useTranslation();
  const { told } = view;
  return (
    <View style={{ padding: 14, gap: 12 }}>
      {told && told.step >= told.last ? <Go label={t('dock.goOn')} onPress={view.run} testID="practice-go-on" /> : null}
      <Small>{t('dock.undo')}</Small>
      <Back view={view} />
      <Small size={14}>{t('dock.helpKeys')}</Small>
    </View>
  );
};

const Told = ({ view, review, onBack }: { view: PracticeView; review: Review; onBack: () => void }) => {
  const { t } = useTranslation();
  return (
    <View style={{ padding: 12, gap: 10 }} testID={review.passed ? 'practice-passed' : 'practice-failed'}>
      <Notice
        kind={review.passed ? 'ok' : 'ask'}
        title={`${t(review.passed ? 'dock.done' : 'dock.notYet')} · ${review.seconds} s · ${t(`dock.touch.${review.touch}`)}`}
      >
        {review.well.map((one) => (
          <Body key={one} size={16}>{`✓ ${t(`dock.well.${one}`)}`}</Body>
        ))}
        {review.tryNext.map((one) => (
          <Bold key={one} size={16}>{`→ ${t(`dock.try.${one}`)}`}</Bold>
        ))}
        {review.passed ? null : <Small>{t('dock.notYetWhy')}</Small>}
      </Notice>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Alt label={t('dock.againTask')} onPress={view.again} style={{ flex: 1 }} testID="practice-more" />
        <Alt label={t('common.done')} onPress={onBack} style={{ flex: 1 }} testID="practice-done" />
      </View>
      <Back view={view} />
    </View>
  );
};
