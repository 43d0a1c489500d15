import { currentOf } from '@quay/core/events/record';
import { pointBriefed } from '@quay/core/briefing/events';
import { notAboard } from '@quay/core/briefing/aboard';
import { applies } from '@quay/core/briefing/compose';
import { search, stepsOf } from '@quay/core/briefing/guide';
import type { FixCard, Point } from '@quay/core/fleet/points';
import { say } from '@quay/core/words/words';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { FlatList, View } from 'react-native';
import { Card, Notice, Tag } from '../../ui/board';
import { TextField } from '../../ui/controls/textField';
import { dayOf } from '../../ui/format';
import { useMoney } from '../../ui/controls/money';
import { ListRow } from '../../ui/controls/listRow';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { AgreedPlanCard } from '../trip/AgreedPlan';
import { Page } from './Page';
import { useRenting } from './RenterFace';
import { quayPhone } from '@quay/core/fleet/base';

const DOCKING = 'docking';
/** Of what was found, the first are enough: who wants others says another word. */
const MOST_HITS = 20;
/** So many rows are drawn at once; the rest as one comes to them. */
const AT_FIRST = 12;

/** The pocket guide: looked up in a word or two, without signal. */
export const GuidePage = () => {
  const { t } = useTranslation();
  const { pack, record, briefing, facts, language } = useRenting();
  const router = useRouter();
  // What was looked for is in the address, and stands there again when one comes back from a card.
  const { q } = useLocalSearchParams<{ q?: string }>();
  const [query, setQuery] = useState(q ?? '');
  const type = (next: string) => {
    setQuery(next);
    router.setParams({ q: next === '' ? undefined : next });
  };
  const { book } = pack;
  // Of what this boat has: nobody is led to the starter of an electric launch.
  const cards = book.fixCards
    .filter(({ when }) => applies(when, facts, book.conditions))
    .map((card) => ({ ...card, steps: stepsOf(card, facts, book.conditions) }));
  const points = [...briefing.toBrief, ...briefing.guide].map(({ point }) => point);
  // The plan of coming alongside is worked out and is in no book; it is found like what is.
  const docking: FixCard = { id: DOCKING, name: { en: t('r.docking') }, words: { en: t('r.dockingWords') }, steps: [] };
  const hits = search(query, [...cards, docking], points);
  const asked = query.trim().length > 1;
  const none = asked ? notAboard(query, { book, cards, points }) : undefined;
  const urgent = cards.filter((card) => card.urgent);
  const others = cards.filter((card) => !card.urgent);
  const leafed = (): Row[] => [
    { is: 'part', key: 'cards', title: t('r.cards') },
    ...[...urgent, ...others, docking].map((card) => ({ is: 'card' as const, key: `card/${card.id}`, card })),
    { is: 'part', key: 'points', title: t('r.points') },
    ...book.stations.flatMap((station): Row[] => {
      const here = points.filter((point) => point.station === station.id);
      return here.length === 0
        ? []
        : [
            { is: 'station', key: `station/${station.id}`, name: say(station.name, language) },
            ...here.map((point) => ({ is: 'point' as const, key: `point/${point.id}`, point })),
          ];
    }),
  ];
  const found = (): Row[] =>
    hits.slice(0, MOST_HITS).flatMap(({ entry }): Row[] => {
      if (entry.is === 'point') return [{ is: 'point', key: `point/${entry.point.id}`, point: entry.point }];
      const card = entry.card === docking ? docking : entry.card;
      return [{ is: 'card', key: `card/${card.id}`, card }];
    });
  return (
    <Page title={t('r.guide')} fill>
      <FlatList
        data={asked ? found() : leafed()}
        keyExtractor={({ key }) => key}
        renderItem={({ item }) => <GuideRow row={item} />}
        // Drawn as one comes to them: all that is told on a canal boat is fifty screens of text.
        initialNumToRender={AT_FIRST}
        ListHeaderComponent={
          <View style={{ gap: 12 }}>
            <TextField label={t('r.search')} value={query} onChange={type} testID="search" />
            {asked ? (
              <>
                {none === undefined ? null : <Notice kind="calm" title={t('r.noneAboard', { name: none, boat: pack.boat.name })} />}
                <Small>
                  {hits.length === 0 ? t('r.nothingFound', { phone: quayPhone(pack) ?? '' }) : t('r.found', { count: hits.length })}
                </Small>
              </>
            ) : (
              <AgreedPlanCard record={record} zone={pack.base.zone} onChart={() => router.push('/r/chart')} />
            )}
          </View>
        }
        contentContainerStyle={{ padding: 12, gap: 10 }}
        style={{ flex: 1 }}
        keyboardShouldPersistTaps="handled"
        tabIndex={0}
        testID={asked ? 'hits' : 'guide'}
      />
    </Page>
  );
};

type Row =
  | { is: 'part'; key: string; title: string }
  | { is: 'station'; key: string; name: string }
  | { is: 'card'; key: string; card: FixCard }
  | { is: 'point'; key: string; point: Point };

const GuideRow = ({ row }: { row: Row }) => {
  if (row.is === 'point') return <PointRow point={row.point} />;
  if (row.is === 'card') return row.card.id === DOCKING ? <DockingRow /> : <CardRow card={row.card} />;
  if (row.is === 'station') return <Bold tone="primaryText">{row.name}</Bold>;
  return (
    <SlabBold size={21} heading={2}>
      {row.title}
    </SlabBold>
  );
};

/** The plan of coming alongside in the wind there is: a card that is worked out. */
const DockingRow = () => {
  const { t } = useTranslation();
  const router = useRouter();
  return (
    <Card style={{ padding: 0 }}>
      <ListRow
        label={`${t('r.docking')}. ${t('r.dockingWhy')}`}
        onPress={() => router.push('/r/docking')}
        testID="card-docking"
        style={{ padding: 14, flexDirection: 'row', alignItems: 'center', gap: 8 }}
      >
        <View style={{ flex: 1 }}>
          <SlabBold size={20}>{t('r.docking')}</SlabBold>
          <Small>{t('r.dockingWhy')}</Small>
        </View>
        <Bold size={22}>›</Bold>
      </ListRow>
    </Card>
  );
};

const CardRow = ({ card }: { card: FixCard }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const { language } = useRenting();
  const name = say(card.name, language);
  return (
    <Card style={{ padding: 0 }}>
      <ListRow
        label={name}
        onPress={() => router.push(`/r/card/${card.id}`)}
        testID={`card-${card.id}`}
        style={{ padding: 14, flexDirection: 'row', alignItems: 'center', gap: 8 }}
      >
        <View style={{ flex: 1 }}>
          <SlabBold size={20}>{name}</SlabBold>
        </View>
        {card.urgent ? <Tag kind="stop">{t('r.urgent')}</Tag> : <Bold size={22}>›</Bold>}
      </ListRow>
    </Card>
  );
};

const PointRow = ({ point }: { point: Point }) => {
  const { t } = useTranslation();
  const { pack, record, language } = useRenting();
  const money = useMoney(pack.prices.currency);
  const briefed = currentOf(record, ['out', 'point', point.id], pointBriefed);
  const price = pack.prices.prices.find(({ code }) => code === point.price);
  return (
    <Card style={{ gap: 4 }}>
      <Body>{say(point.say, language)}</Body>
      {point.mistake ? <Small>{`${t('r.mistake')}: ${say(point.mistake, language)}`}</Small> : null}
      {point.caution ? <Tag kind="stop">{say(point.caution, language)}</Tag> : null}
      {price ? <Small>{t('r.costs', { name: say(price.name, language), price: money(price.amountMinor) })}</Small> : null}
      {briefed ? <Small>{t('r.told', { date: dayOf(briefed.by.event.at, pack.base.zone, language) })}</Small> : null}
    </Card>
  );
};
