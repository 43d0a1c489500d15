import { useRouter } from 'expo-router';
import { ChartPaper } from '../../trip/chart/ChartPaper';
import { useRenting } from '../RenterFace';

/** The chart and the plan as a page to print, at home before one comes. */
export const RenterPaper = () => {
  const router = useRouter();
  const { view } = useRenting();
  return <ChartPaper view={view} onBack={() => (router.canGoBack() ? router.back() : router.push('/r/chart'))} />;
};
