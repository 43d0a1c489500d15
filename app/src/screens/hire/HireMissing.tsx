import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { NoAnswer } from '../../data/api';
import { Notice } from '../../ui/board';
import { Alt } from '../../ui/press';
import { Screen } from '../../ui/screen';
import { Body } from '../../ui/words';

/** A hire that is being fetched, or is not on this phone and cannot be had. */
export const HireMissing = ({ error, onAgain }: { error: Error | null; onAgain: () => void }) => {
  const { t } = useTranslation();
  const router = useRouter();
  return (
    <Screen title={t('app.name')} onBack={() => router.push('/')}>
      <View style={{ padding: 16 }}>
        {error ? (
          <Notice kind="stop" title={t('hire.missing')} action={<Alt label={t('common.again')} onPress={onAgain} />}>
            <Body>{error instanceof NoAnswer ? t('hire.missingWhy') : error.message}</Body>
          </Notice>
        ) : (
          <Body>{t('common.loading')}</Body>
        )}
      </View>
    </Screen>
  );
};
