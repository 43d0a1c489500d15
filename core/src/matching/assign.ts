/**
 * Cheapest one-to-one assignment of rows to columns (Hungarian method with potentials, O(n²·m); Kuhn 1955, Munkres 1957).
 * @param cost rows × columns, `Infinity` where a pair is out of the question
 * @param unassigned cost of leaving a row alone; a pair dearer than that is never made
 * @returns for each row its column, or -1
 */
export const assign = (cost: readonly (readonly number[])[], unassigned: number): number[] => {
  const rows = cost.length;
  if (rows === 0) return [];
  const real = cost[0]!.length;
  // One private column per row stands for "left alone"; forbidden pairs cost more than leaving everything alone.
  const columns = real + rows;
  const never = (unassigned + 1) * (rows + 1) * 4;
  const at = (i: number, j: number): number => {
    if (j >= real) return j - real === i ? unassigned : never;
    const c = cost[i]![j]!;
    return c <= unassigned ? c : never;
  };
  const u = new Float64Array(rows + 1);
  const v = new Float64Array(columns + 1);
  const owner = new Int32Array(columns + 1);
  const way = new Int32Array(columns + 1);
  for (let i = 1; i <= rows; i += 1) {
    owner[0] = i;
    let j0 = 0;
    const least = new Float64Array(columns + 1).fill(Infinity);
    const used = new Uint8Array(columns + 1);
    do {
      used[j0] = 1;
      const i0 = owner[j0]!;
      let [delta, j1] = [Infinity, 0];
      for (let j = 1; j <= columns; j += 1) {
        if (used[j]) continue;
        const reduced = at(i0 - 1, j - 1) - u[i0]! - v[j]!;
        if (reduced < least[j]!) [least[j], way[j]] = [reduced, j0];
        if (least[j]! < delta) [delta, j1] = [least[j]!, j];
      }
      for (let j = 0; j <= columns; j += 1) {
        if (used[j]) {
          u[owner[j]!]! += delta;
          v[j]! -= delta;
        } else least[j]! -= delta;
      }
      j0 = j1;
    } while (owner[j0] !== 0);
    do {
      const j1 = way[j0]!;
      owner[j0] = owner[j1]!;
      j0 = j1;
    } while (j0 !== 0);
  }
  const result = new Array<number>(rows).fill(-1);
  for (let j = 1; j <= real; j += 1) if (owner[j]! > 0) result[owner[j]! - 1] = j - 1;
  return result;
};
