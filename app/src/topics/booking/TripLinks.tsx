import { isOvernight } from '@quay/core/trip/levels/levels';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { Button } from '../../ui/controls/button';

/** Ways from a hire to its time on the water: the chart, how long the tanks last, coming alongside. */
export const TripLinks = ({ hire, zone }: { hire: { id: string; from: string; to: string }; zone: string }) => {
  const { t } = useTranslation();
  const router = useRouter();
  return (
    <>
      <Button mode="outlined" label={t('hire.chart')} onPress={() => router.push(`/hire/${hire.id}/chart`)} testID="open-chart" />
      {isOvernight(hire, zone) ? (
        <Button mode="outlined" label={t('hire.levels')} onPress={() => router.push(`/hire/${hire.id}/levels`)} testID="open-levels" />
      ) : null}
      <Button mode="outlined" label={t('hire.docking')} onPress={() => router.push(`/hire/${hire.id}/docking`)} testID="docking" />
    </>
  );
};
