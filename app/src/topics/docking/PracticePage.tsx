import type { HullFigures } from '@quay/core/docking/hull';
import type { Conditions } from '@quay/core/docking/place';
import { touchOf, type Review } from '@quay/core/docking/practice';
import { type TaskName, TASKS, type WeatherChoice, WEATHERS } from '@quay/core/docking/names';
import { STEP_S } from '@quay/core/docking/motion';
import { mdiPause, mdiRestart } from '@mdi/js';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import Svg, { Circle, Line } from 'react-native-svg';
import { onKey } from '../../platform/browser';
import { Thumb } from '../../platform/thumb';
import { Card, Notice, Tag } from '../../ui/board';
import { figure } from '../../ui/format';
import { Button, IconButton } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { ListRow } from '../../ui/controls/listRow';
import { useRoom } from '../../ui/room';
import { HEAD, Screen } from '../../ui/screen';
import { Scroll } from '../../ui/scroll';
import { FingersFirst } from '../../ui/drawn/touch';
import { useTones } from '../../ui/theme';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { Helm, HelmNotes, Lever, Thruster } from './Controls';
import { metres } from './dockWords';
import { PracticeScene } from './Scene';
import { NEUTRAL, type Practice, usePractice, useSeen } from './usePractice';

/** Which of the tasks. */
export const TaskList = ({ boat, onTask, onBack }: { boat: string; onTask: (task: TaskName) => void; onBack: () => void }) => {
  const { t } = useTranslation();
  return (
    <Screen title={t('dock.practise')} sub={boat} onBack={onBack} measure={640}>
      <View style={{ padding: 12, gap: 12 }}>
        <Body>{t('dock.practiseWhy')}</Body>
        <Card style={{ gap: 2 }}>
          {TASKS.map((task) => (
            <ListRow
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
            </ListRow>
          ))}
        </Card>
        <Small size={14}>{t('dock.caution')}</Small>
      </View>
    </Screen>
  );
};

export type Outcome = Review & { weather: WeatherChoice; wentBack: number };

/** What lever, helm and the line of figures need below the water on a phone. */
const CONTROLS = 356;
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
  const { width, height, wide } = useRoom();
  // Wind that changes at the quay meanwhile does not change under whoever practises in it.
  const [chosen, setChosen] = useState<{ weather: WeatherChoice; now?: Conditions | undefined }>({ weather: 'task' });
  const { weather } = chosen;
  const practice = usePractice(task, hull, weather, chosen.now);
  useKeys(practice);
  const phase = useSeen(practice, phaseOf);
  const review = useSeen(practice, ({ told }) => told?.review);

  const kept = useRef(false);
  useEffect(() => {
    if (!review) kept.current = false;
    if (!review?.passed || kept.current) return;
    kept.current = true;
    void onDone({ ...review, weather, wentBack: practice.wentBack });
  }, [review, onDone, weather, practice]);

  const controls = (
    <View style={{ padding: 10, gap: 6 }}>
      {hull.thrusterN > 0 ? (
        <View style={{ alignItems: 'center' }}>
          <Thruster practice={practice} />
        </View>
      ) : null}
      <View style={{ flexDirection: 'row', justifyContent: 'space-around', alignItems: 'center' }}>
        <FingersFirst waiting={<View style={{ height: CONTROLS - 100 }} />}>
          <Lever practice={practice} />
          <View style={{ alignItems: 'center', gap: 4 }}>
            <Helm practice={practice} hull={hull} />
            <HelmNotes practice={practice} hull={hull} />
          </View>
        </FingersFirst>
      </View>
    </View>
  );
  const scene = (
    <PracticeScene
      practice={practice}
      width={wide ? Math.min(820, width * 0.6) : width}
      height={wide ? height - HEAD - 76 : Math.max(230, height - HEAD - CONTROLS - (hull.thrusterN > 0 ? 58 : 0))}
      label={t(`dock.task.${task}.goal`)}
    />
  );
  const below =
    phase === 'fresh' ? (
      <Ready
        practice={practice}
        task={task}
        weather={weather}
        now={now}
        onWeather={(one) => setChosen({ weather: one, now: one === 'now' ? now : undefined })}
      />
    ) : review ? (
      <Told practice={practice} review={review} onBack={onBack} />
    ) : phase === 'running' ? (
      controls
    ) : (
      <Paused practice={practice} />
    );
  return (
    <Screen
      title={t(`dock.task.${task}.name`)}
      sub={boat}
      onBack={onBack}
      fill
      {...(wide ? { measure: 1340 } : {})}
      right={<IconButton path={mdiRestart} label={t('dock.againTask')} plain onPress={() => practice.begin()} testID="practice-again" />}
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
          <View>
            {scene}
            <Happened practice={practice} />
          </View>
          <Figures practice={practice} />
        </View>
        <View style={{ flex: 1, justifyContent: wide ? 'center' : 'flex-start' }}>
          {phase === 'running' ? below : <Scroll>{below}</Scroll>}
        </View>
      </View>
    </Screen>
  );
};

/** Arrows work lever and helm, N is neutral, M midships, P a pause. */
const useKeys = (practice: Practice) => {
  useEffect(
    () =>
      onKey((key) => {
        const keys: Readonly<Record<string, () => void>> = {
          ArrowUp: () => practice.setLever(practice.detent + 1),
          ArrowDown: () => practice.setLever(practice.detent - 1),
          ArrowLeft: () => practice.setHandle(practice.hands.handle - HELM_KEY),
          ArrowRight: () => practice.setHandle(practice.hands.handle + HELM_KEY),
          n: () => practice.setLever(NEUTRAL),
          m: () => practice.setHandle(0),
          p: () => (practice.told?.running ? practice.pause() : practice.run()),
        };
        keys[key]?.();
        return keys[key] !== undefined;
      }),
    [practice],
  );
};

/** Before the first step, while she moves, and at any other time. */
const phaseOf = ({ told }: Practice): 'fresh' | 'running' | 'still' =>
  !told || (told.last === 0 && !told.running) ? 'fresh' : told.running ? 'running' : 'still';

/** What is read while she moves, under the water; never so long that it moves the controls. */
const Figures = ({ practice }: { practice: Practice }) => {
  const { t } = useTranslation();
  const told = useSeen(practice, (seen) => seen.told);
  if (!told) return null;
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10, paddingHorizontal: 12, height: 60 }}>
      <View testID="practice-speed">
        <Bold size={18}>{t('dock.speed', { v: figure(told.speedMs * 3.6) })}</Bold>
      </View>
      <View testID="practice-clock">
        <Small>{t('dock.seconds', { s: Math.floor(told.step * STEP_S) })}</Small>
      </View>
      <View style={{ flex: 1 }}>
        {told.underM === undefined ? null : <Small lines={1}>{t('dock.depth', { m: metres(Math.max(0, told.underM)) })}</Small>}
      </View>
      {told.running ? (
        <IconButton path={mdiPause} label={t('dock.pause')} onPress={() => practice.pause()} testID="practice-pause" />
      ) : null}
    </View>
  );
};

/** What has just happened, over the water. */
const Happened = ({ practice }: { practice: Practice }) => {
  const { t } = useTranslation();
  const touch = useSeen(practice, ({ told }) => touchOf(told?.hardestMs));
  const left = useSeen(practice, ({ told }) =>
    told && told.heldS > 0 && !told.ended ? Math.max(0, Math.ceil(told.holdS - told.heldS)) : undefined,
  );
  return (
    <View style={{ position: 'absolute', left: 10, bottom: 10, gap: 6, pointerEvents: 'none' }} aria-live="polite">
      {left !== undefined ? (
        <Tag kind="ok" size={17}>
          {t('dock.held', { s: left })}
        </Tag>
      ) : null}
      {touch === 'none' ? null : (
        <View testID={`touch-${touch}`}>
          <Tag kind={touch === 'soft' ? 'ok' : touch === 'firm' ? 'ask' : 'stop'} size={17}>
            {t(`dock.touch.${touch}`)}
          </Tag>
        </View>
      )}
    </View>
  );
};

const Ready = ({
  practice,
  task,
  weather,
  now,
  onWeather,
}: {
  practice: Practice;
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
            <ChoiceChip
              key={one}
              label={t(`dock.weather.${one}`)}
              on={weather === one}
              onPress={() => onWeather(one)}
              testID={`weather-${one}`}
            />
          ))}
        </View>
      </View>
      <Button mode="contained" label={t('dock.begin')} onPress={() => practice.run()} testID="practice-begin" />
      <Small size={14}>{t('dock.caution')}</Small>
    </View>
  );
};

const BACK_S = 3;

/** Back to a moment, and on from there. */
const Back = ({ practice }: { practice: Practice }) => {
  const { t } = useTranslation();
  const tones = useTones();
  const [wide, setWide] = useState(300);
  const told = useSeen(practice, (seen) => seen.told);
  if (!told) return null;
  const at = told.step * STEP_S;
  const end = told.last * STEP_S;
  const share = end > 0 ? at / end : 0;
  return (
    <View style={{ gap: 8 }}>
      <View onLayout={({ nativeEvent }) => setWide(nativeEvent.layout.width)}>
        <Thumb
          label={t('dock.moment')}
          value={Math.round(at)}
          min={0}
          max={Math.round(end)}
          text={t('dock.seconds', { s: Math.round(at) })}
          upright={false}
          width={wide}
          height={52}
          testID="moment"
          onPush={({ x }) => practice.look(Math.max(0, Math.min(1, x)) * end)}
          onStep={(by) => practice.look(Math.max(0, Math.min(end, at + by)))}
        >
          <Svg width={wide} height={52} style={{ pointerEvents: 'none' }} aria-hidden>
            <Line x1={14} y1={26} x2={Math.max(14, wide - 14)} y2={26} stroke={tones.line} strokeWidth={10} strokeLinecap="round" />
            <Line
              x1={14}
              y1={26}
              x2={14 + share * Math.max(0, wide - 28)}
              y2={26}
              stroke={tones.primary}
              strokeWidth={10}
              strokeLinecap="round"
            />
            <Circle cx={14 + share * Math.max(0, wide - 28)} cy={26} r={13} fill={tones.warning} stroke={tones.ink} strokeWidth={3} />
          </Svg>
        </Thumb>
      </View>
      <View style={{ flexDirection: 'row', gap: 8, alignItems: 'center' }}>
        <Button
          mode="outlined"
          label={`◀ ${t('dock.earlier')}`}
          disabled={at <= 0}
          onPress={() => practice.look(Math.max(0, at - BACK_S))}
          style={{ flex: 1 }}
          testID="earlier"
        />
        <Button
          mode="outlined"
          label={`${t('dock.later')} ▶`}
          disabled={at >= end - STEP_S}
          onPress={() => practice.look(Math.min(end, at + BACK_S))}
          style={{ flex: 1 }}
          testID="later"
        />
      </View>
      {told.step < told.last ? (
        <Button mode="contained" label={t('dock.fromHere')} onPress={() => practice.goOnFromHere()} testID="from-here" />
      ) : null}
    </View>
  );
};

const Paused = ({ practice }: { practice: Practice }) => {
  const { t } = useTranslation();
  const told = useSeen(practice, (seen) => seen.told);
  return (
    <View style={{ padding: 14, gap: 12 }}>
      {told && told.step >= told.last ? (
        <Button mode="contained" label={t('dock.goOn')} onPress={() => practice.run()} testID="practice-go-on" />
      ) : null}
      <Small>{t('dock.undo')}</Small>
      <Back practice={practice} />
      <Small size={14}>{t('dock.helpKeys')}</Small>
    </View>
  );
};

const Told = ({ practice, review, onBack }: { practice: Practice; review: Review; onBack: () => void }) => {
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
        <Button mode="outlined" label={t('dock.againTask')} onPress={() => practice.begin()} style={{ flex: 1 }} testID="practice-more" />
        <Button mode="outlined" label={t('common.done')} onPress={onBack} style={{ flex: 1 }} testID="practice-done" />
      </View>
      <Back practice={practice} />
    </View>
  );
};
