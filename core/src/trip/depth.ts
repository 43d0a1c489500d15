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
