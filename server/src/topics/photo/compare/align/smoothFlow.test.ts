import { chance } from '@quay/core/number/chance';
import { smoothFlow } from './smoothFlow';

it('finds the smooth flow of a hull under water, posts and edges that move as they like', () => {
  const [width, height] = [160, 120];
  const c = chance(7);
  const truth = (x: number, y: number): [number, number] => {
    const [a, b] = [(2 * x) / width - 1, (2 * y) / height - 1];
    return [1.5 + 2 * a - 3 * a * a + 0.5 * b * a * a, -0.7 + b * b + 0.4 * a * b];
  };
  const flow = new Float32Array(2 * width * height);
  const weight = new Float32Array(width * height).fill(1);
  for (let y = 0, i = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, i += 1) {
      const [u, v] = truth(x, y);
      const wild = y > 84 || x < 14;
      flow[2 * i] = wild ? c.within(-12, 12) : u + 0.1 * c.normal();
      flow[2 * i + 1] = wild ? c.within(-12, 12) : v + 0.1 * c.normal();
    }
  const got = smoothFlow(flow, weight, width, height);
  let worst = 0;
  for (let y = 0, i = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, i += 1) {
      if (y > 84) continue;
      const [u, v] = truth(x, y);
      worst = Math.max(worst, Math.hypot(got[2 * i]! - u, got[2 * i + 1]! - v));
    }
  expect(worst).toBeLessThan(0.8);
});
