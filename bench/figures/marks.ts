import { compareMarks, MARK_KINDS, type Mark } from '@quay/core/condition/marks';
import { type Figure, figure, quantile, timed } from '../figure';

/** A worn boat: 60 marks out, the same 60 seen again. */
export const marks = async (): Promise<Figure[]> => {
  const out = Array.from({ length: 60 }, (_, i): Mark => ({
    id: `o${i}`,
    surface: `s${i % 3}`,
    x: ((i * 37) % 100) / 100,
    y: ((i * 61) % 100) / 100,
    kind: MARK_KINDS[i % MARK_KINDS.length]!,
    sizeMm: 10 + i,
    photos: [],
  }));
  const back = out.map((mark, i) => ({ ...mark, id: `i${i}`, x: Math.min(1, mark.x + 0.01) }));
  const sizes = new Map([0, 1, 2].map((i) => [`s${i}`, { widthM: 7, heightM: 1 }]));
  const times: number[] = [];
  for (let i = 0; i < 100; i += 1) times.push(await timed(() => compareMarks(out, back, sizes)));
  return [figure('match 60 marks, median', quantile(times.slice(20), 0.5), 'ms', 5)];
};
