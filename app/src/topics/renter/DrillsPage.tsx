import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { Card, Notice } from '../../ui/board';
import { Body, Small } from '../../ui/words';
import { DrillRows, useDrills } from '../drill/DrillList';
import { Practise } from '../drill/DrillPage';
import { useStopWords } from '../../i18n/stopWords';
import { Page } from './Page';
import { useRenting } from './RenterFace';

/** What can be practised at home, and again afloat: the same panels as on the quay. */
const DrillsPage = () => {
  const { t } = useTranslation();
  const router = useRouter();
  const { view } = useRenting();
  const drills = useDrills(view);
  const spoken = useStopWords();
  if (!spoken) return null;
  return (
    <Page title={t('r.drills')}>
      <Body>{t('drill.whatFor')}</Body>
      {drills.length === 0 ? (
        <Notice kind="calm" title={t('drill.noneHere')} />
      ) : (
        <Card>
          <DrillRows drills={drills} onOpen={(id) => router.push(`/r/drill?id=${id}`)} />
        </Card>
      )}
      <Small size={14}>{t('drill.caution')}</Small>
    </Page>
  );
};

const RenterDrill = ({ drillId }: { drillId: string }) => {
  const router = useRouter();
  const { view } = useRenting();
  return <Practise view={view} drillId={drillId} onBack={() => (router.canGoBack() ? router.back() : router.push('/r/drill'))} />;
};

/** The list, or one of them. */
export const RenterDrills = ({ drillId }: { drillId: string | undefined }) =>
  drillId === undefined ? <DrillsPage /> : <RenterDrill drillId={drillId} />;
