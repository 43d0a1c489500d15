import { questionsDue } from '@quay/core/briefing/ofHire';
import { isEntered, currentOf } from '@quay/core/events/record';
import { pointRead, pointSkipped, pointBriefed } from '@quay/core/briefing/events';
import type { Piece } from '@quay/core/briefing/compose';
import { fellBack, say } from '@quay/core/words/words';
import type { EventBody } from '@quay/core/record/event';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { TouchableRipple } from '../../ui/controls/touchableRipple';
import { Tag } from '../../ui/board';
import { dayOf } from '../../ui/format';
import { useMoney } from '../../ui/controls/money';
import { Button } from '../../ui/controls/button';
import { CheckboxMark } from '../../ui/controls/checkboxRow';
import { Body, Small } from '../../ui/words';
import { FuelPlan } from '../fuel/FuelPlan';
import { Questions } from './QuestionCard';
import type { WalkView } from '../../local/useWalk';
import { All, StopSection } from '../../ui/stopSection';

/** What is said at this stop: composed for this party, in the renter's language with the hand's beside it. */
export const SaySection = ({ view }: { view: WalkView }) => {
  const { t } = useTranslation();
  const [guide, setGuide] = useState(false);
  const { record, pack, walk, enter, briefing, theirs } = view;
  if (walk === 'in') return null;
  const { station } = view.stops[view.at]!;
  const here = briefing.toBrief.filter(({ point }) => point.station === station.id);
  const left = briefing.guide.filter(({ point }) => point.station === station.id);
  const due = questionsDue(record, briefing, pack.operator, station.id);
  if (here.length + left.length + due.length === 0) return null;
  const briefed = (id: string): EventBody => ({ kind: 'pointBriefed', walk, point: id, how: 'said', language: theirs });
  const open = here.filter(({ point: { id } }) => !isEntered(record, [walk, 'point', id]));
  return (
    <>
      <Questions view={view} due={due} />
      <StopSection
        name={t('walk.say')}
        all={
          open.length > 1 ? (
            <All
              label={t('walk.allSaid')}
              onPress={() =>
                void enter(
                  open.map(({ point }) => briefed(point.id)),
                  t('walk.kept', { what: t('walk.say') }),
                )
              }
              testID="all-said"
            />
          ) : undefined
        }
      >
        {here.map((piece) => (
          <PointRow key={piece.point.id} view={view} piece={piece} onTell={() => void enter([briefed(piece.point.id)])} />
        ))}
        {left.length > 0 && !guide ? (
          <Button
            mode="outlined"
            label={t('brief.inGuide', { count: left.length })}
            onPress={() => setGuide(true)}
            testID="show-guide"
            style={{ alignSelf: 'flex-start' }}
          />
        ) : null}
        {guide
          ? left.map((piece) => (
              <View key={piece.point.id} style={{ gap: 3, paddingVertical: 7 }}>
                <Body tone="soft">{say(piece.point.say, theirs)}</Body>
                <Small>{piece.why === 'noTime' ? t('brief.noTime') : t('brief.toldBefore', { days: piece.briefedDaysAgo ?? 0 })}</Small>
              </View>
            ))
          : null}
      </StopSection>
    </>
  );
};

const PointRow = ({ view, piece, onTell }: { view: WalkView; piece: Piece; onTell: () => void }) => {
  const { t } = useTranslation();
  const { record, pack, walk, language, theirs } = view;
  const money = useMoney(pack.prices.currency);
  const { point, short, seconds, briefedDaysAgo } = piece;
  const found = currentOf(record, [walk, 'point', point.id], pointBriefed, pointSkipped);
  const on = found?.value.kind === 'pointBriefed';
  const home = currentOf(record, ['home', point.id], pointRead);
  const price = pack.prices.prices.find(({ code }) => code === point.price);
  const text = short && point.again?.say ? point.again.say : point.say;
  return (
    <TouchableRipple
      role="checkbox"
      aria-checked={on}
      aria-label={t('walk.tell', { text: say(text, language) })}
      testID={`point-${point.id}`}
      onPress={() => void (on && found ? view.undo(found.currentEvents) : onTell())}
      style={{ flexDirection: 'row', gap: 12, paddingVertical: 9, minHeight: 52, alignItems: 'flex-start' }}
    >
      <>
        <CheckboxMark on={on} />
        <View style={{ flex: 1, gap: 3 }}>
          <Body>{say(text, theirs)}</Body>
          {say(text, language) === say(text, theirs) ? null : <Small>{say(text, language)}</Small>}
          {point.show ? <Small>{`${t('walk.show')}: ${say(point.show, language)}`}</Small> : null}
          {point.tells === 'fuelPlan' ? <FuelPlan view={view} /> : null}
          {point.mistake ? <Small>{`${t('brief.mistake')}: ${say(point.mistake, language)}`}</Small> : null}
          {point.caution ? (
            <Tag kind="stop" size={15}>
              {say(point.caution, theirs)}
            </Tag>
          ) : null}
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
            {point.weight === 'must' ? <Tag kind="ok">{t('walk.must')}</Tag> : null}
            <Tag kind="calm">{t('brief.seconds', { n: seconds })}</Tag>
            {short ? <Tag kind="calm">{t('brief.shorter', { days: briefedDaysAgo ?? 0 })}</Tag> : null}
            {home ? (
              <Tag kind="calm">{t(`brief.home.${home.value.how}`, { date: dayOf(home.by.event.at, pack.base.zone, language) })}</Tag>
            ) : null}
            {fellBack(text, theirs) ? <Tag kind="ask">{t('brief.notTranslated', { language: theirs })}</Tag> : null}
            {price ? (
              <Tag kind="ask">
                {t('walk.costs', {
                  name: say(price.name, language),
                  price: money(price.amountMinor),
                })}
              </Tag>
            ) : null}
            {found?.value.kind === 'pointSkipped' ? <Tag kind="ask">{t(`walk.skip.${found.value.why}`)}</Tag> : null}
          </View>
        </View>
      </>
    </TouchableRipple>
  );
};
