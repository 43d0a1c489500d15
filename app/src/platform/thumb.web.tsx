import { type ReactNode, useRef } from 'react';

/**
 * Something that a thumb pushes, however many others there are on the glass: it keeps its pointer until it is lifted. By
 * keyboard it is a slider.
 * @param onPush where the thumb is, as shares of width and height, and where it was put down
 */
export const Thumb = ({
  label,
  value,
  min,
  max,
  text,
  upright,
  width,
  height,
  testID,
  onPush,
  onStep,
  children,
}: {
  label: string;
  value: number;
  min: number;
  max: number;
  text: string;
  upright: boolean;
  width: number;
  height: number;
  testID: string;
  onPush: (at: { x: number; y: number; fromX: number; fromY: number; first: boolean }) => void;
  onStep: (by: 1 | -1) => void;
  children: ReactNode;
}) => {
  const from = useRef<{ id: number; x: number; y: number }>(undefined);
  const at = (event: React.PointerEvent<HTMLDivElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    return { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height };
  };
  const end = (event: React.PointerEvent<HTMLDivElement>) => {
    if (from.current?.id === event.pointerId) from.current = undefined;
  };
  return (
    <div
      role="slider"
      aria-label={label}
      aria-valuenow={value}
      aria-valuemin={min}
      aria-valuemax={max}
      aria-valuetext={text}
      aria-orientation={upright ? 'vertical' : 'horizontal'}
      tabIndex={0}
      data-testid={testID}
      style={{ width, height, touchAction: 'none', cursor: 'grab', userSelect: 'none', borderRadius: 16 }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        const { x, y } = at(event);
        from.current = { id: event.pointerId, x, y };
        onPush({ x, y, fromX: x, fromY: y, first: true });
      }}
      onPointerMove={(event) => {
        if (from.current?.id !== event.pointerId) return;
        onPush({ ...at(event), fromX: from.current.x, fromY: from.current.y, first: false });
      }}
      onPointerUp={end}
      onPointerCancel={end}
      onKeyDown={(event) => {
        const more = event.key === 'ArrowUp' || event.key === 'ArrowRight';
        if (!more && event.key !== 'ArrowDown' && event.key !== 'ArrowLeft') return;
        // The keys of the page mean the other control as well: here they mean the one that has the focus.
        event.stopPropagation();
        event.preventDefault();
        onStep(more ? 1 : -1);
      }}
    >
      {children}
    </div>
  );
};
