import fc from 'fast-check';
import { hullFigures } from './hull';
import { type Berth, components, type Conditions, planAlongside, USUAL_LIMITS } from './plan';

const { hull } = hullFigures({ kind: 'pontoon', plan: { lengthM: 7, beamM: 2.5, strokes: [] } });
/** Pointing north, the dock to starboard, in the east. */
const dock: Berth = { kind: 'alongside', headingDeg: 0, side: 'starboard' };
const calm: Conditions = { windFromDeg: 0, windMs: 0, currentToDeg: 0, currentMs: 0 };
const plan = (now: Partial<Conditions>, berth: Partial<Berth> = {}) => planAlongside(hull, { ...dock, ...berth }, { ...calm, ...now });

describe('coming alongside', () => {
  it('changes sides when the wind turns: always up against it', () => {
    const north = plan({ windFromDeg: 0, windMs: 6 });
    expect(north).toMatchObject({
      ok: true,
      trackDeg: 0,
      turned: false,
      side: 'starboard',
      against: 'wind',
      firstLine: 'bow',
      why: 'fallsOff',
    });
    const south = plan({ windFromDeg: 180, windMs: 6 });
    expect(south).toMatchObject({ ok: true, trackDeg: 180, turned: true, side: 'port', against: 'wind', firstLine: 'bow' });
  });

  it('goes up against a current rather than a wind that is weaker for her', () => {
    expect(plan({ windFromDeg: 0, windMs: 3, currentToDeg: 0, currentMs: 0.6 })).toMatchObject({ trackDeg: 180, against: 'current' });
  });

  it('off the dock: steeper, pointing up, a line amidships first; onto it: flat, all fenders out', () => {
    const off = plan({ windFromDeg: 90, windMs: 6 });
    expect(off).toMatchObject({ set: 'off', angleDeg: 35, firstLine: 'midship', why: 'blowsOff' });
    // The wind sets her to port; the bow goes to starboard, towards the dock.
    expect(off.ok && off.headingDeg).toBeGreaterThan(0);
    expect(off.ok && off.headingDeg).toBeLessThan(30);
    const on = plan({ windFromDeg: 270, windMs: 6 });
    expect(on).toMatchObject({ set: 'on', angleDeg: 12, fenders: 'all' });
    expect(on.ok && on.headingDeg).toBeGreaterThan(330);
  });

  it('says no, and why: too much wind, a set she cannot point up against, a current that carries her, too little water', () => {
    expect(plan({ windMs: 12 })).toEqual({ ok: false, answer: 'wait', reason: 'wind' });
    expect(plan({ currentToDeg: 90, currentMs: 0.7 })).toEqual({ ok: false, answer: 'askIn', reason: 'setTooStrong' });
    // Up into a strong wind, with a current under her that a weak engine astern cannot hold.
    expect(planAlongside({ ...hull, thrustAsternN: 5 }, dock, { windFromDeg: 0, windMs: 9, currentToDeg: 0, currentMs: 0.4 })).toEqual({
      ok: false,
      answer: 'askIn',
      reason: 'currentCarries',
    });
    expect(plan({}, { depthM: 0.4 })).toEqual({ ok: false, answer: 'wait', reason: 'shallow' });
    expect(plan({}, { depthM: 0.4, tideM: 1 })).toMatchObject({ ok: true });
  });

  it('names the figure that cannot be', () => {
    expect(plan({ windMs: Number.NaN })).toMatchObject({ reason: 'figure', figure: 'windMs' });
    expect(plan({ currentMs: 9 })).toMatchObject({ reason: 'figure', figure: 'currentMs' });
    expect(plan({}, { headingDeg: 400 })).toMatchObject({ reason: 'figure', figure: 'headingDeg' });
  });

  it('turned round with everything is the same plan; in a mirror it is the same on the other side (property)', () => {
    const angle = fc.integer({ min: 0, max: 359 });
    fc.assert(
      fc.property(
        angle,
        angle,
        angle,
        fc.double({ min: 0, max: 9, noNaN: true }),
        fc.double({ min: 0, max: 0.4, noNaN: true }),
        (by, from, to, windMs, currentMs) => {
          const now = { windFromDeg: from, windMs, currentToDeg: to, currentMs };
          const here = planAlongside(hull, dock, now);
          const spun = planAlongside(
            hull,
            { ...dock, headingDeg: by },
            { ...now, windFromDeg: (from + by) % 360, currentToDeg: (to + by) % 360 },
          );
          expect(spun.ok).toBe(here.ok);
          const mirrored = planAlongside(
            hull,
            { ...dock, side: 'port' },
            { ...now, windFromDeg: (360 - from) % 360, currentToDeg: (360 - to) % 360 },
          );
          expect(mirrored.ok).toBe(here.ok);
          if (!here.ok || !spun.ok || !mirrored.ok) return;
          expect(Math.cos(((spun.trackDeg - here.trackDeg - by) * Math.PI) / 180)).toBeCloseTo(1, 9);
          expect([spun.side, spun.set, spun.firstLine]).toEqual([here.side, here.set, here.firstLine]);
          expect(spun.startM).toBeCloseTo(here.startM, 6);
          expect(mirrored.side).not.toBe(here.side);
          expect([mirrored.set, mirrored.firstLine, mirrored.angleDeg]).toEqual([here.set, here.firstLine, here.angleDeg]);
          expect(mirrored.startM).toBeCloseTo(here.startM, 6);
        },
      ),
    );
  });

  it('keeps the track: heading, speed and drift add up to no way across it (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 359 }), fc.double({ min: 0, max: 8, noNaN: true }), (windFromDeg, windMs) => {
        const found = plan({ windFromDeg, windMs });
        if (!found.ok) return;
        const { windAcross } = components(found.trackDeg, { ...calm, windFromDeg, windMs });
        const crab = ((found.headingDeg - found.trackDeg) * Math.PI) / 180;
        const across = found.speedMs * Math.sin(crab) + Math.sign(windAcross) * found.setMs;
        expect(across).toBeCloseTo(0, 6);
        expect(found.reverseM).toBeLessThanOrEqual(found.neutralM);
        expect(found.neutralM).toBeLessThan(found.startM);
        expect(found.speedMs).toBe(USUAL_LIMITS.approachMs);
      }),
    );
  });
});
