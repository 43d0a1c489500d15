import { type AttentionMatter, bringBack, getAttention, putAside } from '@quay/contract/attention';
import { say } from '@quay/core/fleet/words';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { type Dispute, listDisputes } from '@quay/contract/settlement';
import { call } from '../../data/api';
import { useErrorWords } from '../../data/errorWords';
import { Notice, Tag, type TagKind } from '../../ui/board';
import { Money } from '../../ui/money';
import { Alt, Row } from '../../ui/press';
import { Screen } from '../../ui/screen';
import { useSnack } from '../../ui/snack';
import { useTones } from '../../ui/theme';
import { Body, Slab, Small } from '../../ui/words';

const GRAVE: readonly AttentionMatter['kind'][] = ['diskLow', 'broken', 'twiceOut', 'overdue', 'despite', 'contradictions', 'seals'];
const tagOf = (kind: AttentionMatter['kind']): TagKind => (GRAVE.includes(kind) ? 'stop' : 'ask');

/** Where a matter is dealt with; nowhere in here where it is the machine's. */
const pathOf = ({ kind, hire, boat }: AttentionMatter): string | undefined => {
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
  const router = useRouter();
  const snack = useSnack();
  const client = useQueryClient();
  const disputes = useQuery({ queryKey: ['disputes'], queryFn: () => call(listDisputes), refetchInterval: 15_000 }).data?.disputes;
  const { data, error } = useQuery({ queryKey: ['attention'], queryFn: () => call(getAttention), refetchInterval: 15_000 });
  const again = () => client.invalidateQueries({ queryKey: ['attention'] });
  const back = useMutation({ mutationFn: (key: string) => call(bringBack, { body: { key } }), onSuccess: again });
  const aside = useMutation({
    mutationFn: (key: string) => call(putAside, { body: { key } }),
    onSuccess: async (_, key) => {
      await again();
      snack({ text: t('attention.aside'), undo: () => back.mutate(key) });
    },
  });
  return (
    <Screen title={t('attention.title')} onBack={() => router.push('/')} measure={720}>
      <View style={{ padding: 12 }}>
        <View style={{ flexDirection: 'row', paddingBottom: 10 }}>
          <Alt label={t('settle.figures')} onPress={() => router.push('/figures')} testID="to-figures" />
        </View>
        <Disputes disputes={disputes} />
        {error ? <Notice kind="stop" title={said(error)} /> : null}
        {aside.error ? <Notice kind="stop" title={said(aside.error)} /> : null}
        {data?.matters.length === 0 && disputes?.length === 0 ? <Notice kind="ok" title={t('attention.none')} /> : null}
        {data?.matters.map((one) => (
          <Matter key={one.key} matter={one} onSeen={() => aside.mutate(one.key)} />
        ))}
        {!data && !error ? <Body>{t('common.loading')}</Body> : null}
      </View>
    </Screen>
  );
};

const Matter = ({ matter, onSeen }: { matter: AttentionMatter; onSeen: () => void }) => {
  const { t, i18n } = useTranslation();
  const router = useRouter();
  const tones = useTones();
  const what = t(`attention.${matter.kind}`, { count: matter.count, thing: matter.thing ? say(matter.thing, i18n.language) : '' });
  const name = matter.boatName ?? t('attention.quay');
  const id = `${matter.kind}-${matter.hire ?? matter.boat ?? 'quay'}`;
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
        <Row
          label={[name, matter.renter, what].filter(Boolean).join(', ')}
          onPress={() => router.push(path)}
          style={{ flex: 1 }}
          testID={`matter-${id}`}
        >
          {said}
        </Row>
      )}
      <Alt label={t('attention.seen')} onPress={onSeen} testID={`seen-${id}`} />
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
    <View style={{ paddingBottom: 14 }}>
      <Slab size={21} heading={2}>
        {t('settle.desk')}
      </Slab>
      {disputes.map((one) => (
        <Row
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
        </Row>
      ))}
    </View>
  );
};
