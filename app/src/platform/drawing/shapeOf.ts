import type { Spot, Stroke } from '@quay/core/fleet/drawing';
import Konva from 'konva';

/** A stroke as a shape of a board. @param px where a spot lies @param unit px of one of its units @param look its ink and fill, and what may be done with it */
export const shapeOf = (stroke: Stroke, px: (spot: Spot) => [number, number], unit: number, look: Konva.ShapeConfig): Konva.Shape => {
  if (stroke.draw === 'path')
    return new Konva.Line({ ...look, points: stroke.points.flatMap(px), closed: stroke.closed === true, lineJoin: 'round' });
  if (stroke.draw === 'box') return new Konva.Rect({ ...look, ...boxIn(stroke, px), cornerRadius: 4 });
  const [x, y] = px(stroke.at);
  return new Konva.Circle({ ...look, x, y, radius: stroke.radius * unit });
};

/** A box as it lies on the screen, whichever way its size runs. */
const boxIn = ({ at, size }: Extract<Stroke, { draw: 'box' }>, px: (spot: Spot) => [number, number]) => {
  const [a, b] = [px(at), px([at[0] + size[0], at[1] + size[1]])];
  return { x: Math.min(a[0], b[0]), y: Math.min(a[1], b[1]), width: Math.abs(a[0] - b[0]), height: Math.abs(a[1] - b[1]) };
};
