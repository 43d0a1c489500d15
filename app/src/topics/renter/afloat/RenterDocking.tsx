import { useRouter } from 'expo-router';
import { Docking, type DockingAddress } from '../../docking/DockingPage';
import { useRenting } from '../RenterFace';

/** The same plan and tasks, at home and afloat. */
export const RenterDocking = (address: DockingAddress) => {
  const router = useRouter();
  const { view } = useRenting();
  return (
    <Docking
      view={view}
      address={address}
      onGo={(to) => router.setParams(to)}
      onBack={() => (router.canGoBack() ? router.back() : router.push('/r/guide'))}
    />
  );
};
