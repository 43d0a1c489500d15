import { isEntered } from '@quay/core/events/record';
import { stateOf } from '@quay/core/day/board';
import { unattended } from '@quay/core/policy/policy';
import { type AloneStep, picturesWanted, stepsAlone, unreadMusts } from '@quay/core/castOff/alone';
import { walkState } from '@quay/core/walk/walk';
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { NoAnswer, Refused } from '../../../local/api';
import { nameDeviceKey } from '../../../local/deviceKey';
import { useFit } from '../../../local/handover';
import { onWayThrough } from '../../../platform/browser';
import { Card, Notice, Tag } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { ListRow } from '../../../ui/controls/listRow';
import { useSnack } from '../../../ui/controls/snack';
import { Body, Bold, SlabBold, Small } from '../../../ui/words';
import { blocking, heldByRecord, useCastOff } from '../../castOff/useCastOff';
import { useMatterWords } from '../../castOff/matterWords';
import { Page } from '../Page';
import { useRenting } from '../RenterFace';
import { JacketCard, useJackets } from './JacketCard';
import { KeyCard, useKey } from './KeyCard';
import { useStopWords } from '../../../i18n/stopWords';

/** Taking her over, and bringing her back, without anybody of the quay: the steps in order, and the next one to do. */
export const AlonePage = () => {
  useNamedKey();
  return useStopWords() ? <Steps /> : null;
};

/** The key this phone will sign with is named to the quay while there is signal; without it no seal could be judged. */
const useNamedKey = () => {
  const [failed, setFailed] = useState<Error>();
  useEffect(() => {
    const name = () =>
      nameDeviceKey().catch((error: unknown) => {
        // Without signal it is named at the next way through.
        if (!(error instanceof NoAnswer) && !(error instanceof Refused)) setFailed(error as Error);
      });
    void name();
    return onWayThrough(() => void name());
  }, []);
  if (failed) throw failed;
};

const Steps = () => {
  const { t } = useTranslation();
  const router = useRouter();
  const snack = useSnack();
  const { view, pack, record, briefing } = useRenting();
  const fit = useFit(view);
  const check = useCastOff(view);
  const key = useKey(pack.hire.id);
  const jackets = useJackets(fit);
  const words = useMatterWords(view);
  const state = stateOf(record);
  const walk = state === 'booked' || state === 'walkingOut' || state === 'readyToGo' ? 'out' : 'in';
  if (!unattended(pack.hire.handover, walk)) {
    return (
      <Page title={t(`alone.title.${walk}`)} footer={<Button mode="contained" label={t('r.openHome')} onPress={() => router.push('/r')} />}>
        <Notice kind="ask" title={t('alone.attended')} />
      </Page>
    );
  }
  if (state === 'settling' || state === 'closed') {
    const leaving = pack.book.rounds.some(({ id }) => id === 'leaving') && !isEntered(record, ['round', 'leaving']);
    const toLeave = () => router.push('/r/round/leaving');
    return (
      <Page
        title={t('alone.title.in')}
        footer={
          leaving ? (
            <Button mode="contained" label={t('alone.step.leave')} onPress={toLeave} testID="alone-leave" />
          ) : (
            <Button mode="contained" label={t('r.openHome')} onPress={() => router.push('/r')} />
          )
        }
      >
        <Notice kind={leaving ? 'ask' : 'ok'} title={t(leaving ? 'alone.leaveNow' : 'alone.inNow')} />
      </Page>
    );
  }
  // The quay's word that the key was given comes a little after the code itself.
  const inHand = key.answer?.is === 'open';
  const steps = stepsAlone(record, { book: pack.book, sheets: view.sheets }, briefing, fit, walk).map((one) =>
    one.step === 'key' && inHand ? { ...one, done: true } : one,
  );
  const next = steps.find(({ done }) => !done)?.step;
  // What is still to be done on the walk holds nobody up before its end; what stands against her is said at once.
  const holds = next === 'castOff' ? blocking(check) : heldByRecord(check);
  const castOff = async () => {
    const added = await view.add([{ kind: 'castOff' }]);
    snack({ text: t('alone.undoOff'), undo: () => void view.undo(added) });
    router.push('/r');
  };
  const cameIn = async () => {
    const added = await view.add([{ kind: 'cameIn' }]);
    snack({ text: t('walk.comeInDone'), undo: () => void view.undo(added) });
  };
  const go: Record<AloneStep, () => void> = {
    party: () => router.push('/r/party'),
    briefing: () => router.push('/r/brief'),
    key: () => void key.ask(),
    jackets: () => void jackets.giveAll(),
    walk: () => router.push(`/r/alone/walk/${walk}`),
    sign: () => router.push(`/r/alone/sign/${walk}`),
    castOff: () => void castOff(),
    cameIn: () => void cameIn(),
    leave: () => router.push('/r/round/leaving'),
  };
  const stops = walkState(record, pack.book, walk, briefing, true);
  const completed = stops.filter((stop) => stop.completed).length;
  const pictures = picturesWanted(record, pack.book, walk).length;
  const remarks: Partial<Record<AloneStep, string>> = {
    briefing: t('alone.musts', { count: unreadMusts(record, briefing).length }),
    walk: [
      completed > 0 ? t('alone.stops', { n: completed, of: stops.length }) : '',
      completed === stops.length && pictures > 0 ? t('walk.pictureWanted') : '',
    ]
      .filter(Boolean)
      .join(' · '),
  };
  const blocked = (next === 'castOff' && holds.length > 0) || (next === 'key' && key.busy);
  const says: Partial<Record<AloneStep, string>> = {
    key: t('alone.showCode'),
    jackets: t('alone.jacketsAll'),
    castOff: t('alone.castOff'),
    cameIn: t('walk.comeInGo'),
  };
  // The code stands on top as long as it is shown, whatever comes next.
  const keyNow = next === 'key' || inHand;
  const keyCard = <KeyCard keyInHand={key} first={next === 'key'} />;
  const jacketCard = walk === 'out' && fit ? <JacketCard jackets={jackets} missing={fit.unserved.length > 0} /> : null;
  // Steps that lead to a page of their own; the others are done right here.
  const leads = (step: AloneStep) => step === 'party' || step === 'briefing' || step === 'walk' || step === 'sign' || step === 'leave';
  return (
    <Page
      title={t(`alone.title.${walk}`)}
      {...(next
        ? {
            footer: (
              <Button
                mode="contained"
                label={says[next] ?? t(`alone.step.${next}`)}
                disabled={blocked}
                onPress={go[next]}
                testID="alone-next"
              />
            ),
          }
        : {})}
    >
      {holds.length > 0 ? (
        <Notice kind="stop" title={t('alone.heldTitle')}>
          {holds.map(({ key, found }) => (
            <Body key={key}>{`– ${words.found(found)}`}</Body>
          ))}
        </Notice>
      ) : null}
      {keyNow ? keyCard : null}
      {next === 'jackets' ? jacketCard : null}
      {steps.some(({ done }) => done) ? null : <Body>{t('alone.why')}</Body>}
      {next === 'castOff' ? <Body>{t('alone.castOffWhy')}</Body> : null}
      <Card style={{ gap: 2 }}>
        {steps.map(({ step, done }, i) => {
          const line = (
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: 12, paddingVertical: 7, minHeight: 52 }}>
              <SlabBold size={24} tone={done ? 'primaryText' : step === next ? 'ink' : 'soft'} style={{ width: 26 }}>
                {String(i + 1)}
              </SlabBold>
              <View style={{ flex: 1 }}>
                {step === next ? <Bold size={19}>{t(`alone.step.${step}`)}</Bold> : <Body>{t(`alone.step.${step}`)}</Body>}
                {!done && remarks[step] ? <Small>{remarks[step]}</Small> : null}
              </View>
              {done ? (
                <View>
                  <Tag kind="ok">✓</Tag>
                </View>
              ) : leads(step) ? (
                <Bold size={22}>›</Bold>
              ) : null}
            </View>
          );
          return leads(step) ? (
            <ListRow
              key={step}
              label={`${i + 1}. ${t(`alone.step.${step}`)}${done ? ' ✓' : ''}`}
              onPress={go[step]}
              testID={`step-${step}`}
            >
              {line}
            </ListRow>
          ) : (
            <View key={step} testID={`step-${step}`}>
              {line}
            </View>
          );
        })}
      </Card>
      {keyNow ? null : keyCard}
      {next === 'jackets' ? null : jacketCard}
      <Small>{t('r.cautionFirst')}</Small>
    </Page>
  );
};
