import { tideOf } from '@quay/core/fleet/base';
import type { AnchorGear } from '@quay/core/fleet/rows';
import { minutesUntilClock } from '@quay/core/time/zone';
import { typedNumber } from '@quay/core/number/typed';
import { policiesOf } from '@quay/core/party/ofHire';
import { policyOf } from '@quay/core/policy/policy';
import { type AnchorCase, anchorPlan, type Bottom, BOTTOMS, moreFor, waterOver, windOver } from '@quay/core/trip/anchor';
import type { LonLat } from '@quay/core/geometry/plane';
import { depthAt, roomAt, sheetOf } from '@quay/core/waters/sheet';
import type { TFunction } from 'i18next';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import * as z from 'zod/mini';
import { useChartWords } from '../../../i18n/chartWords';
import type { HireView } from '../../../local/hire';
import { Card, Notice } from '../../../ui/board';
import { useNow } from '../../../ui/clock';
import { Choices } from '../../../ui/controls/choices';
import { FormField, useSchemaForm } from '../../../ui/controls/form';
import { maybeNumber } from '../../../ui/controls/typed';
import { fieldText } from '../../../ui/format';
import { useRoom } from '../../../ui/room';
import { Screen } from '../../../ui/screen';
import { measures } from '../../../ui/units';
import { Body, SlabBold, Small } from '../../../ui/words';
import { AnchorDrawing } from './AnchorDrawing';
import { readAt } from '../chart/chartAddress';
import { useWeatherAhead } from '../chart/useDayPlan';

/** How much line to give, and whether there is room to swing. @param at where, when it was chosen on the chart */
export const AnchorPage = ({ view, at, onBack }: { view: HireView; at: string | undefined; onBack: () => void }) => {
  const spoken = useChartWords();
  const { t } = useTranslation();
  if (!spoken) return null;
  const { anchor } = view.pack.book;
  return (
    <Screen title={t('anchor.title')} sub={view.pack.boat.name} onBack={onBack} measure={640}>
      <View style={{ padding: 12, gap: 12 }}>
        {anchor ? (
          <Anchor view={view} gear={anchor} at={at} />
        ) : (
          <Notice kind="ask" title={t('anchor.none')}>
            <Body>{t('anchor.noneWhy')}</Body>
          </Notice>
        )}
      </View>
    </Screen>
  );
};

const HOUR_MS = 3_600_000;
/** A few hours, and until when one lies overnight. */
const [DAY_H, MORNING] = [3, '09:00'] as const;
/** What a sounder may show, and how much room there may be, m. */
const [SHOWN, ROOM] = [
  { min: 0.1, max: 80 },
  { min: 1, max: 2000 },
] as const;

const metres = (m: number, digits = 1) => measures().metres(m, digits);

type Stay = 'day' | 'night';
const STAYS: readonly Stay[] = ['day', 'night'];

type Bounds = { min: number; max: number };
const within = (text: string, { min, max }: Bounds): number | undefined => {
  const value = typedNumber(text);
  return value >= min && value <= max ? value : undefined;
};
const bad = ({ min, max }: Bounds, t: TFunction): string =>
  t('anchor.bad', { min: measures().figure(min, 'm', 1), max: measures().metres(max, 0) });
const anchorForm = (t: TFunction) =>
  z.object({
    shown: maybeNumber({ from: SHOWN.min, to: SHOWN.max }, bad(SHOWN, t)),
    room: maybeNumber({ from: ROOM.min, to: ROOM.max }, bad(ROOM, t)),
  });

/** Wind, water and chart at a place, for as long as one wants to lie there. */
const useLying = ({ pack }: HireView, at: LonLat | undefined, stay: Stay) => {
  const minuteMs = Math.floor(useNow(60_000) / 60_000) * 60_000;
  const { base, waters } = pack;
  const { ahead, foreseen, given } = useWeatherAhead(base.id, minuteMs);
  const hours = foreseen?.forecast.hours ?? [];
  const sheet = useMemo(() => waters && sheetOf(waters), [waters]);
  const toMorning = minutesUntilClock(new Date(minuteMs).toISOString(), base.zone, MORNING);
  const untilMs = minuteMs + (stay === 'day' ? DAY_H * HOUR_MS : (toMorning <= 0 ? toMorning + 1440 : toMorning) * 60_000);
  const rangeM = tideOf(base);
  const { water, foretold } = waterOver(
    hours.map(({ at: hour, waterM }) => ({ atMs: Date.parse(hour), waterM })),
    { fromMs: minuteMs, untilMs, rangeM },
  );
  const foretoldMs = windOver(hours, { fromMs: minuteMs, untilMs, raised: ahead.trust.raised });
  return {
    // What blows now is no less than what is foretold; by itself it says nothing of the hours to come.
    windMs: foretoldMs === undefined ? undefined : Math.max(foretoldMs, given.windMs ?? 0),
    water,
    foretold,
    rangeM,
    chartM: sheet && at ? depthAt(sheet, at) : undefined,
    roomM: sheet && at ? roomAt(sheet, at) : undefined,
  };
};

const Anchor = ({ view, gear, at }: { view: HireView; gear: AnchorGear; at: string | undefined }) => {
  const { t } = useTranslation();
  const { width } = useRoom();
  const { book } = view.pack;
  const policies = policiesOf(view.pack);
  const place = useMemo(() => readAt(at), [at]);
  const [stay, setStay] = useState<Stay>('day');
  const [bottom, setBottom] = useState<Bottom | 'unknown'>('unknown');
  const lying = useLying(view, place, stay);
  const schema = useMemo(() => anchorForm(t), [t]);
  const form = useSchemaForm(
    schema,
    { shown: '', room: lying.roomM === undefined ? '' : fieldText(Math.floor(lying.roomM), 'm') },
    'whileTyped',
  );
  const [shown, room] = form.watch(['shown', 'room']);
  const { water, chartM } = lying;
  // What a chart says is from the surface at the lowest water.
  const byChart = chartM === undefined ? undefined : Math.max(0, chartM + water.nowM - (gear.sounderM ?? 0));
  const shownM = shown.trim() === '' ? byChart : within(shown, SHOWN);
  const of: AnchorCase | undefined =
    shownM === undefined
      ? undefined
      : {
          shownM,
          gear,
          lengthM: book.plan.lengthM,
          draftM: book.hull?.draftM,
          water,
          school: policyOf(policies, 'anchorLine'),
          overnight: stay === 'night',
          windMs: lying.windMs,
          bottom: bottom === 'unknown' ? undefined : bottom,
          roomM: within(room, ROOM),
        };
  return (
    <>
      {policyOf(policies, 'anchoring') === 'emergencyOnly' ? (
        <Notice kind="stop" title={t('anchor.emergency')}>
          <Body>{t('anchor.emergencyWhy')}</Body>
        </Notice>
      ) : null}
      <Card style={{ gap: 12 }}>
        <FormField form={form} name="shown" label={t('anchor.shows')} numeric unit="m" most={8} testID="anchor-shown" />
        {chartM === undefined ? null : <Small>{t('anchor.byChart', { m: metres(chartM) })}</Small>}
        <Choices
          label={t('anchor.stay')}
          options={STAYS}
          labelOf={(one) => t(`anchor.stays.${one}`)}
          value={stay}
          onChange={setStay}
          testID="anchor-stay"
        />
        <Small>{t('anchor.bottom')}</Small>
        <Choices
          label={t('anchor.bottom')}
          options={[...BOTTOMS, 'unknown'] as const}
          labelOf={(one) => t(`anchor.bottoms.${one}`)}
          value={bottom}
          onChange={setBottom}
          testID="anchor-bottom"
        />
      </Card>
      {of ? <Given of={of} lying={lying} width={Math.min(width, 640) - 24 - 32} /> : null}
      <Card>
        <FormField form={form} name="room" label={t('anchor.room')} numeric unit="m" most={8} testID="anchor-room" />
      </Card>
      {of ? <Room of={of} /> : null}
      <Card>
        <Body>{t('anchor.steps')}</Body>
      </Card>
      <Small>{t('anchor.caution')}</Small>
    </>
  );
};

/** The one figure: how much line to give, why so much, and whether she has it. */
const Given = ({ of, lying, width }: { of: AnchorCase; lying: ReturnType<typeof useLying>; width: number }) => {
  const { t } = useTranslation();
  const plan = anchorPlan(of);
  const why = moreFor(of).map((one) => t(`anchor.moreFor.${one}`));
  const has = metres(of.gear.lineM, 0);
  const { water, foretold, rangeM } = lying;
  const [up, down] = [water.highM - water.nowM, water.nowM - water.lowM];
  return (
    <>
      <Card style={{ gap: 10 }}>
        <View testID="anchor-give">
          <Small>{t('anchor.give')}</Small>
          <SlabBold size={44} tone={plan.shortM > 0 ? 'dangerText' : 'ink'}>
            {metres(plan.giveM, 0)}
          </SlabBold>
          <Body>{t('anchor.giveWhy', { n: plan.multiple, depth: metres(plan.depthM.high), bow: metres(of.gear.bowM) })}</Body>
          {why.length > 0 ? <Small>{t('anchor.more', { why: why.join(', ') })}</Small> : null}
        </View>
        <AnchorDrawing of={of} plan={plan} width={width} />
        {foretold ? (
          up + down > 0.1 ? (
            <Small>{t('anchor.tide', { up: metres(up), down: metres(down) })}</Small>
          ) : null
        ) : (
          <Small>{t('anchor.tideUnknown', { m: metres(rangeM) })}</Small>
        )}
        {plan.shortM > 0 ? null : <Small>{t('anchor.enough', { has })}</Small>}
      </Card>
      {plan.shortM > 0 ? (
        <Notice kind="stop" title={t('anchor.short', { m: metres(plan.shortM, 0) })}>
          <Body>
            {plan.deepestShownM >= SHOWN.min
              ? t('anchor.shortWhy', { has, m: metres(Math.floor(plan.deepestShownM * 10) / 10) })
              : t('anchor.shortNever', { has })}
          </Body>
        </Notice>
      ) : null}
    </>
  );
};

/** Whether the circle is clear, and what is left under her. */
const Room = ({ of }: { of: AnchorCase }) => {
  const { t } = useTranslation();
  const { clear, swingM, grounds, underKeelM } = anchorPlan(of);
  return (
    <>
      <Notice kind={clear === false ? 'stop' : clear ? 'ok' : 'ask'} title={t('anchor.swing', { m: metres(Math.ceil(swingM), 0) })}>
        <Body>
          {clear === undefined ? t('anchor.noRoom') : clear ? t('anchor.clear') : t('anchor.notClear', { m: metres(of.roomM ?? 0, 0) })}
        </Body>
      </Notice>
      {grounds ? (
        <Notice kind="stop" title={t('anchor.grounds')}>
          <Body>{t('anchor.groundsWhy', { m: metres(Math.max(0, underKeelM ?? 0)) })}</Body>
        </Notice>
      ) : (
        <Small>{underKeelM === undefined ? t('anchor.noDraft') : t('anchor.afloat', { m: metres(underKeelM) })}</Small>
      )}
    </>
  );
};
