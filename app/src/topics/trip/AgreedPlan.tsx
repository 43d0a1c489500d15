import { agreedPlan, samePlan } from '@quay/core/trip/agreed';
import type { AgreedPlan } from '@quay/core/trip/events';
import type { HireRecord } from '@quay/core/events/record';
import { stateOf } from '@quay/core/day/board';
import type { TFunction } from 'i18next';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useChartWords } from '../../i18n/chartWords';
import type { HireView } from '../../local/hire';
import { Card, Notice, Tag } from '../../ui/board';
import { useNow } from '../../ui/clock';
import { Button } from '../../ui/controls/button';
import { useSnack } from '../../ui/controls/snack';
import { whenOf } from '../../ui/format';
import { Body, SlabBold, Small } from '../../ui/words';

/** The plan that a hire leaves with, wherever it is looked up: at the end of the briefing, in the guide, beside the hire. */

type Told = { t: TFunction; zone: string; now: number; language: string };

/** One sentence: by when, and where. */
const sentence = (plan: AgreedPlan, { t, zone, now, language }: Told): string => {
  if (plan.is === 'canal') return t('agreed.canal', { name: plan.turn });
  const time = whenOf(plan.by, zone, now, language);
  if (plan.to === undefined) return t(plan.aim === 'home' ? 'agreed.home' : 'agreed.lie', { time });
  return t(plan.aim === 'home' ? 'agreed.homeFrom' : 'agreed.lieAt', { time, name: plan.to });
};

/** What is said of it beside that sentence: nights, or that the wind was not known. */
const beside = (plan: AgreedPlan, t: TFunction): string => {
  if (plan.is === 'day') return plan.weather === 'none' ? t('agreed.weather') : '';
  const nights = plan.days.flatMap(({ night }) => night ?? []);
  return nights.length > 0 ? t('agreed.nights', { names: nights.join(', ') }) : '';
};

/** The plan that holds, in a few lines; none while none is agreed on. */
export const useAgreed = (record: HireRecord, zone: string): string[] => {
  const { t, i18n } = useTranslation();
  const now = useNow();
  const agreed = agreedPlan(record);
  if (!agreed) return [];
  const since = t('agreed.since', { time: whenOf(new Date(agreed.atMs).toISOString(), zone, now, i18n.language) });
  return [sentence(agreed.plan, { t, zone, now, language: i18n.language }), beside(agreed.plan, t), since].filter(Boolean);
};

type Shown = {
  record: HireRecord;
  zone: string;
  onChart: () => void;
  /** Where a plan is asked for: that there is none yet is said, too. */
  asks?: boolean;
};

/** The plan that holds, with the way to the chart. */
export const AgreedPlanCard = (props: Shown) => (props.asks || agreedPlan(props.record) ? <Spoken {...props} /> : null);

// The words come when there is something to say: a first view does without them.
const Spoken = (props: Shown) => (useChartWords() ? <PlanCard {...props} /> : null);

const PlanCard = ({ record, zone, onChart, asks = false }: Shown) => {
  const { t } = useTranslation();
  const agreed = agreedPlan(record);
  const [first, ...more] = useAgreed(record, zone);
  const toChart = (
    <Button mode="outlined" label={t('agreed.open')} onPress={onChart} style={{ alignSelf: 'flex-start' }} testID="agreed-to-chart" />
  );
  if (!agreed) return asks ? <Notice kind="calm" title={t('agreed.none')} action={toChart} /> : null;
  const { plan } = agreed;
  return (
    <Card style={{ gap: 6 }}>
      <View testID="agreed-plan" style={{ gap: 6 }}>
        <Small>{t(plan.is === 'canal' && plan.days.length > 1 ? 'agreed.titleDays' : 'agreed.title')}</Small>
        <SlabBold size={22}>{first}</SlabBold>
        <Body>{more.join(' ')}</Body>
        {toChart}
      </View>
    </Card>
  );
};

/** Takes what the chart says now for the plan; what was agreed on already says so. @param plan nothing where none can be had */
export const AgreeOn = ({ view, plan, zone }: { view: HireView; plan: AgreedPlan | undefined; zone: string }) => {
  const { t, i18n } = useTranslation();
  const snack = useSnack();
  const now = useNow();
  const state = stateOf(view.record);
  if (!plan || state === 'closed' || state === 'cancelled') return null;
  const agreed = agreedPlan(view.record);
  if (agreed && samePlan(agreed.plan, plan))
    return (
      <View testID="agreed">
        <Tag kind="ok">{t('agreed.same', { time: whenOf(new Date(agreed.atMs).toISOString(), zone, now, i18n.language) })}</Tag>
      </View>
    );
  const keep = async () => {
    const added = await view.add([{ kind: 'planAgreed', plan }]);
    snack({ text: t('agreed.kept'), undo: () => void view.undo(added) });
  };
  return (
    <Button
      mode="outlined"
      label={t(agreed ? 'agreed.again' : 'agreed.keep')}
      onPress={() => void keep()}
      style={{ alignSelf: 'flex-start' }}
      testID="agree"
    />
  );
};
