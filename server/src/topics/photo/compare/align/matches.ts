/** Words of 32 bits in a descriptor of ORB. */
const WORDS = 8;
/** Ones among 32 bits (Warren 2012). */
const ones = (word: number): number => {
  let x = word - ((word >>> 1) & 0x55555555);
  x = (x & 0x33333333) + ((x >>> 2) & 0x33333333);
  return Math.imul((x + (x >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
};

/**
 * For each descriptor of the first picture the nearest of the second by Hamming distance, where it is clearly nearer than the
 * next nearest (Lowe 2004). A candidate is given up as soon as it is farther than the second best: most are half-way.
 * @param out, back descriptors of 256 bits, one after the other
 * @param ratio how much nearer, as a share of the next
 * @returns index in the first and in the second
 */
export const matchesOf = (out: Int32Array, back: Int32Array, ratio: number): [number, number][] => {
  const [outs, backs] = [out.length / WORDS, back.length / WORDS];
  const found: [number, number][] = [];
  for (let i = 0; i < outs; i += 1) {
    let best = 257;
    let second = 257;
    let at = -1;
    const [a0 = 0, a1 = 0, a2 = 0, a3 = 0, a4 = 0, a5 = 0, a6 = 0, a7 = 0] = out.subarray(i * WORDS, (i + 1) * WORDS);
    for (let j = 0, w = 0; j < backs; j += 1, w += WORDS) {
      let far = ones(a0 ^ back[w]!) + ones(a1 ^ back[w + 1]!) + ones(a2 ^ back[w + 2]!) + ones(a3 ^ back[w + 3]!);
      if (far >= second) continue;
      far += ones(a4 ^ back[w + 4]!) + ones(a5 ^ back[w + 5]!) + ones(a6 ^ back[w + 6]!) + ones(a7 ^ back[w + 7]!);
      if (far < best) {
        second = best;
        best = far;
        at = j;
      } else if (far < second) second = far;
    }
    if (second <= 256 && best < ratio * second) found.push([i, at]);
  }
  return found;
};
