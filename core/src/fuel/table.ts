import type { Row } from '../geometry/interpolate';
import { typedNumber } from '../number/typed';

/** What is wrong with a table that somebody brought, by its line (1 is the first). */
export type TableFault =
  { is: 'notTwo' | 'noNumber'; line: number } | { is: 'levelFalls' | 'volumeFalls' | 'outside'; line: number } | { is: 'tooShort' };

/**
 * A table of levels and volumes, read off the cells of a file. A first line that is all words is taken for its heading.
 * @param most what the two columns may reach at most
 */
export const tableFrom = (
  cells: readonly (readonly string[])[],
  most: Row,
): { ok: true; rows: [number, number][] } | { ok: false; faults: TableFault[] } => {
  const faults: TableFault[] = [];
  const rows: [number, number][] = [];
  cells.forEach((line, i) => {
    if (line.every((cell) => cell.trim() === '')) return;
    const filled = line.filter((cell) => cell.trim() !== '');
    const [x, y] = [typedNumber(line[0] ?? ''), typedNumber(line[1] ?? '')];
    if (rows.length === 0 && faults.length === 0 && filled.every((cell) => Number.isNaN(typedNumber(cell)))) return;
    if (filled.length !== 2) faults.push({ is: 'notTwo', line: i + 1 });
    else if (Number.isNaN(x) || Number.isNaN(y)) faults.push({ is: 'noNumber', line: i + 1 });
    else if (x < 0 || y < 0 || x > most[0] || y > most[1]) faults.push({ is: 'outside', line: i + 1 });
    else {
      const before = rows[rows.length - 1];
      if (before && x <= before[0]) faults.push({ is: 'levelFalls', line: i + 1 });
      else if (before && y < before[1]) faults.push({ is: 'volumeFalls', line: i + 1 });
      rows.push([x, y]);
    }
  });
  if (faults.length === 0 && rows.length < 2) faults.push({ is: 'tooShort' });
  return faults.length > 0 ? { ok: false, faults } : { ok: true, rows };
};

/** One stop of a guided fill: litres on the pump's meter since its start, and what the gauge then showed. */
export type FillStep = { pumpedL: number; shown: number };

/**
 * The curve of a gauge from a fill that is stopped now and then to read it. Readings that fall while fuel goes in are noise:
 * neighbours that quarrel are averaged until none does (isotonic regression by pooling adjacent violators, Ayer et al. 1955).
 * @param from where the tank began: empty, or whatever makes it brimful at the last stop
 * @returns shown → litres, strictly rising in what is shown; fewer than two rows when the stops say too little
 */
export const curveFromFill = (steps: readonly FillStep[], capacityL: number, from: 'empty' | 'endsAtBrim'): [number, number][] => {
  const inOrder = [...steps].sort((a, b) => a.pumpedL - b.pumpedL);
  const startL = from === 'empty' ? 0 : capacityL - (inOrder[inOrder.length - 1]?.pumpedL ?? 0);
  const pools: { shown: number; litres: number; n: number }[] = [];
  for (const { pumpedL, shown } of inOrder) {
    pools.push({ shown, litres: startL + pumpedL, n: 1 });
    for (let last = pools.length - 1; last > 0 && pools[last]!.shown <= pools[last - 1]!.shown; last -= 1) {
      const [a, b] = [pools[last - 1]!, pools.pop()!];
      const n = a.n + b.n;
      pools[last - 1] = { shown: (a.shown * a.n + b.shown * b.n) / n, litres: (a.litres * a.n + b.litres * b.n) / n, n };
    }
  }
  const round = (x: number) => Math.round(x * 1000) / 1000;
  const rows = pools.map(({ shown, litres }): [number, number] => [round(shown), round(Math.min(capacityL, Math.max(0, litres)))]);
  // What is the same once rounded is one row.
  return rows.filter(([shown], i) => i === rows.length - 1 || shown < rows[i + 1]![0]);
};
