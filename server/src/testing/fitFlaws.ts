import { readFileSync } from 'node:fs';
import { type Forest, train, type Sample, type Tree } from '../topics/photo/compare/flaws/forest';

/** Prints the forest that tells a flaw by what was measured of it: `fitFlaws.ts FILE…`, files of `sampleDifferences.ts`. */
const samples = process.argv.slice(2).flatMap((file) => JSON.parse(readFileSync(file, 'utf8')) as Sample[]);

/** Six figures are as good as all of them, and half as long. */
const rounded = (tree: Tree): Tree => {
  const short = (value: number) => Number(value.toPrecision(6));
  return typeof tree === 'number' ? short(tree) : [tree[0], short(tree[1]), rounded(tree[2]), rounded(tree[3])];
};
const { bias, trees }: Forest = train(samples);
process.stdout.write(`${JSON.stringify({ bias, trees: trees.map(rounded) })}\n`);
