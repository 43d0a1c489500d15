import { useRouter } from 'expo-router';
import { LevelsPage } from '../../trip/levels/LevelsPage';
import { useRenting } from '../RenterFace';

/** How long water, waste, gas and generator fuel last this party. */
export const RenterLevels = () => {
  const router = useRouter();
  const { view } = useRenting();
  return <LevelsPage view={view} onBack={() => (router.canGoBack() ? router.back() : router.push('/r'))} />;
};
