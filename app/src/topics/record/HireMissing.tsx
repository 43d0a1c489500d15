import { useLocalSearchParams } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { NoAnswer, Refused } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import { Unreadable } from '../../local/hire';
import { useMe } from '../../local/session';
import { Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { Screen } from '../../ui/screen';
import { Body } from '../../ui/words';
import { useBackToPlace } from '../navigation/lastPlace';
import { RepairCard } from './RepairCard';

const isBroken = (error: Error) => error instanceof Unreadable || (error instanceof Refused && error.problem.code === 'recordBroken');

/** A hire that is being fetched, or is not on this phone and cannot be had, or whose record cannot be read. */
export const HireMissing = ({ error, onAgain }: { error: Error | null; onAgain: () => void }) => {
  const { t } = useTranslation();
  const errorWords = useErrorWords();
  const back = useBackToPlace();
  const { hireId } = useLocalSearchParams<{ hireId?: string }>();
  const manager = useMe().data?.staff.role === 'manager';
  const broken = error !== null && isBroken(error);
  return (
    <Screen title={t('app.name')} onBack={back} measure={720}>
      <View style={{ padding: 16, gap: 16 }}>
        {error === null ? (
          <Body>{t('common.loading')}</Body>
        ) : broken ? (
          <>
            <Notice kind="stop" title={t('repair.broken')} action={<Button mode="outlined" label={t('common.again')} onPress={onAgain} />}>
              <Body>{t(manager ? 'repair.brokenManager' : 'repair.brokenHand')}</Body>
            </Notice>
            {manager && hireId !== undefined ? <RepairCard hireId={hireId} onMended={onAgain} /> : null}
          </>
        ) : (
          <Notice kind="stop" title={t('hire.missing')} action={<Button mode="outlined" label={t('common.again')} onPress={onAgain} />}>
            <Body>{error instanceof NoAnswer ? t('hire.missingWhy') : errorWords(error)}</Body>
          </Notice>
        )}
      </View>
    </Screen>
  );
};
