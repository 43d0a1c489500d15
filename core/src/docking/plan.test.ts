import fc from 'fast-check';
import { hullOf } from '../testing/hulls';
import { hullFigures, type HullFigures } from './hull';
import { bodyOf, move, STEP_S } from './motion';
import { slackFor } from './lie';
import { components, type Conditions, conditionsOf, type Place, USUAL_LIMITS } from './place';
import { type Arrival, type NoPlan, type Plan, STEPS } from './plan';
import { planFor } from './planFor';
import { BERTH_KINDS } from '../fleet/base';

const hull = hullOf('pontoon');
/** Pointing north, the dock to starboard, in the east. */
const dock: Place = { kind: 'alongside', headingDeg: 0, side: 'starboard' };
const calm: Conditions = { windFromDeg: 0, windMs: 0, currentToDeg: 0, currentMs: 0, waterM: 0 };
const arrival = (now: Partial<Conditions>, berth: Partial<Place> = {}, of: HullFigures = hull): Arrival | NoPlan =>
  planFor('arrive', { hull: of, berth: { ...dock, ...berth }, now: { ...calm, ...now } }) as Arrival | NoPlan;
const given = <P extends Plan>(plan: P | NoPlan): P => {
  if (!plan.ok) throw new Error(`no plan: ${plan.reason}`);
  return plan;
};
const steps = (plan: Plan | NoPlan): string[] => (plan.ok ? plan.steps.map(({ id }) => id) : []);

describe('coming alongside', () => {
  it('changes sides when the wind turns: always up against it', () => {
    const north = given(arrival({ windFromDeg: 0, windMs: 6 }));
    expect(north).toMatchObject({ lyingDeg: 0, turned: false, side: 'starboard', against: 'wind' });
    expect(north.lines[0]).toMatchObject({ line: 'bow', why: 'fallsOff' });
    const south = given(arrival({ windFromDeg: 180, windMs: 6 }));
    expect(south).toMatchObject({ lyingDeg: 180, turned: true, side: 'port', against: 'wind' });
    expect(south.lines[0]).toMatchObject({ line: 'bow' });
  });

  it('goes up against a current rather than a wind that is weaker for her', () => {
    expect(arrival({ windFromDeg: 0, windMs: 3, currentToDeg: 0, currentMs: 0.6 })).toMatchObject({ lyingDeg: 180, against: 'current' });
  });

  it('off the dock: steeper, pointing up, a line amidships first; onto it: flat, all fenders out', () => {
    const off = given(arrival({ windFromDeg: 90, windMs: 6 }));
    expect(off).toMatchObject({ set: 'off', angleDeg: 35, courseDeg: 35 });
    expect(off.lines[0]).toMatchObject({ line: 'midship', why: 'blowsOff' });
    // The wind sets her to port; the bow goes further to starboard than she makes good.
    expect(off.headingDeg).toBeGreaterThan(35);
    expect(off.headingDeg).toBeLessThan(60);
    const on = given(arrival({ windFromDeg: 270, windMs: 6 }));
    expect(on).toMatchObject({ set: 'on', angleDeg: 12, fenders: 'all' });
    // Set onto the dock the bow points away from it: west of the course.
    expect(((on.headingDeg + 180) % 360) - 180).toBeLessThan(0);
  });

  it('says no, and why: too much wind, a set she cannot point up against, a current that carries her, too little water', () => {
    expect(arrival({ windMs: 12 })).toEqual({ ok: false, answer: 'wait', reason: 'wind', found: 12, limit: 10 });
    expect(arrival({ currentToDeg: 90, currentMs: 0.7 })).toMatchObject({ ok: false, answer: 'askIn', reason: 'setTooStrong' });
    // Up into a strong wind, with a current under her that a weak engine astern cannot hold.
    expect(arrival({ windFromDeg: 0, windMs: 9, currentToDeg: 0, currentMs: 0.4 }, {}, { ...hull, thrustAsternN: 5 })).toEqual({
      ok: false,
      answer: 'askIn',
      reason: 'currentCarries',
    });
    expect(arrival({}, { depthM: 0.4 })).toMatchObject({ ok: false, answer: 'wait', reason: 'shallow', found: 0.4 });
    expect(arrival({ waterM: 1 }, { depthM: 0.4 })).toMatchObject({ ok: true });
  });

  it('has no plan for a berth whose heading or side nobody has written down', () => {
    expect(planFor('arrive', { hull, berth: { kind: 'alongside', side: 'port' }, now: calm })).toMatchObject({
      reason: 'figure',
      figure: 'headingDeg',
    });
    expect(planFor('leave', { hull, berth: { kind: 'bank', headingDeg: 9 }, now: calm })).toMatchObject({
      reason: 'figure',
      figure: 'side',
    });
  });

  it('turned round with everything is the same plan; in a mirror it is the same on the other side (property)', () => {
    const angle = fc.integer({ min: 0, max: 359 });
    const windy = fc.double({ min: 0, max: 9, noNaN: true });
    const slow = fc.double({ min: 0, max: 0.4, noNaN: true });
    // A lock has two walls: which she takes in no wind at all is a matter of taste.
    const kinds = fc.constantFrom(...BERTH_KINDS.filter((kind) => kind !== 'lockWall'));
    const acts = fc.constantFrom('arrive' as const, 'leave' as const, 'lie' as const);
    const straight: HullFigures = { ...hull, walks: 'none' };
    fc.assert(
      fc.property(acts, kinds, angle, angle, angle, windy, slow, (act, kind, by, from, to, windMs, currentMs) => {
        const now = { ...calm, windFromDeg: from, windMs, currentToDeg: to, currentMs };
        const berth: Place = { ...dock, kind, tidal: true, depthM: 1 };
        const here = planFor(act, { hull: straight, berth, now });
        const spun = planFor(act, {
          hull: straight,
          berth: { ...berth, headingDeg: by },
          now: { ...now, windFromDeg: (from + by) % 360, currentToDeg: (to + by) % 360 },
        });
        const mirrored = planFor(act, {
          hull: straight,
          berth: { ...berth, side: 'port' },
          now: { ...now, windFromDeg: (360 - from) % 360, currentToDeg: (360 - to) % 360 },
        });
        expect([spun.ok, mirrored.ok]).toEqual([here.ok, here.ok]);
        if (!here.ok || !spun.ok || !mirrored.ok) return;
        expect(Math.cos(((spun.lyingDeg - here.lyingDeg - by) * Math.PI) / 180)).toBeCloseTo(1, 9);
        expect([spun.side, spun.set, steps(spun)]).toEqual([here.side, here.set, steps(here)]);
        expect([mirrored.set, steps(mirrored)]).toEqual([here.set, steps(here)]);
        if (here.side !== undefined) expect(mirrored.side).not.toBe(here.side);
        // Every point of the way is mirrored about the north: east becomes west.
        for (const [i, { point }] of here.path.entries()) {
          expect(mirrored.path[i]!.point[0]).toBeCloseTo(point[0], 6);
          expect(mirrored.path[i]!.point[1]).toBeCloseTo(-point[1], 6);
        }
      }),
      { numRuns: 600 },
    );
  });

  it('keeps the course: heading, speed and drift add up to no way across it (property)', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...BERTH_KINDS),
        fc.integer({ min: 0, max: 359 }),
        fc.double({ min: 0, max: 8, noNaN: true }),
        (kind, windFromDeg, windMs) => {
          const found = arrival({ windFromDeg, windMs }, { kind });
          if (!found.ok) return;
          const { windAcross } = components(found.courseDeg, { ...calm, windFromDeg, windMs });
          const crab = ((found.headingDeg - found.courseDeg) * Math.PI) / 180;
          // The drift of a hull left lying, by the balance of air and water, worked out here from the areas.
          const r = Math.sqrt((1.225 * hull.airDrag * hull.airAreaM2) / (1000 * hull.waterDrag * hull.lateralAreaM2));
          expect(found.speedMs * Math.sin(crab) + (windAcross * r) / (1 + r)).toBeCloseTo(0, 6);
          expect(found.reverseM).toBeLessThanOrEqual(found.neutralM);
          expect(found.neutralM).toBeLessThan(found.startM);
        },
      ),
    );
  });

  it('neutral and reverse where the plan says bring her to a stand at the place, in the motion of three degrees (simulated)', () => {
    for (const windMs of [0, 4])
      for (const currentMs of [0, 0.3]) {
        // Straight in against wind and current; a stern that walks is a matter for the helm.
        const straight: HullFigures = { ...hull, walks: 'none', airAreaM2: windMs === 0 ? hull.airAreaM2 : 1e-6 };
        const plan = given(arrival({ windFromDeg: 0, windMs, currentToDeg: 180, currentMs }, { kind: 'slip', headingDeg: 0 }, straight));
        const body = bodyOf(straight);
        const weather = { wind: [-windMs, 0], current: [-currentMs, 0] } as const;
        let at = { x: -plan.neutralM, y: 0, heading: 0, surge: plan.speedMs, sway: 0, turn: 0 };
        let engaged = Infinity;
        for (let t = 0; t < 120 && at.surge - currentMs > 0; t += STEP_S) {
          if (engaged === Infinity && at.x >= -plan.reverseM) engaged = t + straight.delayS;
          at = move(body, at, { lever: t >= engaged ? -1 : 0, steer: 0, thruster: 0 }, weather, STEP_S);
        }
        expect(Math.abs(at.x)).toBeLessThan(0.06 * plan.neutralM + 0.1);
      }
  });
});

describe('other places', () => {
  it('a slip: canopy down, up-drift of the middle; no room, or set across faster than there is room, and she is taken in', () => {
    const calmly = given(arrival({}, { kind: 'slip' }));
    expect(steps(calmly)).toEqual(['canopyDown', 'fromSlip', 'pointStraight', 'middle', 'straighten', 'neutral', 'reverse', 'first']);
    expect(steps(arrival({ windFromDeg: 90, windMs: 3 }, { kind: 'slip' }))).toContain('upDrift');
    expect(arrival({}, { kind: 'slip', widthM: 2.6 })).toMatchObject({ answer: 'elsewhere', reason: 'narrow' });
    expect(arrival({ windFromDeg: 90, windMs: 4 }, { kind: 'slip', widthM: 3 })).toMatchObject({ answer: 'askIn', reason: 'narrow' });
  });

  it('a beach by either policy, and the windward line first', () => {
    const now = { ...calm, windFromDeg: 90, windMs: 3 };
    const early = planFor('arrive', { hull, berth: { kind: 'beach', headingDeg: 0 }, now, policies: { beach: 'engineOffEarly' } });
    expect(steps(early)).toContain('engineOffEarly');
    const hold = given(planFor('arrive', { hull, berth: { kind: 'beach', headingDeg: 0 }, now, policies: { beach: 'aheadToHold' } }));
    expect(steps(hold)).toContain('aheadToHold');
    expect(hold.lines.map(({ line }) => line)).toEqual(['windward', 'leeward']);
    // The windward line leads to the side the wind comes from: east.
    expect(hold.lines[0]!.to[1]).toBeGreaterThan(hold.lines[1]!.to[1]);
    // A bow that touches is what a beach is for; a shore too steep to reach is not.
    expect(planFor('arrive', { hull, berth: { kind: 'beach', headingDeg: 0, depthM: 0.1 }, now })).toMatchObject({ reason: 'shallow' });
  });

  it('a crowded dock: a stern anchor only where the policy allows it, and never in wind or current', () => {
    const to = (policies: Parameters<typeof planFor>[1]['policies'], now: Partial<Conditions> = {}) =>
      planFor('arrive', { hull, berth: { kind: 'crowdedDock', headingDeg: 0 }, now: { ...calm, ...now }, policies: policies! });
    expect(to({ bowAnchoringOnly: 'always' })).toMatchObject({ answer: 'askIn', reason: 'sternAnchor' });
    expect(to({ bowAnchoringOnly: 'exceptCrowdedDock' }, { windMs: 6 })).toMatchObject({ answer: 'wait', reason: 'sternAnchor' });
    expect(steps(to({ bowAnchoringOnly: 'exceptCrowdedDock' }))).toContain('dropAnchor');
    // What is no calm is little wind all the same.
    expect(to({ bowAnchoringOnly: 'exceptCrowdedDock' }, { windMs: 3 })).toMatchObject({ ok: true });
    expect(to({ bowAnchoringOnly: 'exceptCalm' }, { windMs: 3 })).toMatchObject({ answer: 'wait', reason: 'sternAnchor', limit: 1.5 });
    expect(to({ bowAnchoringOnly: 'exceptCalm' }, { windMs: 1 })).toMatchObject({ ok: true });
  });

  it('a lock: lines round and held, in neutral; no place to lie', () => {
    const plan = given(arrival({ windFromDeg: 270, windMs: 3 }, { kind: 'lockWall', side: undefined }));
    // Blown to the east: the wall to starboard, where she rests.
    expect(plan.side).toBe('starboard');
    expect(steps(plan)).toEqual(expect.arrayContaining(['roundHeld', 'lockNeutral', 'sill']));
    expect(planFor('lie', { hull, berth: { kind: 'lockWall', headingDeg: 0 }, now: calm })).toMatchObject({ answer: 'elsewhere' });
  });
});

describe('leaving', () => {
  const leave = (now: Partial<Conditions>, berth: Partial<Place> = {}, of: HullFigures = hull) =>
    planFor('leave', { hull: of, berth: { ...dock, ...berth }, now: { ...calm, ...now } });

  it('lets the wind take her off, springs her out against it, and waits where she is pinned', () => {
    expect(steps(leave({ windFromDeg: 90, windMs: 5 }))).toContain('driftOff');
    const sprung = given(leave({ windFromDeg: 270, windMs: 3 }));
    expect(steps(sprung)).toContain('springOut');
    expect(sprung.lines.at(-1)).toMatchObject({ line: 'bowSpring', why: 'swingsOut' });
    const houseboat = hullOf('houseboat');
    expect(leave({ windFromDeg: 270, windMs: 9.5 }, {}, houseboat)).toMatchObject({ answer: 'wait', reason: 'pinned' });
  });

  it('is pinned from some wind on, and never below it (property)', () => {
    const pinned = (windMs: number) => !leave({ windFromDeg: 270, windMs }).ok;
    fc.assert(
      fc.property(fc.double({ min: 0, max: 10, noNaN: true }), fc.double({ min: 0, max: 10, noNaN: true }), (a, b) => {
        if (pinned(Math.min(a, b))) expect(pinned(Math.max(a, b))).toBe(true);
      }),
    );
  });

  it('a bank stern first, so that the propeller finds deep water', () => {
    expect(steps(leave({}, { kind: 'bank' }))).toEqual(expect.arrayContaining(['pushStern', 'asternDeep']));
  });
});

describe('lying', () => {
  it('between tides: slack by Pythagoras, and says when she will sit on the bottom', () => {
    expect(slackFor(3, 8)).toBeCloseTo(2, 9);
    expect(slackFor(4, 0)).toBe(0);
    const lie = (depthM: number) => planFor('lie', { hull, berth: { ...dock, tidal: true, rangeM: 3, depthM }, now: calm });
    expect(steps(lie(0.4))).toEqual(expect.arrayContaining(['slack', 'nothingCatches', 'grounds']));
    expect(steps(lie(3))).toContain('staysAfloat');
    expect(steps(planFor('lie', { hull, berth: dock, now: calm }))).not.toContain('slack');
  });
});

describe('figures that are missing or cannot be', () => {
  it('are named, and replaced on the careful side', () => {
    const { now, estimated } = conditionsOf({ windMs: 99, currentMs: 0.2, currentToDeg: 40 }, { ...dock, tidal: true });
    expect(estimated).toEqual(['windMs', 'windFromDeg', 'waterM']);
    // Off the dock in the east: the harder case.
    expect(now).toEqual({ windMs: 4, windFromDeg: 90, currentMs: 0.2, currentToDeg: 40, waterM: 0 });
    expect(conditionsOf({ windMs: 0, currentMs: 0 }, dock).estimated).toEqual([]);
    expect(conditionsOf({ windMs: Number.NaN, windFromDeg: -3, currentMs: 0 }, dock).estimated).toEqual(['windMs', 'windFromDeg']);
  });

  it('of a hull, too', () => {
    const made = hullFigures({ kind: 'rib', plan: { lengthM: 6, beamM: 2.4, strokes: [] } }, { massKg: 3, draftM: 0.5 });
    expect(made.wrong).toEqual(['massKg']);
    expect(made.estimated).toContain('massKg');
    expect(made.estimated).not.toContain('draftM');
    expect(made.hull.massKg).toBeGreaterThan(500);
  });

  it('never gives a plan a figure that is none (property)', () => {
    const any = fc.option(fc.double(), { nil: undefined });
    fc.assert(
      fc.property(
        fc.record({ windMs: any, windFromDeg: any, currentMs: any, currentToDeg: any, waterM: any }),
        fc.constantFrom(...BERTH_KINDS),
        fc.constantFrom('arrive' as const, 'leave' as const, 'lie' as const),
        (raw, kind, act) => {
          const berth: Place = { ...dock, kind };
          const plan = planFor(act, { hull, berth, now: conditionsOf(raw, berth).now });
          if (!plan.ok) return;
          for (const { point, headingDeg } of plan.path) expect([...point, headingDeg].every(Number.isFinite)).toBe(true);
          for (const { id, m = 0, deg = 0, seconds = 0 } of plan.steps) {
            expect(STEPS).toContain(id);
            expect([m, deg, seconds].every((value) => Number.isFinite(value) && value >= 0)).toBe(true);
          }
        },
      ),
    );
    expect(USUAL_LIMITS.approachMs).toBeGreaterThan(0);
  });
});
