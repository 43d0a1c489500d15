/** A small seeded source of chance (mulberry32): what is made up from a seed can be made again, in tests, on the bench and in the demo. */
export const chance = (seed: number) => {
  let a = seed | 0;
  /** From 0 to 1. */
  const next = () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  return {
    next,
    /** Of mean 0 and standard deviation 1 (Box and Muller 1958). */
    normal: () => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next()),
    within: (low: number, high: number) => low + (high - low) * next(),
    pick: <T>(from: readonly T[]): T => from[Math.floor(next() * from.length)]!,
  };
};
export type Chance = ReturnType<typeof chance>;
