import { type LonLat, type Plane } from '../../geometry/plane';

/** Fixes of a boat's own plotter or of a phone: where she was when, in the order of the file. */

/** Instants, ms since 1970, and degrees (WGS 84); all three as long as there are fixes. */
export type Fixes = { atMs: Float64Array; lon: Float64Array; lat: Float64Array };

/** What a track said that cannot be, and how often. */
export type TrackFaults = {
  /** Fixes without an hour, or with one that is not later than the one before. */
  wrongClock: number;
  /** Fixes farther away than any boat gets in that time. */
  jumps: number;
  /** Times nothing was written for longer than a minute. */
  gaps: number;
};

/** Fixes that can be used, laid on a plane; `starts` are where a stretch without a gap begins. */
export type Cleaned = { atMs: Float64Array; x: Float64Array; y: Float64Array; starts: number[]; faults: TrackFaults };

/** No hired boat is faster, m/s. */
const FASTEST_MS = 35;
const GAP_MS = 60_000;
/** After so many fixes far away that agree among themselves, she is there. */
const AGREED = 5;

/** Leaves out what cannot be. @param errorM how far off a fix may be */
export const cleaned = ({ atMs, lon, lat }: Fixes, plane: Plane, errorM: number): Cleaned => {
  const count = atMs.length;
  const [times, xs, ys] = [new Float64Array(count), new Float64Array(count), new Float64Array(count)];
  const starts: number[] = [];
  const faults: TrackFaults = { wrongClock: 0, jumps: 0, gaps: 0 };
  let kept = 0;
  /** Fixes in a row that were too far from the last one that was kept, and the last of them. */
  let far = { n: 0, at: 0, x: 0, y: 0 };
  const keep = (at: number, x: number, y: number, anew: boolean) => {
    if (anew) starts.push(kept);
    times[kept] = at;
    xs[kept] = x;
    ys[kept] = y;
    kept += 1;
    if (far.n > 0) far = { n: 0, at: 0, x: 0, y: 0 };
  };
  for (let i = 0; i < count; i += 1) {
    const at = atMs[i]!;
    if (!Number.isFinite(at) || (kept > 0 && at <= times[kept - 1]!)) {
      faults.wrongClock += 1;
      continue;
    }
    const [x, y] = plane.toXy([lon[i]!, lat[i]!] as LonLat);
    if (kept === 0) {
      keep(at, x, y, true);
      continue;
    }
    const last = kept - 1;
    const reach = (fromMs: number) => (FASTEST_MS * (at - fromMs)) / 1000 + 2 * errorM;
    if (Math.hypot(x - xs[last]!, y - ys[last]!) > reach(times[last]!)) {
      const agrees = far.n > 0 && at > far.at && Math.hypot(x - far.x, y - far.y) <= reach(far.at);
      far = { n: agrees ? far.n + 1 : 1, at, x, y };
      faults.jumps += 1;
      if (far.n >= AGREED) keep(at, x, y, true);
      continue;
    }
    const gap = at - times[last]! > GAP_MS;
    if (gap) faults.gaps += 1;
    keep(at, x, y, gap);
  }
  return { atMs: times.subarray(0, kept), x: xs.subarray(0, kept), y: ys.subarray(0, kept), starts, faults };
};

/** Speeds are taken over so long before and after a fix. */
const HALF_MS = 10_000;
/** The sums of a window are reckoned anew from time to time, from another zero, so that no error grows in them. */
const ANEW = 64;

/**
 * Speed over ground at every fix: the slope of a straight line laid through the fixes near it, so that the error of one
 * of them is not taken for speed. @returns m/s, and how far each may be off (standard deviation); infinitely far where
 * there are not three fixes
 */
export const smoothed = ({ atMs, x, y, starts }: Cleaned, errorM: number): { speedMs: Float64Array; offMs: Float64Array } => {
  const count = atMs.length;
  const [speedMs, offMs] = [new Float64Array(count), new Float64Array(count).fill(Infinity)];
  // Of the fixes in the window: how many, and their sums; in one place of memory, since a million fixes go through it.
  const sums = new Float64Array(7);
  const put = (k: number, zero: number, times: 1 | -1) => {
    const dt = (atMs[k]! - atMs[zero]!) / 1000;
    const dx = x[k]! - x[zero]!;
    const dy = y[k]! - y[zero]!;
    sums[0]! += times;
    sums[1]! += times * dt;
    sums[2]! += times * dt * dt;
    sums[3]! += times * dx;
    sums[4]! += times * dy;
    sums[5]! += times * dt * dx;
    sums[6]! += times * dt * dy;
  };
  for (let s = 0; s < starts.length; s += 1) {
    const to = starts[s + 1] ?? count;
    let a = starts[s]!;
    let b = a;
    let zero = a;
    sums.fill(0);
    for (let i = a; i < to; i += 1) {
      while (atMs[i]! - atMs[a]! > HALF_MS) {
        put(a, zero, -1);
        a += 1;
      }
      while (b < to && atMs[b]! - atMs[i]! <= HALF_MS) {
        put(b, zero, 1);
        b += 1;
      }
      if (i - zero >= ANEW) {
        zero = i;
        sums.fill(0);
        for (let k = a; k < b; k += 1) put(k, zero, 1);
      }
      const n = sums[0]!;
      const t = sums[1]!;
      const spread = sums[2]! - (t * t) / n;
      if (n < 3 || spread <= 0) continue;
      const east = (sums[5]! - (t * sums[3]!) / n) / spread;
      const north = (sums[6]! - (t * sums[4]!) / n) / spread;
      speedMs[i] = Math.sqrt(east * east + north * north);
      offMs[i] = errorM / Math.sqrt(spread);
    }
  }
  return { speedMs, offMs };
};
