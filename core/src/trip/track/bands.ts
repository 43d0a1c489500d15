import type { LonLat } from '../../geometry/plane';
import type { TrackPoint } from './report';

/** Bands of speed that a track is drawn in. */
export const BANDS = 4;

export type Banded = {
  /** Where each band ends, m/s; the last is the fastest there was. */
  upToMs: number[];
  /** Lines of each band. */
  lines: LonLat[][][];
};

/** A track in lines of like speed, from the slowest band to the fastest; where it begins anew nothing is drawn. */
export const bandsOf = (line: readonly TrackPoint[]): Banded => {
  const most = line.reduce((max, { speedMs }) => Math.max(max, speedMs), 0);
  const upToMs = Array.from({ length: BANDS }, (_, i) => (most * (i + 1)) / BANDS);
  const lines: LonLat[][][] = upToMs.map(() => []);
  const bandOf = (speedMs: number): number => (most === 0 ? 0 : Math.min(BANDS - 1, Math.floor((speedMs / most) * BANDS)));
  let band: number | undefined;
  line.forEach((point, i) => {
    const before = line[i - 1];
    if (!before || point.anew) {
      band = undefined;
      return;
    }
    const mine = bandOf((before.speedMs + point.speedMs) / 2);
    const of = lines[mine]!;
    if (mine === band) of[of.length - 1]!.push(point.at);
    else of.push([before.at, point.at]);
    band = mine;
  });
  return { upToMs, lines };
};

/** The stretch of a track between two instants, ms since 1970. */
export const stretchOf = (line: readonly TrackPoint[], fromMs: number, toMs: number): LonLat[] =>
  line.filter(({ atMs }) => atMs >= fromMs && atMs <= toMs).map(({ at }) => at);
