import { Told, Paused, Happened, Ready } from './PracticeNotices';
import type { HullFigures } from '@quay/core/docking/hull';
import type { Conditions } from '@quay/core/docking/place';
import { type Review } from '@quay/core/docking/practice';
import { type TaskName, TASKS, type WeatherChoice } from '@quay/core/docking/names';
import { STEP_S } from '@quay/core/docking/motion';
import { mdiPause, mdiRestart } from '@mdi/js';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { onKey } from '../../platform/browser';
import { Card } from '../../ui/board';
import { IconButton } from '../../ui/controls/button';
import { ListRow } from '../../ui/controls/listRow';
import { useRoom } from '../../ui/room';
import { HEAD, Screen } from '../../ui/screen';
import { Scroll } from '../../ui/scroll';
import { FingersFirst } from '../../ui/drawn/touch';
import { measures } from '../../ui/units';
import { Body, Bold, Small } from '../../ui/words';
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
  const review = useSeen(practice, ({ instruction }) => instruction?.review);

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
          p: () => (practice.instruction?.running ? practice.pause() : practice.run()),
        };
        keys[key]?.();
        return keys[key] !== undefined;
      }),
    [practice],
  );
};

/** Before the first step, while she moves, and at any other time. */
const phaseOf = ({ instruction }: Practice): 'fresh' | 'running' | 'still' =>
  !instruction || (instruction.last === 0 && !instruction.running) ? 'fresh' : instruction.running ? 'running' : 'still';

/** What is read while she moves, under the water; never so long that it moves the controls. */
const Figures = ({ practice }: { practice: Practice }) => {
  const { t } = useTranslation();
  const instruction = useSeen(practice, (seen) => seen.instruction);
  if (!instruction) return null;
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10, paddingHorizontal: 12, height: 60 }}>
      <View testID="practice-speed">
        <Bold size={18}>{t('dock.speed', { v: measures().speed(instruction.speedMs) })}</Bold>
      </View>
      <View testID="practice-clock">
        <Small>{t('dock.seconds', { s: Math.floor(instruction.step * STEP_S) })}</Small>
      </View>
      <View style={{ flex: 1 }}>
        {instruction.underM === undefined ? null : (
          <Small lines={1}>{t('dock.depth', { m: metres(Math.max(0, instruction.underM)) })}</Small>
        )}
      </View>
      {instruction.running ? (
        <IconButton path={mdiPause} label={t('dock.pause')} onPress={() => practice.pause()} testID="practice-pause" />
      ) : null}
    </View>
  );
};
