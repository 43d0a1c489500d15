import { lyingDrift } from './drift';
import type { HullFigures } from './hull';
import { components, type Conditions, liesAlong, otherSide, type Place, type Side, sideOf, signOf, turnOf } from './place';

/** Which way round she lies, what she comes up against, and how she is set across it. */

/** Below this nothing is felt at the helm, m/s. */
export const FELT_MS = 0.05;
/** How wind and current are weighed against each other ahead: a current moves all of her, a wind what stands up. */
export const WIND_WORTH = 0.06;
/** The most of a stern anchor, m/s: boats capsize held by the stern in wind or current. */
export const STERN_ANCHOR = { windMs: 4, currentMs: 0.15 } as const;
/** A calm: wind up to force 1 of the Beaufort scale, and water that hardly moves. */
export const CALM = { windMs: 1.5, currentMs: 0.05 } as const;

/** How much is against her on a course; negative is against. */
export const aheadOf = (courseDeg: number, now: Conditions): number => {
  const { windAlong, currentAlong } = components(courseDeg, now);
  return currentAlong + WIND_WORTH * windAlong;
};

/** Which way round she lies: up against what is stronger, as drawn where neither is felt. Into a lock there is one way. */
export const wayRound = (
  berth: Place & { headingDeg: number },
  now: Conditions,
): { lyingDeg: number; turned: boolean; side: Side | undefined } => {
  const drawn = turnOf(berth.headingDeg);
  if (berth.kind === 'lockWall') {
    // Nobody said which wall: the one she is set onto, where she rests.
    const { windAcross, currentAcross } = components(drawn, now);
    return { lyingDeg: drawn, turned: false, side: berth.side ?? sideOf(currentAcross + WIND_WORTH * windAcross) };
  }
  if (!liesAlong(berth)) return { lyingDeg: drawn, turned: false, side: undefined };
  const other = turnOf(drawn + 180);
  const turned = aheadOf(other, now) < aheadOf(drawn, now) - FELT_MS;
  return { lyingDeg: turned ? other : drawn, turned, side: turned ? otherSide(berth.side!) : berth.side! };
};

/** How she is set across the way she lies: off the dock or onto it, or to one side. */
export const setOf = (hull: HullFigures, lyingDeg: number, side: Side | undefined, now: Conditions) => {
  const { windAcross, currentAcross } = components(lyingDeg, now);
  const drift = lyingDrift(windAcross, currentAcross, hull);
  const felt = Math.abs(drift) >= FELT_MS;
  const set = !felt
    ? ('none' as const)
    : side === undefined
      ? ('across' as const)
      : drift * signOf(side) > 0
        ? ('on' as const)
        : ('off' as const);
  return {
    drift,
    set,
    setTo: felt ? sideOf(drift) : undefined,
    setMs: Math.abs(drift),
    windward: sideOf(-(windAcross || currentAcross || 1)),
  };
};
