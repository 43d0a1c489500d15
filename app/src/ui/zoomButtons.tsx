import { mdiFitToPageOutline, mdiMinus, mdiPlus } from '@mdi/js';
import { useTranslation } from 'react-i18next';
import { IconButton } from './controls/button';

/** What is looked at more nearly, or from farther off. */
type Zoomed = { nearer: () => void; farther: () => void; whole: () => void };

/** Nearer, farther, and all of it; a chart is not always there yet when its buttons are. */
export const ZoomButtons = ({ of }: { of: Zoomed | undefined }) => {
  const { t } = useTranslation();
  return (
    <>
      <IconButton path={mdiPlus} label={t('chart.nearer')} onPress={() => of?.nearer()} testID="nearer" />
      <IconButton path={mdiMinus} label={t('chart.farther')} onPress={() => of?.farther()} testID="farther" />
      <IconButton path={mdiFitToPageOutline} label={t('chart.whole')} onPress={() => of?.whole()} testID="whole" />
    </>
  );
};
