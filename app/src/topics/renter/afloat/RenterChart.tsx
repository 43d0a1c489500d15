import { useRouter } from 'expo-router';
import { useCallback } from 'react';
import { ChartPage } from '../../trip/chart/ChartPage';
import type { ChartAddress } from '../../trip/chart/useChartDay';
import { useRenting } from '../RenterFace';

/** The chart and the day on it, at home and afloat. */
export const RenterChart = (address: ChartAddress) => {
  const router = useRouter();
  const { view } = useRenting();
  const go = useCallback((to: ChartAddress) => router.setParams(to), [router]);
  return (
    <ChartPage
      view={view}
      address={address}
      onGo={go}
      onAnchor={(at) => router.push({ pathname: '/r/anchor', params: { at } })}
      onPaper={() => router.push('/r/paper')}
      onBack={() => (router.canGoBack() ? router.back() : router.push('/r'))}
    />
  );
};
