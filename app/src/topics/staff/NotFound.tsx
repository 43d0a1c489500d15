import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { Screen } from '../../ui/screen';
import { Body } from '../../ui/words';

/** An address that leads nowhere. */
export const NotFound = () => {
  const { t } = useTranslation();
  const router = useRouter();
  return (
    <Screen
      title={t('app.name')}
      measure={560}
      footer={<Button mode="contained" label={t('notFound.go')} onPress={() => router.replace('/')} />}
    >
      <View style={{ padding: 16 }}>
        <Notice kind="ask" title={t('notFound.title')}>
          <Body>{t('notFound.why')}</Body>
        </Notice>
      </View>
    </Screen>
  );
};
