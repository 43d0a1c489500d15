import { FELT_MS, setOf, STERN_ANCHOR, wayRound } from './wayRound';
import { AIR } from './drift';
import type { HullFigures } from './hull';
import { sideForceFullOver } from './motion';
import { ahead, components, type Conditions, liesAlong, otherSide, type Place, signOf } from './place';
import type { Departure, LineName, NoPlan, Post, Step, Waypoint, Why } from './plan';
import { lineOf } from './scene';

/** How to leave a place: which end first, which line last, and when she is pinned. */

type Task = { hull: HullFigures; berth: Place & { headingDeg: number }; now: Conditions };

/** Half throttle on a spring is what is asked of a renter; more of it is for those who do it daily. */
const ON_A_SPRING = 0.5;
/** How far off she is clear of the dock, in beams; and how far out she goes before she turns, in lengths. */
const CLEAR_BEAMS = 1;
const CLEAR_LENGTHS = 2;
/** Between hull and dock when she is sprung out, degrees: more with more wind on her. */
const SPRUNG_DEG = { least: 25, most: 45, perMs: 4 } as const;

/** Force of the wind on her side, N. */
const windOnSide = (hull: HullFigures, acrossMs: number): number => 0.5 * AIR * hull.airDrag * hull.airAreaM2 * acrossMs * acrossMs;

/** Waits until it has drifted so far: seconds; undefined where it never does. */
const secondsToClear = (hull: HullFigures, setMs: number): number => (CLEAR_BEAMS * hull.beamM) / setMs;

type Said = { last: [LineName, Why][]; crew: Post[]; steps: Step[]; path: Waypoint[] };

export const planDeparture = ({ hull, berth, now }: Task): Departure | NoPlan => {
  const { kind } = berth;
  // She lies as she came; whoever lies the other way round reads the other side off it.
  const { lyingDeg, turned, side } = wayRound({ ...berth }, now);
  const { set, setTo, setMs, windward } = setOf(hull, lyingDeg, side, now);
  const { windAcross, currentAlong, windAlong } = components(lyingDeg, now);
  const { lengthM: L, beamM: B } = hull;
  const way = (at: Waypoint['at'], aheadM: number, starboardM: number, turnDeg = 0): Waypoint => ({
    at,
    point: ahead([0, 0], lyingDeg, aheadM, starboardM),
    headingDeg: (lyingDeg + turnDeg + 360) % 360,
  });
  const place = way('place', 0, 0);
  const begin: Step[] = [{ id: 'engineOn' }, { id: 'lookRound' }];
  const walks: Step[] = hull.walks === 'none' ? [] : [{ id: 'walks', side: hull.walks }];

  const along = (): Said | NoPlan => {
    const away = otherSide(side!);
    const a = signOf(away);
    const clear: Waypoint = way('clear', CLEAR_LENGTHS * L, a * 1.5 * B);
    if (kind === 'bank')
      return {
        last: [
          ['stern', 'noSurge'],
          ['bow', 'holdsHer'],
        ],
        crew: ['driverHelm', 'lineBow', 'lookoutStern', 'othersSeated'],
        steps: [...begin, { id: 'pushStern', side: away }, { id: 'asternDeep', m: L / 2 }, ...walks, { id: 'keepStraight' }],
        path: [place, way('start', -0.35 * L, a * 0.5 * B, -20 * a), way('clear', -1.6 * L, a * 1.6 * B, -10 * a)],
      };
    if (set === 'off')
      return {
        last: [
          ['bow', 'noSurge'],
          ['stern', 'noSurge'],
          ['midship', 'holdsHer'],
        ],
        crew: ['driverHelm', 'lineMidship', 'othersSeated'],
        steps: [
          ...begin,
          { id: 'letGoAll' },
          { id: 'driftOff', m: CLEAR_BEAMS * B, seconds: secondsToClear(hull, setMs) },
          { id: 'aheadStraight' },
        ],
        path: [place, way('start', 0, a * (CLEAR_BEAMS * B)), clear],
      };
    if (set === 'on') {
      // The stern is pushed out against half of the wind on her, by what rudder or drive can give.
      const needN = windOnSide(hull, windAcross) / 2;
      const haveN = sideForceFullOver(hull, ON_A_SPRING);
      if (needN > haveN) return { ok: false, answer: 'wait', reason: 'pinned', found: needN, limit: haveN };
      const deg = Math.min(SPRUNG_DEG.most, SPRUNG_DEG.least + SPRUNG_DEG.perMs * Math.abs(windAcross));
      return {
        last: [
          ['stern', 'noSurge'],
          ['bow', 'noSurge'],
          ['bowSpring', 'swingsOut'],
        ],
        crew: ['driverHelm', 'lineBow', 'lookoutStern', 'othersSeated'],
        steps: [
          ...begin,
          { id: 'springOut', deg, side: side! },
          { id: 'asternClear', m: CLEAR_LENGTHS * L },
          ...walks,
          { id: 'aheadStraight' },
        ],
        path: [
          place,
          way('start', -0.1 * L, a * 0.4 * L * Math.sin((deg * Math.PI) / 180), deg * a * -1),
          way('clear', -CLEAR_LENGTHS * L, a * 1.2 * L, deg * a * -1),
        ],
      };
    }
    // Nothing across her: what comes from ahead opens the bow, what comes from astern the stern.
    const withHer = currentAlong > FELT_MS || (Math.abs(currentAlong) <= FELT_MS && windAlong > 1);
    return withHer
      ? {
          last: [
            ['bow', 'noSurge'],
            ['stern', 'noSurge'],
            ['bowSpring', 'swingsOut'],
          ],
          crew: ['driverHelm', 'lineBow', 'lookoutStern', 'othersSeated'],
          steps: [
            ...begin,
            { id: 'sternOpens', line: 'bowSpring' },
            { id: 'asternClear', m: CLEAR_LENGTHS * L },
            ...walks,
            { id: 'aheadStraight' },
          ],
          path: [place, way('start', -0.1 * L, a * 0.3 * L, -25 * a), way('clear', -CLEAR_LENGTHS * L, a * L, -15 * a)],
        }
      : {
          last: [
            ['stern', 'noSurge'],
            ['bow', 'noSurge'],
            ['sternSpring', 'swingsOut'],
          ],
          crew: ['driverHelm', 'lineStern', 'lookoutStern', 'othersSeated'],
          steps: [...begin, { id: 'bowOpens', line: 'sternSpring' }, { id: 'aheadStraight' }],
          path: [place, way('start', 0.1 * L, a * 0.25 * L, 20 * a), clear],
        };
  };

  const across = (): Said | NoPlan => {
    const lee = otherSide(windward);
    const out = way('clear', -CLEAR_LENGTHS * L - L, 0);
    const bows: [LineName, Why][] = [
      [lee === 'port' ? 'bowPort' : 'bowStarboard', 'noSurge'],
      [windward === 'port' ? 'bowPort' : 'bowStarboard', 'windwardFirst'],
    ];
    switch (kind) {
      case 'beach':
        return {
          last: [
            ['leeward', 'noSurge'],
            ['windward', 'windwardFirst'],
          ],
          crew: ['driverHelm', 'bothLines', 'lookoutStern', 'othersSeated'],
          steps: [
            { id: 'weightAft' },
            ...begin,
            { id: 'windwardLast', side: windward },
            { id: 'legHalf' },
            { id: 'asternDeep', m: 1.5 * L },
            ...walks,
            { id: 'noTurn' },
          ],
          path: [place, way('start', -1.5 * L, 0), out],
        };
      case 'crowdedDock':
        if (now.windMs > STERN_ANCHOR.windMs || now.currentMs > STERN_ANCHOR.currentMs)
          return { ok: false, answer: 'askIn', reason: 'sternAnchor', found: now.windMs, limit: STERN_ANCHOR.windMs };
        return {
          last: [...bows, ['sternAnchor', 'holdsOff']],
          crew: ['driverHelm', 'lineStern', 'lookoutBow', 'othersSeated'],
          steps: [
            ...begin,
            { id: 'windwardLast', side: windward },
            { id: 'haulAnchor' },
            { id: 'engineStillHaul' },
            { id: 'aheadStraight' },
          ],
          path: [place, way('anchor', -3.5 * L, 0), way('clear', -5 * L, 0)],
        };
      default: {
        // In a slip she is set across for as long as she takes to come out of it.
        return {
          last: kind === 'lift' ? [] : [['stern', 'noSurge'], ...bows],
          crew: ['driverHelm', 'lookoutStern', 'lookoutBow', 'othersSeated'],
          steps: [
            ...begin,
            ...(kind === 'lift' ? [] : [{ id: 'windwardLast' as const, side: windward }]),
            { id: 'asternSlow', m: 1.1 * L },
            ...walks,
            { id: 'noTurn' },
          ],
          path: [place, way('start', -1.1 * L, 0), out],
        };
      }
    }
  };
  const lock = (): Said => ({
    last: [
      ['stern', 'round'],
      ['bow', 'round'],
    ],
    crew: ['driverHelm', 'lineBow', 'lineStern', 'othersSeated'],
    steps: [{ id: 'holdInLock' }, { id: 'gatesOpen' }, ...begin, { id: 'aheadStraight' }],
    path: [place, way('clear', 3 * L, signOf(otherSide(side!)) * 0.4)],
  });

  const said = kind === 'lockWall' ? lock() : liesAlong(berth) ? along() : across();
  if ('ok' in said) return said;
  return {
    ok: true,
    act: 'leave',
    kind,
    lyingDeg,
    turned,
    side,
    set,
    setTo,
    setMs,
    path: said.path,
    lines: said.last.map(([line, why]) => lineOf(line, why, berth, hull, lyingDeg, side, windward)),
    fenders: set === 'on' ? 'all' : liesAlong(berth) && kind !== 'lockWall' ? 'bowAndMiddle' : kind === 'beach' ? 'none' : 'bothSides',
    crew: said.crew,
    steps: said.steps,
  };
};
