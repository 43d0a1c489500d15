import { type ComponentType, lazy, Suspense, useContext } from 'react';
import { View } from 'react-native';
import { useTones } from '../ui/theme';
import { LetIn } from './session/letIn';
import type * as inside from './inside';

type Inside = typeof inside;

const Waiting = () => <View style={{ flex: 1, backgroundColor: useTones().ground }} />;

/** A screen behind the first view, fetched when it is opened (or from what is kept offline). For staff, unless said otherwise. */
export const open = <P extends object>(pick: (inside: Inside) => ComponentType<P>, { everybody = false } = {}): ComponentType<P> => {
  const Screen = lazy(() => import('./inside').then((all) => ({ default: pick(all) }))) as unknown as ComponentType<P>;
  return function Opened(props: P) {
    const letIn = useContext(LetIn);
    if (!letIn && !everybody) return null;
    return (
      <Suspense fallback={<Waiting />}>
        <Screen {...props} />
      </Suspense>
    );
  };
};
