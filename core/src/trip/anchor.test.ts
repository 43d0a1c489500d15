import fc from 'fast-check';
import { type AnchorCase, anchorPlan, BOTTOMS, multipleOf, waterOver, windOver } from './anchor';

const HOUR_MS = 3_600_000;
const lunch: AnchorCase = {
  shownM: 4,
  gear: { lineM: 40, bowM: 1.2, sounderM: 0.5 },
  lengthM: 7,
  draftM: 0.8,
  water: { nowM: 2, highM: 3.5, lowM: 1 },
  school: 'fiveAndSeven',
  overnight: false,
  windMs: 5,
  bottom: 'sand',
  roomM: undefined,
};

describe('an anchor line', () => {
  it('by hand: 4.5 m now, 6 at high water, the bow 1.2 above it: five times 7.2 is 36 m; she swings 43 m at low water', () => {
    const plan = anchorPlan(lunch);
    expect(plan).toMatchObject({
      multiple: 5,
      giveM: 36,
      shortM: 0,
      depthM: { now: 4.5, high: 6, low: 3.5 },
      grounds: false,
      clear: undefined,
    });
    // √(36² − 4.7²) + 7
    expect(plan.swingM).toBeCloseTo(42.69, 2);
    expect(plan.underKeelM).toBeCloseTo(2.7, 9);
  });

  it('is too short overnight, and says in what depth it would do: 40 m are seven times 5.7 m', () => {
    const night = anchorPlan({ ...lunch, overnight: true });
    expect(night).toMatchObject({ multiple: 7, giveM: 51, shortM: 11 });
    // 40 / 7 − 1.2 − 1.5 that the water still rises − 0.5 that the sounder leaves out.
    expect(night.deepestShownM).toBeCloseTo(2.51, 2);
    expect(anchorPlan({ ...lunch, overnight: true, shownM: night.deepestShownM }).shortM).toBe(0);
    expect(anchorPlan({ ...lunch, overnight: true, shownM: night.deepestShownM + 0.2 }).shortM).toBeGreaterThan(0);
  });

  it('is longer in a fresh wind and on a bad bottom, and where nobody knows either', () => {
    expect(multipleOf(lunch)).toBe(5);
    expect(multipleOf({ ...lunch, windMs: 8 })).toBe(7);
    expect(multipleOf({ ...lunch, bottom: 'stones' })).toBe(7);
    expect(multipleOf({ ...lunch, windMs: undefined, bottom: undefined })).toBe(9);
    expect(multipleOf({ ...lunch, school: 'sevenAndTen', overnight: true })).toBe(10);
  });

  it('sits her on the bottom where the water falls away under her, and swings into what is too near', () => {
    expect(anchorPlan({ ...lunch, water: { nowM: 4, highM: 4, lowM: 0.5 } }).grounds).toBe(true);
    expect(anchorPlan({ ...lunch, draftM: undefined }).grounds).toBeUndefined();
    expect(anchorPlan({ ...lunch, roomM: 42 }).clear).toBe(false);
    expect(anchorPlan({ ...lunch, roomM: 43 }).clear).toBe(true);
  });

  it('never less in deeper water, over a longer stay, in more wind or with more tide; no circle smaller than she is long (property)', () => {
    const metres = (max: number) => fc.double({ min: 0, max, noNaN: true });
    fc.assert(
      fc.property(
        fc.record({ shownM: metres(30), up: metres(8), down: metres(8), windMs: metres(20), more: metres(5), bow: metres(3) }),
        fc.constantFrom(...BOTTOMS),
        fc.boolean(),
        ({ shownM, up, down, windMs, more, bow }, bottom, overnight) => {
          const of: AnchorCase = {
            ...lunch,
            shownM,
            windMs,
            bottom,
            overnight,
            gear: { ...lunch.gear, bowM: bow },
            water: { nowM: 0, highM: up, lowM: -down },
          };
          const plan = anchorPlan(of);
          for (const worse of [
            { ...of, shownM: shownM + more },
            { ...of, windMs: windMs + more },
            { ...of, overnight: true },
            { ...of, water: { nowM: 0, highM: up + more, lowM: -down } },
          ])
            expect(anchorPlan(worse).giveM).toBeGreaterThanOrEqual(plan.giveM);
          expect(plan.swingM).toBeGreaterThanOrEqual(lunch.lengthM);
          expect(plan.swingM).toBeLessThanOrEqual(plan.giveM + lunch.lengthM);
          expect(plan.depthM.low).toBeLessThanOrEqual(plan.depthM.high);
          // What is said to be deep enough is.
          if (plan.deepestShownM > 0) expect(anchorPlan({ ...of, shownM: plan.deepestShownM }).shortM).toBe(0);
        },
      ),
    );
  });
});

describe('the water while she lies', () => {
  const tide = Array.from({ length: 25 }, (_, h) => ({ atMs: h * HOUR_MS, waterM: 2 + 1.5 * Math.sin((h * Math.PI) / 6.2) }));

  it('is what is foretold of it, no more than that', () => {
    const { water, foretold } = waterOver(tide, { fromMs: 2 * HOUR_MS, untilMs: 6 * HOUR_MS, rangeM: 4 });
    expect(foretold).toBe(true);
    expect(water.nowM).toBe(tide[2]!.waterM);
    expect(water.highM).toBe(tide[3]!.waterM);
    expect(water.lowM).toBe(tide[6]!.waterM);
  });

  it('may still rise and fall by all of the range where it is foretold only for a part, or not at all', () => {
    expect(waterOver(tide, { fromMs: 20 * HOUR_MS, untilMs: 40 * HOUR_MS, rangeM: 4 })).toMatchObject({ foretold: false });
    expect(waterOver([], { fromMs: 0, untilMs: HOUR_MS, rangeM: 4 })).toEqual({ water: { nowM: 0, highM: 4, lowM: -4 }, foretold: false });
    expect(waterOver([], { fromMs: 0, untilMs: HOUR_MS, rangeM: 0 })).toEqual({ water: { nowM: 0, highM: 0, lowM: 0 }, foretold: true });
  });
});

describe('the wind while she lies', () => {
  const hours = [3, 5, 9, 4].map((windMs, h) => ({ at: new Date(h * HOUR_MS).toISOString(), windMs, gustMs: windMs + 1 }));
  it('is the strongest gust of those hours, raised where the forecast is not trusted', () => {
    expect(windOver(hours, { fromMs: 0, untilMs: 2 * HOUR_MS, raised: 1 })).toBe(6);
    expect(windOver(hours, { fromMs: HOUR_MS / 2, untilMs: 4 * HOUR_MS, raised: 1.3 })).toBeCloseTo(13, 9);
  });

  it('is not known where it is foretold only for a part of them', () => {
    expect(windOver(hours, { fromMs: 2 * HOUR_MS, untilMs: 5 * HOUR_MS, raised: 1 })).toBeUndefined();
    expect(windOver(hours.slice(2), { fromMs: HOUR_MS, untilMs: 3 * HOUR_MS, raised: 1 })).toBeUndefined();
    expect(windOver([], { fromMs: 0, untilMs: HOUR_MS, raised: 1 })).toBeUndefined();
  });
});
