import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Plan } from '../../ui/drawn/plan';
import { Button } from '../../ui/controls/button';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { Body, SlabBold } from '../../ui/words';
import type { WalkView } from '../../local/useWalk';

/** She is still out as far as the record knows: the moment she came in is entered by a press of its own, since lateness is read off it. */
export const ComeIn = ({ view, onBack }: { view: WalkView; onBack: () => void }) => {
  const { t } = useTranslation();
  const { width, height } = useRoom();
  return (
    <Screen
      title={view.pack.boat.name}
      sub={view.pack.hire.renter}
      onBack={onBack}
      measure={640}
      footer={
        <Button
          mode="contained"
          label={t('walk.comeInGo')}
          onPress={() => void view.enter([{ kind: 'cameIn' }], t('walk.comeInDone'))}
          testID="came-in"
        />
      }
    >
      <Plan plan={view.pack.book.plan} stations={[]} stops={[]} width={Math.min(640, width)} height={Math.min(240, height * 0.3)} />
      <View style={{ padding: 16, gap: 10 }}>
        <SlabBold heading={2}>{t('walk.comeInTitle')}</SlabBold>
        <Body>{t('walk.comeInWhy')}</Body>
      </View>
    </Screen>
  );
};
