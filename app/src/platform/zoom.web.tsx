import { type ReactNode, useEffect, useRef } from 'react';

/** How near one may come. */
export const NEAREST = 6;
/** How long it is still before it counts as resting, ms. */
const REST_MS = 220;
/** A finger that moved this far has pushed, and has not pressed, px. */
const PUSHED_PX = 6;

type View = { scale: number; x: number; y: number };
type Spot = { x: number; y: number };

const held = ({ scale, x, y }: View, width: number, height: number): View => {
  const s = Math.min(NEAREST, Math.max(1, scale));
  // The edges never come into the middle: what is drawn fills its frame.
  return { scale: s, x: Math.min(0, Math.max(width * (1 - s), x)), y: Math.min(0, Math.max(height * (1 - s), y)) };
};

/** The same spot of the drawing stays under the same spot of the frame. */
const about = (view: View, { x, y }: Spot, by: number): View => {
  const scale = Math.min(NEAREST, Math.max(1, view.scale * by));
  const k = scale / view.scale;
  return { scale, x: x - (x - view.x) * k, y: y - (y - view.y) * k };
};

/**
 * A drawing that can be come near to: with two fingers, with the wheel and Ctrl, or by the signs beside it; pushed about once
 * it is larger than its frame. While fingers move nothing is drawn anew, the picture is only moved; what it looks like from
 * near is told when they rest.
 * @param near how near it is to be, from outside: by the signs @param onNear told when a gesture has come to rest
 */
export const Zoomable = ({
  width,
  height,
  near,
  onNear,
  children,
}: {
  width: number;
  height: number;
  near: number;
  onNear: (scale: number) => void;
  children: ReactNode;
}) => {
  const frame = useRef<HTMLDivElement>(null);
  const inner = useRef<HTMLDivElement>(null);
  const view = useRef<View>({ scale: 1, x: 0, y: 0 });
  const fingers = useRef(new Map<number, Spot>());
  const pushed = useRef(0);
  const told = useRef(1);
  const resting = useRef<ReturnType<typeof setTimeout>>(undefined);
  const show = (next: View) => {
    view.current = held(next, width, height);
    const { scale, x, y } = view.current;
    if (inner.current) inner.current.style.transform = `translate(${x}px, ${y}px) scale(${scale})`;
    // From afar a finger scrolls the page past it; from near it moves what it is on.
    if (frame.current) frame.current.style.touchAction = scale > 1 ? 'none' : 'pan-y';
  };
  const spot = (event: { clientX: number; clientY: number }): Spot => {
    const box = frame.current!.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  };
  /** Told a moment later, and only when it is nearer or farther than it was told last: what rests for an instant is not at rest. */
  const rest = () => {
    clearTimeout(resting.current);
    resting.current = setTimeout(() => {
      if (fingers.current.size === 0 && view.current.scale !== told.current) {
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
    if (near !== view.current.scale) show(about(view.current, { x: width / 2, y: height / 2 }, near / view.current.scale));
  });
  useEffect(() => {
    const element = frame.current!;
    // Only a listener that is not passive may keep the page from zooming as a whole.
    const wheel = (event: WheelEvent) => {
      if (!event.ctrlKey) return;
      event.preventDefault();
      show(about(view.current, spot(event), Math.exp(-event.deltaY / 200)));
      rest();
    };
    element.addEventListener('wheel', wheel, { passive: false });
    return () => element.removeEventListener('wheel', wheel);
  });
  const lift = (event: React.PointerEvent) => {
    fingers.current.delete(event.pointerId);
    if (fingers.current.size === 0) rest();
  };
  return (
    <div
      ref={frame}
      data-testid="zoomable"
      style={{ width, height, overflow: 'hidden', borderRadius: 10, touchAction: 'pan-y' }}
      onPointerDown={(event) => {
        if (fingers.current.size === 0) pushed.current = 0;
        fingers.current.set(event.pointerId, spot(event));
      }}
      onPointerMove={(event) => {
        const before = fingers.current.get(event.pointerId);
        if (!before) return;
        const now = spot(event);
        const others = [...fingers.current].filter(([id]) => id !== event.pointerId).map(([, one]) => one);
        fingers.current.set(event.pointerId, now);
        const [other] = others;
        if (other) {
          const [was, is] = [Math.hypot(before.x - other.x, before.y - other.y), Math.hypot(now.x - other.x, now.y - other.y)];
          pushed.current = PUSHED_PX;
          if (was > 0) show(about(view.current, { x: (now.x + other.x) / 2, y: (now.y + other.y) / 2 }, is / was));
        } else if (view.current.scale > 1) {
          pushed.current += Math.hypot(now.x - before.x, now.y - before.y);
          show({ ...view.current, x: view.current.x + now.x - before.x, y: view.current.y + now.y - before.y });
        }
      }}
      onPointerUp={lift}
      onPointerCancel={lift}
      onPointerLeave={lift}
      onClickCapture={(event) => {
        if (pushed.current >= PUSHED_PX) event.stopPropagation();
        pushed.current = 0;
      }}
    >
      <div ref={inner} style={{ width, height, transformOrigin: '0 0', willChange: 'transform' }}>
        {children}
      </div>
    </div>
  );
};
