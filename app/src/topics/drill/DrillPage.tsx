import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { type HireView, useHire } from '../../local/hire';
import { isFull } from '../../local/localDb';
import { HireMissing } from '../record/HireMissing';
import { useStopWords } from '../../i18n/stopWords';
import { useSnack } from '../../ui/controls/snack';
import { DrillPanel } from './DrillPanel';

/** A drill of a hire’s boat, practised beside the renter: what comes of it goes into the record. */
export const DrillPage = ({ hireId, drillId }: { hireId: string; drillId: string }) => {
  const router = useRouter();
  const { view, error, refetch } = useHire(hireId);
  if (!view) return <HireMissing error={error} onAgain={refetch} />;
  return <Practise view={view} drillId={drillId} onBack={() => (router.canGoBack() ? router.back() : router.push(`/hire/${hireId}`))} />;
};

export const Practise = ({ view, drillId, onBack }: { view: HireView; drillId: string; onBack: () => void }) => {
  const { t } = useTranslation();
  const snack = useSnack();
  const spoken = useStopWords();
  const drill = view.pack.book.drills.find(({ id }) => id === drillId);
  if (!spoken) return null;
  if (!drill) return <HireMissing error={new Error(t('drill.none'))} onAgain={onBack} />;
  return (
    <DrillPanel
      drill={drill}
      boat={view.pack.boat.name}
      prices={view.pack.prices}
      onBack={onBack}
      onDone={async (body) => {
        try {
          const added = await view.add([body]);
          snack({ text: t('drill.kept'), undo: () => void view.undo(added) });
        } catch (error) {
          if (!isFull(error)) throw error;
          snack({ text: `${t('pending.full')}. ${t('pending.fullWhy')}` });
        }
      }}
    />
  );
};
