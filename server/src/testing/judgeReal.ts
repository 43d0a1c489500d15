import { judgeReal, judgeStranger } from '../topics/photo/compare/oracle';
import { PARTS } from '../topics/photo/compare/real/photographs';
import { basesOf } from '../topics/photo/compare/real/surface';

/**
 * Compares pairs made from real photographs and prints how each was judged: `judgeReal.ts FOLDER PART FIRST COUNT pair|stranger
 * [PACKAGE …]`; the photographs are fetched into the folder.
 */
const [folder = '', of = '', first = '', count = '', what = '', ...packages] = process.argv.slice(2);

const judge = async () => {
  const part = PARTS.find((one) => one === of);
  if (!part) throw new Error(`a part is one of ${PARTS.join(', ')}`);
  const bases = await basesOf(folder, part, packages.length > 0 ? packages : undefined);
  const all = [];
  for (let seed = Number(first); seed < Number(first) + Number(count); seed += 1)
    all.push(await (what === 'pair' ? judgeReal(bases, seed) : judgeStranger(bases, seed)));
  process.stdout.write(JSON.stringify(all));
};

judge().catch((error: unknown) => {
  console.error(error);
  process.exitCode = 1;
});
