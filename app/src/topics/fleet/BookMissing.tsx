import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Notice } from '../../ui/board';
import { Screen } from '../../ui/screen';
import { Body } from '../../ui/words';

/** A book that is being fetched, or could not be. */
export const BookMissing = ({ failed }: { failed: string | undefined }) => {
  const { t } = useTranslation();
  const router = useRouter();
  return (
    <Screen title={t('fleet.title')} onBack={() => router.push('/fleet')} measure={860}>
      <View style={{ padding: 12 }}>{failed ? <Notice kind="stop" title={failed} /> : <Body>{t('common.loading')}</Body>}</View>
    </Screen>
  );
};
