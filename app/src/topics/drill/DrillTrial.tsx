import { Drill } from '@quay/core/fleet/drills';
import type { DrillFault } from '@quay/core/drill/explore';
import { say } from '@quay/core/words/words';
import { mdiRestart } from '@mdi/js';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { startDrillWorker } from '../../platform/threads/drillWorker';
import type { Examined } from '../../workers/drillProtocol';
import { Card, Notice, Tag } from '../../ui/board';
import { Button, IconButton } from '../../ui/controls/button';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { ControlCell } from './ControlCell';
import { Shows } from './Shows';
import { type DrillView, useDrill } from './useDrill';

/** Somebody who types goes on within this, ms. */
const TYPING_MS = 400;
/** Between two moves that lead into a trap: time to see what each does, ms. */
const MOVE_MS = 700;

/** What is wrong with a drill as it is written, looked at state by state in a thread of its own. */
const useExamined = (drill: object): Examined | undefined => {
  const worker = useRef<ReturnType<typeof startDrillWorker>>(undefined);
  const asked = useRef(0);
  const [examined, setExamined] = useState<Examined>();
  const [broken, setBroken] = useState<Error>();
  useEffect(() => {
    worker.current = startDrillWorker((answer) => {
      // What was asked meanwhile is about another drill.
      if (answer.asked === asked.current) setExamined(answer);
    }, setBroken);
    return () => worker.current?.end();
  }, []);
  const text = JSON.stringify(drill);
  useEffect(() => {
    asked.current += 1;
    setExamined(undefined);
    const later = setTimeout(() => worker.current?.ask({ asked: asked.current, drill: JSON.parse(text) as unknown }), TYPING_MS);
    return () => clearTimeout(later);
  }, [text]);
  if (broken) throw broken;
  return examined;
};

/** A drill beside the form it is written in: what is wrong with it, and its panel, which is tried as it would be on the boat. */
export const DrillTrial = ({ drill }: { drill: object }) => {
  const { t } = useTranslation();
  const examined = useExamined({ id: 'trial', ...drill });
  const read = Drill.safeParse({ id: 'trial', ...drill });
  // Names that lead nowhere make no machine: what they are is told first.
  const runs = read.success && examined !== undefined && examined.states > 0;
  return (
    <Card style={{ gap: 10 }}>
      <View testID="drill-trial">
        <SlabBold size={21} heading={2}>
          {t('fleet.trialOfDrill')}
        </SlabBold>
      </View>
      {examined === undefined ? <Small>{t('fleet.drillLooking')}</Small> : null}
      {examined && examined.faults.length === 0 ? <Tag kind="ok">{t('fleet.drillFine', { count: examined.states })}</Tag> : null}
      {runs ? <Panel key={JSON.stringify(drill)} drill={read.data} faults={examined.faults} /> : <Faults faults={examined?.faults ?? []} />}
    </Card>
  );
};

const Faults = ({ faults, onShow }: { faults: readonly DrillFault[]; onShow?: (fault: DrillFault) => void }) => {
  const { t } = useTranslation();
  return faults.map((fault) => (
    <Notice
      key={`${fault.path} ${fault.reason}`}
      kind="stop"
      title={`${fault.path}: ${fault.reason}`}
      {...(fault.way && onShow
        ? {
            action: <Button mode="outlined" label={t('fleet.drillShow')} onPress={() => onShow(fault)} testID={`show-${fault.path}`} />,
          }
        : {})}
    />
  ));
};

const Panel = ({ drill, faults }: { drill: Drill; faults: readonly DrillFault[] }) => {
  const { t, i18n } = useTranslation();
  const view = useDrill(drill);
  const { setMode } = view;
  useEffect(() => setMode('own'), [setMode]);
  const show = useShown(view);
  return (
    <>
      <Faults faults={faults} onShow={show} />
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Bold style={{ flex: 1 }}>{say(drill.goals[Math.min(view.run.reached, drill.goals.length - 1)]!.say, i18n.language)}</Bold>
        <Small>{t('fleet.drillReached', { n: view.run.reached, of: drill.goals.length })}</Small>
        <IconButton path={mdiRestart} label={t('drill.again')} plain onPress={() => view.begin(view.variant)} testID="trial-again" />
      </View>
      <Shows view={view} />
      {view.run.last ? <Body>{say(view.run.last.say, i18n.language)}</Body> : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {drill.controls.map((control) => (
          <ControlCell key={control.id} view={view} control={control} hinted={false} />
        ))}
      </View>
    </>
  );
};

/** Shows on the panel the moves that lead to what is wrong, one after the other. */
const useShown = (view: DrillView): ((fault: DrillFault) => void) => {
  const latest = useRef(view);
  latest.current = view;
  const [moves, setMoves] = useState<NonNullable<DrillFault['way']>['moves']>([]);
  useEffect(() => {
    const [next, ...rest] = moves;
    if (moves.length === 0) return undefined;
    const later = setTimeout(() => {
      if (next) latest.current.move(next);
      else latest.current.skip();
      setMoves(rest);
    }, MOVE_MS);
    return () => clearTimeout(later);
  }, [moves]);
  return ({ way }) => {
    if (!way) return;
    latest.current.begin(way.variant);
    setMoves(way.moves);
  };
};
