import { setOf, wayRound } from './wayRound';
import type { HullFigures } from './hull';
import { type Conditions, liesAlong, type Place } from './place';
import type { LineName, Lying, NoPlan, Step, Why } from './plan';
import { lineOf } from './scene';

/** How to lie: which lines, how much slack between low and high water, and whether she comes to sit on the bottom. */

type Task = { hull: HullFigures; berth: Place & { headingDeg: number }; now: Conditions; underKeelM: number };

/**
 * How much longer than level a line has to be, so that she can rise and fall by half of the range about the middle of it
 * on a line that leads so far out: √(d² + h²) − d, m.
 * @param outM along the dock between cleat and ring @param rangeM from lowest to highest water
 */
export const slackFor = (outM: number, rangeM: number): number => Math.hypot(outM, rangeM / 2) - outM;

/** Where the base does not say how far the water rises, what is reckoned with, m. */
const SUPPOSED_RANGE_M = 2;
/** Lines that lead far forward and aft need little slack: in ranges of the tide. */
const LEADS_RANGES = 1.5;

export const planLying = ({ hull, berth, now, underKeelM: wanted }: Task): Lying | NoPlan => {
  const { kind } = berth;
  if (kind === 'lockWall') return { ok: false, answer: 'elsewhere', reason: 'lockIsNoBerth' };
  const { lyingDeg, turned, side } = wayRound(berth, now);
  const { set, setTo, setMs, windward } = setOf(hull, lyingDeg, side, now);
  const rangeM = berth.tidal ? (berth.rangeM ?? SUPPOSED_RANGE_M) : 0;
  const underKeelM = berth.depthM === undefined ? undefined : berth.depthM - hull.draftM;
  const bow: LineName[] = windward === 'port' ? ['bowPort', 'bowStarboard'] : ['bowStarboard', 'bowPort'];
  const tide: Step[] =
    rangeM > 0
      ? [
          { id: 'slack', m: slackFor(LEADS_RANGES * rangeM, rangeM) },
          { id: 'nothingCatches', side: side ?? windward },
          ...(underKeelM === undefined
            ? []
            : underKeelM < wanted
              ? [{ id: 'grounds' as const, m: Math.max(0, underKeelM) }]
              : [{ id: 'staysAfloat' as const, m: underKeelM }]),
        ]
      : [];
  const lie = (): { lines: [LineName, Why][]; steps: Step[] } => {
    switch (kind) {
      case 'bank':
        return {
          lines: [
            ['bow', 'fallsOff'],
            ['stern', 'noSurge'],
            ['bowSpring', 'noSurge'],
          ],
          steps: [{ id: 'pins' }, { id: 'springs' }, { id: 'pathFree' }, ...tide],
        };
      case 'beach':
        return {
          lines: [
            ['windward', 'windwardFirst'],
            ['leeward', 'noSurge'],
          ],
          steps: [{ id: 'twoAft', side: windward }, { id: 'checkBeach' }, ...tide],
        };
      case 'crowdedDock':
        return {
          lines: [
            [bow[0]!, 'windwardFirst'],
            [bow[1]!, 'noSurge'],
            ['sternAnchor', 'holdsOff'],
          ],
          steps: [{ id: 'crossLines' }, { id: 'anchorSnug' }, ...tide, { id: 'checkHourly' }],
        };
      case 'lift':
        return { lines: [], steps: [{ id: 'raise' }] };
      case 'slip':
        return {
          lines: [
            [bow[0]!, 'windwardFirst'],
            [bow[1]!, 'noSurge'],
            ['stern', 'noSurge'],
          ],
          steps: [{ id: 'crossLines' }, { id: 'fendersLow' }, ...tide],
        };
      default:
        return {
          lines: [
            ['bow', 'fallsOff'],
            ['stern', 'noSurge'],
            ['bowSpring', 'noSurge'],
            ['sternSpring', 'noSurge'],
          ],
          steps: [{ id: 'bowAndStern' }, { id: 'springs' }, { id: 'fendersLow' }, ...tide],
        };
    }
  };
  const { lines, steps } = lie();
  return {
    ok: true,
    act: 'lie',
    kind,
    lyingDeg,
    turned,
    side,
    set,
    setTo,
    setMs,
    path: [{ at: 'place', point: [0, 0], headingDeg: lyingDeg }],
    lines: lines.map(([line, why]) => lineOf(line, why, berth, hull, lyingDeg, side, windward)),
    fenders: liesAlong(berth) ? (set === 'on' ? 'all' : 'bowAndMiddle') : kind === 'beach' ? 'none' : 'bothSides',
    crew: [],
    steps,
    underKeelM,
  };
};
