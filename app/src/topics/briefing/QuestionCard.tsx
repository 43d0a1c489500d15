import type { Understanding } from '@quay/core/briefing/understanding';
import type { Point } from '@quay/core/fleet/points';
import { say } from '@quay/core/words/words';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { Body, Bold, Small } from '../../ui/words';
import type { WalkView } from '../../local/useWalk';

type Due = { point: Point; by: 'driver' | 'lookout'; state: Understanding };

/** One question at a time, and how many wait behind it. What was not understood comes before what is new. */
export const Questions = ({ view, due }: { view: WalkView; due: readonly Due[] }) => {
  const { t } = useTranslation();
  const first = due.find(({ state }) => state.is === 'tellAgain') ?? due[0];
  if (!first) return null;
  return (
    <View style={{ gap: 6, paddingBottom: 8 }} testID="question">
      <QuestionCard key={`${first.point.id}/${first.by}`} view={view} due={first} />
      {due.length > 1 ? <Small>{t('brief.moreQuestions', { count: due.length - 1 })}</Small> : null}
    </View>
  );
};

/**
 * Whether something was understood: a question some way after the telling, in the renter's language with the hand's
 * beside it. A wrong answer brings the point back, and after it a different question.
 */
const QuestionCard = ({ view, due }: { view: WalkView; due: Due }) => {
  const { t } = useTranslation();
  const { enter, language, walk, theirs } = view;
  const { point, by, state } = due;
  const [missed, setMissed] = useState<string>();
  if (state.is !== 'ask' && state.is !== 'tellAgain') return null;
  const both = (wording: Parameters<typeof say>[0]) =>
    say(wording, theirs) === say(wording, language) ? say(wording, theirs) : `${say(wording, theirs)}\n${say(wording, language)}`;
  if (state.is === 'tellAgain') {
    return (
      <Notice kind="stop" title={t('brief.tellAgain')}>
        {missed ? <Bold>{missed}</Bold> : null}
        <Body>{both(point.say)}</Body>
        {point.show ? <Small>{`${t('walk.show')}: ${say(point.show, language)}`}</Small> : null}
        <Button
          mode="outlined"
          label={t('brief.toldAgain')}
          testID={`tell-again-${point.id}`}
          onPress={() =>
            void enter([{ kind: 'pointBriefed', walk, point: point.id, how: point.show ? 'shown' : 'said', language: theirs }])
          }
        />
      </Notice>
    );
  }
  const { question } = state;
  return (
    <Notice kind="ask" title={t(`brief.ask.${by}`)}>
      <Bold>{both(question.ask)}</Bold>
      <View style={{ gap: 8 }}>
        {question.answers.map((answer) => (
          <Button
            mode="outlined"
            key={answer.id}
            label={both(answer.say)}
            testID={`answer-${question.id}-${answer.id}`}
            onPress={() => {
              setMissed(answer.right ? undefined : answer.why && both(answer.why));
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
                    language: theirs,
                  },
                ],
                answer.right ? t('brief.right') : t('brief.wrong'),
              );
            }}
          />
        ))}
        {point.handsOn ? (
          <Button
            mode="outlined"
            label={t('brief.demonstrated')}
            testID={`demonstrated-${point.id}`}
            onPress={() =>
              void enter(
                [{ kind: 'understandingShown', point: point.id, by, how: 'demonstrated', right: true, language: theirs }],
                t('brief.right'),
              )
            }
          />
        ) : null}
      </View>
    </Notice>
  );
};
