import { type AttentionMatter, bringBack, putAside } from '@quay/contract/attention';
import { say } from '@quay/core/words/words';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { Dispute } from '@quay/contract/settlement';
import { call } from '../../local/api';
import { attentionQuery, disputesQuery } from '../../local/attention';
import { useErrorWords } from '../../local/errorWords';
import { Notice, Tag } from '../../ui/board';
import { Money } from '../../ui/controls/money';
import { Button } from '../../ui/controls/button';
import { ListRow } from '../../ui/controls/listRow';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { useSnack } from '../../ui/controls/snack';
import { type Column, Table } from '../../ui/controls/table';
import { useTones } from '../../ui/theme';
import { Body, Slab, SlabBold, Small } from '../../ui/words';
import { tagOf } from './attentionTag';

/** Where a matter is dealt with; nowhere in here where it is the machine's. */
const pathOf = ({ kind, hire, boat }: AttentionMatter): string | undefined => {
  if (kind === 'feed') return '/bookings/exchange';
  if (boat === null) return undefined;
  if (hire === null) return `/fleet/${boat}`;
  switch (kind) {
    case 'overdue':
      return `/hire/${hire}/walk/in`;
    case 'reported':
      return `/hire/${hire}/turnaround`;
    default:
      return `/hire/${hire}`;
  }
};

/** What wants a manager's eye: each leads to its place, and is put aside once it was seen. */
export const Attention = () => {
  const { t } = useTranslation();
  const said = useErrorWords();
  const snack = useSnack();
  const client = useQueryClient();
  const { wide } = useRoom();
  const disputes = useQuery({ ...disputesQuery, refetchInterval: 15_000 }).data?.disputes;
  const { data, error } = useQuery({ ...attentionQuery, refetchInterval: 15_000 });
  const again = () => client.invalidateQueries({ queryKey: attentionQuery.queryKey });
  const back = useMutation({ mutationFn: (key: string) => call(bringBack, { body: { key } }), onSuccess: again });
  const aside = useMutation({
    mutationFn: (key: string) => call(putAside, { body: { key } }),
    onSuccess: async (_, key) => {
      await again();
      snack({ text: t('attention.aside'), undo: () => back.mutate(key) });
    },
  });
  const matters = (
    <>
      {error ? <Notice kind="stop" title={said(error)} /> : null}
      {aside.error ? <Notice kind="stop" title={said(aside.error)} /> : null}
      {!data && !error ? <Body>{t('common.loading')}</Body> : null}
    </>
  );
  const none = data?.matters.length === 0;
  if (wide)
    return (
      <Screen
        title={t('nav.attention')}
        fill
        top={<View style={{ paddingHorizontal: 16 }}>{matters}</View>}
        side={
          <View style={{ padding: 16, gap: 6 }}>
            <SlabBold size={22} heading={2}>
              {t('settle.desk')}
            </SlabBold>
            {disputes?.length === 0 ? <Body>{t('settle.deskNone')}</Body> : null}
            <Disputes disputes={disputes} />
          </View>
        }
        sideWidth={400}
      >
        {data ? <Matters matters={data.matters} onSeen={(key) => aside.mutate(key)} /> : null}
      </Screen>
    );
  return (
    <Screen title={t('nav.attention')} measure={720}>
      <View style={{ padding: 12 }}>
        {disputes && disputes.length > 0 ? (
          <View style={{ paddingBottom: 14 }}>
            <Slab size={21} heading={2}>
              {t('settle.desk')}
            </Slab>
            <Disputes disputes={disputes} />
          </View>
        ) : null}
        {matters}
        {none && disputes?.length === 0 ? <Notice kind="ok" title={t('attention.none')} /> : null}
        {data?.matters.map((one) => (
          <Matter key={one.key} matter={one} onSeen={() => aside.mutate(one.key)} />
        ))}
      </View>
    </Screen>
  );
};

/** What a matter is, in words. */
const useMatterWhat = () => {
  const { t, i18n } = useTranslation();
  return ({ kind, count, thing }: AttentionMatter): string =>
    t(`attention.${kind}`, { count, thing: thing ? say(thing, i18n.language) : '' });
};
const testIdOf = ({ kind, hire, boat }: AttentionMatter): string => `${kind}-${hire ?? boat ?? 'quay'}`;

/** On a desk: all that waits, sorted by any column. */
const Matters = ({ matters, onSeen }: { matters: readonly AttentionMatter[]; onSeen: (key: string) => void }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const whatOf = useMatterWhat();
  const nameOf = ({ boatName }: AttentionMatter) => boatName ?? t('attention.quay');
  const columns: Column<AttentionMatter>[] = [
    {
      id: 'boat',
      header: t('bookings.boat'),
      accessorFn: nameOf,
      cell: ({ row }) => <Slab size={18}>{nameOf(row.original)}</Slab>,
      meta: { share: 1.3 },
    },
    {
      id: 'renter',
      header: t('bookings.renter'),
      accessorFn: ({ renter }) => renter ?? '',
      cell: ({ row }) => row.original.renter ?? '',
      meta: { share: 1.3 },
    },
    {
      id: 'what',
      header: t('attention.what'),
      accessorFn: whatOf,
      cell: ({ row }) => <Tag kind={tagOf(row.original.kind)}>{whatOf(row.original)}</Tag>,
      meta: { share: 2.4 },
    },
    {
      id: 'seen',
      header: '',
      cell: ({ row }) => (
        <Button
          mode="outlined"
          label={t('attention.seen')}
          onPress={() => onSeen(row.original.key)}
          testID={`seen-${testIdOf(row.original)}`}
        />
      ),
      enableSorting: false,
      meta: { share: 0.9 },
    },
  ];
  return (
    <Table
      label={t('nav.attention')}
      rows={matters}
      columns={columns}
      idOf={testIdOf}
      sorted={{ id: 'boat' }}
      none={
        <View style={{ padding: 16 }}>
          <Notice kind="ok" title={t('attention.none')} />
        </View>
      }
      onOpen={(matter) => {
        const path = pathOf(matter);
        if (path !== undefined) router.push(path);
      }}
      testID="matter"
    />
  );
};

const Matter = ({ matter, onSeen }: { matter: AttentionMatter; onSeen: () => void }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const tones = useTones();
  const what = useMatterWhat()(matter);
  const name = matter.boatName ?? t('attention.quay');
  const id = testIdOf(matter);
  const path = pathOf(matter);
  const said = (
    <View style={{ paddingVertical: 10, gap: 6 }}>
      <Slab size={20}>{name}</Slab>
      {matter.renter === null ? null : <Small>{matter.renter}</Small>}
      <Tag kind={tagOf(matter.kind)}>{what}</Tag>
    </View>
  );
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10, borderBottomWidth: 1, borderBottomColor: tones.line }}>
      {path === undefined ? (
        <View style={{ flex: 1 }} testID={`matter-${id}`}>
          {said}
        </View>
      ) : (
        <ListRow
          label={[name, matter.renter, what].filter(Boolean).join(', ')}
          onPress={() => router.push(path)}
          style={{ flex: 1 }}
          testID={`matter-${id}`}
        >
          {said}
        </ListRow>
      )}
      <Button mode="outlined" label={t('attention.seen')} onPress={onSeen} testID={`seen-${id}`} />
    </View>
  );
};

/** Closed hires with lines that nobody has settled yet: the manager's desk. */
const Disputes = ({ disputes }: { disputes: readonly Dispute[] | undefined }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const tones = useTones();
  if (!disputes || disputes.length === 0) return null;
  return (
    <View>
      {disputes.map((one) => (
        <ListRow
          key={one.hire}
          label={`${one.boat}, ${one.renter}`}
          onPress={() => router.push(`/hire/${one.hire}/statement`)}
          style={{ borderBottomWidth: 1, borderBottomColor: tones.line }}
          testID={`dispute-${one.hire}`}
        >
          <View style={{ paddingVertical: 10, gap: 4 }}>
            <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 10 }}>
              <Slab size={20}>{one.boat}</Slab>
              <Money minor={one.openMinor} currency={one.currency} size={22} />
            </View>
            <Small>{`${one.renter} · ${t('statement.title')} ${one.number}`}</Small>
            {one.remarks.map((remark) => (
              <Body key={remark}>{`“${remark}”`}</Body>
            ))}
          </View>
        </ListRow>
      ))}
    </View>
  );
};
