import { type Place, turnOf } from '@quay/core/docking/place';
import type { Act } from '@quay/core/docking/plan';
import { type TaskName, TASKS } from '@quay/core/docking/names';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { type HireView, useHire } from '../../local/hire';
import { isFull } from '../../local/localDb';
import { rememberChoice, rememberedChoice } from '../../platform/browser';
import { Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { useSnack } from '../../ui/controls/snack';
import { Body } from '../../ui/words';
import { HireMissing } from '../record/HireMissing';
import { useStopWords } from '../../i18n/stopWords';
import { ACTS } from './dockWords';
import { DockingPlan, useHull } from './DockingPlan';
import { PracticePage, TaskList } from './PracticePage';
import { useConditions } from '../trip/useConditions';

export type DockingAddress = { berth?: string | undefined; act?: string | undefined; task?: string | undefined };

/** Coming alongside, leaving and lying, for a hand beside the renter. */
export const DockingPage = ({ hireId, ...address }: { hireId: string } & DockingAddress) => {
  const router = useRouter();
  const { view, error, refetch } = useHire(hireId);
  if (!view) return <HireMissing error={error} onAgain={refetch} />;
  return (
    <Docking
      view={view}
      address={address}
      onGo={(to) => router.setParams(to)}
      onBack={() => (router.canGoBack() ? router.back() : router.push(`/hire/${hireId}`))}
    />
  );
};

export const isTask = (name: string | undefined): name is TaskName => (TASKS as readonly (string | undefined)[]).includes(name);

/** Plan and tasks at one address: which berth, what to do there, which task stand in it, so that it can be sent to somebody. */
export const Docking = ({
  view,
  address,
  onGo,
  onBack,
}: {
  view: HireView;
  address: DockingAddress;
  onGo: (to: DockingAddress) => void;
  onBack: () => void;
}) => {
  const { t } = useTranslation();
  const { wide } = useRoom();
  const spoken = useStopWords();
  if (!spoken) return null;
  const { base, boat } = view.pack;
  const berth =
    base.berths.find(({ id }) => id === address.berth) ??
    base.berths.find(({ id }) => id === rememberedChoice(`berth/${base.id}`)) ??
    base.berths[0];
  if (address.task !== undefined)
    return isTask(address.task) ? (
      <PracticeOf view={view} task={address.task} berth={berth} onBack={() => onGo({ task: 'choose' })} />
    ) : (
      <TaskList boat={boat.name} onTask={(task) => onGo({ task })} onBack={() => onGo({ task: undefined })} />
    );
  const act: Act = ACTS.find((one) => one === address.act) ?? 'arrive';
  return (
    <Screen
      title={t('dock.title')}
      sub={`${boat.name} · ${base.name}`}
      onBack={onBack}
      measure={wide ? 1240 : 640}
      footer={<Button mode="contained" label={t('dock.practise')} onPress={() => onGo({ task: 'choose' })} testID="practise" />}
    >
      <View style={{ padding: 12, gap: 12 }}>
        {berth ? (
          <DockingPlan
            view={view}
            berth={berth}
            act={act}
            onBerth={(id) => {
              rememberChoice(`berth/${base.id}`, id);
              onGo({ berth: id });
            }}
            onAct={(one) => onGo({ act: one })}
          />
        ) : (
          <Notice kind="calm" title={t('dock.noBerths')}>
            <Body>{t('dock.noBerthsWhy')}</Body>
          </Notice>
        )}
      </View>
    </Screen>
  );
};

const NOWHERE: Place = { kind: 'alongside', headingDeg: 0, side: 'starboard' };

/** A task with this hire’s boat, in the wind of the task or in the one there is at the berth that was looked at. */
const PracticeOf = ({ view, task, berth, onBack }: { view: HireView; task: TaskName; berth: Place | undefined; onBack: () => void }) => {
  const { t } = useTranslation();
  const snack = useSnack();
  const { hull } = useHull(view);
  const { now, from } = useConditions(view.pack.base.id, berth ?? NOWHERE);
  const known = from.is === 'hand' || from.is === 'mast' || from.is === 'mastOld';
  // As they are across that berth: the tasks’ own berths all point north.
  const turned = useMemo(() => {
    const by = berth?.headingDeg ?? 0;
    return { ...now, windFromDeg: turnOf(now.windFromDeg - by), currentToDeg: turnOf(now.currentToDeg - by) };
  }, [now, berth]);
  const { add, undo, pack } = view;
  return (
    <PracticePage
      task={task}
      hull={hull}
      now={known ? turned : undefined}
      boat={pack.boat.name}
      onBack={onBack}
      onDone={async ({ weather, passed, touch, seconds, wentBack }) => {
        try {
          const stored = await add([{ kind: 'dockingTried', task, weather, by: 'driver', passed, touch, wentBack, seconds }]);
          snack({ text: t('dock.kept'), undo: () => void undo(stored) });
        } catch (error) {
          if (!isFull(error)) throw error;
          snack({ text: `${t('pending.full')}. ${t('pending.fullWhy')}` });
        }
      }}
    />
  );
};
