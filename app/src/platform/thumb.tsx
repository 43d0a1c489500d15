import type { ReactNode } from 'react';
import { DragArea } from '../ui/drawn/touch';

/**
 * Something that a thumb pushes, however many others there are on the glass: it keeps its thumb until that is lifted. By
 * keyboard it is a slider.
 * @param onPush where the thumb is, as shares of width and height: beyond 0 and 1 where it has left them
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
  onPush: (at: { x: number; y: number }) => void;
  onStep: (by: 1 | -1) => void;
  children: ReactNode;
}) => (
  <DragArea width={width} height={height} onDrag={({ x, y }) => onPush({ x: x / width, y: y / height })}>
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
      style={{ width, height, cursor: 'grab', borderRadius: 16 }}
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
  </DragArea>
);
