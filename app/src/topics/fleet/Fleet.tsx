import { say } from '@quay/core/words/words';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { NoAnswer } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import { Card, Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { ListRow } from '../../ui/controls/listRow';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { Search } from '../../ui/controls/search';
import { type Column, Table } from '../../ui/controls/table';
import { Body, Bold, Slab, SlabBold, Small } from '../../ui/words';
import { useFleet } from './useFleet';

type Boat = ReturnType<typeof useFleet>['boats'][number];

/** From so many boats on one looks for them by a word on a phone as well. */
const MANY = 12;

/** The fleet: boats and their books; a table on a desk. */
export const Fleet = () => {
  const { t, i18n } = useTranslation();
  const said = useErrorWords();
  const router = useRouter();
  const { wide } = useRoom();
  const [find, setFind] = useState('');
  const { boats, classes, bases, rules, waters, error, isPending, again } = useFleet();
  const top = error ? (
    <View style={{ padding: 12 }}>
      <Notice
        kind="stop"
        title={error instanceof NoAnswer ? t('fleet.offline') : said(error)}
        action={<Button mode="outlined" label={t('common.again')} onPress={again} />}
      />
    </View>
  ) : isPending ? (
    <Body style={{ padding: 16 }}>{t('common.loading')}</Body>
  ) : null;
  const shelves = (
    <>
      <Shelf title={t('fleet.classes')} rows={classes.map(({ id, name, boats: on }) => ({ to: `class/${id}`, name, on }))} />
      <Shelf title={t('fleet.bases')} rows={bases.map(({ id, name, boats: on }) => ({ to: `base/${id}`, name, on }))} />
      <Shelf
        title={t('fleet.ground')}
        rows={[
          ...(boats.length > 0 ? [{ to: 'everywhere', name: t('fleet.everywhere'), on: boats.map(({ name }) => name) }] : []),
          ...waters.map(({ id, name, boats: on }) => ({ to: `waters/${id}`, name, on })),
          ...rules.map(({ id, name, waters: on }) => ({ to: `rules/${id}`, name: say(name, i18n.language), on })),
        ]}
      />
    </>
  );
  const add = <Button mode="outlined" label={t('newBoat.title')} onPress={() => router.push('/boats/new')} testID="open-new-boat" />;
  const search = <Search label={t('fleet.findBoat')} value={find} onChange={setFind} testID="find-boat" />;
  if (wide)
    return (
      <Screen
        title={t('nav.fleet')}
        right={add}
        fill
        side={<View style={{ padding: 16, gap: 14 }}>{shelves}</View>}
        sideWidth={400}
        top={top}
      >
        <View style={{ paddingHorizontal: 16, paddingBottom: 6 }}>{search}</View>
        <Boats boats={boats} find={find} onOpen={(id) => router.push(`/fleet/${id}`)} />
      </Screen>
    );
  const wanted = find.trim().toLowerCase();
  const shown = boats.filter(({ name, className, hullNumber }) => `${name} ${className} ${hullNumber}`.toLowerCase().includes(wanted));
  return (
    <Screen title={t('nav.fleet')} measure={720} top={top} right={add}>
      <View style={{ padding: 12, gap: 12 }}>
        {boats.length > MANY ? search : null}
        {!isPending && boats.length === 0 && !error ? <Body>{t('fleet.none')}</Body> : null}
        {boats.length > 0 && shown.length === 0 ? <Body>{t('bookings.noneFound')}</Body> : null}
        {shown.map((boat) => (
          <Card key={boat.id} style={{ padding: 0 }}>
            <ListRow
              label={`${boat.name}, ${boat.className}`}
              onPress={() => router.push(`/fleet/${boat.id}`)}
              testID={`boat-${boat.id}`}
              style={{ padding: 14, flexDirection: 'row', alignItems: 'center', gap: 10 }}
            >
              <View style={{ flex: 1, gap: 2 }}>
                <SlabBold size={22}>{boat.name}</SlabBold>
                <Small>{[boat.className, boat.hullNumber, boat.base].join(' · ')}</Small>
              </View>
              <Bold size={22}>›</Bold>
            </ListRow>
          </Card>
        ))}
        {shelves}
      </View>
    </Screen>
  );
};

const Boats = ({ boats, find, onOpen }: { boats: readonly Boat[]; find: string; onOpen: (id: string) => void }) => {
  const { t } = useTranslation();
  const columns: Column<Boat>[] = [
    {
      id: 'name',
      header: t('bookings.boat'),
      accessorFn: ({ name }) => name,
      cell: ({ row }) => <Slab size={18}>{row.original.name}</Slab>,
      meta: { share: 1.5 },
    },
    {
      id: 'class',
      header: t('fleet.class'),
      accessorFn: ({ className }) => className,
      cell: ({ row }) => row.original.className,
      meta: { share: 1.5 },
    },
    { id: 'hull', header: t('fleet.hullNumber'), accessorFn: ({ hullNumber }) => hullNumber, cell: ({ row }) => row.original.hullNumber },
    { id: 'base', header: t('fleet.base'), accessorFn: ({ base }) => base, cell: ({ row }) => row.original.base, meta: { share: 1.2 } },
    {
      id: 'book',
      header: t('fleet.book'),
      accessorFn: ({ bookVersion }) => bookVersion,
      cell: ({ row }) => String(row.original.bookVersion),
      meta: { share: 0.7, numeric: true },
      enableGlobalFilter: false,
    },
  ];
  return (
    <Table
      label={t('nav.fleet')}
      rows={boats}
      columns={columns}
      idOf={({ id }) => id}
      sorted={{ id: 'name' }}
      find={find}
      none={t(boats.length === 0 ? 'fleet.none' : 'bookings.noneFound')}
      onOpen={({ id }) => onOpen(id)}
      testID="boat"
    />
  );
};

/** Books that bear on several boats at once. */
const Shelf = ({
  title,
  rows,
}: {
  title: string;
  /** @property on what each bears on, by name */
  rows: readonly { to: string; name: string; on: readonly string[] }[];
}) => {
  const { t } = useTranslation();
  const router = useRouter();
  const { wide } = useRoom();
  if (rows.length === 0) return null;
  const list = (
    <>
      <SlabBold size={21} heading={2}>
        {title}
      </SlabBold>
      {rows.map(({ to, name, on }) => (
        <ListRow
          key={to}
          label={name}
          onPress={() => router.push(`/fleet/${to}`)}
          testID={to.replace('/', '-')}
          style={{ paddingVertical: 8, flexDirection: 'row', alignItems: 'center', gap: 10 }}
        >
          <View style={{ flex: 1 }}>
            <Bold>{name}</Bold>
            <Small>{on.length > 0 ? on.join(', ') : t('fleet.bearsOnNone')}</Small>
          </View>
          <Bold size={22}>›</Bold>
        </ListRow>
      ))}
    </>
  );
  return wide ? <View style={{ gap: 2 }}>{list}</View> : <Card style={{ gap: 2 }}>{list}</Card>;
};
