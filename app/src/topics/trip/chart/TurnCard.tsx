import { clockOf } from '@quay/core/time/zone';
import { type DayPlan, spareMinutes } from '@quay/core/trip/plan';
import type { Deadline, Stay } from '@quay/core/trip/reach/turnRound';
import type { Trust } from '@quay/core/trip/reach/weatherAhead';
import { SUPPOSED_HEAD_MS } from '@quay/core/trip/reach/weatherAhead';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Tag } from '../../../ui/board';
import { figure, spanOf } from '../../../ui/format';
import { measures } from '../../../ui/units';
import { Body, Bold, SlabBold, Small } from '../../../ui/words';

const MINUTE = 60_000;
/** So much longer in this wind than in calm is worth a word. */
const WORTH_SAYING = 1.08;

type Said = { stay: Stay; plan: DayPlan; nowMs: number; zone: string };

/** An hour of the base's clocks. */
export const useClock = (zone: string) => (ms: number) => clockOf(new Date(ms).toISOString(), zone);

/** The one figure of the day, by the clock: when to start for home, or by when to lie somewhere; what binds, and what the others would allow. */
export const TurnFigure = ({ stay, plan, nowMs, zone }: Said) => {
  const { t } = useTranslation();
  const clock = useClock(zone);
  const left = Math.floor((stay.leaveMs - plan.day.nowMs) / MINUTE);
  const late = left < 0;
  const begun = plan.day.nowMs <= nowMs;
  return (
    <View style={{ gap: 6 }} testID="turn">
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'flex-end', gap: 12 }}>
        <View style={{ flexShrink: 1 }}>
          <Small>{t(late ? 'chart.late' : plan.aim === 'home' ? 'chart.turn' : 'chart.lieBy')}</Small>
          <SlabBold size={38} tone={late ? 'dangerText' : 'ink'}>
            {clock(Math.max(stay.leaveMs, plan.day.nowMs))}
          </SlabBold>
        </View>
        {late || !begun ? null : <SlabBold size={26}>{t('chart.in', { span: spanOf(left) })}</SlabBold>}
      </View>
      {late ? <Bold tone="dangerText">{t('chart.lateWhy', { span: spanOf(left) })}</Bold> : null}
      <Because stay={stay} plan={plan} zone={zone} />
      {begun ? null : <Tag kind="calm">{t('chart.notYet', { time: clock(plan.day.nowMs) })}</Tag>}
    </View>
  );
};

const atOf = (deadlines: readonly Deadline[], is: Stay['binds']): number | undefined => deadlines.find((one) => one.is === is)?.atMs;

/** Why so early, in a sentence or two, and until when the other reasons would do. */
const Because = ({ stay, plan, zone }: Omit<Said, 'nowMs'>) => {
  const { t } = useTranslation();
  const clock = useClock(zone);
  const [first, ...others] = stay.byReason;
  const at = first && atOf(plan.day.deadlines, first.is);
  const windy = stay.homeMs > stay.calmHomeMs * WORTH_SAYING && stay.homeMs - stay.calmHomeMs > 2 * MINUTE;
  const span = spanOf(Math.ceil(stay.homeMs / MINUTE));
  return (
    <Body>
      {[
        first ? t(`chart.because.${first.is}`, { time: at === undefined ? '' : clock(at) }) : '',
        plan.aim === 'lie' || stay.homeMs < 2 * MINUTE
          ? ''
          : windy
            ? t('chart.wayHomeWind', { span, calm: spanOf(Math.ceil(stay.calmHomeMs / MINUTE)) })
            : t('chart.wayHome', { span }),
        others.length > 0
          ? t('chart.would', { reasons: others.map(({ is, leaveMs }) => t(`chart.others.${is}`, { time: clock(leaveMs) })).join(', ') })
          : '',
      ]
        .filter(Boolean)
        .join(' ')}
    </Body>
  );
};

/** What a wish comes to: when one is there, when one has to leave again; or what is short, and what would have to give. */
export const WishFigure = ({ stay, plan, zone }: Omit<Said, 'nowMs'>) => {
  const { t } = useTranslation();
  const clock = useClock(zone);
  const leftMs = stay.leaveMs - stay.arriveMs;
  const short = spanOf(Math.ceil(-leftMs / MINUTE));
  if (leftMs < 0)
    return (
      <View style={{ gap: 6 }} testID="wish">
        <Tag kind="stop" size={16}>
          {t(stay.binds === 'fuel' ? 'chart.cannotFuel' : 'chart.cannot', { span: short })}
        </Tag>
        <Body>
          {stay.binds === 'fuel'
            ? t('chart.cannotFuelWhy')
            : t(({ due: 'chart.cannotDue', dark: 'chart.cannotDark', curfew: 'chart.cannotCurfew' } as const)[stay.binds], { span: short })}
        </Body>
      </View>
    );
  return (
    <View style={{ gap: 6 }} testID="wish">
      <View style={{ flexDirection: 'row', gap: 24, flexWrap: 'wrap' }}>
        <View>
          <Small>{t('chart.wish')}</Small>
          <SlabBold size={30}>{clock(stay.arriveMs)}</SlabBold>
        </View>
        {plan.aim === 'home' ? (
          <View>
            <Small>{t('chart.leave')}</Small>
            <SlabBold size={30}>{clock(stay.leaveMs)}</SlabBold>
          </View>
        ) : null}
        <View style={{ alignSelf: 'flex-end' }}>
          <SlabBold size={20} tone="primaryText">
            {plan.aim === 'home'
              ? t('chart.stay', { span: spanOf(Math.floor(leftMs / MINUTE)) })
              : t('chart.before', { span: spanOf(Math.floor(leftMs / MINUTE)) })}
          </SlabBold>
        </View>
      </View>
      <Because stay={stay} plan={plan} zone={zone} />
    </View>
  );
};

/** How all of it was reckoned: pace, spare, wind, and what nobody knows. */
export const Reckoned = ({
  stay,
  plan,
  trust,
  simulated,
  zone,
}: {
  stay: Stay;
  plan: DayPlan;
  trust: Trust;
  simulated: boolean;
  zone: string;
}) => {
  const { t } = useTranslation();
  const clock = useClock(zone);
  const speed = measures().speed(plan.pace.speedMs);
  return (
    <View style={{ gap: 4 }}>
      <Small>
        {[
          plan.pace.estimated
            ? t('chart.paceGuess', { speed })
            : plan.pace.rpm === undefined
              ? t('chart.pace', { speed })
              : t('chart.paceRpm', { speed, rpm: plan.pace.rpm }),
          plan.aim === 'home' ? t('chart.spare', { n: spareMinutes(stay.homeMs) }) : '',
          plan.aim === 'home' && plan.day.fuelH === undefined ? t('chart.noFuel') : '',
        ]
          .filter(Boolean)
          .join(' ')}
      </Small>
      <Small>
        {[
          t(`chart.trust.${trust.from}`, {
            time: trust.at === undefined ? '' : clock(Date.parse(trust.at)),
            wind: measures().wind(SUPPOSED_HEAD_MS),
          }),
          simulated && trust.from !== 'none' ? `(${t('chart.simulated')})` : '',
          trust.harderThanForeseen ? t('chart.harder', { times: figure(trust.raised) }) : '',
        ]
          .filter(Boolean)
          .join(' ')}
      </Small>
      <Small>{t('chart.caution')}</Small>
    </View>
  );
};
