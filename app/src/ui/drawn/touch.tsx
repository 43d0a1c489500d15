import { type ComponentProps, lazy, type ReactNode, Suspense, use } from 'react';
import { View } from 'react-native';
import type { Followed } from './followed';
import type { Zoomable as Near } from '../../platform/zoom';

export type { Dragged } from './followed';

/** Begun with the screen that may want them, so that the first finger does not wait. */
const gestures = import('./gestures');
const LazyFollowed = lazy(async () => ({ default: (await gestures).Followed }));
const LazyZoomable = lazy(async () => ({ default: (await gestures).Zoomable }));

// Whoever waits for it is told that it did not come; a screen that never asked is not.
gestures.catch(() => undefined);

const Ready = ({ children }: { children: ReactNode }) => {
  use(gestures);
  return children;
};
/** Around a screen whose first press counts: it is not shown before fingers are followed. */
export const FingersFirst = ({ waiting, children }: { waiting: ReactNode; children: ReactNode }) => (
  <Suspense fallback={waiting}>
    <Ready>{children}</Ready>
  </Suspense>
);

type Size = { width: number; height: number };

/** Something that follows one finger. Not seen before it does: what is seen is pressed. */
export const DragArea = ({ width, height, ...props }: ComponentProps<typeof Followed> & Size) => (
  <Suspense fallback={<View style={{ width, height }} />}>
    <LazyFollowed {...props} />
  </Suspense>
);

/** A drawing that can be come near to. */
export const Zoomable = (props: ComponentProps<typeof Near>) => (
  <Suspense fallback={<View style={{ width: props.width, height: props.height }} />}>
    <LazyZoomable {...props} />
  </Suspense>
);
