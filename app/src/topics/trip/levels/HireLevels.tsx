import { useRouter } from 'expo-router';
import { useHire } from '../../../local/hire';
import { HireMissing } from '../../record/HireMissing';
import { LevelsPage } from './LevelsPage';

/** How long what is in the tanks lasts a hire, for whoever lets her go. */
export const HireLevels = ({ hireId }: { hireId: string }) => {
  const router = useRouter();
  const { view, error, refetch } = useHire(hireId);
  if (!view) return <HireMissing error={error} onAgain={refetch} />;
  return <LevelsPage view={view} onBack={() => (router.canGoBack() ? router.back() : router.push(`/hire/${hireId}`))} />;
};
