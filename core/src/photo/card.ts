/** A point of a photograph, px or any other measure of it, right and down. */
export type Spot = readonly [x: number, y: number];

/** A bank or identity card, ISO/IEC 7810 ID-1, mm. */
export const CARD_MM = [85.6, 53.98] as const;

/** Corners of the card in the photograph, in order round it; the first two along a long side. */
export type Corners = readonly [Spot, Spot, Spot, Spot];

/** The same corners, each put elsewhere. */
export const movedCorners = ([a, b, c, d]: Corners, to: (corner: Spot) => Spot): Corners => [to(a), to(b), to(c), to(d)];

export type CardFault = 'crossed' | 'tooSmall';

const cross = ([ax, ay]: Spot, [bx, by]: Spot, [cx, cy]: Spot): number => (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);

/** Whether four corners can be a card at all: going round one way without crossing, each side long enough to measure by. */
export const cardFault = (corners: Corners, shortestPx: number): CardFault | undefined => {
  const turns = corners.map((corner, i) => Math.sign(cross(corner, corners[(i + 1) % 4]!, corners[(i + 2) % 4]!)));
  if (turns.some((turn) => turn !== turns[0] || turn === 0)) return 'crossed';
  const sides = corners.map(([x, y], i) => Math.hypot(corners[(i + 1) % 4]![0] - x, corners[(i + 1) % 4]![1] - y));
  return Math.min(...sides) < shortestPx ? 'tooSmall' : undefined;
};

export type Ray = readonly [x: number, y: number, z: number];

/** Square to quadrilateral in closed form (Heckbert 1989). */
const fromSquare = ([[x0, y0], [x1, y1], [x2, y2], [x3, y3]]: Corners) => {
  const [dx1, dx2, sx] = [x1 - x2, x3 - x2, x0 - x1 + x2 - x3];
  const [dy1, dy2, sy] = [y1 - y2, y3 - y2, y0 - y1 + y2 - y3];
  const den = dx1 * dy2 - dx2 * dy1;
  const g = (sx * dy2 - dx2 * sy) / den;
  const h = (dx1 * sy - sx * dy1) / den;
  return { a: x1 - x0 + g * x1, b: x3 - x0 + h * x3, c: x0, d: y1 - y0 + g * y1, e: y3 - y0 + h * y3, f: y0, g, h };
};

/** Where the card's two sides point, per mm and up to one factor: the first two columns of the map from the card to the photograph. */
export const axesOf = (corners: Corners): [Ray, Ray] => {
  const { a, b, d, e, g, h } = fromSquare(corners);
  const [w, t] = CARD_MM;
  return [
    [a / w, d / w, g / w],
    [b / t, e / t, h / t],
  ];
};

/**
 * From a photograph onto the plane of a card that lies in it, mm: the projective map that takes the four corners to the
 * card's own, which is the adjugate of the way back.
 * @param corners as {@link cardFault} lets them pass
 */
export const ontoCard = (corners: Corners): ((spot: Spot) => Spot) => {
  const { a, b, c, d, e, f, g, h } = fromSquare(corners);
  const back = [
    [e - f * h, c * h - b, b * f - c * e],
    [f * g - d, a - c * g, c * d - a * f],
    [d * h - e * g, b * g - a * h, a * e - b * d],
  ] as const;
  return ([x, y]) => {
    const [u, v, w] = back.map((row) => row[0] * x + row[1] * y + row[2]) as [number, number, number];
    return [(u / w) * CARD_MM[0], (v / w) * CARD_MM[1]];
  };
};

/** Length of a flaw in the plane of the card, mm, by its two ends in the photograph. */
export const sizeByCard = (corners: Corners, from: Spot, to: Spot): number => {
  const onto = ontoCard(corners);
  const [[ax, ay], [bx, by]] = [onto(from), onto(to)];
  return Math.hypot(bx - ax, by - ay);
};
