import type { Spot, Stroke } from '@quay/core/fleet/drawing';
import Konva from 'konva';
import { shapeOf } from './shapeOf';
import { useStage } from './useStage';

/** What the board is a picture of, in the unit of its strokes: where it begins, and how far it goes right and down. */
export type Field = { left: number; top: number; width: number; height: number };

export type BoardProps = {
  strokes: readonly Stroke[];
  field: Field;
  /** px */
  width: number;
  height: number;
  selected: number | undefined;
  /** Fills by their names, and ink. */
  colours: Readonly<Record<string, string>>;
  /** Whether the middle is drawn in, along which both sides are the same. */
  middle: boolean;
  onSelect: (i: number | undefined) => void;
  onChange: (i: number, stroke: Stroke) => void;
  onPoint: (i: number, n: number, to: Spot) => void;
};

const MARGIN = 16;
/** Of what a thumb pulls, px. */
const [HANDLE, ANCHOR] = [11, 18];
const round = (v: number) => Math.round(v * 1000) / 1000;

/** A board on which strokes are pressed, pulled by their handles and moved. Whatever is done is told; nothing is kept here. */
export const DrawingBoard = (props: BoardProps) => {
  const holder = useStage(props, draw, (stage, latest) => {
    stage.on('click tap', ({ target }) => {
      if (target === stage) latest.current.onSelect(undefined);
    });
  });
  const { width, height } = props;
  return <div ref={holder} data-testid="drawing-board" style={{ width, height, touchAction: 'none' }} />;
};

/** Draws everything anew: a book has some dozens of strokes, and a hand changes one at a time. */
const draw = (stage: Konva.Stage, latest: { current: BoardProps }) => {
  const { strokes, field, width, height, selected, colours, middle } = latest.current;
  const layer = stage.getLayers()[0]!;
  layer.destroyChildren();
  const scale = { x: (width - 2 * MARGIN) / field.width, y: (height - 2 * MARGIN) / field.height };
  const even = Math.min(scale.x, scale.y);
  // A boat is drawn as she is; a surface fills its place.
  const [sx, sy] = middle ? [even, even] : [scale.x, scale.y];
  const [ox, oy] = [(width - field.width * sx) / 2, (height - field.height * sy) / 2];
  const px = ([x, y]: Spot): [number, number] => [ox + (x - field.left) * sx, oy + (y - field.top) * sy];
  const units = (x: number, y: number): Spot => [round(field.left + (x - ox) / sx), round(field.top + (y - oy) / sy)];
  if (middle) {
    const [x0, y0] = px([field.left, 0]);
    const [x1] = px([field.left + field.width, 0]);
    layer.add(new Konva.Line({ points: [x0, y0, x1, y0], stroke: colours.ripple!, strokeWidth: 2, dash: [8, 6], listening: false }));
  } else {
    layer.add(
      new Konva.Rect({
        x: ox,
        y: oy,
        width: field.width * sx,
        height: field.height * sy,
        stroke: colours.ripple!,
        strokeWidth: 2,
        listening: false,
      }),
    );
  }
  strokes.forEach((stroke, i) => {
    const fill = stroke.tone === undefined || stroke.tone === 'line' ? undefined : colours[stroke.tone];
    const common = {
      stroke: i === selected ? colours.chosen! : colours.ink!,
      strokeWidth: i === selected ? 3.5 : 2.2,
      hitStrokeWidth: 24,
      draggable: i === selected,
      ...(fill === undefined ? {} : { fill }),
    };
    const node = shapeOf(stroke, px, Math.min(sx, sy), common);
    node.on('click tap', () => latest.current.onSelect(i));
    const [x0, y0] = [node.x(), node.y()];
    node.on('dragend', () => {
      const [dx, dy] = [(node.x() - x0) / sx, (node.y() - y0) / sy];
      const by = ([x, y]: Spot): Spot => [round(x + dx), round(y + dy)];
      latest.current.onChange(i, stroke.draw === 'path' ? { ...stroke, points: stroke.points.map(by) } : { ...stroke, at: by(stroke.at) });
    });
    layer.add(node);
    if (i !== selected) return;
    if (stroke.draw === 'path') {
      stroke.points.forEach((point, n) => {
        const [x, y] = px(point);
        const handle = new Konva.Circle({
          x,
          y,
          radius: HANDLE,
          fill: colours.card!,
          stroke: colours.chosen!,
          strokeWidth: 3,
          draggable: true,
          hitStrokeWidth: 24,
        });
        handle.on('dragend', () => latest.current.onPoint(i, n, units(handle.x(), handle.y())));
        layer.add(handle);
      });
      return;
    }
    const pull = new Konva.Transformer({
      nodes: [node],
      rotateEnabled: false,
      keepRatio: stroke.draw === 'ring',
      flipEnabled: false,
      anchorSize: ANCHOR,
      anchorStroke: colours.chosen!,
      borderStroke: colours.chosen!,
      ...(stroke.draw === 'ring' ? { enabledAnchors: ['top-left', 'top-right', 'bottom-left', 'bottom-right'] } : {}),
    });
    node.on('transformend', () => {
      if (stroke.draw === 'ring') {
        const radius = round(Math.max(0.01, (stroke.radius * (node.scaleX() + node.scaleY())) / 2));
        latest.current.onChange(i, { ...stroke, at: units(node.x(), node.y()), radius });
        return;
      }
      const at = units(node.x(), node.y());
      const size: Spot = [round((node.width() * node.scaleX()) / sx), round((node.height() * node.scaleY()) / sy)];
      latest.current.onChange(i, { ...stroke, at, size });
    });
    layer.add(pull);
  });
  layer.draw();
};
