import { languageOf } from '@quay/core/briefing/ofHire';
import { peopleOf } from '@quay/core/party/ofHire';
import { isEntered, currentOf } from '@quay/core/events/record';
import { roundDone } from '@quay/core/condition/events';
import { applies, minutesOf } from '@quay/core/briefing/compose';
import { stateOf } from '@quay/core/day/board';
import { unattended } from '@quay/core/policy/policy';
import { type Language, LANGUAGES, say } from '@quay/core/words/words';
import { clockOf, dateOf, minutesBetween, minutesUntilClock } from '@quay/core/time/zone';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { isAnotherClock } from '../../platform/clock';
import { Card, Notice, Tag } from '../../ui/board';
import { useNow } from '../../ui/clock';
import { dayName, spanOf, whenOf } from '../../ui/format';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { ListRow } from '../../ui/controls/listRow';
import { Plan } from '../../ui/drawn/plan';
import { useRoom } from '../../ui/room';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { loadShared } from '../../platform/browser';
import { lazyScreen } from '../../ui/lazyScreen';
import { AgreedPlanCard } from '../trip/AgreedPlan';
import { chooseLanguage } from './language';
import { Page } from './Page';
import { useRenting } from './RenterFace';

// Behind the first view, like what else is opened only now and then.
const Dossier = lazyScreen(
  () => import('./Dossier'),
  (file) => file.Dossier,
  loadShared,
);

/** How long before the due time the way home is put forward. */
const FORWARD_MIN = 90;
/** When a morning's round is put forward, local time. */
const MORNING = ['05:00', '11:00'] as const;
/** How long before an evening's curfew its round is put forward. */
const EVENING_MIN = 120;

/** The start: what is to be done now, what is looked up, and the way to call for help. */
export const Home = () => {
  const { t } = useTranslation();
  const router = useRouter();
  const now = useNow();
  const { width } = useRoom();
  const { pack, record, briefing, facts, language, view } = useRenting();
  const { hire, base, book, boat } = pack;
  const state = stateOf(record);
  const ashore = state === 'booked';
  const walk = ashore || state === 'walkingOut' || state === 'readyToGo' ? 'out' : 'in';
  const alone = unattended(hire.handover, walk) && state !== 'closed' && state !== 'cancelled';
  const left = minutesBetween(new Date(now).toISOString(), hire.to);
  const afloat = state === 'out';
  const people = peopleOf(record, view.sheets);
  const unread = briefing.toBrief.filter(({ point }) => !isEntered(record, ['home', point.id]));
  const read = briefing.toBrief.length - unread.length;
  // Said before one begins; reading takes about as long as telling.
  const unreadMin = minutesOf(unread);
  const bring = base.before.filter(({ when }) => applies(when, facts, book.conditions));
  const nightly = facts['hire.nights'] === undefined || Number(facts['hire.nights']) > 0;
  // Leaving her comes at the end of bringing her back.
  const rounds = book.rounds.filter(({ id }) => id === 'ready' || (nightly && id !== 'leaving'));
  const nights = Number(facts['hire.nights']) > 0;
  const curfew = nights ? pack.waters?.curfew : undefined;
  const toCurfew = curfew === undefined ? undefined : minutesUntilClock(new Date(now).toISOString(), base.zone, curfew);
  // A morning aboard begins with its round, until it is done.
  const clock = clockOf(new Date(now).toISOString(), base.zone);
  const slept = dateOf(new Date(now).toISOString(), base.zone) > dateOf(hire.from, base.zone);
  const morningRound = currentOf(record, ['round', 'morning'], roundDone);
  const doneToday =
    morningRound !== undefined &&
    morningRound.currentEvents.some((stored) => dateOf(stored.event.at, base.zone) === dateOf(new Date(now).toISOString(), base.zone));
  const morning =
    afloat && nights && slept && !doneToday && clock >= MORNING[0] && clock < MORNING[1] && book.rounds.some(({ id }) => id === 'morning');
  const wide = Math.min(width, 640);
  const choose = async (one: Language) => {
    await chooseLanguage(one);
    // Whoever stands on the quay speaks it too, or reads it off their phone.
    if (languageOf(record, hire) !== one) await view.add([{ kind: 'languageChosen', language: one }]);
  };
  const practise =
    book.drills.length > 0 ? (
      <Leads title={t('r.drills')} text="" done={false} onPress={() => router.push('/r/drill')} testID="open-drills" />
    ) : null;
  const quayKey = pack.seals.find(({ state }) => state === 'countersigned')?.key ?? undefined;
  return (
    <Page
      home
      title={boat.name}
      footer={
        <View style={{ flexDirection: 'row', gap: 10 }}>
          <Button mode="contained" label={t('r.guide')} onPress={() => router.push('/r/guide')} style={{ flex: 1 }} testID="open-guide" />
          <Button
            mode="contained"
            label={t('r.help')}
            tone="danger"
            onPress={() => router.push('/r/help')}
            style={{ flex: 1 }}
            testID="open-help"
          />
        </View>
      }
    >
      <View style={{ marginHorizontal: -12, marginTop: -12 }}>
        <Plan plan={book.plan} stations={[]} stops={[]} width={wide} height={120} />
      </View>
      <View style={{ flexDirection: 'row', gap: 6 }} role="radiogroup" aria-label={t('r.language')}>
        {LANGUAGES.map((one) => (
          <ChoiceChip key={one} label={one.toUpperCase()} on={language === one} onPress={() => void choose(one)} testID={`speak-${one}`} />
        ))}
      </View>
      {state === 'cancelled' ? (
        <Notice kind="stop" title={t('r.cancelled')}>
          <Body>{t('r.cancelledWhy')}</Body>
        </Notice>
      ) : null}
      {afloat && left <= FORWARD_MIN ? (
        <Notice
          kind={left < 0 ? 'stop' : 'ask'}
          title={left < 0 ? `${spanOf(left)} ${t('r.overdue')}` : t('r.homeSoon', { time: spanOf(left) })}
          action={<Button mode="outlined" label={t('r.home')} onPress={() => router.push('/r/return')} testID="home-soon" />}
        />
      ) : null}
      {afloat && toCurfew !== undefined && toCurfew <= EVENING_MIN ? (
        <Notice
          kind={toCurfew < 0 ? 'stop' : 'ask'}
          title={toCurfew < 0 ? t('r.afterCurfew', { time: curfew }) : t('r.curfewSoon', { time: curfew, left: spanOf(toCurfew) })}
          action={<Button mode="outlined" label={t('r.toEvening')} onPress={() => router.push('/r/round/evening')} testID="evening-soon" />}
        />
      ) : null}
      {morning ? (
        <Notice
          kind="ok"
          title={t('r.morning')}
          action={<Button mode="outlined" label={t('r.toMorning')} onPress={() => router.push('/r/round/morning')} testID="morning-soon" />}
        />
      ) : null}
      <Card style={{ flexDirection: 'row', gap: 24, flexWrap: 'wrap' }}>
        {ashore ? (
          <View>
            <Small>{base.name}</Small>
            <SlabBold size={28}>{whenOf(hire.from, base.zone, now, language)}</SlabBold>
          </View>
        ) : null}
        <View>
          <Small>{t('r.due')}</Small>
          <SlabBold size={28}>{whenOf(hire.to, base.zone, now, language)}</SlabBold>
        </View>
        {curfew === undefined ? null : <Body>{t('r.curfew', { time: curfew })}</Body>}
        {(ashore || afloat) && pack.waters ? (
          <Button
            mode="outlined"
            label={t('r.chart')}
            onPress={() => router.push('/r/chart')}
            style={{ flexBasis: '100%' }}
            testID="open-chart"
          />
        ) : null}
      </Card>
      {ashore || afloat ? <AgreedPlanCard record={record} zone={base.zone} onChart={() => router.push('/r/chart')} /> : null}
      {alone ? (
        <Notice
          kind="ask"
          title={t(`r.alone.${walk}`)}
          action={<Button mode="outlined" label={t('r.aloneGo')} onPress={() => router.push('/r/alone')} testID="open-alone" />}
        >
          <Body>{t(`r.aloneWhy.${walk}`)}</Body>
        </Notice>
      ) : null}
      {ashore ? (
        <Card style={{ gap: 4 }}>
          <SlabBold size={21} heading={2}>
            {t('r.before')}
          </SlabBold>
          <Leads
            title={t('r.party')}
            text={people ? t('r.partyDone', { n: people.length }) : t('r.partyTodo')}
            done={people !== undefined}
            onPress={() => router.push('/r/party')}
            testID="open-party"
          />
          <Leads
            title={t('r.briefing')}
            text={[
              read > 0 ? t('r.briefingDone', { n: read, of: briefing.toBrief.length }) : t('r.briefingWhy'),
              unread.length > 0 ? t('r.briefingMinutes', { count: unread.length, n: unreadMin }) : '',
            ]
              .filter(Boolean)
              .join(' ')}
            done={read >= briefing.toBrief.length}
            onPress={() => router.push('/r/brief')}
            testID="open-brief"
          />
          {practise}
          <Small style={{ paddingTop: 8 }}>{t('r.bring')}</Small>
          {bring.map((item) => (
            <Body key={item.id}>{`– ${say(item.say, language)}`}</Body>
          ))}
        </Card>
      ) : null}
      <Card style={{ gap: 4 }}>
        <SlabBold size={21} heading={2}>
          {t('r.rounds')}
        </SlabBold>
        {ashore ? null : practise}
        {nights ? <Leads title={t('r.levels')} text="" done={false} onPress={() => router.push('/r/levels')} testID="open-levels" /> : null}
        {book.anchor && pack.waters ? (
          <Leads title={t('r.anchor')} text="" done={false} onPress={() => router.push('/r/anchor')} testID="open-anchor" />
        ) : null}
        {rounds.map((round) => (
          <Leads
            key={round.id}
            title={say(round.name, language)}
            text=""
            done={false}
            onPress={() => router.push(`/r/round/${round.id}`)}
            testID={`open-round-${round.id}`}
          />
        ))}
      </Card>
      <Button mode="outlined" label={t('r.home')} onPress={() => router.push('/r/return')} testID="open-return" />
      {isEntered(record, ['out', 'sealed']) ? <Dossier hireId={hire.id} keyOfQuay={quayKey} /> : null}
      {isEntered(record, ['in', 'sealed']) ? (
        <Button mode="outlined" label={t('r.statement')} onPress={() => router.push('/r/alone?show=statement')} testID="open-statement" />
      ) : null}
      {afloat ? <Button mode="outlined" label={t('r.spent')} onPress={() => router.push('/r/spent')} testID="open-spent" /> : null}
      <Button mode="outlined" label={t('r.report')} onPress={() => router.push('/r/report')} testID="open-report" />
      <Small>{t('r.cautionFirst')}</Small>
      {isAnotherClock() ? <Small>{t('r.itsClock', { time: `${dayName(now, base.zone, language)}, ${clock}` })}</Small> : null}
    </Page>
  );
};

const Leads = ({
  title,
  text,
  done,
  onPress,
  testID,
}: {
  title: string;
  text: string;
  done: boolean;
  onPress: () => void;
  testID: string;
}) => (
  <ListRow
    label={`${title}. ${text}`}
    onPress={onPress}
    testID={testID}
    style={{ paddingVertical: 10, flexDirection: 'row', alignItems: 'center', gap: 10 }}
  >
    <View style={{ flex: 1 }}>
      <Bold size={19}>{title}</Bold>
      {text ? <Small>{text}</Small> : null}
    </View>
    {done ? <Tag kind="ok">✓</Tag> : <Bold size={22}>›</Bold>}
  </ListRow>
);
