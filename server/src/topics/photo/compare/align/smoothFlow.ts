/**
 * A hull is one smooth surface, so that where each of its places went is a smooth function of the place. What was matched
 * place by place is only trusted near that: at the edge of a picture, over plain paint and over water it is anything.
 */

const TERMS = 10;
const basis = (x: number, y: number, into: Float64Array): void => {
  into[0] = 1;
  into[1] = x;
  into[2] = y;
  into[3] = x * x;
  into[4] = x * y;
  into[5] = y * y;
  into[6] = x * x * x;
  into[7] = x * x * y;
  into[8] = x * y * y;
  into[9] = y * y * y;
};

/** Every so many px a place is taken for the fit. */
const STEP = 16;
const ROUNDS = 10;
/** Beyond so many px from the fit a place says little of it (Cauchy). */
const TRUSTED_PX = 0.8;

/** Solves a symmetric positive system by elimination with pivots. @returns nothing when it has no single solution */
const solve = (matrix: Float64Array, right: Float64Array): Float64Array | undefined => {
  const n = right.length;
  const [m, r] = [Float64Array.from(matrix), Float64Array.from(right)];
  for (let k = 0; k < n; k += 1) {
    let p = k;
    for (let i = k + 1; i < n; i += 1) if (Math.abs(m[i * n + k]!) > Math.abs(m[p * n + k]!)) p = i;
    if (Math.abs(m[p * n + k]!) < 1e-9) return undefined;
    if (p !== k) {
      for (let j = 0; j < n; j += 1) [m[k * n + j], m[p * n + j]] = [m[p * n + j]!, m[k * n + j]!];
      [r[k], r[p]] = [r[p]!, r[k]!];
    }
    for (let i = k + 1; i < n; i += 1) {
      const f = m[i * n + k]! / m[k * n + k]!;
      for (let j = k; j < n; j += 1) m[i * n + j]! -= f * m[k * n + j]!;
      r[i]! -= f * r[k]!;
    }
  }
  for (let k = n - 1; k >= 0; k -= 1) {
    for (let j = k + 1; j < n; j += 1) r[k]! -= m[k * n + j]! * r[j]!;
    r[k]! /= m[k * n + k]!;
  }
  return r;
};

/**
 * The cubic in both directions that most of a flow follows, by reweighted least squares.
 * @param flow right and down in turn, px @param weight how much a place has to say, 0 to 1
 * @returns the same, of the fit
 */
export const smoothFlow = (flow: Float32Array, weight: Float32Array, width: number, height: number): Float32Array => {
  const across = Math.ceil(width / STEP);
  const down = Math.ceil(height / STEP);
  const count = across * down;
  const rows = new Float64Array(count * TERMS);
  const [u, v, w] = [new Float64Array(count), new Float64Array(count), new Float64Array(count)];
  const scaled = (x: number, of: number) => (2 * x) / of - 1;
  for (let j = 0, s = 0; j < down; j += 1)
    for (let i = 0; i < across; i += 1, s += 1) {
      const [x, y] = [i * STEP, j * STEP];
      const at = y * width + x;
      basis(scaled(x, width), scaled(y, height), rows.subarray(s * TERMS, (s + 1) * TERMS));
      u[s] = flow[2 * at]!;
      v[s] = flow[2 * at + 1]!;
      w[s] = weight[at]!;
    }
  let fit: [Float64Array, Float64Array] | undefined;
  for (let round = 0; round < ROUNDS; round += 1) {
    const normal = new Float64Array(TERMS * TERMS);
    const [ru, rv] = [new Float64Array(TERMS), new Float64Array(TERMS)];
    for (let s = 0; s < count; s += 1) {
      const row = rows.subarray(s * TERMS, (s + 1) * TERMS);
      let trust = w[s]!;
      if (trust === 0) continue;
      if (fit) {
        let [du, dv] = [-u[s]!, -v[s]!];
        for (let k = 0; k < TERMS; k += 1) {
          du += row[k]! * fit[0][k]!;
          dv += row[k]! * fit[1][k]!;
        }
        // From wide to narrow, so that it does not settle on a few places early.
        const scale = Math.max(TRUSTED_PX, 6 / (round + 1));
        trust /= 1 + (du * du + dv * dv) / (scale * scale);
      }
      for (let k = 0; k < TERMS; k += 1) {
        const t = trust * row[k]!;
        ru[k]! += t * u[s]!;
        rv[k]! += t * v[s]!;
        for (let l = 0; l < TERMS; l += 1) normal[k * TERMS + l]! += t * row[l]!;
      }
    }
    for (let k = 0; k < TERMS; k += 1) normal[k * TERMS + k]! += 1e-6;
    const [fu, fv] = [solve(normal, ru), solve(normal, rv)];
    if (!fu || !fv) return Float32Array.from(flow);
    fit = [fu, fv];
  }
  // Along a row it is a cubic of one variable: what hangs on the row alone is worked out once.
  const out = new Float32Array(flow.length);
  for (let y = 0, i = 0; y < height; y += 1) {
    const b = scaled(y, height);
    const along = fit!.map((f): [number, number, number, number] => [
      f[0]! + f[2]! * b + f[5]! * b * b + f[9]! * b * b * b,
      f[1]! + f[4]! * b + f[8]! * b * b,
      f[3]! + f[7]! * b,
      f[6]!,
    ]);
    const [[u0, u1, u2, u3], [v0, v1, v2, v3]] = along as [[number, number, number, number], [number, number, number, number]];
    for (let x = 0; x < width; x += 1, i += 2) {
      const a = (2 * x) / width - 1;
      out[i] = u0 + a * (u1 + a * (u2 + a * u3));
      out[i + 1] = v0 + a * (v1 + a * (v2 + a * v3));
    }
  }
  return out;
};
