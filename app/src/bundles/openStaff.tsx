import { type ComponentType, useContext } from 'react';
import { insideWords } from '../i18n/insideWords';
import { LetIn } from '../local/letIn';
import { lazyScreen } from '../ui/lazyScreen';
import type * as staffFile from './staff';

/** Opens what staff see; renters never load any of it. */

/** A part of what they see first. */
export const staffPart = <P extends object>(pick: (bundle: typeof staffFile) => ComponentType<P>): ComponentType<P> =>
  lazyScreen(() => import('./staff'), pick);

/** A screen behind that. For whoever is signed in, unless said otherwise. */
export const staffScreen = <F, P extends object>(
  file: () => Promise<F>,
  pick: (file: F) => ComponentType<P>,
  { everybody = false } = {},
): ComponentType<P> => {
  const Screen = lazyScreen(file, pick, insideWords);
  return function Guarded(props: P) {
    const letIn = useContext(LetIn);
    return letIn || everybody ? <Screen {...props} /> : null;
  };
};
