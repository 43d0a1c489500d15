import { useRouter } from 'expo-router';
import { useHire } from '../../../local/hire';
import { HireMissing } from '../../record/HireMissing';
import { AnchorPage } from './AnchorPage';

/** Anchor and line of a hire's boat, for whoever shows it to the renter. */
export const HireAnchor = ({ hireId, at }: { hireId: string; at?: string | undefined }) => {
  const router = useRouter();
  const { view, error, refetch } = useHire(hireId);
  if (!view) return <HireMissing error={error} onAgain={refetch} />;
  return <AnchorPage view={view} at={at} onBack={() => (router.canGoBack() ? router.back() : router.push(`/hire/${hireId}`))} />;
};
