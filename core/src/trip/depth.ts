/** Depth at a place by the hour, where the water rises and falls: the chart's depth at the lowest water, and what stands above it. */

/** An instant, ms since 1970, and the depth then, m; negative where it is dry by so much. */
export type DepthAt = { atMs: number; depthM: number };

/** Between keel and bottom, m: a wave lets her touch before she sits. */
export const UNDER_KEEL_M = 0.3;

/**
 * @param chartM at the lowest water, negative where it dries @param foretold in order, m above the lowest
 * @returns at the beginning, at each hour between, and at the end; nothing where it is not foretold all that time
 */
export const depthOver = (
  chartM: number,
  foretold: readonly { atMs: number; waterM: number }[],
  { fromMs, untilMs }: { fromMs: number; untilMs: number },
): DepthAt[] | undefined => {
  const first = foretold[0];
  const last = foretold.at(-1);
  if (!first || !last || first.atMs > fromMs || last.atMs < untilMs || untilMs <= fromMs) return undefined;
  const heightAt = (ms: number): number => {
    const after = foretold.findIndex(({ atMs }) => atMs >= ms);
    const [a, b] = [foretold[Math.max(0, after - 1)]!, foretold[after]!];
    return b.atMs === a.atMs ? b.waterM : a.waterM + ((b.waterM - a.waterM) * (ms - a.atMs)) / (b.atMs - a.atMs);
  };
  const between = foretold.map(({ atMs }) => atMs).filter((ms) => ms > fromMs && ms < untilMs);
  return [fromMs, ...between, untilMs].map((atMs) => ({ atMs, depthM: chartM + heightAt(atMs) }));
};

/** Told to so many minutes: nobody goes by less. */
const STEP_MS = 5 * 60_000;
/** Ahead of that nobody asks of a place. */
const AHEAD_MS = 24 * 3_600_000;

/**
 * Depth at a place for a boat while she is out, as far ahead as it is foretold, and when it is enough with what stays under
 * her keel; stretches are told on the careful side.
 * @returns nothing where nobody foretells the water for now
 */
export const depthAhead = (
  { chartM, draftM }: { chartM: number; draftM: number },
  foretold: Parameters<typeof depthOver>[1],
  { fromMs, untilMs }: { fromMs: number; untilMs: number },
): { over: DepthAt[]; needM: number; always: boolean; enough: { fromMs: number; untilMs: number }[] } | undefined => {
  const until = Math.min(untilMs, fromMs + AHEAD_MS, foretold.at(-1)?.atMs ?? -Infinity);
  const over = depthOver(chartM, foretold, { fromMs, untilMs: until });
  if (!over) return undefined;
  const needM = draftM + UNDER_KEEL_M;
  const enough = deepEnough(over, needM)
    .map((one) => ({ fromMs: Math.ceil(one.fromMs / STEP_MS) * STEP_MS, untilMs: Math.floor(one.untilMs / STEP_MS) * STEP_MS }))
    .filter((one) => one.fromMs < one.untilMs);
  return { over, needM, always: over.every(({ depthM }) => depthM >= needM), enough };
};

/** Stretches of time, ms since 1970, in which a depth is at least what is needed; between two instants it goes straight from one to the other. */
export const deepEnough = (over: readonly DepthAt[], needM: number): { fromMs: number; untilMs: number }[] => {
  const found: { fromMs: number; untilMs: number }[] = [];
  for (let i = 1; i < over.length; i += 1) {
    const [a, b] = [over[i - 1]!, over[i]!];
    if (a.depthM < needM && b.depthM < needM) continue;
    const crossing = a.atMs + ((needM - a.depthM) / (b.depthM - a.depthM)) * (b.atMs - a.atMs);
    const fromMs = a.depthM >= needM ? a.atMs : Math.ceil(crossing);
    const untilMs = b.depthM >= needM ? b.atMs : Math.floor(crossing);
    const last = found.at(-1);
    if (last?.untilMs === fromMs) last.untilMs = untilMs;
    else if (untilMs > fromMs) found.push({ fromMs, untilMs });
  }
  return found;
};
