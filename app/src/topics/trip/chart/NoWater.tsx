import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Notice } from '../../../ui/board';
import { Screen } from '../../../ui/screen';
import { Body } from '../../../ui/words';

/** In the place of a chart where nobody has drawn the water. */
export const NoWater = ({ title, boat, onBack }: { title: string; boat: string; onBack: () => void }) => {
  const { t } = useTranslation();
  return (
    <Screen title={title} sub={boat} onBack={onBack} measure={640}>
      <View style={{ padding: 12 }}>
        <Notice kind="ask" title={t('chart.none')}>
          <Body>{t('chart.noneWhy')}</Body>
        </Notice>
      </View>
    </Screen>
  );
};
