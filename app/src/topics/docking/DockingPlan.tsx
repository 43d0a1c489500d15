import { policiesOf } from '@quay/core/party/ofHire';
import type { Base } from '@quay/core/fleet/base';
import { say } from '@quay/core/words/words';
import { hullFigures } from '@quay/core/docking/hull';
import { USUAL_LIMITS, widthOf } from '@quay/core/docking/place';
import type { Act, Plan } from '@quay/core/docking/plan';
import { planFor } from '@quay/core/docking/planFor';
import { clockOf } from '@quay/core/time/zone';
import { type ReactNode, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { HireView } from '../../local/hire';
import { Card, Notice, Tag } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { useRoom } from '../../ui/room';
import { Scroll } from '../../ui/scroll';
import { measures } from '../../ui/units';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { ConditionsSheet } from './ConditionsSheet';
import { ACTS, useDockWords } from './dockWords';
import { PlanDrawing } from './PlanDrawing';
import { useConditions, type WindAndWater } from '../trip/useConditions';

type Berth = Base['berths'][number];
const HEIGHT = { phone: 350, wide: 520, close: 210 } as const;

/** The figures of this hire’s boat, and which of them are estimated. */
export const useHull = ({ pack }: HireView) => useMemo(() => hullFigures(pack.book, pack.book.hull), [pack.book]);

/** The plan for a berth of the base in the wind there is now: from above, and in words a passenger can follow. */
export const DockingPlan = ({
  view,
  berth,
  act,
  onBerth,
  onAct,
}: {
  view: HireView;
  berth: Berth;
  act: Act;
  onBerth: (id: string) => void;
  onAct: (act: Act) => void;
}) => {
  const { t, i18n } = useTranslation();
  const words = useDockWords();
  const { width, wide } = useRoom();
  const { base, book } = view.pack;
  const [setting, setSetting] = useState(false);
  const { hull, estimated, wrong } = useHull(view);
  const wind = useConditions(base.id, berth);
  const { now } = wind;
  const plan = useMemo(
    () =>
      planFor(act, {
        hull,
        berth,
        now,
        limits: { ...USUAL_LIMITS, ...(book.windLimitMs === undefined ? {} : { windMs: book.windLimitMs }) },
        policies: policiesOf(view.pack),
      }),
    [act, hull, berth, now, book.windLimitMs, view.pack],
  );
  const drawn = wide ? Math.min(620, width * 0.46) : Math.min(width, 640) - 24;
  const supposed = [
    ...wind.estimated,
    ...estimated.filter((field) => !wrong.includes(field)),
    ...(widthOf(berth, hull).estimated ? (['widthM'] as const) : []),
  ];
  const berths = base.berths.map(({ id, name }) => (
    <ChoiceChip key={id} label={say(name, i18n.language)} on={berth.id === id} onPress={() => onBerth(id)} testID={`berth-${id}`} />
  ));
  const choices = (
    <View style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', gap: 6 }} role="radiogroup" aria-label={t('dock.what')}>
        {ACTS.map((one) => (
          <View key={one} style={{ flex: 1 }}>
            <ChoiceChip label={t(`dock.act.${one}`)} on={act === one} onPress={() => onAct(one)} testID={`act-${one}`} />
          </View>
        ))}
      </View>
      {wide ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }} role="radiogroup" aria-label={t('dock.berth')}>
          {berths}
        </View>
      ) : (
        <Scroll horizontal contentContainerStyle={{ flexDirection: 'row', gap: 6 }} role="radiogroup" aria-label={t('dock.berth')}>
          {berths}
        </Scroll>
      )}
    </View>
  );
  const picture = plan.ok ? (
    <PlanDrawing
      plan={plan}
      berth={berth}
      hull={hull}
      now={now}
      width={drawn}
      height={wide ? HEIGHT.wide : plan.act === 'lie' ? HEIGHT.phone * 0.8 : HEIGHT.phone}
      label={t('dock.draws', { head: words.head(plan), set: words.set(plan) })}
      close={plan.act === 'lie'}
    />
  ) : null;
  // The lines close by; lying, the drawing above shows nothing else already.
  const close =
    plan.ok && plan.act !== 'lie' ? (
      <PlanDrawing
        plan={plan}
        berth={berth}
        hull={hull}
        now={now}
        width={drawn - (wide ? 0 : 32)}
        height={HEIGHT.close}
        label={plan.lines.map(words.line).join('. ')}
        close
      />
    ) : null;
  const told = plan.ok ? (
    <Told plan={plan} close={close} />
  ) : (
    <View testID="no-plan">
      <Notice kind={plan.answer === 'wait' ? 'ask' : 'stop'} title={t(`dock.${plan.answer}`)}>
        <Body>{words.no(plan)}</Body>
      </Notice>
    </View>
  );
  const head = plan.ok ? <Head plan={plan} /> : null;
  const notes = (
    <View style={{ gap: 8 }}>
      {wrong.length > 0 ? (
        <Tag kind="stop">{t('dock.wrong', { what: wrong.map((field) => t(`dock.figure.${field}`)).join(', ') })}</Tag>
      ) : null}
      {supposed.length > 0 ? (
        <View testID="estimated">
          <Small size={14}>{t('dock.estimated', { what: supposed.map((field) => t(`dock.figure.${field}`)).join(', ') })}</Small>
        </View>
      ) : null}
      <Small size={14}>{t('dock.caution')}</Small>
    </View>
  );
  const strip = <WindStrip wind={wind} zone={base.zone} tidal={berth.tidal === true} onChange={() => setSetting(true)} />;
  return (
    <>
      {wide ? (
        <View style={{ flexDirection: 'row', gap: 24, alignItems: 'flex-start' }}>
          <View style={{ width: drawn, gap: 12 }}>
            {picture}
            {strip}
            {notes}
          </View>
          <View style={{ flex: 1, gap: 14 }}>
            {choices}
            {head}
            {told}
          </View>
        </View>
      ) : (
        <View style={{ gap: 12 }}>
          {choices}
          {head}
          {picture}
          {strip}
          {told}
          {notes}
        </View>
      )}
      {setting ? <ConditionsSheet wind={wind} tidal={berth.tidal === true} onClose={() => setSetting(false)} /> : null}
    </>
  );
};

/** The answer in one line. */
const Head = ({ plan }: { plan: Plan }) => {
  const { t } = useTranslation();
  const words = useDockWords();
  return (
    <View style={{ gap: 4 }} testID="plan-head">
      <SlabBold size={25} heading={2} live>
        {words.head(plan)}
      </SlabBold>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10, alignItems: 'center' }}>
        <Tag kind={plan.set === 'none' ? 'calm' : 'ask'}>{words.set(plan)}</Tag>
        {plan.act === 'arrive' ? (
          <Bold size={16}>{t('dock.helm', { deg: Math.round(plan.headingDeg), v: measures().speed(plan.speedMs) })}</Bold>
        ) : null}
      </View>
    </View>
  );
};

const Told = ({ plan, close }: { plan: Plan; close: ReactNode }) => {
  const { t } = useTranslation();
  const words = useDockWords();
  return (
    <View style={{ gap: 12 }}>
      <Part title={t('dock.order')}>
        {plan.steps.map((step, i) => (
          <View key={step.id} style={{ flexDirection: 'row', gap: 10 }} testID={`step-${step.id}`}>
            <SlabBold size={20} tone="primaryText" style={{ minWidth: 22 }}>
              {String(i + 1)}
            </SlabBold>
            <Body style={{ flex: 1 }}>{words.step(step)}</Body>
          </View>
        ))}
      </Part>
      {plan.lines.length > 0 ? (
        <Part title={t(plan.act === 'leave' ? 'dock.linesOff' : 'dock.lines')}>
          {close}
          {plan.lines.map((line, i) => (
            <View key={line.line} style={{ flexDirection: 'row', gap: 10 }} testID={`line-${i + 1}`}>
              <SlabBold size={20} tone={i === 0 ? 'dangerText' : 'soft'} style={{ minWidth: 22 }}>
                {String(i + 1)}
              </SlabBold>
              {i === 0 ? <Bold style={{ flex: 1 }}>{words.line(line)}</Bold> : <Body style={{ flex: 1 }}>{words.line(line)}</Body>}
            </View>
          ))}
        </Part>
      ) : null}
      {plan.crew.length > 0 ? (
        <Part title={t('dock.crew')}>
          {plan.crew.map((post) => (
            <Body key={post}>{`– ${t(`dock.post.${post}`)}`}</Body>
          ))}
          <Body>{`– ${t('dock.fenders.title')}: ${t(`dock.fenders.${plan.fenders}`)}`}</Body>
        </Part>
      ) : null}
      {plan.act === 'arrive' ? (
        <Notice kind="ask" title={t('dock.wayOut')}>
          <Body>{words.step(plan.wayOut)}</Body>
        </Notice>
      ) : null}
    </View>
  );
};

const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <Card style={{ gap: 8 }}>
    <SlabBold size={19} heading={3}>
      {title}
    </SlabBold>
    {children}
  </Card>
);

/** Wind, current and water, where they are from, and the way to set them. */
const WindStrip = ({ wind, zone, tidal, onChange }: { wind: WindAndWater; zone: string; tidal: boolean; onChange: () => void }) => {
  const { t } = useTranslation();
  const words = useDockWords();
  const { now, from } = wind;
  return (
    <Card style={{ flexDirection: 'row', alignItems: 'center', gap: 12, paddingVertical: 10 }}>
      <View style={{ flex: 1, gap: 2 }} testID="wind-now">
        <Bold>
          {now.windMs < 0.1 ? t('dock.noWind') : t('dock.wind', { v: measures().wind(now.windMs), dir: words.direction(now.windFromDeg) })}
        </Bold>
        <Body size={16}>
          {now.currentMs < 0.02
            ? t('dock.noCurrent')
            : t('dock.current', { v: measures().wind(now.currentMs), dir: words.direction(now.currentToDeg) })}
        </Body>
        {tidal ? <Body size={16}>{t('dock.water', { v: measures().metres(now.waterM) })}</Body> : null}
        <Small size={14}>
          {[
            t(`dock.from.${from.is}`, 'at' in from ? { clock: clockOf(from.at, zone) } : {}),
            ...('simulated' in from && from.simulated ? [t('dock.simulated')] : []),
          ].join(' · ')}
        </Small>
      </View>
      <Button mode="outlined" label={t('dock.change')} onPress={onChange} testID="change-wind" />
    </Card>
  );
};
