import { useRouter } from 'expo-router';
import { AnchorPage } from '../../trip/anchor/AnchorPage';
import { useRenting } from '../RenterFace';

/** How much anchor line to give, where the renter wants to lie. */
export const RenterAnchor = ({ at }: { at?: string | undefined }) => {
  const router = useRouter();
  const { view } = useRenting();
  return <AnchorPage view={view} at={at} onBack={() => (router.canGoBack() ? router.back() : router.push('/r'))} />;
};
