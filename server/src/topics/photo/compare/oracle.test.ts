import { judgeBoxes } from './oracle';

const mark = { x: 100, y: 100, width: 60, height: 40 };

describe('what counts as found', () => {
  it('is a box that covers half of a mark and is not much larger than it', () => {
    expect(judgeBoxes([mark], [{ x: 95, y: 95, width: 70, height: 50 }])).toEqual({ marks: 1, hits: 1, falseBoxes: 0 });
    expect(judgeBoxes([mark], [{ x: 100, y: 100, width: 29, height: 40 }])).toEqual({ marks: 1, hits: 0, falseBoxes: 0 });
    expect(judgeBoxes([mark], [{ x: 0, y: 0, width: 400, height: 400 }])).toEqual({ marks: 1, hits: 0, falseBoxes: 0 });
    expect(judgeBoxes([mark], [{ x: 500, y: 500, width: 50, height: 50 }])).toEqual({ marks: 1, hits: 0, falseBoxes: 1 });
  });

  it('lets a box about a small mark be of thirty by thirty, and counts no mark under twelve', () => {
    const chip = { x: 100, y: 100, width: 12, height: 10 };
    expect(judgeBoxes([chip], [{ x: 90, y: 90, width: 30, height: 30 }]).hits).toBe(1);
    expect(judgeBoxes([{ ...chip, width: 11 }], [])).toEqual({ marks: 0, hits: 0, falseBoxes: 0 });
  });
});
