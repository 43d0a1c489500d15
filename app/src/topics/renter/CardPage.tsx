import { mdiPhone } from '@mdi/js';
import { stepAfter, stepsOf } from '@quay/core/briefing/guide';
import { say } from '@quay/core/words/words';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { dial } from '../../platform/browser';
import { Card, Notice } from '../../ui/board';
import { Button, IconButton } from '../../ui/controls/button';
import { Body, SlabBold, Small } from '../../ui/words';
import { Page } from './Page';
import { useRenting } from './RenterFace';
import { quayPhone } from '@quay/core/fleet/base';

/** A fix card, one step at a time, its cautions first. */
export const CardPage = ({ cardId }: { cardId: string }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const { pack, facts, language } = useRenting();
  const card = pack.book.fixCards.find(({ id }) => id === cardId);
  const [way, setWay] = useState<string[]>([]);
  if (!card) {
    return (
      <Page title={t('r.guide')} footer={<Button mode="contained" label={t('r.guide')} onPress={() => router.push('/r/guide')} />}>
        <Body>{t('r.nothing')}</Body>
      </Page>
    );
  }
  const steps = stepsOf(card, facts, pack.book.conditions);
  const last = way[way.length - 1];
  const step = last === undefined ? steps[0] : steps.find(({ id }) => id === last);
  const ended = last === 'end' || last === 'ring';
  const phone = quayPhone(pack);
  const go = (to: string | undefined) => {
    if (!step) return;
    const next = stepAfter(card, steps, step, to);
    if (next === 'help') router.push('/r/help');
    else setWay([...way, typeof next === 'string' ? next : next.id]);
  };
  return (
    <Page
      title={say(card.name, language)}
      onBack={() => (router.canGoBack() ? router.back() : router.push('/r/guide'))}
      footer={
        ended || !step ? (
          <Button mode="contained" label={t('r.openHome')} onPress={() => router.push('/r')} />
        ) : step.answers ? (
          <View style={{ gap: 8 }}>
            {step.answers.map((answer, i) => (
              <Button
                mode="contained"
                key={i}
                label={say(answer.say, language)}
                onPress={() => go(answer.to)}
                testID={`way-${answer.to}`}
              />
            ))}
          </View>
        ) : (
          <Button mode="contained" label={t('r.nextStep')} onPress={() => go(undefined)} testID="next-step" />
        )
      }
    >
      {(card.cautions ?? []).map((caution, i) => (
        <Notice key={i} kind="stop" title={say(caution, language)} />
      ))}
      <Card style={{ gap: 8, minHeight: 150 }}>
        {last === 'ring' ? (
          <View style={{ flexDirection: 'row', gap: 10, alignItems: 'center' }} testID="card-ring">
            <View style={{ flex: 1 }}>
              <SlabBold size={27} heading={2}>
                {t('r.ringUs', { name: pack.operator.name })}
              </SlabBold>
              <SlabBold size={26}>{phone ?? t('r.noNumber')}</SlabBold>
            </View>
            {phone ? (
              <IconButton
                path={mdiPhone}
                label={t('r.ring', { name: pack.operator.name })}
                onPress={() => dial(phone)}
                testID="card-dial"
              />
            ) : null}
          </View>
        ) : ended || !step ? (
          <Body>{t('r.cardEnd')}</Body>
        ) : (
          <>
            <Small>{t('r.stepOf', { i: way.length + 1 })}</Small>
            <SlabBold size={27} heading={2}>
              {say(step.say, language)}
            </SlabBold>
          </>
        )}
      </Card>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        {way.length > 0 ? (
          <Button mode="outlined" label={t('common.back')} onPress={() => setWay(way.slice(0, -1))} testID="step-back" />
        ) : null}
        {way.length > 1 ? <Button mode="outlined" label={t('r.startOver')} onPress={() => setWay([])} /> : null}
        <Button mode="outlined" label={t('r.help')} onPress={() => router.push('/r/help')} />
      </View>
      <Small>{t('r.cautionFirst')}</Small>
    </Page>
  );
};
