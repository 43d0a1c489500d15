import { CARD_MM, cardFault, type Corners, ontoCard, sizeByCard } from './card';
import { cornersByEdges } from './cardEdges';
import { measureByCards } from './madeUpCards';

describe('a flaw measured by a card beside it', () => {
  it('is exact where corners and ends are, from wherever the picture is taken', () => {
    for (const { truthMm, byThumbMm } of measureByCards(500, 4711, { thumbPx: 0, endPx: 0, edges: false }))
      expect(byThumbMm / truthMm).toBeCloseTo(1, 9);
  });

  it('is within 5 % with corners by its edges where the thumb alone was far off', () => {
    const [one] = measureByCards(1, 4711, { thumbPx: 6, endPx: 0, edges: true });
    expect(one!.byEdgesMm! / one!.truthMm).toBeCloseTo(1, 1.3);
  });

  it('finds the corners of a card to a fraction of a pixel, and none where there is no card', () => {
    const [width, height] = [260, 200];
    const picture = (card: boolean) => {
      const grey = Float32Array.from({ length: width * height }, (_, i) => {
        const [x, y] = [i % width, Math.floor(i / width)];
        return card && x >= 40 && x < 200 && y >= 50 && y < 151 ? 210 : 90 + ((x * 7 + y * 13) % 5);
      });
      return { width, height, grey };
    };
    const about: Corners = [
      [44, 46],
      [195, 54],
      [204, 147],
      [36, 155],
    ];
    const found = cornersByEdges(picture(true), about, 9)!;
    [
      [39.5, 49.5],
      [199.5, 49.5],
      [199.5, 150.5],
      [39.5, 150.5],
    ].forEach(([x, y], i) => {
      expect(Math.abs(found[i]![0] - x!)).toBeLessThan(0.5);
      expect(Math.abs(found[i]![1] - y!)).toBeLessThan(0.5);
    });
    expect(cornersByEdges(picture(false), about, 9)).toBeUndefined();
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
