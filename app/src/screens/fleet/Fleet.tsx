import { listBoats, listBooks } from '@quay/contract/fleet';
import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call, NoAnswer } from '../../data/api';
import { Card, Notice } from '../../ui/board';
import { Alt, Row } from '../../ui/press';
import { Screen } from '../../ui/screen';
import { Body, Bold, SlabBold, Small } from '../../ui/words';

/** The fleet: boats and their books. */
export const Fleet = () => {
  const { t } = useTranslation();
  const router = useRouter();
  const boats = useQuery({ queryKey: ['boats'], queryFn: () => call(listBoats) });
  const books = useQuery({ queryKey: ['books'], queryFn: () => call(listBooks) });
  return (
    <Screen title={t('fleet.title')} onBack={() => router.push('/')} measure={720}>
      <View style={{ padding: 12, gap: 12 }}>
        {boats.error ? (
          <Notice
            kind="stop"
            title={boats.error instanceof NoAnswer ? t('fleet.offline') : boats.error.message}
            action={<Alt label={t('common.again')} onPress={() => void boats.refetch()} />}
          />
        ) : null}
        {boats.isPending ? <Body>{t('common.loading')}</Body> : null}
        {boats.data?.boats.length === 0 ? <Body>{t('fleet.none')}</Body> : null}
        {boats.data?.boats.map((boat) => (
          <Card key={boat.id} style={{ padding: 0 }}>
            <Row
              label={`${boat.name}, ${boat.className}`}
              onPress={() => router.push(`/fleet/${boat.id}`)}
              testID={`boat-${boat.id}`}
              style={{ padding: 14, flexDirection: 'row', alignItems: 'center', gap: 10 }}
            >
              <View style={{ flex: 1, gap: 2 }}>
                <SlabBold size={22}>{boat.name}</SlabBold>
                <Small>{[boat.className, boat.hullNumber, boat.base, t('fleet.version', { n: boat.bookVersion })].join(' · ')}</Small>
              </View>
              <Bold size={22}>›</Bold>
            </Row>
          </Card>
        ))}
        {books.data ? (
          <>
            <Shelf title={t('fleet.classes')} at="class" rows={books.data.classes} />
            <Shelf title={t('fleet.bases')} at="base" rows={books.data.bases} />
          </>
        ) : null}
      </View>
    </Screen>
  );
};

/** Books that bear on several boats at once. */
const Shelf = ({
  title,
  at,
  rows,
}: {
  title: string;
  at: 'class' | 'base';
  rows: readonly { id: string; name: string; boats: readonly string[] }[];
}) => {
  const { t } = useTranslation();
  const router = useRouter();
  if (rows.length === 0) return null;
  return (
    <Card style={{ gap: 2 }}>
      <SlabBold size={21} heading={2}>
        {title}
      </SlabBold>
      {rows.map(({ id, name, boats }) => (
        <Row
          key={id}
          label={name}
          onPress={() => router.push(`/fleet/${at}/${id}`)}
          testID={`${at}-${id}`}
          style={{ paddingVertical: 8, flexDirection: 'row', alignItems: 'center', gap: 10 }}
        >
          <View style={{ flex: 1 }}>
            <Bold>{name}</Bold>
            <Small>{boats.length > 0 ? boats.join(', ') : t('fleet.bearsOnNone')}</Small>
          </View>
          <Bold size={22}>›</Bold>
        </Row>
      ))}
    </Card>
  );
};
