import { CARD_MM, type Corners, sizeByCard, type Spot } from './card';

/**
 * Made-up photographs of a card beside a flaw, seen by a pinhole camera from a side: what measuring by a card is judged
 * against. Thumbs put corners and ends where they are, give or take.
 * @param thumbSdPx how far off, on a photograph 1600 px wide @returns relative errors of the lengths measured
 */
export const measureByCards = (count: number, seed: number, thumbSdPx: number): number[] => {
  let a = seed | 0;
  const next = () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const normal = () => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next());
  return Array.from({ length: count }, () => {
    // The camera a span away, turned up to forty degrees each way; focal length as phones have, in px.
    const [yaw, pitch, roll] = [next() - 0.5, next() - 0.5, next() - 0.5].map((turn) => turn * 1.4) as [number, number, number];
    const distance = 260 + 240 * next();
    const focal = 1250;
    const see = ([x, y]: Spot): Spot => {
      const [x1, y1] = [x * Math.cos(roll) - y * Math.sin(roll), x * Math.sin(roll) + y * Math.cos(roll)];
      const [x2, z2] = [x1 * Math.cos(yaw), x1 * Math.sin(yaw)];
      const [y3, z3] = [y1 * Math.cos(pitch) - z2 * Math.sin(pitch), y1 * Math.sin(pitch) + z2 * Math.cos(pitch)];
      const depth = distance + z3;
      return [800 + (focal * x2) / depth, 600 + (focal * y3) / depth];
    };
    const thumb = ([x, y]: Spot): Spot => [x + thumbSdPx * normal(), y + thumbSdPx * normal()];
    const [w, h] = CARD_MM;
    const corners = [
      [0, 0],
      [w, 0],
      [w, h],
      [0, h],
    ].map((corner) => thumb(see(corner as unknown as Spot))) as unknown as Corners;
    // A flaw near the card, of a hand's breadth at most.
    const from: Spot = [w * next(), h + 8 + 20 * next()];
    const angle = 2 * Math.PI * next();
    const truth = 20 + 80 * next();
    const to: Spot = [from[0] + truth * Math.cos(angle), from[1] + truth * Math.sin(angle)];
    return sizeByCard(corners, thumb(see(from)), thumb(see(to))) / truth - 1;
  });
};
