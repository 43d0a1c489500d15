/** A point of a table: x strictly rising from row to row, y never falling. */
export type Row = readonly [x: number, y: number];

/**
 * Monotone piecewise cubic through a table (Fritsch and Carlson 1980, with the three-point harmonic slopes of PCHIP):
 * never overshoots, so a level between two rows never means more or less than both. Clamped outside the table.
 * @throws RangeError when there are fewer than two rows or x does not rise
 */
export const monotone = (rows: readonly Row[]): ((x: number) => number) => {
  if (rows.length < 2) throw new RangeError('a table needs two rows');
  const xs = rows.map(([x]) => x);
  const ys = rows.map(([, y]) => y);
  const h = xs.slice(1).map((x, i) => x - xs[i]!);
  if (h.some((step) => !(step > 0))) throw new RangeError('x must rise from row to row');
  const d = h.map((step, i) => (ys[i + 1]! - ys[i]!) / step);
  const slopes = xs.map((_, i) => {
    if (i === 0) return d[0]!;
    if (i === xs.length - 1) return d[d.length - 1]!;
    const [a, b] = [d[i - 1]!, d[i]!];
    if (a * b <= 0) return 0;
    const [wa, wb] = [2 * h[i]! + h[i - 1]!, h[i]! + 2 * h[i - 1]!];
    return (wa + wb) / (wa / a + wb / b);
  });
  return (x) => {
    if (x <= xs[0]!) return ys[0]!;
    if (x >= xs[xs.length - 1]!) return ys[ys.length - 1]!;
    let i = 0;
    while (x > xs[i + 1]!) i += 1;
    const t = (x - xs[i]!) / h[i]!;
    const [t2, t3] = [t * t, t * t * t];
    return (
      (2 * t3 - 3 * t2 + 1) * ys[i]! +
      (t3 - 2 * t2 + t) * h[i]! * slopes[i]! +
      (3 * t2 - 2 * t3) * ys[i + 1]! +
      (t3 - t2) * h[i]! * slopes[i + 1]!
    );
  };
};
