import { type ComponentType, lazy, Suspense, useContext } from 'react';
import { View } from 'react-native';
import { useTones } from '../ui/theme';
import type * as inside from './inside';
import type * as renterFaceFile from './renter/face';
import type * as pocketFile from './renter/pocket';
import { LetIn } from './session/letIn';
import type * as staffFaceFile from './staffFace';

type Inside = typeof inside;

const Waiting = () => <View style={{ flex: 1, backgroundColor: useTones().ground }} />;

const wait = <P extends object>(Screen: ComponentType<P>): ComponentType<P> =>
  function Opened(props: P) {
    return (
      <Suspense fallback={<Waiting />}>
        <Screen {...props} />
      </Suspense>
    );
  };

const later = <F, P extends object>(file: () => Promise<F>, pick: (file: F) => ComponentType<P>): ComponentType<P> =>
  wait(lazy(() => file().then((all) => ({ default: pick(all) }))) as unknown as ComponentType<P>);

/** A part of what staff see first. Renters never load it. */
export const staffFace = <P extends object>(pick: (face: typeof staffFaceFile) => ComponentType<P>): ComponentType<P> =>
  later(() => import('./staffFace'), pick);

/** A part of what a renter sees first. Staff never load it. */
export const renterFace = <P extends object>(pick: (face: typeof renterFaceFile) => ComponentType<P>): ComponentType<P> =>
  later(() => import('./renter/face'), pick);

/** A page of the renter's behind the start. */
export const pocket = <P extends object>(pick: (pages: typeof pocketFile) => ComponentType<P>): ComponentType<P> =>
  later(() => import('./renter/pocket'), pick);

/** A page of a renter's who walks without staff: made of the same parts as the staff's walk, and in one file with it. */
export const alone = <P extends object>(pick: (inside: Inside) => ComponentType<P>): ComponentType<P> =>
  later(() => import('./inside'), pick);

/** A screen behind the staff's first view, fetched when it is opened (or from what is kept offline). For staff, unless said otherwise. */
export const open = <P extends object>(pick: (inside: Inside) => ComponentType<P>, { everybody = false } = {}): ComponentType<P> => {
  const Screen = later(() => import('./inside'), pick);
  return function Guarded(props: P) {
    const letIn = useContext(LetIn);
    return letIn || everybody ? <Screen {...props} /> : null;
  };
};
