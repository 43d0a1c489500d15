import { otherSide, type Place, type Side, sideOf } from './place';
import type { Arrival, Fenders, LineName, Post, Step, Why } from './plan';

/** What is done in which order, coming in to each kind of place, by the figures that were found for it. */

const firstOf = (kind: Place['kind'], set: Arrival['set'], against: Arrival['against'], withHer: boolean): [LineName, Why] => {
  if (kind === 'bank') return ['midship', 'holdsHer'];
  if (kind === 'lockWall') return ['midship', 'round'];
  if (set === 'off') return ['midship', 'blowsOff'];
  if (withHer) return ['stern', 'runsOn'];
  return against === 'nothing' && set === 'on' ? ['midship', 'restsOn'] : ['bow', 'fallsOff'];
};
const THEN: Readonly<Record<'bow' | 'stern' | 'midship', readonly LineName[]>> = {
  bow: ['stern', 'bowSpring', 'sternSpring'],
  stern: ['bow', 'sternSpring', 'bowSpring'],
  midship: ['bow', 'stern'],
};

/** What the plan of each kind says beside its figures. */
type Said = { lines: [LineName, Why][]; fenders: Fenders; crew: Post[]; steps: Step[]; wayOut: Step };
export type Found = {
  kind: Place['kind'];
  side: Side | undefined;
  set: Arrival['set'];
  setTo: Side | undefined;
  windward: Side;
  against: Arrival['against'];
  withHer: boolean;
  turned: boolean;
  crabDeg: number;
  angleDeg: number;
  startM: number;
  neutralM: number;
  reverseM: number;
  driftInM: number;
  aimOffM: number;
  engineOff: boolean;
  anchorM: number;
};

export const saidFor = (found: Found): Said => {
  const { kind, side, set, windward, against, crabDeg, angleDeg, startM, neutralM, reverseM, engineOff } = found;
  const away = side === undefined ? undefined : otherSide(side);
  const up: Step[] =
    Math.abs(crabDeg) >= 1 ? [{ id: 'pointUp', deg: Math.abs(crabDeg), side: sideOf(crabDeg) }] : [{ id: 'pointStraight' }];
  const wayOff: Step[] = [
    { id: 'neutral', m: neutralM },
    { id: 'reverse', m: reverseM },
  ];
  const start: Step = { id: 'from', m: startM };
  const upDrift: Step[] = found.aimOffM >= 0.1 ? [{ id: 'upDrift', m: found.aimOffM, side: windward }] : [{ id: 'middle' }];
  switch (kind) {
    case 'alongside':
    case 'bank': {
      const [first, why] = firstOf(kind, set, against, found.withHer);
      const lines: [LineName, Why][] =
        kind === 'bank'
          ? [
              [first, why],
              ['bow', 'fallsOff'],
              ['stern', 'noSurge'],
            ]
          : [[first, why], ...THEN[first as 'bow' | 'stern' | 'midship'].map((line): [LineName, Why] => [line, 'noSurge'])];
      return {
        lines,
        fenders: kind === 'bank' ? 'bowAndMiddle' : set === 'on' ? 'all' : 'bowAndMiddle',
        crew: [
          'driverHelm',
          kind === 'bank' ? 'lookoutBow' : first === 'stern' ? 'lineStern' : first === 'midship' ? 'lineMidship' : 'lineBow',
          'othersSeated',
        ],
        steps: [
          ...(found.turned ? [{ id: 'swungRound' as const, side: side! }] : []),
          { id: 'ready', side: side! },
          start,
          { id: set === 'off' ? 'steepAngle' : 'shallowAngle', deg: angleDeg },
          ...up,
          ...wayOff,
          ...(kind === 'bank'
            ? [{ id: 'bowIn' as const }, { id: 'holdMidship' as const }, { id: 'pins' as const }]
            : [{ id: 'first' as const, line: first, side: side! }, { id: 'then' as const }]),
        ],
        wayOut: { id: 'again', side: away! },
      };
    }
    case 'lockWall':
      return {
        lines: [
          ['bow', 'round'],
          ['stern', 'round'],
        ],
        fenders: 'bothSides',
        crew: ['driverHelm', 'lineBow', 'lineStern', 'othersSeated'],
        steps: [
          { id: 'ready', side: side! },
          { id: 'lockSlow', m: startM },
          ...up,
          ...wayOff,
          { id: 'roundHeld', side: side! },
          { id: 'lockNeutral' },
          { id: 'sill' },
        ],
        wayOut: { id: 'againAstern' },
      };
    case 'beach':
      return {
        lines: [
          ['windward', 'windwardFirst'],
          ['leeward', 'noSurge'],
        ],
        fenders: 'none',
        crew: ['driverHelm', 'bothLines', 'lookoutBow', 'othersSeated'],
        steps: [
          start,
          { id: 'squareOn' },
          ...up,
          ...(engineOff ? [{ id: 'engineOffEarly' as const, m: found.driftInM }] : [{ id: 'aheadToHold' as const }]),
          { id: 'linesAft', side: windward },
        ],
        wayOut: { id: 'againAstern' },
      };
    case 'crowdedDock':
      return {
        lines: [
          [windward === 'port' ? 'bowPort' : 'bowStarboard', 'windwardFirst'],
          [windward === 'port' ? 'bowStarboard' : 'bowPort', 'noSurge'],
          ['sternAnchor', 'holdsOff'],
        ],
        fenders: 'bothSides',
        crew: ['driverHelm', 'lineBow', 'lineStern', 'othersSeated'],
        steps: [
          start,
          ...up,
          { id: 'dropAnchor', m: found.anchorM },
          { id: 'payOut' },
          ...wayOff,
          { id: 'first', line: windward === 'port' ? 'bowPort' : 'bowStarboard' },
        ],
        wayOut: { id: 'againAstern' },
      };
    default:
      return {
        lines:
          kind === 'lift'
            ? []
            : [
                [windward === 'port' ? 'bowPort' : 'bowStarboard', 'windwardFirst'],
                ['stern', 'noSurge'],
                [windward === 'port' ? 'bowStarboard' : 'bowPort', 'noSurge'],
              ],
        fenders: 'bothSides',
        crew: ['driverHelm', 'lookoutBow', 'othersSeated'],
        steps: [
          { id: 'canopyDown' },
          { id: 'fromSlip', m: startM },
          ...up,
          ...upDrift,
          { id: 'straighten' },
          ...(kind === 'lift'
            ? [{ id: 'engineOffLeg' as const, m: found.driftInM }]
            : [...wayOff, { id: 'first' as const, line: windward === 'port' ? ('bowPort' as const) : ('bowStarboard' as const) }]),
        ],
        wayOut: { id: 'againAstern' },
      };
  }
};
