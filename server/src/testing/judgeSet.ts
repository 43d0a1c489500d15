import { judgeNegative, judgePair } from '../topics/photo/compare/oracle';

/**
 * Compares made-up pairs and prints how each was judged, one after the other: `judgeSet.ts FIRST COUNT pair|negative`. In a
 * process of its own, since under the test runner every px takes ten times as long.
 */
const [first, count, what] = [Number(process.argv[2]), Number(process.argv[3]), process.argv[4]];

const judge = async () => {
  const all = [];
  for (let seed = first; seed < first + count; seed += 1) all.push(await (what === 'pair' ? judgePair(seed) : judgeNegative(seed)));
  process.stdout.write(JSON.stringify(all));
};

judge().catch((error: unknown) => {
  console.error(error);
  process.exitCode = 1;
});
