import { type Figure, figuresCsv, getFigures, type Sort, SORTS, statementsCsv } from '@quay/contract/settlement';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import Svg, { G, Line as Stroke, Rect, Text as SvgText } from 'react-native-svg';
import { addressOf, call } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import { openInNewTab, rememberChoice, rememberedChoice } from '../../platform/browser';
import { useNow } from '../../ui/clock';
import { Card, Notice } from '../../ui/board';
import { Money, useMoney } from '../../ui/controls/money';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { type Column, Table } from '../../ui/controls/table';
import { FACE, type Tones, useTones } from '../../ui/theme';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { type BoatSums, boatSums, CHARGED, firstDay, type Group, grouped, totalOf } from './figureSums';

const TONE: Record<Sort, keyof Tones> = {
  fuel: 'primary',
  damage: 'danger',
  lost: 'warning',
  late: 'rope',
  other: 'soft',
  credits: 'primaryPale',
};

const SPANS = { m3: 3, m12: 12, all: undefined } as const;
type Span = keyof typeof SPANS;
const SPAN = 'figures-span';

/** Between the two halves of a desk, px. */
const GAP = 24;

/** What fuel, damage, lost things, lateness and disputes came to, by month and by boat. */
export const Figures = () => {
  const { t, i18n } = useTranslation();
  const said = useErrorWords();
  const now = useNow(3_600_000);
  const { width, wide } = useRoom();
  const [span, setSpan] = useState<Span>(() => (rememberedChoice(SPAN) as Span | undefined) ?? 'm12');
  const [boat, setBoat] = useState<string>();
  const from = firstDay(now, SPANS[span]);
  const query = from === undefined ? {} : { from };
  const { data, error } = useQuery({ queryKey: ['figures', from], queryFn: () => call(getFigures, { query }) });
  // On a desk the bars stand beside the table.
  const half = wide ? Math.floor((width - 32 - GAP) / 2) : width;
  const inside = half - (wide ? 32 : 56);
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
  const spans = (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('settle.byMonth')}>
      {(Object.keys(SPANS) as Span[]).map((one) => (
        <ChoiceChip key={one} label={t(`settle.months.${one}`)} on={span === one} onPress={() => choose(one)} testID={`span-${one}`} />
      ))}
    </View>
  );
  const papers = (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
      <Button mode="outlined" label={t('settle.csv')} onPress={() => openInNewTab(addressOf(figuresCsv, {}, query))} testID="figures-csv" />
      <Button
        mode="outlined"
        label={t('settle.books')}
        onPress={() => openInNewTab(addressOf(statementsCsv, {}, query))}
        testID="statements-csv"
      />
    </View>
  );
  const state = (
    <>
      {error ? <Notice kind="stop" title={said(error)} /> : null}
      {!data && !error ? <Body>{t('common.loading')}</Body> : null}
      {data && all.length === 0 ? <Notice kind="ok" title={t('settle.figuresNone')} /> : null}
    </>
  );
  const choices = (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('settle.byBoat')}>
      <ChoiceChip label={t('settle.all')} on={boat === undefined} onPress={() => setBoat(undefined)} testID="boat-all" />
      {boats.map(({ key, label }) => (
        <ChoiceChip
          key={key}
          label={label}
          on={boat === key}
          onPress={() => setBoat(boat === key ? undefined : key)}
          testID={`boat-${key}`}
        />
      ))}
    </View>
  );
  const totals =
    sums && data ? (
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
    ) : null;
  const byMonth = sums ? (
    <Card style={{ gap: 8 }}>
      <Bold>{t('settle.byMonth')}</Bold>
      <Bars groups={months} width={inside} money={money} label={t('settle.byMonth')} />
    </Card>
  ) : null;
  const byBoat =
    sums && boat === undefined ? (
      <Card style={{ gap: 8 }}>
        <Bold>{t('settle.byBoat')}</Bold>
        <Bars groups={boats} width={inside} money={money} label={t('settle.byBoat')} />
      </Card>
    ) : null;
  if (wide)
    return (
      <Screen title={t('nav.figures')} right={papers}>
        <View style={{ paddingHorizontal: 16, gap: 14 }}>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: 28, rowGap: 8 }}>
            {spans}
            {choices}
          </View>
          {state}
          {totals}
          <View style={{ flexDirection: 'row', gap: GAP, alignItems: 'flex-start' }}>
            <View style={{ width: half, gap: 14 }}>
              {byMonth}
              {byBoat}
            </View>
            {sums ? (
              <View style={{ width: half }}>
                <ByBoatTable
                  figures={all}
                  money={money}
                  {...(boat === undefined ? {} : { boat })}
                  onOpen={(key) => setBoat(boat === key ? undefined : key)}
                />
              </View>
            ) : null}
          </View>
        </View>
      </Screen>
    );
  return (
    <Screen title={t('nav.figures')}>
      <View style={{ padding: 12, gap: 12 }}>
        {spans}
        {state}
        {sums ? choices : null}
        {totals}
        {byMonth}
        {byBoat}
        {papers}
      </View>
    </Screen>
  );
};

/** What each boat came to, in figures that can be sorted. */
const ByBoatTable = ({
  figures,
  money,
  boat,
  onOpen,
}: {
  figures: readonly Figure[];
  money: (minor: number) => string;
  boat?: string;
  onOpen: (boat: string) => void;
}) => {
  const { t } = useTranslation();
  const rows = useMemo(() => boatSums(figures), [figures]);
  const sum = (id: 'charged' | 'credits' | 'disputed', header: string): Column<BoatSums> => ({
    id,
    header,
    accessorFn: (row) => row[id],
    cell: ({ row }) => money(row.original[id]),
    meta: { share: 1.2, numeric: true },
  });
  const columns: Column<BoatSums>[] = [
    {
      id: 'boat',
      header: t('bookings.boat'),
      accessorFn: ({ label }) => label,
      cell: ({ row }) => <Bold>{row.original.label}</Bold>,
      meta: { share: 1.5 },
    },
    {
      id: 'hires',
      header: t('settle.hireCount'),
      accessorFn: ({ hires }) => hires,
      cell: ({ row }) => String(row.original.hires),
      meta: { share: 0.7, numeric: true },
    },
    sum('charged', t('settle.chargedSum')),
    sum('credits', t('settle.sort.credits')),
    sum('disputed', t('settle.disputes')),
  ];
  return (
    <Table
      label={t('settle.byBoat')}
      rows={rows}
      columns={columns}
      idOf={({ key }) => key}
      sorted={{ id: 'charged', desc: true }}
      none={t('settle.figuresNone')}
      onOpen={({ key }) => onOpen(key)}
      {...(boat === undefined ? {} : { selected: boat })}
      testID="figures"
      flows
    />
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
