import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useNow } from '../../ui/clock';
import { whenOf } from '../../ui/format';
import { Plan } from '../../ui/drawn/plan';
import { Button } from '../../ui/controls/button';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { Body, SlabBold } from '../../ui/words';
import type { WalkView } from '../../local/useWalk';

/**
 * A boat is in one place: while somebody else is out with her nobody walks her out, whoever waives what. Staff are led to
 * where she is said to be back; a renter waits for the quay.
 */
export const StillOut = ({ view, away, onBack }: { view: WalkView; away: NonNullable<WalkView['away']>; onBack: () => void }) => {
  const { t, i18n } = useTranslation();
  const router = useRouter();
  const now = useNow();
  const { width, height } = useRoom();
  const { pack } = view;
  const due = whenOf(away.due, pack.base.zone, now, i18n.language);
  return (
    <Screen
      title={pack.boat.name}
      sub={pack.hire.renter}
      onBack={onBack}
      measure={640}
      footer={
        away.hire === '' ? (
          <Button mode="contained" label={t('common.back')} tone="warning" onPress={onBack} />
        ) : (
          <Button
            mode="contained"
            label={t('away.walkIn')}
            onPress={() => router.push(`/hire/${away.hire}/walk/in`)}
            testID="walk-in-first"
          />
        )
      }
    >
      <Plan plan={pack.book.plan} stations={[]} stops={[]} width={Math.min(640, width)} height={Math.min(240, height * 0.3)} />
      <View style={{ padding: 16, gap: 10 }}>
        <SlabBold heading={2}>{t('away.title')}</SlabBold>
        <Body>{away.renter === '' ? t('away.whyOther', { time: due }) : t('away.why', { renter: away.renter, time: due })}</Body>
      </View>
    </Screen>
  );
};
