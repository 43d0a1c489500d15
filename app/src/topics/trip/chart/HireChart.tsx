import { useRouter } from 'expo-router';
import { useCallback } from 'react';
import { useHire } from '../../../local/hire';
import { HireMissing } from '../../record/HireMissing';
import { ChartPage } from './ChartPage';
import type { ChartAddress } from './useChartDay';

/** The chart of a hire, for whoever plans the day with the renter. */
export const HireChart = ({ hireId, ...address }: { hireId: string } & ChartAddress) => {
  const router = useRouter();
  const { view, error, refetch } = useHire(hireId);
  const go = useCallback((to: ChartAddress) => router.setParams(to), [router]);
  if (!view) return <HireMissing error={error} onAgain={refetch} />;
  return (
    <ChartPage
      view={view}
      address={address}
      onGo={go}
      onAnchor={(at) => router.push({ pathname: `/hire/${hireId}/anchor`, params: { at } })}
      onPaper={() => router.push(`/hire/${hireId}/paper`)}
      onBack={() => (router.canGoBack() ? router.back() : router.push(`/hire/${hireId}`))}
    />
  );
};
