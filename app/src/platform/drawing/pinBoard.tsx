import type { Plan, Spot } from '@quay/core/fleet/drawing';
import Konva from 'konva';
import { shapeOf } from './shapeOf';
import { useStage } from './useStage';

export type Pin = { id: string; label: string; at: Spot };

type BoardProps = {
  plan: Plan;
  pins: readonly Pin[];
  selected: string | undefined;
  /** px */
  width: number;
  height: number;
  colours: Readonly<Record<string, string>>;
  font: string;
  onSelect: (id: string | undefined) => void;
  onMove: (id: string, to: Spot) => void;
  /** A place where nothing is was pressed. */
  onPlace: (at: Spot) => void;
};

/** Of a pin, px: what is seen, and what a thumb meets. */
const [RADIUS, TOUCH] = [16, 26];
/** Round the boat, metres. */
const AROUND = 0.5;
const cm = (metres: number): number => Math.round(metres * 100) / 100 || 0;

/** The boat from above with pins on her that are pulled where they belong, in the order of the line between them. */
export const PinBoard = (props: BoardProps) => {
  const holder = useStage(props, draw);
  const { width, height } = props;
  return <div ref={holder} data-testid="pin-board" style={{ width, height, touchAction: 'none' }} />;
};

const draw = (stage: Konva.Stage, latest: { current: BoardProps }) => {
  const { plan, pins, selected, width, height, colours, font } = latest.current;
  const layer = stage.getLayers()[0]!;
  layer.destroyChildren();
  const scale = Math.min(width / (plan.lengthM + 2 * AROUND), height / (plan.beamM + 2 * AROUND));
  const px = ([x, y]: Spot): [number, number] => [width / 2 + (x - plan.lengthM / 2) * scale, height / 2 + y * scale];
  const spot = (x: number, y: number): Spot => [cm((x - width / 2) / scale + plan.lengthM / 2), cm((y - height / 2) / scale)];
  const ground = new Konva.Rect({ x: 0, y: 0, width, height, fill: 'rgba(0,0,0,0)' });
  layer.add(ground);
  for (const stroke of plan.strokes) {
    const fill = stroke.tone === undefined || stroke.tone === 'line' ? undefined : colours[stroke.tone];
    layer.add(
      shapeOf(stroke, px, scale, { stroke: colours.ink!, strokeWidth: 2, listening: false, ...(fill === undefined ? {} : { fill }) }),
    );
  }
  const way = new Konva.Line({
    points: pins.flatMap(({ at }) => px(at)),
    stroke: colours.primary!,
    strokeWidth: 3,
    dash: [2, 9],
    lineCap: 'round',
    listening: false,
  });
  layer.add(way);
  ground.on('click tap', () => {
    const at = stage.getPointerPosition();
    if (at) latest.current.onPlace(spot(at.x, at.y));
  });
  pins.forEach(({ id, label, at }, i) => {
    const [x, y] = px(at);
    const pin = new Konva.Group({ x, y, draggable: true });
    const on = id === selected;
    pin.add(
      new Konva.Circle({ radius: TOUCH, fill: 'rgba(0,0,0,0)' }),
      new Konva.Circle({ radius: RADIUS, fill: on ? colours.warning! : colours.card!, stroke: colours.ink!, strokeWidth: 2.5 }),
      new Konva.Text({
        text: label,
        fontFamily: font,
        fontSize: 18,
        fill: colours.ink!,
        width: 2 * RADIUS,
        height: 2 * RADIUS,
        offset: { x: RADIUS, y: RADIUS },
        align: 'center',
        verticalAlign: 'middle',
        listening: false,
      }),
    );
    // Not chosen when it begins to be pulled: drawn anew it would be let go.
    pin.on('click tap', () => latest.current.onSelect(id));
    // The line follows while it is pulled.
    pin.on('dragmove', () => way.points(pins.flatMap((one, n) => (n === i ? [pin.x(), pin.y()] : px(one.at)))));
    pin.on('dragend', () => latest.current.onMove(id, spot(pin.x(), pin.y())));
    layer.add(pin);
  });
  layer.draw();
};
