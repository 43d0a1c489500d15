import { CARD_MM, cardFault, type Corners, ontoCard, sizeByCard } from './card';
import { measureByCards } from './madeUpCards';

const share = (errors: readonly number[]) => errors.filter((error) => Math.abs(error) <= 0.05).length / errors.length;

describe('a flaw measured by a card beside it', () => {
  it('is exact where corners and ends are, from wherever the picture is taken', () => {
    for (const error of measureByCards(500, 4711, 0)) expect(Math.abs(error)).toBeLessThan(1e-9);
  });

  it('is within 5 % where a thumb is a pixel and a half off', () => {
    const seed = 4711;
    const errors = measureByCards(2000, seed, 1.5);
    console.log(`size by card, seed ${seed}: ${(share(errors) * 100).toFixed(1)} % within 5 %`);
    expect(share(errors)).toBeGreaterThan(0.9);
  });

  it('takes the corners to the card’s own', () => {
    const corners: Corners = [
      [120, 80],
      [420, 110],
      [400, 310],
      [90, 270],
    ];
    const onto = ontoCard(corners);
    const [w, h] = CARD_MM;
    corners.forEach((corner, i) => {
      const [x, y] = onto(corner);
      const want = [
        [0, 0],
        [w, 0],
        [w, h],
        [0, h],
      ][i]!;
      expect(x).toBeCloseTo(want[0]!, 6);
      expect(y).toBeCloseTo(want[1]!, 6);
    });
    expect(sizeByCard(corners, corners[0], corners[1])).toBeCloseTo(w, 6);
  });

  it('refuses corners that cross or lie too close together', () => {
    const good: Corners = [
      [0, 0],
      [100, 0],
      [100, 60],
      [0, 60],
    ];
    expect(cardFault(good, 40)).toBeUndefined();
    expect(cardFault([good[0], good[2], good[1], good[3]], 40)).toBe('crossed');
    expect(cardFault([good[0], good[1], good[1], good[3]], 40)).toBe('crossed');
    expect(cardFault(good, 80)).toBe('tooSmall');
  });
});
