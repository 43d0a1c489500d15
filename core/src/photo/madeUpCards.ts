import { type Chance, chance } from '../number/chance';
import { CARD_MM, type Corners, movedCorners, sizeByCard, type Spot } from './card';
import { cornersByEdges, type Grey } from './cardEdges';

/** What measuring by a card came to. */
export type ByCard = { truthMm: number; byThumbMm: number; byEdgesMm: number | undefined };

/** What is left of the light beside a card that lies in the sun. */
const SHADOW = 0.72;

/** A pinhole camera as phones have, over a plane in mm; px of a photograph 1600 × 1200. */
const cameraOf = ({ next }: Chance) => {
  const [yaw, pitch, roll] = [next() - 0.5, next() - 0.5, next() - 0.5].map((turn) => turn * 1.4) as [number, number, number];
  const distance = 260 + 240 * next();
  const focal = 1250;
  const [cr, sr, cy, sy, cp, sp] = [roll, yaw, pitch].flatMap((turn) => [Math.cos(turn), Math.sin(turn)]) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const see = ([x, y]: Spot): Spot => {
    const [x1, y1] = [x * cr - y * sr, x * sr + y * cr];
    const [x2, z2] = [x1 * cy, x1 * sy];
    const [y3, z3] = [y1 * cp - z2 * sp, y1 * sp + z2 * cp];
    const depth = distance + z3;
    return [800 + (focal * x2) / depth, 600 + (focal * y3) / depth];
  };
  /** The plane's point behind a pixel: the two linear equations of {@link see} in x and y. */
  const behind = ([px, py]: Spot): Spot => {
    const [u, v] = [(px - 800) / focal, (py - 600) / focal];
    // x2 = u·depth, y3 = v·depth, with depth = distance + y1·sp + x1·sy·cp, all linear in (x1, y1).
    const [a, b, e] = [cy - u * sy * cp, -u * sp, u * distance];
    const [c, d, f] = [-sy * sp - v * sy * cp, cp - v * sp, v * distance];
    const det = a * d - b * c;
    const [x1, y1] = [(e * d - b * f) / det, (a * f - e * c) / det];
    return [x1 * cr + y1 * sr, y1 * cr - x1 * sr];
  };
  return { see, behind };
};

/** A printed card on gelcoat: its ground, a stripe, a chip and lines of print; rounded corners, a shadow, the sensor's grain. */
const render = ({ next, normal }: Chance, behind: (spot: Spot) => Spot, around: readonly Spot[]): Grey => {
  const [width, height] = [1600, 1200];
  const grey = new Float32Array(width * height);
  const [w, h] = CARD_MM;
  const hull = 70 + 150 * next();
  // A card as bright as what it lies on, or as its shadow there, cannot be seen by anybody.
  const darkest = hull * SHADOW - 40;
  const ground = hull > 140 ? 15 + (darkest - 15) * next() : hull + 45 + (205 - hull) * next();
  const stripe = 20 + 200 * next();
  const [stripeY, shade, shadow] = [8 + 25 * next(), 0.15 * next(), [1 + 3 * next(), 1 + 3 * next()] as const];
  const inCard = (x: number, y: number) => {
    const r = 3.18;
    const [dx, dy] = [Math.max(r - x, x - (w - r), 0), Math.max(r - y, y - (h - r), 0)];
    return x >= 0 && y >= 0 && x <= w && y <= h && dx * dx + dy * dy <= r * r;
  };
  const colour = ([x, y]: Spot): number => {
    if (inCard(x, y)) {
      if (y > stripeY && y < stripeY + 9) return stripe;
      if (x > 10 && x < 22 && y > 20 && y < 30) return 190;
      if (y > 38 && y < 41 && x > 8 && x < 60 && Math.floor(x / 2.5) % 2 === 0) return 255 - ground;
      return ground;
    }
    const lit = inCard(x - shadow[0], y - shadow[1]) ? SHADOW : 1;
    return (hull + 10 * Math.sin(x / 37) + 6 * Math.sin(y / 23)) * lit;
  };
  const [left, right] = [Math.min(...around.map(([x]) => x)) - 60, Math.max(...around.map(([x]) => x)) + 60];
  const [top, bottom] = [Math.min(...around.map(([, y]) => y)) - 60, Math.max(...around.map(([, y]) => y)) + 60];
  const grain = 2 + 4 * next();
  // Only what lies about the sides is looked at, and worth the rays.
  const near = ([x, y]: Spot): boolean =>
    [-12, 12].some(
      (d) =>
        [-12, 12].some((e) => inCard(x + d, y + e) !== inCard(x - d, y + e)) ||
        inCard(x + d, y) !== inCard(x - d, y) ||
        inCard(x, y + d) !== inCard(x, y - d),
    );
  for (let y = Math.max(0, Math.floor(top)); y < Math.min(height, bottom); y += 1)
    for (let x = Math.max(0, Math.floor(left)); x < Math.min(width, right); x += 1) {
      if (!near(behind([x, y]))) continue;
      let sum = 0;
      // Nine rays a pixel, half a pixel beyond it: as soft as a lens draws.
      for (const dx of [-0.6, 0, 0.6]) for (const dy of [-0.6, 0, 0.6]) sum += colour(behind([x + dx, y + dy]));
      grey[y * width + x] = (sum / 9) * (1 - (shade * x) / width) + grain * normal();
    }
  return { width, height, grey };
};

/**
 * Made-up photographs of a card beside a flaw, seen by a pinhole camera from a side: what measuring by a card is judged
 * against. Thumbs put corners and ends where they are, give or take.
 * @param thumbPx how far off a corner is, sd, on a photograph 1600 px wide @param endPx the same of the flaw's ends, which
 * are set under the magnifier @param edges whether the picture is made as well, and corners found in it
 */
export const measureByCards = (
  count: number,
  seed: number,
  { thumbPx, endPx, edges }: { thumbPx: number; endPx: number; edges: boolean },
): ByCard[] => {
  const all = chance(seed);
  const { next, normal } = all;
  return Array.from({ length: count }, () => {
    const { see, behind } = cameraOf(all);
    const off = ([x, y]: Spot, sd: number): Spot => [x + sd * normal(), y + sd * normal()];
    const [w, h] = CARD_MM;
    const flat: Corners = [
      [0, 0],
      [w, 0],
      [w, h],
      [0, h],
    ];
    const true4 = movedCorners(flat, see);
    const corners = movedCorners(true4, (corner) => off(corner, thumbPx));
    // A flaw near the card, of a hand's breadth at most.
    const from: Spot = [w * next(), h + 8 + 20 * next()];
    const angle = 2 * Math.PI * next();
    const truthMm = 20 + 80 * next();
    const to: Spot = [from[0] + truthMm * Math.cos(angle), from[1] + truthMm * Math.sin(angle)];
    const [a, b] = [off(see(from), endPx), off(see(to), endPx)];
    const found = edges ? cornersByEdges(render(all, behind, true4), corners, Math.max(6, Math.ceil(3.5 * thumbPx))) : undefined;
    return { truthMm, byThumbMm: sizeByCard(corners, a, b), byEdgesMm: found && sizeByCard(found, a, b) };
  });
};

/** Share of lengths within 5 % of the truth. */
export const within5 = (measured: readonly { truthMm: number; mm: number }[]): number =>
  measured.filter(({ truthMm, mm }) => Math.abs(mm / truthMm - 1) <= 0.05).length / measured.length;
