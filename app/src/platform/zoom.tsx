import { type ReactNode, useEffect, useMemo, useRef } from 'react';
import { Gesture, GestureDetector, GestureHandlerRootView } from 'react-native-gesture-handler';

/** How long it is still before it counts as resting, ms. */
const REST_MS = 220;
/** A finger that moved this far has pushed, and has not pressed, px. */
const PUSHED_PX = 6;
/** What the browser keeps of a finger while all of the drawing is seen: it scrolls the page. */
const AFAR = 'pan-y';

type View = { scale: number; x: number; y: number };
type Spot = { x: number; y: number };

const within = ({ scale, x, y }: View, width: number, height: number, nearest: number): View => {
  const s = Math.min(nearest, Math.max(1, scale));
  // The edges never come into the middle: what is drawn fills its frame.
  return { scale: s, x: Math.min(0, Math.max(width * (1 - s), x)), y: Math.min(0, Math.max(height * (1 - s), y)) };
};

/** The same spot of the drawing stays under the same spot of the frame. */
const about = (view: View, { x, y }: Spot, by: number, nearest: number): View => {
  const scale = Math.min(nearest, Math.max(1, view.scale * by));
  const k = scale / view.scale;
  return { scale, x: x - (x - view.x) * k, y: y - (y - view.y) * k };
};

/**
 * A drawing that can be come near to: with two fingers, with the wheel and Ctrl, or by the signs beside it; pushed about once
 * it is larger than its frame. While fingers move nothing is drawn anew, the picture is only moved; what it looks like from
 * near is told when they rest.
 * @param nearest how near one may come @param near how near it is to be, from outside: by the signs @param onNear told when a gesture has come to rest
 */
export const Zoomable = ({
  width,
  height,
  nearest,
  near,
  onNear,
  children,
}: {
  width: number;
  height: number;
  nearest: number;
  near: number;
  onNear: (scale: number) => void;
  children: ReactNode;
}) => {
  const frame = useRef<HTMLDivElement>(null);
  const inner = useRef<HTMLDivElement>(null);
  const view = useRef<View>({ scale: 1, x: 0, y: 0 });
  /** Fingers are on it, and whether they have moved it: then lifting them presses nothing. */
  const held = useRef(new Set<'pan' | 'pinch'>());
  const pushed = useRef(false);
  const told = useRef(1);
  const resting = useRef<ReturnType<typeof setTimeout>>(undefined);
  const show = (next: View) => {
    view.current = within(next, width, height, nearest);
    const { scale, x, y } = view.current;
    if (inner.current) inner.current.style.transform = `translate(${x}px, ${y}px) scale(${scale})`;
    // From afar a finger scrolls the page past it; from near it moves what it is on.
    if (frame.current) frame.current.style.touchAction = scale > 1 ? 'none' : AFAR;
  };
  const spot = (event: { clientX: number; clientY: number }): Spot => {
    const box = frame.current!.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  };
  /** Told a moment later, and only when it is nearer or farther than it was told last: what rests for an instant is not at rest. */
  const rest = () => {
    clearTimeout(resting.current);
    resting.current = setTimeout(() => {
      if (held.current.size === 0 && view.current.scale !== told.current) {
        told.current = view.current.scale;
        onNear(view.current.scale);
      }
    }, REST_MS);
  };
  useEffect(() => () => clearTimeout(resting.current), []);
  useEffect(() => {
    // Only what is asked for from outside moves it; what it told itself it has already done.
    if (near === told.current) return;
    told.current = near;
    if (near !== view.current.scale) show(about(view.current, { x: width / 2, y: height / 2 }, near / view.current.scale, nearest));
  });
  useEffect(() => {
    const element = frame.current!;
    // Only a listener that is not passive may keep the page from zooming as a whole.
    const wheel = (event: WheelEvent) => {
      if (!event.ctrlKey) return;
      event.preventDefault();
      show(about(view.current, spot(event), Math.exp(-event.deltaY / 200), nearest));
      rest();
    };
    element.addEventListener('wheel', wheel, { passive: false });
    return () => element.removeEventListener('wheel', wheel);
  });
  const now = useRef({ show, rest, spot });
  now.current = { show, rest, spot };
  const gesture = useMemo(() => {
    const down = (what: 'pan' | 'pinch') => () => {
      if (held.current.size === 0) pushed.current = false;
      held.current.add(what);
    };
    const up = (what: 'pan' | 'pinch') => () => {
      held.current.delete(what);
      if (held.current.size === 0) now.current.rest();
    };
    const pan = Gesture.Pan()
      .runOnJS(true)
      .minDistance(PUSHED_PX)
      .onBegin(down('pan'))
      .onChange(({ changeX, changeY }) => {
        const { scale, x, y } = view.current;
        if (scale <= 1) return;
        pushed.current = true;
        now.current.show({ scale, x: x + changeX, y: y + changeY });
      })
      .onFinalize(up('pan'));
    const pinch = Gesture.Pinch()
      .runOnJS(true)
      .onBegin(down('pinch'))
      .onChange(({ scaleChange, focalX, focalY }) => {
        pushed.current = true;
        // In a browser the middle between two fingers is told from the corner of the window.
        now.current.show(about(view.current, now.current.spot({ clientX: focalX, clientY: focalY }), scaleChange, nearest));
      })
      .onFinalize(up('pinch'));
    return Gesture.Simultaneous(pan, pinch);
  }, [nearest]);
  return (
    <GestureHandlerRootView style={{ flexGrow: 0 }}>
      <GestureDetector gesture={gesture} touchAction={AFAR}>
        <div
          ref={frame}
          data-testid="zoomable"
          style={{ width, height, overflow: 'hidden', borderRadius: 10 }}
          onClickCapture={(event) => {
            if (pushed.current) event.stopPropagation();
            pushed.current = false;
          }}
        >
          <div ref={inner} style={{ width, height, transformOrigin: '0 0', willChange: 'transform' }}>
            {children}
          </div>
        </div>
      </GestureDetector>
    </GestureHandlerRootView>
  );
};
