import { stepAfter, stepsInVain } from '@quay/core/briefing/guide';
import { type CardEnd, isCardEnd } from '@quay/core/fleet/cardEnds';
import { FixCard } from '@quay/core/fleet/points';
import { say, type Wording } from '@quay/core/words/words';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card, Notice, Tag } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { Body, SlabBold, Small } from '../../../ui/words';

/** A fix card as it is written, walked step by step as the renter will: what no answer leads to is named. */
export const CardTrial = ({ card }: { card: object }) => {
  const { t, i18n } = useTranslation();
  const read = FixCard.safeParse({ id: 'trial', ...card });
  const [way, setWay] = useState<readonly string[]>([]);
  const text = JSON.stringify(card);
  // Written anew, it is walked from its beginning.
  useEffect(() => setWay([]), [text]);
  if (!read.success) return null;
  const { steps, cautions = [] } = read.data;
  const at = way.at(-1) ?? steps[0]!.id;
  const step = steps.find(({ id }) => id === at);
  const go = (to: string | undefined) => {
    const next = stepAfter(read.data, steps, step!, to);
    setWay([...way, typeof next === 'string' ? next : next.id]);
  };
  const lost = stepsInVain(read.data);
  const words = (wording: Wording) => say(wording, i18n.language);
  return (
    <Card style={{ gap: 10 }}>
      <View testID="card-trial">
        <SlabBold size={21} heading={2}>
          {t('fleet.trialOfDrill')}
        </SlabBold>
      </View>
      {lost.length > 0 ? <Notice kind="ask" title={t('fleet.cardLost', { steps: lost.map((one) => words(one.say)).join(' · ') })} /> : null}
      {cautions.map((caution) => (
        <Tag key={caution.en} kind="stop">
          {words(caution)}
        </Tag>
      ))}
      {isCardEnd(at) ? (
        <Tag kind={at === 'end' ? 'ok' : 'ask'}>{t(`fleet.end.${at satisfies CardEnd}`)}</Tag>
      ) : step ? (
        <>
          <Small>{t('fleet.cardAt', { n: steps.indexOf(step) + 1, of: steps.length })}</Small>
          <Body>{words(step.say)}</Body>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            {step.answers ? (
              step.answers.map((answer, i) => (
                <Button key={i} mode="outlined" label={words(answer.say)} onPress={() => go(answer.to)} testID={`card-answer-${i}`} />
              ))
            ) : (
              <Button mode="outlined" label={t('fleet.cardNext')} onPress={() => go(undefined)} testID="card-next" />
            )}
          </View>
        </>
      ) : null}
      {way.length > 0 ? (
        <Button
          mode="outlined"
          label={t('common.back')}
          onPress={() => setWay(way.slice(0, -1))}
          style={{ alignSelf: 'flex-start' }}
          testID="card-back"
        />
      ) : null}
    </Card>
  );
};
