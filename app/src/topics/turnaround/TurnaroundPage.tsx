import { isEntered, currentOf } from '@quay/core/events/record';
import { workDone } from '@quay/core/turnaround/events';
import { say } from '@quay/core/words/words';
import { findingsOfHire } from '@quay/core/settlement/settle';
import { type Work, workOf } from '@quay/core/turnaround/work';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { type HireView, useHire } from '../../local/hire';
import { Picture } from '../photo/picture';
import { Card, Notice, Tag } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { useSnack } from '../../ui/controls/snack';
import { measures } from '../../ui/units';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { HireMissing } from '../record/HireMissing';
import { DoneSheet } from './DoneSheet';

export const TurnaroundPage = ({ hireId }: { hireId: string }) => {
  const { view, error, refetch } = useHire(hireId);
  return view ? <Turning view={view} /> : <HireMissing error={error} onAgain={refetch} />;
};

/** What has to be done in the reader's words. */
const useWorkWords = ({ pack: { book } }: HireView): ((work: Work) => string) => {
  const { t, i18n } = useTranslation();
  const named = (id: string) => {
    const row = [...book.fittings, ...book.propellers, ...book.surfaces, ...book.tanks].find((one) => one.id === id);
    return row ? say(row.name, i18n.language) : id;
  };
  return (work) => {
    switch (work.is) {
      case 'replace':
        return t(`turn.replace.${work.why}`, { name: named(work.fitting), n: work.pieces });
      case 'putBack':
        return t('turn.putBack', { name: named(work.fitting) });
      case 'repair':
        return t('turn.repair', {
          kind: t(`mark.${work.mark.kind}`),
          mm: measures().small(work.mark.sizeMm),
          name: named(work.mark.surface),
        });
      case 'propeller':
        return work.sizeMm === undefined
          ? t('turn.propeller', { name: named(work.propeller) })
          : t('turn.propellerMm', { name: named(work.propeller), mm: measures().small(work.sizeMm) });
      case 'putRight': {
        const check = book.checks.find(({ id }) => id === work.check);
        const way = check?.ways.find(({ id }) => id === work.way);
        return t('turn.putRight', {
          name: check ? say(check.name, i18n.language) : work.check,
          way: way ? say(way.name, i18n.language) : work.way,
        });
      }
      case 'refuel':
      case 'fill':
      case 'pumpOut':
        return t(`turn.${work.is}`, { name: named(work.tank), litres: measures().litres(work.litres) });
      case 'fault':
      case 'knock':
        return t(`turn.${work.is}`, { note: work.note });
    }
  };
};

/** What must happen to her before the next party comes: what holds her first, each done by somebody's word and picture. */
const Turning = ({ view }: { view: HireView }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const { width, wide } = useRoom();
  const { pack, record } = view;
  const { hire } = pack;
  const work = useMemo(() => workOf(record, pack.book, findingsOfHire(record, pack)), [record, pack]);
  const words = useWorkWords(view);
  const [doing, setDoing] = useState<Work>();
  const open = work.filter(({ done }) => !done);
  const holding = open.filter(({ unsafe }) => unsafe).length;
  const cameIn = isEntered(record, ['in', 'started']) || isEntered(record, ['cameIn']);
  return (
    <Screen
      title={t('turn.title')}
      sub={`${pack.boat.name} · ${hire.renter}`}
      onBack={() => router.push(`/hire/${hire.id}`)}
      measure={wide ? 760 : width}
    >
      <View style={{ padding: 12, gap: 12 }}>
        <Notice
          kind={holding > 0 ? 'stop' : open.length > 0 ? 'ask' : cameIn ? 'ok' : 'ask'}
          title={
            holding > 0
              ? t('turn.holding', { count: holding })
              : open.length > 0
                ? t('turn.open', { count: open.length })
                : t(cameIn ? 'turn.nothing' : 'turn.notIn')
          }
        >
          {open.length === 0 && cameIn ? <Body>{t('turn.nothingWhy')}</Body> : null}
        </Notice>
        {work.map((one) => (
          <WorkCard key={one.key} view={view} work={one} words={words(one)} onDo={() => setDoing(one)} />
        ))}
      </View>
      {doing ? <DoneSheet view={view} work={doing} title={words(doing)} onClose={() => setDoing(undefined)} /> : null}
    </Screen>
  );
};

const WorkCard = ({ view, work, words, onDo }: { view: HireView; work: Work; words: string; onDo: () => void }) => {
  const { t, i18n } = useTranslation();
  const snack = useSnack();
  const { pack, record } = view;
  const station = pack.book.stations.find(({ id }) => id === work.station);
  const photos = work.done?.photos ?? ('photos' in work ? work.photos : work.is === 'repair' ? work.mark.photos : []);
  const judge = async (unsafe: boolean) => {
    const added = await view.add([{ kind: 'workJudged', work: work.key, unsafe }]);
    snack({ text: t(unsafe ? 'turn.nowHolds' : 'turn.nowFree'), undo: () => void view.undo(added) });
  };
  const takeBack = async () => {
    const done = currentOf(record, ['work', work.key], workDone)?.currentEvents ?? [];
    const added = await view.undo(done);
    snack({ text: t('turn.takenBack'), undo: () => void view.undo(added) });
  };
  return (
    <Card style={{ gap: 10, padding: 14 }}>
      <View style={{ flexDirection: 'row', gap: 10, alignItems: 'flex-start' }}>
        <View style={{ flex: 1, gap: 2 }}>
          <SlabBold size={21}>{words}</SlabBold>
          {station ? <Small>{say(station.name, i18n.language)}</Small> : null}
        </View>
        <Tag kind={work.done ? 'ok' : work.unsafe ? 'stop' : 'ask'}>
          {t(work.done ? 'turn.done' : work.unsafe ? 'turn.holds' : 'turn.todo')}
        </Tag>
      </View>
      {photos.length > 0 ? (
        <View style={{ flexDirection: 'row', gap: 8, flexWrap: 'wrap' }}>
          {photos.map((sha, i) => (
            <Picture key={sha} hire={pack.hire.id} sha={sha} alt={t('photo.of', { n: i + 1, name: words })} width={120} height={80} />
          ))}
        </View>
      ) : null}
      {work.done ? (
        <>
          {work.done.note ? <Body>{work.done.note}</Body> : null}
          <Button
            mode="outlined"
            label={t('turn.takeBack')}
            onPress={() => void takeBack()}
            style={{ alignSelf: 'flex-start' }}
            testID={`again-${work.key}`}
          />
        </>
      ) : (
        <View style={{ flexDirection: 'row', gap: 10, flexWrap: 'wrap' }}>
          <Button mode="contained" label={t('turn.do')} onPress={onDo} style={{ flexGrow: 1 }} testID={`do-${work.key}`} />
          <Button
            mode="outlined"
            label={t(work.unsafe ? 'turn.free' : 'turn.hold')}
            onPress={() => void judge(!work.unsafe)}
            style={{ flexGrow: 1 }}
            testID={`judge-${work.key}`}
          />
        </View>
      )}
      {work.unsafe && !work.done ? <Bold size={15}>{t('turn.why')}</Bold> : null}
    </Card>
  );
};
