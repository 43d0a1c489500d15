import { chance } from '@quay/core/number/chance';
import { matchesOf } from './matches';

const WORDS = 8;
const made = (seed: number, count: number): Int32Array => {
  const c = chance(seed);
  return Int32Array.from({ length: count * WORDS }, () => Math.floor((c.next() - 0.5) * 2 ** 32));
};
const flip = (words: Int32Array, at: number, bits: readonly number[]): void => {
  for (const bit of bits) words[at * WORDS + (bit >> 5)]! ^= 1 << (bit & 31);
};
/** The same by looking at every pair to its end, bit by bit. */
const slowly = (out: Int32Array, back: Int32Array, ratio: number): [number, number][] =>
  Array.from({ length: out.length / WORDS }, (_, i) => {
    const far = Array.from({ length: back.length / WORDS }, (__, j) => {
      let n = 0;
      for (let bit = 0; bit < 256; bit += 1)
        if (((out[i * WORDS + (bit >> 5)]! ^ back[j * WORDS + (bit >> 5)]!) >>> (bit & 31)) & 1) n += 1;
      return { j, n };
    }).sort((a, b) => a.n - b.n || a.j - b.j);
    return { i, j: far[0]!.j, clear: far[0]!.n < ratio * far[1]!.n };
  }).flatMap(({ i, j, clear }) => (clear ? [[i, j] as [number, number]] : []));

it('finds the nearest where it is clearly nearer than the next, as looking at every bit does', () => {
  const [out, back] = [made(1, 60), made(2, 80)];
  // Some are seen again, with more and more bits that differ; one of them twice over.
  for (let i = 0; i < 30; i += 1) {
    back.set(out.subarray(i * WORDS, (i + 1) * WORDS), (79 - i) * WORDS);
    flip(
      back,
      79 - i,
      Array.from({ length: 3 * i }, (_, k) => (k * 7 + i) % 256),
    );
  }
  back.set(out.subarray(0, WORDS), 0);
  for (const ratio of [0.6, 0.78, 0.95]) {
    const found = matchesOf(out, back, ratio);
    expect(found).toEqual(slowly(out, back, ratio));
    expect(found.some(([i]) => i === 0)).toBe(false);
    expect(found.length).toBeGreaterThan(10);
  }
});

it('matches nothing where there is nothing to compare with', () => {
  expect(matchesOf(made(1, 5), made(2, 1), 0.8)).toEqual([]);
  expect(matchesOf(made(1, 5), new Int32Array(), 0.8)).toEqual([]);
});
