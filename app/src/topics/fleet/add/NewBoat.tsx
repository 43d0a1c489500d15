import { addBoat, listStarters, type Starter } from '@quay/contract/newBoat';
import { scaledPlan } from '@quay/core/fleet/starter/make';
import { typedNumber } from '@quay/core/number/typed';
import { say } from '@quay/core/words/words';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call, Refused } from '../../../local/api';
import { useDraft } from '../../../local/draft';
import { useErrorWords } from '../../../local/errorWords';
import { Notice } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { useSchemaForm } from '../../../ui/controls/form';
import { useSnack } from '../../../ui/controls/snack';
import { Plan } from '../../../ui/drawn/plan';
import { useRoom } from '../../../ui/room';
import { Screen } from '../../../ui/screen';
import { Body } from '../../../ui/words';
import { useFleet } from '../useFleet';
import { BoatQuestions } from './BoatQuestions';
import { answersOf, type BoatTyped, newBoatForm, RANGES, usualOf } from './newBoatForm';
import { SisterSheet } from './SisterSheet';
import { StarterChoice } from './StarterChoice';

/** What was begun of a boat that is not made yet. */
type Begun = { starter: string; base: string | undefined; typed: BoatTyped };

/** Width of the drawing beside the questions on a desk, and its height above them on a phone, px. */
const [BESIDE, ABOVE] = [360, 132];

/** A new boat: a starter that is most like it, then what differs from hull to hull; or a sister of one that is there. */
export const NewBoat = () => {
  const { t } = useTranslation();
  const router = useRouter();
  const client = useQueryClient();
  const snack = useSnack();
  const errorWords = useErrorWords();
  const { boats } = useFleet();
  const { data, error, refetch } = useQuery({ queryKey: ['starters'], queryFn: () => call(listStarters) });
  const draft = useDraft<Begun>('new-boat');
  const [chosen, setChosen] = useState<string | null>();
  const [sister, setSister] = useState<{ id: string; name: string }>();
  const starterId = chosen === undefined ? draft.before?.starter : (chosen ?? undefined);
  const starter = data?.starters.find(({ id }) => id === starterId);
  const back = () => (router.canGoBack() ? router.back() : router.replace('/fleet'));
  const made = async ({ id, name }: { id: string; name: string }) => {
    draft.drop();
    await Promise.all(['boats', 'books', 'starters', 'readiness', 'choices'].map((key) => client.invalidateQueries({ queryKey: [key] })));
    snack({ text: t('newBoat.made', { name }) });
    router.replace(`/fleet/${id}`);
  };
  if (data && draft.before !== undefined && starter && data.bases.length > 0)
    return (
      <Questions
        key={starter.id}
        starter={starter}
        bases={data.bases}
        begun={draft.before?.starter === starter.id ? draft.before : undefined}
        onTyped={draft.save}
        onMade={made}
        onBack={back}
        onOther={() => {
          draft.drop();
          setChosen(null);
        }}
      />
    );
  return (
    <Screen title={t('newBoat.title')} onBack={back} measure={1100}>
      {error && !data ? (
        <View style={{ padding: 12 }}>
          <Notice
            kind="stop"
            title={errorWords(error)}
            action={<Button mode="outlined" label={t('common.again')} onPress={() => void refetch()} />}
          />
        </View>
      ) : null}
      {data === undefined && !error ? <Body style={{ padding: 16 }}>{t('common.loading')}</Body> : null}
      {data && data.bases.length === 0 ? (
        <View style={{ padding: 12 }}>
          <Notice
            kind="ask"
            title={t('newBoat.noBase')}
            action={<Button mode="outlined" label={t('firstHire.next.base')} onPress={() => router.push('/bases/new')} testID="to-base" />}
          />
        </View>
      ) : null}
      {data && data.bases.length > 0 ? (
        <StarterChoice starters={data.starters} sisters={boats} onStarter={setChosen} onSister={setSister} />
      ) : null}
      {sister ? <SisterSheet boat={sister} onMade={made} onClose={() => setSister(undefined)} /> : null}
    </Screen>
  );
};

const Questions = ({
  starter,
  bases,
  begun,
  onTyped,
  onMade,
  onBack,
  onOther,
}: {
  starter: Starter;
  bases: readonly { id: string; name: string }[];
  begun: Begun | undefined;
  onTyped: (begun: Begun) => void;
  onMade: (made: { id: string; name: string }) => Promise<void>;
  onBack: () => void;
  onOther: () => void;
}) => {
  const { t, i18n } = useTranslation();
  const errorWords = useErrorWords();
  const { width, height, wide } = useRoom();
  const [fault, setFault] = useState<string>();
  const [wanted, setWanted] = useState(begun?.base);
  const base = bases.find(({ id }) => id === wanted)?.id ?? bases[0]?.id;
  const schema = useMemo(() => newBoatForm(starter, t), [starter, t]);
  const form = useSchemaForm(schema, begun?.typed ?? usualOf(starter));
  useEffect(() => {
    const watched = form.watch((typed) => onTyped({ starter: starter.id, base, typed: typed as BoatTyped }));
    return () => watched.unsubscribe();
  }, [form, onTyped, starter.id, base]);
  const [name, lengthM, beamM] = form.watch(['name', 'lengthM', 'beamM']);
  const go = form.handleSubmit(
    async (read) => {
      if (base === undefined) return;
      setFault(undefined);
      try {
        const { id } = await call(addBoat, { body: { starter: starter.id, base, answers: answersOf(read, starter) } });
        await onMade({ id, name: read.name });
      } catch (error) {
        setFault(error instanceof Refused ? errorWords(error) : t('signIn.noAnswer'));
      }
    },
    (wrong) => setFault(t('newBoat.open', { count: Object.keys(wrong).length })),
  );
  // Drawn as long and as wide as is typed, as long as that is a boat.
  const drawn = useMemo(() => {
    const [long, wideM] = [typedNumber(lengthM), typedNumber(beamM)];
    const fits = (value: number, { from, to }: { from: number; to: number }) => value >= from && value <= to;
    return fits(long, RANGES.lengthM) && fits(wideM, RANGES.beamM) ? scaledPlan(starter.plan, long, wideM) : starter.plan;
  }, [lengthM, beamM, starter.plan]);
  const stations = starter.stations.map((one) => ({
    ...one,
    at: [(one.at[0] / starter.plan.lengthM) * drawn.lengthM, (one.at[1] / starter.plan.beamM) * drawn.beamM] as [number, number],
  }));
  const stops = stations.map(({ id, name: words }, i) => ({
    id,
    name: say(words, i18n.language),
    label: String(i + 1),
    state: 'open' as const,
  }));
  const plan = (
    <Plan plan={drawn} stations={stations} stops={stops} width={wide ? BESIDE : width} height={wide ? height : ABOVE} bowUp={wide} />
  );
  return (
    <Screen
      title={starter.name}
      sub={t('newBoat.title')}
      onBack={onBack}
      right={<Button mode="outlined" label={t('newBoat.otherKind')} onPress={onOther} testID="other-kind" />}
      {...(wide ? { side: plan, sideWidth: BESIDE } : { top: plan })}
      measure={760}
      footer={
        <View style={{ gap: 8 }}>
          {fault ? <Notice kind="stop" title={fault} /> : null}
          <Button
            mode="contained"
            label={name.trim() === '' ? t('newBoat.goUnnamed') : t('newBoat.go', { name: name.trim() })}
            onPress={() => void go()}
            busy={form.formState.isSubmitting}
            testID="make-boat"
          />
        </View>
      }
    >
      <View style={{ padding: 12, gap: 12 }}>
        <BoatQuestions form={form} starter={starter} bases={bases} base={base} onBase={setWanted} />
      </View>
    </Screen>
  );
};
