import { useRouter } from 'expo-router';
import { useHire } from '../../../local/hire';
import { HireMissing } from '../../record/HireMissing';
import { ChartPaper } from './ChartPaper';

/** A hire's chart and plan as a page to print. */
export const HirePaper = ({ hireId }: { hireId: string }) => {
  const router = useRouter();
  const { view, error, refetch } = useHire(hireId);
  if (!view) return <HireMissing error={error} onAgain={refetch} />;
  return <ChartPaper view={view} onBack={() => (router.canGoBack() ? router.back() : router.push(`/hire/${hireId}/chart`))} />;
};
