import type { AnchorGear } from '../fleet/rows';
import type { Policies } from '../policy/policies';
import { UNDER_KEEL_M } from './depth';

/** How much anchor line to give, how far she swings on it, and whether she comes to sit on the bottom. Lengths and depths in metres. */

/** Multiples of the depth at high water with the height of the bow, by the school: while somebody stays aboard awake, and overnight. */
const MULTIPLES: Record<NonNullable<Policies['anchorLine']>, { day: number; night: number }> = {
  fiveAndSeven: { day: 5, night: 7 },
  threeAndFive: { day: 3, night: 5 },
  sevenAndTen: { day: 7, night: 10 },
};
/** A fresh wind or worse, and a bottom in which an anchor holds badly, ask for so many depths more each. */
const [FRESH_MS, MORE] = [8, 2];
const HOUR_MS = 3_600_000;

export const BOTTOMS = ['mud', 'sand', 'weed', 'stones'] as const;
export type Bottom = (typeof BOTTOMS)[number];
const HOLDS_BADLY: readonly Bottom[] = ['weed', 'stones'];

/** The water over the time she lies, all above the same zero. */
export type WaterOver = { nowM: number; highM: number; lowM: number };

export type AnchorCase = {
  /** What the sounder shows now. */
  shownM: number;
  gear: AnchorGear;
  lengthM: number;
  draftM: number | undefined;
  water: WaterOver;
  school: NonNullable<Policies['anchorLine']>;
  overnight: boolean;
  /** The strongest wind or gust that is expected while she lies, m/s; unknown, it is taken for fresh. */
  windMs: number | undefined;
  /** Unknown, it is taken for one that holds badly. */
  bottom: Bottom | undefined;
  /** From the anchor to the nearest shore, boat or danger, where it is known. */
  roomM: number | undefined;
};

export type AnchorPlan = {
  depthM: { now: number; high: number; low: number };
  multiple: number;
  /** Line to give, from the bow. */
  giveM: number;
  /** By so much her own line is too short; none where it is long enough. */
  shortM: number;
  /** The most that the sounder may show now for her line to be long enough. */
  deepestShownM: number;
  /** Radius of the circle that her stern can reach at low water, on the line to be given or as much of it as she has. */
  swingM: number;
  /** Whether the circle is clear; unknown where nobody said how much room there is. */
  clear: boolean | undefined;
  /** Water under her keel at the lowest; unknown where nobody knows her draught. */
  underKeelM: number | undefined;
  grounds: boolean | undefined;
};

/** How much room she takes on so much line, her own length with it. @param upM from the bottom to the bow */
const swingOf = (lineM: number, upM: number, lengthM: number): number => Math.sqrt(Math.max(0, lineM ** 2 - upM ** 2)) + lengthM;

export type MoreFor = 'wind' | 'noWind' | 'bottom' | 'noBottom';
/** What asks for more than the school's own multiple; what nobody knows does, too. */
export const moreFor = ({ windMs, bottom }: Pick<AnchorCase, 'windMs' | 'bottom'>): MoreFor[] => [
  ...(windMs === undefined ? (['noWind'] as const) : windMs >= FRESH_MS ? (['wind'] as const) : []),
  ...(bottom === undefined ? (['noBottom'] as const) : HOLDS_BADLY.includes(bottom) ? (['bottom'] as const) : []),
];

/** By the school, and for each thing that asks for more. */
export const multipleOf = (of: Pick<AnchorCase, 'school' | 'overnight' | 'windMs' | 'bottom'>): number =>
  MULTIPLES[of.school][of.overnight ? 'night' : 'day'] + MORE * moreFor(of).length;

export const anchorPlan = (of: AnchorCase): AnchorPlan => {
  const { shownM, gear, lengthM, draftM, water, roomM } = of;
  const now = Math.max(0, shownM + (gear.sounderM ?? 0));
  const high = now + Math.max(0, water.highM - water.nowM);
  const low = Math.max(0, now - Math.max(0, water.nowM - water.lowM));
  const multiple = multipleOf(of);
  const giveM = Math.ceil(multiple * (high + gear.bowM) - 1e-9);
  const swingM = swingOf(Math.min(giveM, gear.lineM), low + gear.bowM, lengthM);
  const underKeelM = draftM === undefined ? undefined : low - draftM;
  return {
    depthM: { now, high, low },
    multiple,
    giveM,
    shortM: Math.max(0, giveM - gear.lineM),
    deepestShownM: Math.max(0, Math.floor(gear.lineM) / multiple - gear.bowM - (high - now) - (gear.sounderM ?? 0)),
    swingM,
    clear: roomM === undefined ? undefined : swingM <= roomM,
    underKeelM,
    grounds: underKeelM === undefined ? undefined : underKeelM < UNDER_KEEL_M,
  };
};

/**
 * Highest and lowest water while she lies. Where it rises and falls and nobody foretells it all that time, it may still rise
 * by all of the range, and fall by all of it.
 * @param rangeM of the tide here, none where there is none @param foretold instants, ms since 1970, and heights
 */
export const waterOver = (
  foretold: readonly { atMs: number; waterM: number }[],
  { fromMs, untilMs, rangeM }: { fromMs: number; untilMs: number; rangeM: number },
): { water: WaterOver; foretold: boolean } => {
  const within = foretold.filter(({ atMs }) => atMs > fromMs - HOUR_MS && atMs < untilMs + HOUR_MS);
  const first = within[0];
  const reaches = first !== undefined && first.atMs <= fromMs + HOUR_MS && within[within.length - 1]!.atMs >= untilMs - HOUR_MS;
  const heights = within.map(({ waterM }) => waterM);
  if (!reaches) {
    const nowM = first?.waterM ?? 0;
    return {
      water: { nowM, highM: Math.max(nowM + rangeM, ...heights), lowM: Math.min(nowM - rangeM, ...heights) },
      foretold: rangeM === 0,
    };
  }
  const nearest = within.reduce((a, b) => (Math.abs(b.atMs - fromMs) < Math.abs(a.atMs - fromMs) ? b : a));
  return { water: { nowM: nearest.waterM, highM: Math.max(...heights), lowM: Math.min(...heights) }, foretold: true };
};

/**
 * The strongest wind or gust that is foretold while she lies, raised as the forecast is where it is not trusted.
 * @param hours each from its instant on for an hour @returns nothing where it is not foretold all that time
 */
export const windOver = (
  hours: readonly { at: string; windMs: number; gustMs: number }[],
  { fromMs, untilMs, raised }: { fromMs: number; untilMs: number; raised: number },
): number | undefined => {
  const within = hours.filter(({ at }) => Date.parse(at) > fromMs - HOUR_MS && Date.parse(at) < untilMs);
  const last = within[within.length - 1];
  if (!last || Date.parse(within[0]!.at) > fromMs || Date.parse(last.at) + HOUR_MS < untilMs) return undefined;
  return raised * Math.max(...within.flatMap(({ windMs, gustMs }) => [windMs, gustMs]));
};
