import { blobsOf } from '../topics/photo/compare/flaws/blobs';
import { isWorthJudging } from '../topics/photo/compare/flaws/boxes';
import type { Sample } from '../topics/photo/compare/flaws/forest';
import { lookAt } from '../topics/photo/compare/look';
import { madeUpPair } from '../topics/photo/compare/madeUp/pairs';
import { isOfMark } from '../topics/photo/compare/oracle';
import { greyOf } from '../topics/photo/compare/picture';
import { FEATURES, featuresOf } from '../topics/photo/compare/flaws/features';
import { Bin, vision } from '../topics/photo/compare/vision';

/**
 * Prints what is measured of the differences of made-up pairs, and whether each is of a flaw: `sampleDifferences.ts FIRST
 * COUNT`. Grown into a forest by `fitFlaws.ts`.
 */
const [first, count] = [Number(process.argv[2]), Number(process.argv[3])];

const sample = async (seed: number): Promise<Sample[]> => {
  const { cv } = await vision();
  const { out, in: back, marks } = await madeUpPair(seed);
  const bin = new Bin();
  try {
    const seen = lookAt(cv, bin, greyOf(out), greyOf(back));
    if (seen.refused) return [];
    const { blobs, labels, core } = blobsOf(cv, seen.look);
    return blobs
      .filter((blob) => isWorthJudging(blob, core))
      .flatMap((blob): Sample[] => {
        const is = isOfMark(blob, marks);
        if (is === undefined) return [];
        const features = featuresOf(cv, seen.look, labels[blob.level]!, core, blob);
        return [{ features: FEATURES.map((feature) => features[feature]), is }];
      });
  } finally {
    bin.empty();
  }
};

const all = async () => {
  const samples: Sample[] = [];
  for (let seed = first; seed < first + count; seed += 1) samples.push(...(await sample(seed)));
  process.stdout.write(JSON.stringify(samples));
};

all().catch((error: unknown) => {
  console.error(error);
  process.exitCode = 1;
});
