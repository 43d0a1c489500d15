import fc from 'fast-check';
import { HULL_KINDS, hullOf } from '../testing/hulls';
import { crabAngle, lyingDrift } from './drift';
import { hullFigures, type HullFigures } from './hull';
import { type Afloat, bodyOf, energy, type Helm, move, STEP_S, type Weather } from './motion';
import { coasting, stopping } from './stop';

const REST: Afloat = { x: 0, y: 0, heading: 0, surge: 0, sway: 0, turn: 0 };
const IDLE: Helm = { lever: 0, steer: 0, thruster: 0 };
const CALM: Weather = { wind: [0, 0], current: [0, 0] };
const run = (hull: HullFigures, from: Afloat, helm: Helm, weather: Weather, seconds: number, dt = STEP_S): Afloat => {
  const body = bodyOf(hull);
  let at = from;
  for (let i = 0; i < Math.round(seconds / dt); i += 1) at = move(body, at, helm, weather, dt);
  return at;
};

describe.each(HULL_KINDS)('a %s', (kind) => {
  const hull = hullOf(kind);

  it('lying in wind and current comes to drift as the balance of air and water says', () => {
    for (const [wind, current] of [
      [8, 0],
      [-6, 0.4],
      [10, -0.5],
      [0, 0.7],
    ] as const) {
      // Held across: a boat left to herself turns, and then other areas count.
      let at = REST;
      for (let i = 0; i < 150 / STEP_S; i += 1)
        at = { ...move(bodyOf(hull), at, IDLE, { wind: [0, wind], current: [0, current] }, STEP_S), heading: 0, turn: 0, surge: 0 };
      const drift = at.sway + current;
      expect(Math.abs(drift - lyingDrift(wind, current, hull))).toBeLessThan(
        0.02 * Math.max(0.05, Math.abs(lyingDrift(wind, current, hull))),
      );
    }
  });

  it('stops straight within two in a hundred of the closed form, over ground, with and against a current', () => {
    // Nothing pushes the stern aside here: the closed form knows one direction.
    const straight: HullFigures = { ...hull, walks: 'none', delayS: 0, airAreaM2: 1e-9 };
    const fastest = Math.sqrt(straight.thrustAsternN / straight.dragK);
    for (const v0 of [0.6, 1.6])
      for (const current of [0, 0.3, -0.3].filter((c) => c < fastest * 0.9 && v0 > -c)) {
        const formula = stopping(straight, v0, current);
        let at: Afloat = { ...REST, surge: v0 };
        let seconds = 0;
        const dt = 1 / 200;
        while (at.surge + current > 0) {
          at = move(bodyOf(straight), at, { lever: -1, steer: 0, thruster: 0 }, { wind: [0, 0], current: [current, 0] }, dt);
          seconds += dt;
        }
        expect(formula.ok && Math.abs(at.x - formula.metres) / formula.metres).toBeLessThan(0.02);
        expect(formula.ok && Math.abs(seconds - formula.seconds) / formula.seconds).toBeLessThan(0.02);
      }
  });

  it('runs on in neutral as the closed form says', () => {
    const bare = { ...hull, airAreaM2: 1e-9 };
    const formula = coasting(bare, 1.5, 0.5, 0.2);
    let at: Afloat = { ...REST, surge: 1.5 };
    let seconds = 0;
    while (at.surge > 0.5) {
      at = move(bodyOf(bare), at, IDLE, { wind: [0, 0], current: [0.2, 0] }, STEP_S);
      seconds += STEP_S;
    }
    expect(formula.ok && Math.abs(at.x - formula.metres) / formula.metres).toBeLessThan(0.02);
    expect(formula.ok && Math.abs(seconds - formula.seconds) / formula.seconds).toBeLessThan(0.02);
  });

  it('with the engine off never gains energy from the water (property)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.double({ min: -2, max: 2, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: -0.6, max: 0.6, noNaN: true }),
        (surge, sway, turn, steer) => {
          const bare = { ...hull, airAreaM2: 0 };
          let at: Afloat = { ...REST, surge, sway, turn };
          const body = bodyOf(bare);
          let before = energy(body, at);
          let gained = 0;
          for (let i = 0; i < 200; i += 1) {
            at = move(
              body,
              at,
              { lever: 0, steer: bare.steers === 'drive' ? steer : 0, thruster: 0 },
              { wind: [0, 0], current: [0.5, -0.2] },
              STEP_S,
            );
            const now = energy(body, at);
            gained = Math.max(gained, (now - before) / Math.max(1, before));
            before = now;
          }
          expect(gained).toBeLessThanOrEqual(1e-9);
        },
      ),
      { numRuns: 15 },
    );
  });

  it('seen in a mirror does the same, with her handedness mirrored too (property)', () => {
    const other: HullFigures = { ...hull, walks: hull.walks === 'port' ? 'starboard' : hull.walks === 'starboard' ? 'port' : 'none' };
    const range = (by: number) => fc.double({ min: -by, max: by, noNaN: true });
    fc.assert(
      fc.property(range(1), range(1), range(10), range(10), range(0.6), (lever, steer, north, east, across) => {
        const at = run(hull, { ...REST, surge: 1 }, { lever, steer, thruster: 0 }, { wind: [north, east], current: [0.1, across] }, 20);
        const mirrored = run(
          other,
          { ...REST, surge: 1 },
          { lever, steer: -steer, thruster: 0 },
          { wind: [north, -east], current: [0.1, -across] },
          20,
        );
        expect(mirrored.x).toBeCloseTo(at.x, 8);
        expect(mirrored.y).toBeCloseTo(-at.y, 8);
        expect(mirrored.heading).toBeCloseTo(-at.heading, 8);
      }),
      { numRuns: 8 },
    );
  });

  it('ends where a half as long step ends, within one in a hundred of the way (property)', () => {
    const range = (by: number) => fc.double({ min: -by, max: by, noNaN: true });
    fc.assert(
      fc.property(range(1), range(1), range(8), range(8), (lever, steer, north, east) => {
        const weather: Weather = { wind: [north, east], current: [0.2, -0.3] };
        const helm = { lever, steer, thruster: 0 };
        let [at, path] = [{ ...REST, surge: 0.8 } as Afloat, 0];
        for (let i = 0; i < 30 / STEP_S; i += 1) {
          const next = move(bodyOf(hull), at, helm, weather, STEP_S);
          path += Math.hypot(next.x - at.x, next.y - at.y);
          at = next;
        }
        const fine = run(hull, { ...REST, surge: 0.8 }, helm, weather, 30, STEP_S / 2);
        expect(Math.hypot(fine.x - at.x, fine.y - at.y)).toBeLessThan(0.01 * path);
      }),
      { numRuns: 8 },
    );
  });

  it('steers ahead, hardly without way, and not at all astern with a rudder', () => {
    const turned = (lever: number, surge: number, seconds = 4) =>
      run({ ...hull, walks: 'none' }, { ...REST, surge }, { lever, steer: 1, thruster: 0 }, CALM, seconds).heading;
    expect(turned(0.4, 1)).toBeGreaterThan(0.05);
    expect(Math.abs(turned(0, 0))).toBe(0);
    if (hull.steers === 'rudder') expect(Math.abs(turned(-0.5, 0))).toBeLessThan(0.01);
    else expect(turned(-0.5, 0)).toBeLessThan(0);
  });

  it('walks astern to her side', () => {
    const { heading } = run(hull, REST, { lever: -1, steer: 0, thruster: 0 }, CALM, 6);
    if (hull.walks === 'none') expect(heading).toBe(0);
    // The stern goes to port, the bow to starboard.
    else expect(Math.sign(heading)).toBe(hull.walks === 'port' ? 1 : -1);
  });
});

describe('figures of a hull', () => {
  it('are those that are given, and else estimated and named', () => {
    const book = { kind: 'canalBoat' as const, plan: { lengthM: 12, beamM: 2.1, strokes: [] } };
    const { hull, estimated } = hullFigures(book, { massKg: 9000, walks: 'none' });
    expect([hull.massKg, hull.walks, hull.tiller]).toEqual([9000, 'none', true]);
    expect(estimated).toContain('thrustAheadN');
    expect(estimated).not.toContain('massKg');
    expect(estimated).not.toContain('thrusterN');
  });
});

describe('pointing up against the drift', () => {
  it('is the angle whose sine is drift over speed, and none when she is set aside as fast as she goes', () => {
    expect(crabAngle(0.5, 1)).toBeCloseTo(Math.PI / 6, 12);
    expect(crabAngle(-0.5, 1)).toBeCloseTo(-Math.PI / 6, 12);
    expect(crabAngle(1, 1)).toBeUndefined();
    expect(crabAngle(-2, 1)).toBeUndefined();
  });
});

describe('taking way off', () => {
  const hull = { massKg: 1000, added: { surge: 0, sway: 0, yaw: 0 }, dragK: 50, thrustAsternN: 200, delayS: 0 };

  it('by hand: 2 m/s, no current', () => {
    // m/2k · ln((200 + 200)/200) = 10 · ln 2; m/√(kT) · atan 1 = 10 · π/4.
    const way = stopping(hull, 2, 0);
    expect(way.ok && [way.metres, way.seconds]).toEqual([expect.closeTo(10 * Math.LN2, 10), expect.closeTo((10 * Math.PI) / 4, 10)]);
    const delayed = stopping({ ...hull, delayS: 2 }, 2, 0);
    expect(delayed.ok && delayed.metres).toBeCloseTo(10 * Math.LN2 + 4, 10);
  });

  it('is impossible where the current runs faster than she goes astern, and needless where she is slower already', () => {
    expect(stopping(hull, 2, 2)).toEqual({ ok: false, reason: 'runsFaster' });
    expect(stopping(hull, 0.2, -0.5)).toEqual({ ok: false, reason: 'alreadySlower' });
  });
});
