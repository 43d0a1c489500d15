import { belowHer } from './outline';

it('names what lies below her, no lower than she reaches anywhere, and nothing beside her', () => {
  const [cw, ch] = [50, 38];
  const bottom = (x: number) => (x < 25 ? 20 : 30);
  const mask = Uint8Array.from({ length: cw * ch }, (_, i) => {
    const [x, y] = [i % cw, Math.floor(i / cw)];
    return x >= 2 && x < 48 && y >= 8 && y <= bottom(x) ? 255 : 0;
  });
  const below = belowHer(mask, cw);
  const at = (x: number, y: number) => below[y * cw + x];
  expect([at(10, 7), at(10, 20), at(10, 21), at(10, 30), at(10, 31)]).toEqual([0, 0, 1, 1, 0]);
  expect([at(40, 30), at(40, 31), at(0, 25)]).toEqual([0, 0, 0]);
});
