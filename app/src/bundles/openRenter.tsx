import type { ComponentType } from 'react';
import { insideWords } from '../i18n/insideWords';
import { loadShared } from '../platform/browser';
import { lazyScreen } from '../ui/lazyScreen';
import type * as renterFile from './renter';

/** Opens what a renter sees; staff never load any of it. */

/** A part of what they see first. */
export const renterPart = <P extends object>(pick: (bundle: typeof renterFile) => ComponentType<P>): ComponentType<P> =>
  lazyScreen(() => import('./renter'), pick);

/** A page behind the start. */
export const renterScreen = <F, P extends object>(file: () => Promise<F>, pick: (file: F) => ComponentType<P>): ComponentType<P> =>
  lazyScreen(file, pick, loadShared);

/** A page of a renter's who walks without staff: made of the same parts as the staff's walk, and speaking its words. */
export const aloneScreen = <F, P extends object>(file: () => Promise<F>, pick: (file: F) => ComponentType<P>): ComponentType<P> =>
  lazyScreen(file, pick, insideWords);
