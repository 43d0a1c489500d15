import { type ComponentType, createElement, lazy, Suspense } from 'react';
import { View } from 'react-native';
import { useTones } from './theme';

const nothing = () => Promise.resolve();

const Waiting = () => <View style={{ flex: 1, backgroundColor: useTones().ground }} />;

/**
 * A screen in a file of its own, fetched when it is opened, or from what is kept offline.
 * @param pick which of the file's components it is @param before what it needs besides, its words for one
 */
export const lazyScreen = <F, P extends object>(
  file: () => Promise<F>,
  pick: (file: F) => ComponentType<P>,
  before: () => Promise<unknown> = nothing,
): ComponentType<P> => {
  const Screen = lazy(async () => {
    await before();
    return { default: pick(await file()) };
  });
  return function Opened(props: P) {
    return <Suspense fallback={<Waiting />}>{createElement<P>(Screen, props)}</Suspense>;
  };
};
