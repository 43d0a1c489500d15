import fc from 'fast-check';
import { hullFigures } from '../../docking/hull';
import { AIR } from '../../docking/drift';
import { alongTrack, CALM, type Mover } from './underway';

const pontoon: Mover = {
  cruiseMs: 5,
  chopPerMs: 0,
  hull: hullFigures({ kind: 'pontoon', plan: { lengthM: 7.6, beamM: 2.55 } as never }).hull,
};

describe('over ground, along a track', () => {
  it('goes as fast as in calm where there is neither wind nor current, and no faster than the limit', () => {
    expect(alongTrack(77, CALM, pontoon)).toBeCloseTo(5, 9);
    expect(alongTrack(77, CALM, pontoon, 6 / 3.6)).toBeCloseTo(6 / 3.6, 9);
  });

  it('adds a current along the track, and steers up against one across it: hand-worked', () => {
    // 3 m/s through the water, 1.8 m/s across: √(9 − 3.24) = 2.4 is left along the track.
    const mover = { ...pontoon, cruiseMs: 3 };
    const across = { ...CALM, currentToDeg: 90, currentMs: 1.8 };
    // Windage plays a part in a current too: the air stands still over ground.
    const still = { ...mover, hull: { ...mover.hull, airAreaM2: 1e-9 } };
    expect(alongTrack(0, across, still)).toBeCloseTo(2.4, 3);
    expect(alongTrack(90, across, still)).toBeCloseTo(4.8, 3);
    expect(alongTrack(270, across, still)).toBeCloseTo(1.2, 3);
    expect(alongTrack(0, { ...across, currentMs: 3.1 }, still)).toBe(0);
  });

  it('loses to a wind ahead what the balance of forces takes, found by halving', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 20, noNaN: true }), fc.double({ min: 1, max: 10, noNaN: true }), (windMs, cruiseMs) => {
        const mover = { ...pontoon, cruiseMs };
        const { hull } = mover;
        const air = 0.5 * AIR * hull.airDrag * hull.airAreaM2 * (hull.beamM / hull.lengthM);
        const thrust = (hull.dragK + air) * cruiseMs ** 2;
        const left = (v: number) => thrust - hull.dragK * v * v - air * (v + windMs) ** 2;
        let [low, high] = [0, cruiseMs];
        for (let i = 0; i < 60; i += 1) {
          const half = (low + high) / 2;
          if (left(half) > 0) low = half;
          else high = half;
        }
        expect(alongTrack(0, { ...CALM, windMs }, mover)).toBeCloseTo(left(0) <= 0 ? 0 : low, 6);
      }),
    );
  });

  it('is slower still in the chop a wind ahead raises: hand-worked, and never by more than half', () => {
    const smooth = alongTrack(0, { ...CALM, windMs: 9 }, pontoon);
    // Five m/s above a light breeze at six in a hundred each: thirty in a hundred less.
    expect(alongTrack(0, { ...CALM, windMs: 9 }, { ...pontoon, chopPerMs: 0.06 })).toBeCloseTo(smooth * 0.7, 9);
    expect(alongTrack(0, { ...CALM, windMs: 15 }, { ...pontoon, chopPerMs: 0.5 })).toBeCloseTo(
      alongTrack(0, { ...CALM, windMs: 15 }, pontoon) / 2,
      9,
    );
    expect(alongTrack(180, { ...CALM, windMs: 9 }, { ...pontoon, chopPerMs: 0.06 })).toBeCloseTo(5, 6);
  });

  it('is never helped by wind, and the same on both sides', () => {
    const degrees = fc.double({ min: 0, max: 360, noNaN: true });
    fc.assert(
      fc.property(degrees, fc.double({ min: 0, max: 15, noNaN: true }), (windFromDeg, windMs) => {
        const port = alongTrack(0, { ...CALM, windFromDeg, windMs }, pontoon);
        expect(port).toBeLessThanOrEqual(5 + 1e-9);
        expect(alongTrack(0, { ...CALM, windFromDeg: 360 - windFromDeg, windMs }, pontoon)).toBeCloseTo(port, 6);
      }),
    );
  });
});
