import { type ComponentType, lazy, Suspense, useContext } from 'react';
import { View } from 'react-native';
import { loadShared } from '../platform/browser';
import { useTones } from '../ui/theme';
import type * as renterFaceFile from './renter/face';
import { LetIn } from './session/letIn';
import type * as staffFaceFile from './staffFace';

const nothing = () => Promise.resolve();
const insideWords = async () => {
  await Promise.all([loadShared(), import('./insideWords').then(({ ready }) => ready)]);
};

const Waiting = () => <View style={{ flex: 1, backgroundColor: useTones().ground }} />;

/** A screen in a file of its own, fetched when it is opened, or from what is kept offline. @param before what it needs besides, its words for one */
const later = <F, P extends object>(
  file: () => Promise<F>,
  pick: (file: F) => ComponentType<P>,
  before: () => Promise<unknown>,
): ComponentType<P> => {
  const Screen = lazy(async () => {
    await before();
    return { default: pick(await file()) };
  }) as unknown as ComponentType<P>;
  return function Opened(props: P) {
    return (
      <Suspense fallback={<Waiting />}>
        <Screen {...props} />
      </Suspense>
    );
  };
};

/** A part of what staff see first. Renters never load it. */
export const staffFace = <P extends object>(pick: (face: typeof staffFaceFile) => ComponentType<P>): ComponentType<P> =>
  later(() => import('./staffFace'), pick, nothing);

/** A part of what a renter sees first. Staff never load it. */
export const renterFace = <P extends object>(pick: (face: typeof renterFaceFile) => ComponentType<P>): ComponentType<P> =>
  later(() => import('./renter/face'), pick, nothing);

/** A page of the renter's behind the start. */
export const renterScreen = <F, P extends object>(file: () => Promise<F>, pick: (file: F) => ComponentType<P>): ComponentType<P> =>
  later(file, pick, loadShared);

/** A page of a renter's who walks without staff: made of the same parts as the staff's walk, and speaking its words. */
export const aloneScreen = <F, P extends object>(file: () => Promise<F>, pick: (file: F) => ComponentType<P>): ComponentType<P> =>
  later(file, pick, insideWords);

/** A screen behind the staff's first view. For staff, unless said otherwise. */
export const staffScreen = <F, P extends object>(
  file: () => Promise<F>,
  pick: (file: F) => ComponentType<P>,
  { everybody = false } = {},
): ComponentType<P> => {
  const Screen = later(file, pick, insideWords);
  return function Guarded(props: P) {
    const letIn = useContext(LetIn);
    return letIn || everybody ? <Screen {...props} /> : null;
  };
};
