import { beyondHer } from './outline';

it('names what lies beside and below what is known of her, and nothing above', () => {
  const [cw, ch] = [300, 240];
  const mask = Uint8Array.from({ length: cw * ch }, (_, i) => {
    const [x, y] = [i % cw, Math.floor(i / cw)];
    return x >= 100 && x < 200 && y >= 60 && y <= (x < 150 ? 100 : 130) ? 255 : 0;
  });
  const beyond = beyondHer(mask, cw);
  const at = (x: number, y: number) => beyond[y * cw + x];
  expect([at(150, 59), at(150, 90)]).toEqual([0, 0]);
  expect([at(99, 80), at(30, 80), at(29, 80), at(269, 80), at(270, 80)]).toEqual([1, 1, 0, 1, 0]);
  expect([at(120, 101), at(120, 130), at(120, 200), at(120, 201)]).toEqual([1, 1, 1, 0]);
});
