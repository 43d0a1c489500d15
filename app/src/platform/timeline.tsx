import { DndContext, type DragEndEvent, type Modifier, MouseSensor, TouchSensor, useDraggable, useSensor, useSensors } from '@dnd-kit/core';
import { type KeyboardEvent, memo, type PointerEvent, type ReactNode, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { flushSync } from 'react-dom';

/** Bars in rows of time that are dragged along and across, and pulled at their end. */

const MOVE = 'move/';
const PULL = 'pull/';

/**
 * Where bars are dragged.
 * @param stepPx a bar moves along by so much at once @param rowPx and across by so much
 * @param onMoved told once it is let go: by how many steps along, by how many rows across
 */
export const Timeline = ({
  stepPx,
  rowPx,
  onMoved,
  onPulled,
  children,
}: {
  stepPx: number;
  rowPx: number;
  onMoved: (id: string, steps: number, rows: number) => void;
  onPulled: (id: string, steps: number) => void;
  children: ReactNode;
}) => {
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 4 } }),
    // A finger that scrolls does not drag.
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
  );
  const snap: Modifier = ({ transform, active }) => ({
    ...transform,
    x: Math.round(transform.x / stepPx) * stepPx,
    y: String(active?.id).startsWith(PULL) ? 0 : Math.round(transform.y / rowPx) * rowPx,
  });
  const end = ({ active, delta }: DragEndEvent) => {
    const id = String(active.id);
    const steps = Math.round(delta.x / stepPx);
    const rows = Math.round(delta.y / rowPx);
    if (id.startsWith(PULL)) {
      if (steps !== 0) onPulled(id.slice(PULL.length), steps);
    } else if (steps !== 0 || rows !== 0) onMoved(id.slice(MOVE.length), steps, rows);
  };
  return (
    <DndContext sensors={sensors} modifiers={[snap]} onDragEnd={end} autoScroll={false}>
      {children}
    </DndContext>
  );
};

/** The time of a row that nobody has: a press on it says where, px from its left. By keys the same is done from the page's own button. */
export const TimeLane = ({ width, height, onPress }: { width: number; height: number; onPress: (px: number) => void }) => (
  <div
    aria-hidden
    onClick={({ nativeEvent }) => onPress(nativeEvent.offsetX)}
    style={{ position: 'absolute', left: 0, top: 0, width, height, cursor: 'copy' }}
  />
);

export type BarLook = { ground: string; edge: string; ink: string; face: string; dashed: boolean };

type Dragged = Pick<ReturnType<typeof useDraggable>, 'listeners' | 'setNodeRef' | 'isDragging'> & {
  at: { x: number; y: number } | undefined;
};

/** Makes a bar one that is dragged, and tells it how it is. */
const Draggable = ({ id, onDrag }: { id: string; onDrag: (dragged: Dragged) => void }) => {
  const { listeners, setNodeRef, transform, isDragging } = useDraggable({ id });
  const [x, y] = [transform?.x, transform?.y];
  // By value: it is somewhere else a few times a second, and told anew with every move of the mouse.
  const at = useMemo(() => (x === undefined || y === undefined ? undefined : { x, y }), [x, y]);
  useLayoutEffect(() => onDrag({ listeners, setNodeRef, at, isDragging }), [listeners, setNodeRef, at, isDragging, onDrag]);
  return null;
};

/** One of them. Its keys are told as they are pressed; what they do is not for here to say. */
export const TimeBar = memo(function TimeBar({
  id,
  left,
  width,
  height,
  label,
  text,
  look,
  pinned,
  pullable,
  takesFocus,
  onOpen,
  onKey,
}: {
  id: string;
  left: number;
  width: number;
  height: number;
  /** For whoever listens. */
  label: string;
  text: string;
  look: BarLook;
  /** It cannot be moved any more. */
  pinned: boolean;
  pullable: boolean;
  /** It was moved by keys, onto another row perhaps, where it is drawn anew: the next key is its own as well. */
  takesFocus: boolean;
  onOpen: (id: string) => void;
  /** @returns whether the key meant something */
  onKey: (id: string, key: string, shift: boolean) => boolean;
}) {
  // A month has thousands of bars, and one of them is dragged: it becomes so once somebody comes near it.
  const [near, setNear] = useState(false);
  const [move, setMove] = useState<Dragged>();
  const [pull, setPull] = useState<Dragged>();
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (takesFocus) place.current?.querySelector('button')?.focus({ preventScroll: true });
  }, [takesFocus]);
  const comeNear = ({ pointerType, buttons }: PointerEvent) => {
    // Whoever drags one over others does not come near them.
    if (near || (pointerType === 'mouse' && buttons !== 0)) return;
    // A finger is down at once after it has come near: its listeners must be there by then.
    flushSync(() => setNear(true));
  };
  const [x, y] = [move?.at?.x ?? 0, move?.at?.y ?? 0];
  const press = (event: KeyboardEvent) => {
    if (onKey(id, event.key, event.shiftKey)) {
      event.preventDefault();
      event.stopPropagation();
    }
  };
  return (
    <div
      ref={place}
      onPointerEnter={comeNear}
      style={{
        position: 'absolute',
        left,
        top: 3,
        width: Math.max(14, width + (pull?.at?.x ?? 0)),
        height,
        transform: `translate3d(${x}px, ${y}px, 0)`,
        zIndex: move?.isDragging || pull?.isDragging ? 3 : 1,
        opacity: move?.isDragging ? 0.8 : 1,
      }}
    >
      {near && !pinned ? <Draggable id={MOVE + id} onDrag={setMove} /> : null}
      {near && pullable ? <Draggable id={PULL + id} onDrag={setPull} /> : null}
      <button
        ref={move?.setNodeRef}
        type="button"
        {...move?.listeners}
        onClick={() => onOpen(id)}
        onKeyDown={press}
        aria-label={label}
        data-testid={`bar-${id}`}
        style={{
          width: '100%',
          height: '100%',
          boxSizing: 'border-box',
          borderRadius: 8,
          border: `2px ${look.dashed ? 'dashed' : 'solid'} ${look.edge}`,
          background: look.ground,
          color: look.ink,
          fontFamily: look.face,
          fontSize: 14.5,
          textAlign: 'left',
          padding: '0 8px',
          overflow: 'hidden',
          whiteSpace: 'nowrap',
          textOverflow: 'ellipsis',
          cursor: pinned ? 'pointer' : 'grab',
          touchAction: 'pan-x pan-y',
        }}
      >
        {text}
      </button>
      {pullable ? (
        <div
          ref={pull?.setNodeRef}
          {...pull?.listeners}
          aria-hidden
          data-testid={`pull-${id}`}
          style={{
            position: 'absolute',
            right: 0,
            top: 0,
            width: Math.min(14, Math.max(8, width / 3)),
            height: '100%',
            cursor: 'ew-resize',
          }}
        >
          <div style={{ position: 'absolute', right: 4, top: '25%', width: 3, height: '50%', borderRadius: 2, background: look.edge }} />
        </div>
      ) : null}
    </div>
  );
});
