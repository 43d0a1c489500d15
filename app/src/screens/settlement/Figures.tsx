import { figuresCsv, type Figure, getFigures, type Sort, SORTS, statementsCsv } from '@quay/contract/settlement';
import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useWindowDimensions, View } from 'react-native';
import Svg, { G, Line as Stroke, Rect, Text as SvgText } from 'react-native-svg';
import { addressOf, call } from '../../data/api';
import { useErrorWords } from '../../data/errorWords';
import { openInNewTab, rememberChoice, rememberedChoice } from '../../platform/browser';
import { useNow } from '../../ui/clock';
import { Card, Notice } from '../../ui/board';
import { Money, useMoney } from '../../ui/money';
import { Alt, Chip } from '../../ui/press';
import { Screen } from '../../ui/screen';
import { FACE, type Tones, useTones, WIDE } from '../../ui/theme';
import { Body, Bold, SlabBold, Small } from '../../ui/words';

/** What is charged, in the order it is stacked; credits are given, and stand apart. */
const CHARGED = SORTS.filter((sort) => sort !== 'credits');
const TONE: Record<Sort, keyof Tones> = { fuel: 'weed', damage: 'lead', lost: 'mari', late: 'rope', other: 'soft', credits: 'weedPale' };

const SPANS = { m3: 3, m12: 12, all: undefined } as const;
type Span = keyof typeof SPANS;
const SPAN = 'figures-span';

const firstDay = (now: number, months: number | undefined): string | undefined => {
  if (months === undefined) return undefined;
  const day = new Date(now);
  day.setUTCMonth(day.getUTCMonth() - months + 1, 1);
  return day.toISOString().slice(0, 10);
};

type Group = { key: string; label: string; sums: Record<Sort, number> };
const grouped = (figures: readonly Figure[], keyOf: (row: Figure) => [key: string, label: string]): Group[] => {
  const groups = new Map<string, Group>();
  for (const row of figures) {
    const [key, label] = keyOf(row);
    const group = groups.get(key) ?? { key, label, sums: { fuel: 0, damage: 0, lost: 0, late: 0, other: 0, credits: 0 } };
    groups.set(key, group);
    for (const sort of SORTS) group.sums[sort] += row[sort];
  }
  return [...groups.values()];
};
const totalOf = ({ sums }: Group) => CHARGED.reduce((sum, sort) => sum + Math.max(0, sums[sort]), 0);

/** What fuel, damage, lost things, lateness and disputes came to, by month and by boat. */
export const Figures = () => {
  const { t, i18n } = useTranslation();
  const said = useErrorWords();
  const router = useRouter();
  const now = useNow(3_600_000);
  const { width } = useWindowDimensions();
  const [span, setSpan] = useState<Span>(() => (rememberedChoice(SPAN) as Span | undefined) ?? 'm12');
  const [boat, setBoat] = useState<string>();
  const from = firstDay(now, SPANS[span]);
  const query = from === undefined ? {} : { from };
  const { data, error } = useQuery({ queryKey: ['figures', from], queryFn: () => call(getFigures, { query }) });
  const measure = width >= WIDE ? 900 : width;
  const inside = measure - 56;
  const all = data?.figures ?? [];
  const shown = boat === undefined ? all : all.filter((row) => row.boat === boat);
  const money = useMoney(data?.currency ?? 'EUR');
  const monthName = new Intl.DateTimeFormat(i18n.language, { month: 'short', year: 'numeric', timeZone: 'UTC' });
  const months = grouped(shown, ({ month }) => [month, monthName.format(new Date(`${month}-01T00:00:00Z`))]);
  const boats = grouped(all, (row) => [row.boat, row.name]).sort((a, b) => totalOf(b) - totalOf(a));
  const sums = grouped(shown, () => ['', ''])[0];
  const hires = shown.reduce((sum, row) => sum + row.hires, 0);
  const disputes = shown.reduce((sum, row) => sum + row.disputes, 0);
  const disputed = shown.reduce((sum, row) => sum + row.disputed, 0);
  const choose = (next: Span) => {
    setSpan(next);
    rememberChoice(SPAN, next);
  };
  return (
    <Screen title={t('settle.figures')} onBack={() => router.push('/attention')} measure={measure}>
      <View style={{ padding: 12, gap: 12 }}>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('settle.byMonth')}>
          {(Object.keys(SPANS) as Span[]).map((one) => (
            <Chip key={one} label={t(`settle.months.${one}`)} on={span === one} onPress={() => choose(one)} testID={`span-${one}`} />
          ))}
        </View>
        {error ? <Notice kind="stop" title={said(error)} /> : null}
        {!data && !error ? <Body>{t('common.loading')}</Body> : null}
        {data && all.length === 0 ? <Notice kind="ok" title={t('settle.figuresNone')} /> : null}
        {sums && data ? (
          <>
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('settle.byBoat')}>
              <Chip label={t('settle.all')} on={boat === undefined} onPress={() => setBoat(undefined)} testID="boat-all" />
              {boats.map(({ key, label }) => (
                <Chip
                  key={key}
                  label={label}
                  on={boat === key}
                  onPress={() => setBoat(boat === key ? undefined : key)}
                  testID={`boat-${key}`}
                />
              ))}
            </View>
            <Card style={{ gap: 10 }}>
              <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 22 }}>
                {SORTS.filter((sort) => sums.sums[sort] !== 0).map((sort) => (
                  <View key={sort}>
                    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 6 }}>
                      <Swatch tone={TONE[sort]} />
                      <Small>{t(`settle.sort.${sort}`)}</Small>
                    </View>
                    <Money minor={sums.sums[sort]} currency={data.currency} size={26} />
                  </View>
                ))}
                <View>
                  <Small>{t('settle.disputes')}</Small>
                  <SlabBold size={26}>{t('settle.disputesOf', { count: disputes, sum: money(disputed) })}</SlabBold>
                </View>
              </View>
              <Small>{t('settle.hires', { count: hires })}</Small>
            </Card>
            <Card style={{ gap: 8 }}>
              <Bold>{t('settle.byMonth')}</Bold>
              <Bars groups={months} width={inside} money={money} label={t('settle.byMonth')} />
            </Card>
            {boat === undefined ? (
              <Card style={{ gap: 8 }}>
                <Bold>{t('settle.byBoat')}</Bold>
                <Bars groups={boats} width={inside} money={money} label={t('settle.byBoat')} />
              </Card>
            ) : null}
          </>
        ) : null}
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          <Alt label={t('settle.csv')} onPress={() => openInNewTab(addressOf(figuresCsv, {}, query))} testID="figures-csv" />
          <Alt label={t('settle.books')} onPress={() => openInNewTab(addressOf(statementsCsv, {}, query))} testID="statements-csv" />
        </View>
      </View>
    </Screen>
  );
};

const Swatch = ({ tone }: { tone: keyof Tones }) => {
  const tones = useTones();
  return <View style={{ width: 14, height: 14, borderRadius: 4, backgroundColor: tones[tone], borderWidth: 1, borderColor: tones.ink }} />;
};

const ROW = 46;
const BAR = 20;
const SUM_WIDTH = 104;

/** A bar a row, its parts beside each other and its sum at its end; every part is said in words as well. */
const Bars = ({
  groups,
  width,
  money,
  label,
}: {
  groups: readonly Group[];
  width: number;
  money: (minor: number) => string;
  label: string;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  const most = Math.max(1, ...groups.map(totalOf));
  const room = Math.max(80, width - SUM_WIDTH);
  return (
    <Svg width={width} height={groups.length * ROW} role="img" aria-label={label}>
      {groups.map((group, i) => {
        const y = i * ROW;
        let x = 0;
        return (
          <G
            key={group.key}
            aria-label={`${group.label}: ${CHARGED.map((sort) => `${t(`settle.sort.${sort}`)} ${money(group.sums[sort])}`).join(', ')}`}
          >
            <SvgText x={0} y={y + 15} fontFamily={FACE.text} fontSize={15} fill={tones.ink}>
              {group.label}
            </SvgText>
            <Stroke x1={0} y1={y + 22 + BAR} x2={room} y2={y + 22 + BAR} stroke={tones.line} strokeWidth={1} />
            {CHARGED.map((sort) => {
              const part = (Math.max(0, group.sums[sort]) / most) * room;
              const at = x;
              x += part;
              return part > 0 ? (
                <Rect key={sort} x={at} y={y + 21} width={Math.max(1, part - 1)} height={BAR} rx={3} fill={tones[TONE[sort]]} />
              ) : null;
            })}
            <SvgText x={Math.min(x + 8, room + 8)} y={y + 37} fontFamily={FACE.bold} fontSize={15} fill={tones.ink}>
              {money(totalOf(group))}
            </SvgText>
          </G>
        );
      })}
    </Svg>
  );
};
