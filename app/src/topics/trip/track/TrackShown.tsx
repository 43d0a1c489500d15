import type { Track } from '@quay/contract/track';
import type { LonLat } from '@quay/core/geometry/plane';
import { hoursRun } from '@quay/core/fuel/readings';
import { clockOf } from '@quay/core/time/zone';
import { bandsOf, stretchOf } from '@quay/core/trip/track/bands';
import { FIX_ERROR_M } from '@quay/core/trip/track/report';
import { useRouter } from 'expo-router';
import { type ReactNode, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { HireView } from '../../../local/hire';
import { TrackLine } from '../../../platform/chart/TrackLine';
import { type ChartHandle, WaterChart } from '../../../platform/chart/WaterChart';
import { Range } from '../../../platform/range';
import { Card, Notice, Tag } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { ListRow } from '../../../ui/controls/listRow';
import { figure, spanOf } from '../../../ui/format';
import { useRoom } from '../../../ui/room';
import { ZoomButtons } from '../../../ui/zoomButtons';
import { Screen } from '../../../ui/screen';
import { Scroll } from '../../../ui/scroll';
import { DUSK, useTones } from '../../../ui/theme';
import { measures } from '../../../ui/units';
import { Body, Bold, SlabBold, Small } from '../../../ui/words';

const MINUTE = 60_000;
const NOWHERE: LonLat[][][] = [];
const NO_WAYS: LonLat[][] = [];

/** One track on the chart by its speed, with a clock to slide along, and what of it somebody should look at. */
export const TrackShown = ({ view, track, onBack, more }: { view: HireView; track: Track; onBack: () => void; more: ReactNode }) => {
  const { t } = useTranslation();
  const tones = useTones();
  const { wide, width, height } = useRoom();
  const { pack } = view;
  const { waters, base, boat } = pack;
  const { report } = track;
  const { line } = report;
  const [at, setAt] = useState(0);
  const [handle, setHandle] = useState<ChartHandle>();
  const banded = useMemo(() => bandsOf(line), [line]);
  const colours = [tones.soft, tones.primary, tones.ropeDark, tones.warning];
  const point = line[Math.min(at, line.length - 1)];
  const clock = (ms: number) => clockOf(new Date(ms).toISOString(), base.zone);
  const breached = useMemo(
    () => report.breaches.map(({ fromMs, toMs }) => stretchOf(line, fromMs, toMs)).filter(({ length }) => length > 1),
    [report, line],
  );
  if (!waters || !point) return null;
  const slider = (room: number) => (
    <View style={{ gap: 2, paddingHorizontal: 16, paddingTop: 8, backgroundColor: tones.card }}>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline' }} testID="track-now">
        <SlabBold size={30}>{clock(point.atMs)}</SlabBold>
        <SlabBold size={24}>{measures().speed(point.speedMs)}</SlabBold>
      </View>
      <Range
        most={line.length - 1}
        value={at}
        onValue={setAt}
        label={t('track.slide')}
        spoken={`${clock(point.atMs)}, ${measures().speed(point.speedMs)}`}
        colour={tones.primary}
        width={room}
        testID="track-slider"
      />
    </View>
  );
  const chart = (
    <View style={{ flex: 1, minHeight: 260, backgroundColor: tones.board }} testID="chart">
      <WaterChart
        waters={waters}
        tones={tones}
        dusk={tones === DUSK}
        label={t('chart.map', { name: waters.name })}
        home={base.position ? { at: base.position, name: base.name } : undefined}
        here={{ at: point.at, withinM: FIX_ERROR_M }}
        chosen={undefined}
        reach={NOWHERE}
        ways={NO_WAYS}
        over={
          <TrackLine
            bands={banded.lines.map((lines, i) => ({ colour: colours[i]!, lines }))}
            under={{ colour: tones.danger, lines: breached }}
          />
        }
        nameOf={({ properties: { kind, name } }) => `${t(`chart.kind.${kind}`)}: ${name}`}
        onPlace={(place) => setAt(nearestTo(line, place))}
        onReady={setHandle}
      />
      <View style={{ position: 'absolute', right: 10, top: 10, gap: 8, zIndex: 1000 }}>
        <ZoomButtons of={handle} />
      </View>
      <View style={{ position: 'absolute', left: 10, bottom: 10, zIndex: 1000, pointerEvents: 'none' }}>
        <SpeedKey colours={colours} upToMs={banded.upToMs} />
      </View>
    </View>
  );
  const goTo = (ms: number) =>
    setAt(
      Math.max(
        0,
        line.findIndex(({ atMs }) => atMs >= ms),
      ),
    );
  const figures = (
    <View style={{ padding: 16, gap: 12 }}>
      <Breaches view={view} track={track} clock={clock} onShow={goTo} />
      <Figures view={view} track={track} clock={clock} />
      {more}
    </View>
  );
  return (
    <Screen title={t('track.title')} sub={`${boat.name} · ${track.name}`} onBack={onBack} fill>
      {wide ? (
        <View style={{ flex: 1, flexDirection: 'row' }}>
          <View style={{ flex: 1 }}>
            {chart}
            {slider(width - 400 - 32)}
          </View>
          <Scroll style={{ flexGrow: 0, width: 400 }}>{figures}</Scroll>
        </View>
      ) : (
        <View style={{ flex: 1 }}>
          {chart}
          {slider(width - 32)}
          <Scroll style={{ flexGrow: 0, maxHeight: Math.round(height * 0.4), backgroundColor: tones.card }}>{figures}</Scroll>
        </View>
      )}
    </Screen>
  );
};

/** The point of a track nearest to where was pressed; over so small a water degrees will do. */
const nearestTo = (line: Track['report']['line'], [lon, lat]: LonLat): number => {
  const shrink = Math.cos((lat * Math.PI) / 180);
  let [best, least] = [0, Infinity];
  line.forEach(({ at }, i) => {
    const away = ((at[0] - lon) * shrink) ** 2 + (at[1] - lat) ** 2;
    if (away < least) [best, least] = [i, away];
  });
  return best;
};

const SpeedKey = ({ colours, upToMs }: { colours: readonly string[]; upToMs: readonly number[] }) => {
  const tones = useTones();
  return (
    <View style={{ backgroundColor: tones.card, borderRadius: 8, paddingHorizontal: 10, paddingVertical: 5, gap: 2 }}>
      {upToMs.map((ms, i) => (
        <View key={colours[i]} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <View style={{ width: 22, height: 5, borderRadius: 3, backgroundColor: colours[i] }} />
          <Bold size={13.5}>{`≤ ${measures().speed(ms)}`}</Bold>
        </View>
      ))}
    </View>
  );
};

type Told = { view: HireView; track: Track; clock: (ms: number) => string };

/** What somebody should look at: beyond doubt first. Nothing here charges anybody. */
const Breaches = ({ view, track, clock, onShow }: Told & { onShow: (ms: number) => void }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const { breaches } = track.report;
  const sure = breaches.filter((one) => one.sure).length;
  const nameOf = (id: string) => view.pack.waters?.features.find((feature) => feature.id === id)?.properties.name ?? id;
  return (
    <View style={{ gap: 8 }} testID="breaches">
      <Notice
        kind={sure > 0 ? 'stop' : breaches.length > 0 ? 'ask' : 'ok'}
        title={
          sure > 0
            ? t('track.sureCount', { count: sure })
            : breaches.length > 0
              ? t('track.doubtfulOnly', { count: breaches.length })
              : t('track.nothing')
        }
      >
        {breaches.length > 0 ? <Body>{t('track.evidence')}</Body> : null}
        {sure > 0 ? (
          <Button
            mode="outlined"
            label={t('track.toStatement')}
            onPress={() => router.push(`/hire/${view.pack.hire.id}/statement`)}
            style={{ alignSelf: 'flex-start' }}
            testID="to-statement"
          />
        ) : null}
      </Notice>
      {breaches.map((one) => {
        const name = nameOf(one.feature);
        const what =
          one.is === 'speed'
            ? t('track.speed', { name, speed: measures().speed(one.fastestMs), limit: measures().speed(one.limitMs ?? 0) })
            : t(`track.${one.is}`, { name });
        const when = t('track.when', { from: clock(one.fromMs), to: clock(one.toMs), n: one.fixes });
        return (
          <ListRow
            key={`${one.feature}/${one.fromMs}`}
            label={`${what} ${when}`}
            onPress={() => onShow((one.fromMs + one.toMs) / 2)}
            testID={`breach-${one.feature}`}
            style={{ paddingVertical: 8, gap: 4 }}
          >
            <Tag kind={one.sure ? 'stop' : 'ask'}>{t(one.sure ? 'track.sure' : 'track.doubtful')}</Tag>
            <Body>{what}</Body>
            <Small>
              {one.is === 'speed' && one.offMs > 0 ? `${when} ${t('track.off', { speed: measures().speed(one.offMs) })}` : when}
            </Small>
          </ListRow>
        );
      })}
    </View>
  );
};

/** How far, how long, how fast; hours under power against the counter; what the file said that cannot be. */
const Figures = ({ view, track, clock }: Told) => {
  const { t } = useTranslation();
  const { report } = track;
  const span = (ms: number) => spanOf(ms / MINUTE);
  const counted = hoursRun(view.record, view.pack.book);
  const { wrongClock, jumps, gaps } = report.faults;
  const rows: [string, string][] = [
    [t('track.time'), `${clock(report.fromMs)} – ${clock(report.toMs)}`],
    [t('track.distance'), measures().far(report.distanceM)],
    [t('track.fastest'), measures().speed(report.fastestMs)],
    [t('track.moving'), span(report.movingMs)],
    [t('track.engine'), span(report.engineMs)],
    ...(counted === undefined ? [] : [[t('track.counted'), `${figure(counted)} h`] as [string, string]]),
    [t('track.dark'), span(report.darkMs)],
    [t('track.nearShore'), span(report.nearShoreMs)],
  ];
  return (
    <Card style={{ gap: 6 }}>
      {rows.map(([name, value]) => (
        <View key={name} style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 12 }}>
          <Small>{name}</Small>
          <Bold>{value}</Bold>
        </View>
      ))}
      <Small>{t('track.fixes', { n: report.fixes })}</Small>
      {wrongClock + jumps + gaps > 0 ? <Small>{t('track.faults', { wrongClock, jumps, gaps })}</Small> : null}
      <Small>{t('track.cannot')}</Small>
    </Card>
  );
};
