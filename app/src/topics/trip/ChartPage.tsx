import { placesToLie } from '@quay/core/trip/coves';
import { wishesOf } from '@quay/core/trip/places';
import { stateOf } from '@quay/core/day/board';
import { sheetOf } from '@quay/core/waters/sheet';
import type { LonLat } from '@quay/core/geometry/plane';
import { mdiCrosshairsGps, mdiFitToPageOutline, mdiMinus, mdiPlus } from '@mdi/js';
import { clockOf } from '@quay/core/time/zone';
import type { Feature } from '@quay/core/waters/zone';
import { useCallback, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useChartWords } from '../../i18n/chartWords';
import type { HireView } from '../../local/hire';
import { type Fix, whereAmI } from '../../platform/browser';
import { type ChartHandle, WaterChart } from '../../platform/chart/WaterChart';
import { byClock } from '../../platform/clock';
import { Notice, Tag } from '../../ui/board';
import { Button, IconButton } from '../../ui/controls/button';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { Scroll } from '../../ui/scroll';
import { DUSK, useTones } from '../../ui/theme';
import { measures } from '../../ui/units';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { readAt, writeAt } from './chartAddress';
import { CanalDays } from './CanalDays';
import { HoldsHere, Rule } from './HoldsHere';
import { Places, PlacesSheet } from './PlacesSheet';
import { Reckoned, TurnFigure, WishFigure } from './TurnCard';
import { SpeedsSheet } from './SpeedsSheet';
import { useCanalPlan } from './useCanalPlan';
import { useDayPlan } from './useDayPlan';
import { useReach } from './useReach';

/** What stands in the address: a place of the chart by its name in the file, or any place on the water. */
export type ChartAddress = { place?: string | undefined; at?: string | undefined };

const NOWHERE: LonLat[][][] = [];
/** The chart with the day on it: how far one can go, when to turn, what holds where one presses. */
export const ChartPage = ({
  view,
  address,
  onGo,
  onAnchor,
  onBack,
}: {
  view: HireView;
  address: ChartAddress;
  onGo: (to: ChartAddress) => void;
  /** Somebody thinks of anchoring at a place, as it stands in an address. */
  onAnchor: (at: string) => void;
  onBack: () => void;
}) => {
  const spoken = useChartWords();
  return spoken ? <Chart view={view} address={address} onGo={onGo} onAnchor={onAnchor} onBack={onBack} /> : null;
};

const Chart = ({ view, address, onGo, onAnchor, onBack }: Parameters<typeof ChartPage>[0]) => {
  const { t, i18n } = useTranslation();
  const tones = useTones();
  const { wide, height } = useRoom();
  const { pack, record } = view;
  const { waters, base, boat } = pack;
  const [fix, setFix] = useState<Fix | 'looking' | 'none'>();
  const [choosing, setChoosing] = useState(false);
  const [speeds, setSpeeds] = useState(false);
  const [handle, setHandle] = useState<ChartHandle>();
  const out = stateOf(record) === 'out';
  const fixed = typeof fix === 'object' ? fix : undefined;
  const here = useMemo((): LonLat | undefined => fixed && [fixed.lon, fixed.lat], [fixed]);
  const { plan, day, ahead, simulated, nowMs } = useDayPlan(view, out ? here : undefined);
  const sheet = useMemo(() => waters && sheetOf(waters), [waters]);
  const feature = waters?.features.find(({ id }) => id === address.place);
  const chosen = useMemo((): LonLat | undefined => {
    if (feature?.geometry.type === 'Point') return feature.geometry.coordinates;
    return readAt(address.at);
  }, [feature, address.at]);
  const canal = useCanalPlan(view);
  // A line has no reach: its days are planned instead.
  const { reach, stay } = useReach(canal ? undefined : day, chosen);
  const known = reach?.is === 'known' ? reach : undefined;
  const wish = stay === 'noWay' ? undefined : stay;
  const ways = useMemo(() => (wish ? [wish.out] : []), [wish]);
  const lying = useMemo(() => {
    if (!waters || typeof plan === 'string' || plan.aim !== 'lie') return undefined;
    const from = Math.min(...plan.day.deadlines.map(({ atMs }) => atMs));
    return placesToLie(waters, ahead.weather, from, from + 12 * 3_600_000);
  }, [waters, plan, ahead]);
  const wishes = useMemo(() => (waters ? wishesOf(waters) : []), [waters]);
  const nameOf = useCallback(({ properties: { kind, name } }: Feature) => `${t(`chart.kind.${kind}`)}: ${name}`, [t]);
  const choose = useCallback(
    (at: LonLat, pressed: { id: string } | undefined) =>
      onGo(pressed ? { place: pressed.id, at: undefined } : { place: undefined, at: writeAt(at) }),
    [onGo],
  );
  const look = async () => {
    setFix('looking');
    setFix((await whereAmI()) ?? 'none');
  };
  if (!waters || !sheet)
    return (
      <Screen title={t('chart.title')} sub={boat.name} onBack={onBack} measure={640}>
        <View style={{ padding: 12 }}>
          <Notice kind="ask" title={t('chart.none')}>
            <Body>{t('chart.noneWhy')}</Body>
          </Notice>
        </View>
      </Screen>
    );
  const chart = (
    <View style={{ flex: 1, minHeight: 260, backgroundColor: tones.board }} testID="chart">
      <WaterChart
        waters={waters}
        tones={tones}
        dusk={tones === DUSK}
        label={t('chart.map', { name: waters.name })}
        home={base.position ? { at: base.position, name: base.name } : undefined}
        here={fixed ? { at: [fixed.lon, fixed.lat], withinM: fixed.withinM } : undefined}
        chosen={chosen}
        reach={known?.outline ?? NOWHERE}
        ways={ways}
        nameOf={nameOf}
        onPlace={choose}
        onReady={setHandle}
      />
      <View style={{ position: 'absolute', right: 10, top: 10, gap: 8, zIndex: 1000 }}>
        <IconButton path={mdiPlus} label={t('chart.nearer')} onPress={() => handle?.nearer()} testID="nearer" />
        <IconButton path={mdiMinus} label={t('chart.farther')} onPress={() => handle?.farther()} testID="farther" />
        <IconButton path={mdiFitToPageOutline} label={t('chart.whole')} onPress={() => handle?.whole()} testID="whole" />
        <IconButton
          path={mdiCrosshairsGps}
          label={t('chart.here')}
          onPress={() => void look()}
          disabled={fix === 'looking'}
          testID="locate"
        />
      </View>
      {known ? (
        <View style={{ position: 'absolute', left: 10, bottom: 10, zIndex: 1000, pointerEvents: 'none' }}>
          <ReachKey text={t(typeof plan !== 'string' && plan.aim === 'lie' ? 'chart.reachLie' : 'chart.reach')} />
        </View>
      ) : null}
      {fix === undefined ? null : (
        <View style={{ position: 'absolute', left: 10, top: 10, right: 72, zIndex: 1000 }} aria-live="polite">
          <Tag kind={fix === 'none' ? 'ask' : 'calm'}>
            {fix === 'looking'
              ? t('chart.looking')
              : fix === 'none'
                ? t('chart.noFix')
                : t('chart.fix', {
                    m: measures().metres(fix.withinM, 0),
                    time: clockOf(new Date(byClock(fix.at)).toISOString(), base.zone),
                  })}
          </Tag>
        </View>
      )}
    </View>
  );
  const clear = chosen ? (
    <Button
      mode="outlined"
      label={t('chart.clear')}
      onPress={() => onGo({ place: undefined, at: undefined })}
      style={{ flex: 1 }}
      testID="clear-wish"
    />
  ) : null;
  const go = (id: string) => {
    setChoosing(false);
    onGo({ place: id, at: undefined });
  };
  const figures = (
    <View style={{ padding: 16, gap: 10 }}>
      {chosen ? (
        <View style={{ gap: 8 }}>
          <SlabBold size={23} heading={2}>
            {feature ? feature.properties.name : t('chart.at')}
          </SlabBold>
          {typeof plan === 'string' || !known ? null : stay === 'noWay' ? (
            <Tag kind="stop">{t('chart.noWay')}</Tag>
          ) : wish ? (
            <WishFigure stay={wish} plan={plan} zone={base.zone} />
          ) : (
            <Small>{t('chart.reckoning')}</Small>
          )}
          {feature ? <Rule feature={feature} language={i18n.language} named={false} /> : null}
          <HoldsHere sheet={sheet} at={chosen} engine={pack.book.engine} />
          {pack.book.anchor && !canal ? (
            <Button mode="outlined" label={t('anchor.open')} onPress={() => onAnchor(writeAt(chosen))} testID="open-anchor" />
          ) : null}
        </View>
      ) : canal ? (
        <CanalDays canal={canal} zone={base.zone} onShow={go} />
      ) : typeof plan === 'string' ? (
        <Body>{t(plan === 'over' ? 'chart.afterDue' : 'chart.noShore')}</Body>
      ) : known ? (
        <TurnFigure stay={known.here} plan={plan} nowMs={nowMs} zone={base.zone} />
      ) : (
        <Body>{t(reach === undefined ? 'chart.reckoning' : reach.is === 'cutOff' ? 'chart.cutOff' : 'chart.noShore')}</Body>
      )}
      {typeof plan === 'string' || !known ? (
        <Small>{t('chart.caution')}</Small>
      ) : (
        <>
          <Small>{out && fixed ? t('chart.fromHere') : t('chart.fromQuay', { name: base.name })}</Small>
          <Reckoned stay={wish ?? known.here} plan={plan} trust={ahead.trust} simulated={simulated} zone={base.zone} />
        </>
      )}
      <Button
        mode="outlined"
        label={t('speeds.open')}
        onPress={() => setSpeeds(true)}
        style={{ alignSelf: 'flex-start' }}
        testID="open-speeds"
      />
    </View>
  );
  const buttons = (
    <View style={{ flexDirection: 'row', gap: 10 }}>
      {clear}
      <Button mode="contained" label={t('chart.places')} onPress={() => setChoosing(true)} style={{ flex: 1 }} testID="choose-place" />
    </View>
  );
  return (
    <Screen title={waters.name} sub={`${boat.name} · ${t('chart.title')}`} onBack={onBack} fill footer={wide ? undefined : buttons}>
      {wide ? (
        <View style={{ flex: 1, flexDirection: 'row' }}>
          {chart}
          <Scroll style={{ flexGrow: 0, width: 400 }}>
            {figures}
            <View style={{ padding: 16, paddingTop: 0, gap: 10 }}>
              {clear}
              <SlabBold size={20} heading={2}>
                {t('chart.places')}
              </SlabBold>
              <Places wishes={wishes} lying={lying} onChoose={go} />
            </View>
          </Scroll>
        </View>
      ) : (
        <View style={{ flex: 1 }}>
          {chart}
          <Scroll style={{ flexGrow: 0, maxHeight: Math.round(height * (canal ? 0.55 : 0.42)), backgroundColor: tones.card }}>
            {figures}
          </Scroll>
        </View>
      )}
      {speeds ? <SpeedsSheet book={pack.book} waters={waters} onClose={() => setSpeeds(false)} /> : null}
      {choosing ? <PlacesSheet wishes={wishes} lying={lying} onChoose={go} onClose={() => setChoosing(false)} /> : null}
    </Screen>
  );
};

/** What the dashed line on the chart is. */
const ReachKey = ({ text }: { text: string }) => {
  const tones = useTones();
  return (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: 8,
        backgroundColor: tones.card,
        borderRadius: 8,
        paddingHorizontal: 10,
        paddingVertical: 5,
      }}
    >
      <View
        style={{
          width: 30,
          height: 16,
          borderWidth: 2,
          borderStyle: 'dashed',
          borderColor: tones.primary,
          backgroundColor: tones.primaryPale,
          borderRadius: 4,
        }}
      />
      <Bold size={14} tone="primaryText">
        {text}
      </Bold>
    </View>
  );
};
