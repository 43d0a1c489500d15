import { getAttention } from '@quay/contract/hire';
import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { type Dispute, listDisputes } from '@quay/contract/settlement';
import { call } from '../../data/api';
import { useErrorWords } from '../../data/errorWords';
import { Notice, Tag } from '../../ui/board';
import { Money } from '../../ui/money';
import { Alt, Row } from '../../ui/press';
import { Screen } from '../../ui/screen';
import { useTones } from '../../ui/theme';
import { Body, Slab, Small } from '../../ui/words';

const KINDS = ['despite', 'contradictions', 'late', 'proposed', 'wrongClocks', 'seals'] as const;

/** Hires whose record wants a manager's eye: late entries, proposals, contradictions, clocks, seals. */
export const Attention = () => {
  const { t } = useTranslation();
  const said = useErrorWords();
  const router = useRouter();
  const tones = useTones();
  const disputes = useQuery({ queryKey: ['disputes'], queryFn: () => call(listDisputes), refetchInterval: 15_000 }).data?.disputes;
  const { data, error } = useQuery({ queryKey: ['attention'], queryFn: () => call(getAttention), refetchInterval: 15_000 });
  return (
    <Screen title={t('attention.title')} onBack={() => router.push('/')} measure={720}>
      <View style={{ padding: 12 }}>
        <View style={{ flexDirection: 'row', paddingBottom: 10 }}>
          <Alt label={t('settle.figures')} onPress={() => router.push('/figures')} testID="to-figures" />
        </View>
        <Disputes disputes={disputes} />
        {error ? <Notice kind="stop" title={said(error)} /> : null}
        {data?.hires.length === 0 && disputes?.length === 0 ? <Notice kind="ok" title={t('attention.none')} /> : null}
        {data?.hires.map((one) => (
          <Row
            key={one.hire}
            label={`${one.boat}, ${one.renter}`}
            onPress={() => router.push(`/hire/${one.hire}`)}
            style={{ borderBottomWidth: 1, borderBottomColor: tones.line }}
          >
            <View style={{ paddingVertical: 10, gap: 6 }}>
              <Slab size={20}>{one.boat}</Slab>
              <Small>{one.renter}</Small>
              <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
                {KINDS.filter((kind) => one[kind] > 0).map((kind) => (
                  <Tag key={kind} kind={kind === 'despite' || kind === 'contradictions' || kind === 'seals' ? 'stop' : 'ask'}>
                    {t(`attention.${kind}`, { count: one[kind] })}
                  </Tag>
                ))}
                {one.broken ? <Tag kind="stop">{t('attention.broken')}</Tag> : null}
                {one.holdEndsAt === null ? null : <Tag kind="ask">{t('attention.holdEnds')}</Tag>}
              </View>
            </View>
          </Row>
        ))}
        {!data && !error ? <Body>{t('common.loading')}</Body> : null}
      </View>
    </Screen>
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
