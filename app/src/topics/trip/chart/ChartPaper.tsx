import { quayPhone } from '@quay/core/fleet/base';
import { agreedPlan } from '@quay/core/trip/agreed';
import type { Feature, Waters } from '@quay/core/waters/zone';
import { type ReactNode, useCallback, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useChartWords } from '../../../i18n/chartWords';
import type { HireView } from '../../../local/hire';
import { printPage } from '../../../platform/browser';
import { WaterChart } from '../../../platform/chart/WaterChart';
import { useNow } from '../../../ui/clock';
import { Button } from '../../../ui/controls/button';
import { dayName, whenOf } from '../../../ui/format';
import { useRoom } from '../../../ui/room';
import { Screen } from '../../../ui/screen';
import { SUN, TonesContext } from '../../../ui/theme';
import { Body, Bold, SlabBold, Small } from '../../../ui/words';
import { useAgreed } from '../AgreedPlan';
import { Rule } from './HoldsHere';
import { NoWater } from './NoWater';
import { TurnFigure, useClock } from './TurnCard';
import { type ChartDay, useChartDay } from './useChartDay';

/** What is printed lies within a sheet of A4 with its margins, px at 96 to the inch. */
const [SHEET_W, CHART_H] = [703, 430];
/** Of the page about it on a phone. */
const BESIDE = 24;
const SIGNS = ['landmark', 'turning', 'mooring', 'berth', 'cove'];
const NOTHING = () => undefined;

/** The water, its rules, the plan and whom to call, on one sheet for whoever trusts paper more than a phone. */
export const ChartPaper = ({ view, onBack }: { view: HireView; onBack: () => void }) =>
  useChartWords() ? <Paper view={view} onBack={onBack} /> : null;

const Paper = ({ view, onBack }: { view: HireView; onBack: () => void }) => {
  const { t } = useTranslation();
  const { width } = useRoom();
  const [heightPx, setHeight] = useState(0);
  const { waters, boat } = view.pack;
  const day = useChartDay(view, {});
  if (!waters || !day.sheet) return <NoWater title={t('paper.title')} boat={boat.name} onBack={onBack} />;
  // A phone shows the sheet small; its lines break where they break on paper.
  const scale = Math.min(1, (width - BESIDE) / SHEET_W);
  return (
    <Screen
      title={t('paper.title')}
      sub={boat.name}
      onBack={onBack}
      measure={SHEET_W + BESIDE}
      footer={<Button mode="contained" label={t('paper.print')} onPress={printPage} testID="print" />}
    >
      <View style={{ height: heightPx * scale, marginHorizontal: BESIDE / 2, overflow: 'hidden' }}>
        <View
          id="quay-sheet"
          onLayout={({ nativeEvent }) => setHeight(nativeEvent.layout.height)}
          style={{ width: SHEET_W, transform: [{ scale }], transformOrigin: '0 0', backgroundColor: '#FFFFFF', padding: 0 }}
          testID="sheet"
        >
          <TonesContext.Provider value={SUN}>
            <Sheet view={view} waters={waters} day={day} />
          </TonesContext.Provider>
        </View>
      </View>
    </Screen>
  );
};

const Sheet = ({ view, waters, day }: { view: HireView; waters: Waters; day: ChartDay }) => {
  const { t, i18n } = useTranslation();
  const { base, boat, hire, operator } = view.pack;
  const now = useNow(60_000);
  const nameOf = useCallback(({ properties: { kind, name } }: Feature) => `${t(`chart.kind.${kind}`)}: ${name}`, [t]);
  const when = (at: string) => whenOf(at, base.zone, 0, i18n.language);
  const rules = waters.features.filter(
    ({ properties: { kind, say, limitKmh } }) => kind !== 'shore' && (!SIGNS.includes(kind) || say !== undefined || limitKmh !== undefined),
  );
  const phone = quayPhone({ base, operator });
  return (
    <View style={{ padding: 16, gap: 12 }}>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 16 }}>
        <View style={{ flexShrink: 1 }}>
          <SlabBold size={28}>{waters.name}</SlabBold>
          <Bold>{`${boat.name} · ${boat.hullNumber}`}</Bold>
        </View>
        <View>
          <Bold>{`${when(hire.from)} – ${when(hire.to)}`}</Bold>
          <Small>{t('paper.made', { time: when(new Date(now).toISOString()) })}</Small>
        </View>
      </View>
      <View style={{ height: CHART_H, pointerEvents: 'none', borderWidth: 1, borderColor: SUN.line }}>
        <WaterChart
          waters={waters}
          tones={SUN}
          dusk={false}
          label={t('chart.map', { name: waters.name })}
          home={base.position ? { at: base.position, name: base.name } : undefined}
          here={undefined}
          chosen={undefined}
          reach={day.known?.outline ?? []}
          ways={[]}
          nameOf={nameOf}
          onPlace={NOTHING}
          onReady={NOTHING}
        />
      </View>
      <View style={{ flexDirection: 'row', gap: 20 }}>
        <Part title={t('agreed.title')}>
          <PlanPart view={view} day={day} nowMs={now} />
        </Part>
        <Part title={t('paper.call')}>
          {phone === undefined ? null : <Body size={15}>{t('paper.quay', { phone })}</Body>}
          {waters.emergencyNumber === undefined ? null : <Bold size={15}>{t('paper.emergency', { phone: waters.emergencyNumber })}</Bold>}
          {waters.rescue ? (
            <Body size={15}>
              {[waters.rescue.name, waters.rescue.phone, waters.rescue.channel && t('paper.channel', { channel: waters.rescue.channel })]
                .filter(Boolean)
                .join(' · ')}
            </Body>
          ) : null}
        </Part>
      </View>
      <Part title={t('paper.rules')}>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: 20, rowGap: 6 }}>
          {rules.map((feature) => (
            <View key={feature.id} style={{ width: (SHEET_W - 32 - 20) / 2 }}>
              <Rule feature={feature} language={i18n.language} size={14} />
            </View>
          ))}
        </View>
      </Part>
      <Small>{t('chart.caution')}</Small>
    </View>
  );
};

const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <View style={{ flex: 1, gap: 4 }}>
    <SlabBold size={19}>{title}</SlabBold>
    {children}
  </View>
);

/** What was agreed on; else what the chart says now; on a canal its days. */
const PlanPart = ({ view, day, nowMs }: { view: HireView; day: ChartDay; nowMs: number }) => {
  const { t, i18n } = useTranslation();
  const { base } = view.pack;
  const clock = useClock(base.zone);
  const told = useAgreed(view.record, base.zone);
  if (agreedPlan(view.record))
    return told.map((line) => (
      <Body key={line} size={15}>
        {line}
      </Body>
    ));
  const { plan, known, canal } = day;
  if (canal?.plan.is === 'plan')
    return canal.plan.days.map(({ day: date, underWayMs, leaveMs, arriveMs, night }) => (
      <Body key={date} size={14}>
        {[
          `${dayName(Date.parse(`${date}T12:00:00Z`), 'UTC', i18n.language)}:`,
          underWayMs === 0 ? t('canal.stay') : `${clock(leaveMs)} – ${clock(arriveMs)},`,
          night ? t('canal.night', { name: night.name }) : t('canal.home'),
        ].join(' ')}
      </Body>
    ));
  if (typeof plan === 'string' || !known) return <Body size={15}>{t('agreed.none')}</Body>;
  return <TurnFigure stay={known.here} plan={plan} nowMs={nowMs} zone={base.zone} />;
};
