import { type ReactElement, useMemo, useRef } from 'react';
import { Gesture, GestureDetector, GestureHandlerRootView } from 'react-native-gesture-handler';

/** Where a finger is, px from the left and the top of what it is on. */
export type Dragged = {
  x: number;
  y: number;
  /** It has just been put down here. */
  first: boolean;
};

/**
 * Something that follows one finger, from where it is put down until it is lifted, however many others are on the glass.
 * What it does with the place is its own: a lever, a needle, a corner of a picture.
 * @param scrolls whether the page may still be pushed up and down with a finger on it
 */
export const Followed = ({
  onDrag,
  scrolls = false,
  children,
}: {
  onDrag: (at: Dragged) => void;
  scrolls?: boolean;
  children: ReactElement;
}) => {
  const latest = useRef(onDrag);
  latest.current = onDrag;
  const gesture = useMemo(
    () =>
      Gesture.Pan()
        .runOnJS(true)
        // It goes to the finger at once, also when that only presses.
        .minDistance(0)
        .shouldCancelWhenOutside(false)
        .onStart(({ x, y }) => latest.current({ x, y, first: true }))
        .onUpdate(({ x, y }) => latest.current({ x, y, first: false })),
    [],
  );
  return (
    <GestureHandlerRootView style={{ flexGrow: 0 }}>
      <GestureDetector gesture={gesture} touchAction={scrolls ? 'pan-y' : 'none'}>
        {children}
      </GestureDetector>
    </GestureHandlerRootView>
  );
};
