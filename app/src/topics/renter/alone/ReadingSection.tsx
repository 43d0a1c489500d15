import { questionsDue } from '@quay/core/briefing/ofHire';
import { currentOf } from '@quay/core/events/record';
import { pointSkipped, pointBriefed } from '@quay/core/briefing/events';
import { fellBack, say } from '@quay/core/words/words';
import type { EventBody } from '@quay/core/record/event';
import { readAtHome } from '@quay/core/walk/walk';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { TouchableRipple } from '../../../ui/controls/touchableRipple';
import { Notice, Tag } from '../../../ui/board';
import { useMoney } from '../../../ui/controls/money';
import { Button } from '../../../ui/controls/button';
import { CheckboxMark } from '../../../ui/controls/checkboxRow';
import { Body, Bold } from '../../../ui/words';
import { StopSection } from '../../../ui/stopSection';
import { FuelPlan } from '../../fuel/FuelPlan';
import type { WalkView } from '../../../local/useWalk';

type Due = ReturnType<typeof questionsDue>[number];

/** What is asked of the driver at this stop; what was not understood comes before what is new. Nobody else answers here. */
export const useOpenQuestion = (view: WalkView): Due | undefined => {
  const { record, briefing, walk, stops, at } = view;
  if (walk === 'in') return undefined;
  const due = questionsDue(record, briefing, { understandingBy: ['driver'] }, stops[at]!.station.id, true);
  return due.find(({ state }) => state.is === 'tellAgain') ?? due.find(({ state }) => state.is === 'ask');
};

/** What must be known here, read by the renter and ticked. */
export const ReadingSection = ({ view }: { view: WalkView }) => {
  const { t } = useTranslation();
  const { record, pack, walk, briefing, language, enter } = view;
  const money = useMoney(pack.prices.currency);
  if (walk === 'in') return null;
  const { station } = view.stops[view.at]!;
  const here = briefing.toBrief.filter(({ point }) => point.station === station.id);
  if (here.length === 0) return null;
  const spoken = (wording: Parameters<typeof say>[0]) => (fellBack(wording, language) ? 'en' : language);
  return (
    <StopSection name={t('alone.say')}>
      {here.map(({ point, short }) => {
        const text = short && point.again?.say ? point.again.say : point.say;
        const found = currentOf(record, ['out', 'point', point.id], pointBriefed, pointSkipped);
        // Read at home it was read, but for what has to be seen on the boat.
        const home = readAtHome(record, point);
        const on = found?.value.kind === 'pointBriefed' || home;
        const price = pack.prices.prices.find(({ code }) => code === point.price);
        const briefed: EventBody = { kind: 'pointBriefed', walk, point: point.id, how: 'read', language: spoken(text) };
        return (
          <TouchableRipple
            key={point.id}
            role="checkbox"
            aria-checked={on}
            aria-label={`${t('alone.readIt')}: ${say(text, language)}`}
            testID={`point-${point.id}`}
            onPress={() => void (found?.value.kind === 'pointBriefed' ? view.undo(found.currentEvents) : enter([briefed]))}
            style={{ flexDirection: 'row', gap: 12, paddingVertical: 9, minHeight: 52, alignItems: 'flex-start' }}
          >
            <>
              <CheckboxMark on={on} />
              <View style={{ flex: 1, gap: 4 }}>
                <Body>{say(text, language)}</Body>
                {point.show ? <Body tone="soft">{say(point.show, language)}</Body> : null}
                {home && !found ? <Tag kind="ok">{t('alone.readHome')}</Tag> : null}
                {point.tells === 'fuelPlan' ? <FuelPlan view={view} /> : null}
                {point.mistake ? <Body tone="soft">{`${t('r.mistake')}: ${say(point.mistake, language)}`}</Body> : null}
                {point.caution ? (
                  <Tag kind="stop" size={15}>
                    {say(point.caution, language)}
                  </Tag>
                ) : null}
                {fellBack(text, language) ? <Tag kind="ask">{t('r.inEnglish')}</Tag> : null}
                {price ? <Tag kind="ask">{t('r.costs', { name: say(price.name, language), price: money(price.amountMinor) })}</Tag> : null}
              </View>
            </>
          </TouchableRipple>
        );
      })}
    </StopSection>
  );
};

/** The question that follows some way after: it stands where one is when everything else at the stop is done, just above the way on. */
export const Question = ({ view, due }: { view: WalkView; due: Due }) => {
  const { t } = useTranslation();
  const { enter, language, walk } = view;
  const { point, by, state } = due;
  const [missed, setMissed] = useState<string>();
  if (state.is === 'tellAgain') {
    return (
      <Notice kind="stop" title={t('alone.wrong')}>
        {missed ? <Bold>{missed}</Bold> : null}
        <Body>{say(point.say, language)}</Body>
        {point.show ? <Body>{say(point.show, language)}</Body> : null}
        <Button
          mode="outlined"
          label={t('alone.readAgain')}
          testID={`tell-again-${point.id}`}
          onPress={() => void enter([{ kind: 'pointBriefed', walk, point: point.id, how: 'read', language }])}
        />
      </Notice>
    );
  }
  if (state.is !== 'ask') return null;
  const { question } = state;
  return (
    <Notice kind="ask" title={t('alone.question')}>
      <Bold>{say(question.ask, language)}</Bold>
      <View style={{ gap: 8 }}>
        {question.answers.map((answer) => (
          <Button
            mode="outlined"
            key={answer.id}
            label={say(answer.say, language)}
            testID={`answer-${question.id}-${answer.id}`}
            onPress={() => {
              setMissed(answer.right ? undefined : answer.why && say(answer.why, language));
              void enter(
                [
                  {
                    kind: 'understandingShown',
                    point: point.id,
                    by,
                    how: 'answered',
                    question: question.id,
                    answer: answer.id,
                    right: answer.right === true,
                    language,
                  },
                ],
                answer.right ? t('alone.right') : undefined,
              );
            }}
          />
        ))}
      </View>
    </Notice>
  );
};
