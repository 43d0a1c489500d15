import { blobsOf } from '../topics/photo/compare/flaws/blobs';
import { isWorthJudging } from '../topics/photo/compare/flaws/boxes';
import type { Sample } from '../topics/photo/compare/flaws/forest';
import { lookAt } from '../topics/photo/compare/look';
import { madeUpPair } from '../topics/photo/compare/madeUp/pairs';
import type { Box, Raster } from '../topics/photo/compare/madeUp/paint';
import { isOfMark } from '../topics/photo/compare/oracle';
import { greyOf } from '../topics/photo/compare/picture';
import { FEATURES, featuresOf } from '../topics/photo/compare/flaws/features';
import { realPair } from '../topics/photo/compare/real/pairs';
import { basesOf } from '../topics/photo/compare/real/surface';
import { Bin, vision } from '../topics/photo/compare/vision';

/**
 * Prints what is measured of the differences of pairs whose flaws are known, and whether each is of a flaw: `sampleDifferences.ts
 * FIRST COUNT [FOLDER]`; made-up pairs, or with a folder for the photographs pairs of the real ones that are there to train with.
 * Grown into a forest by `fitFlaws.ts`.
 */
const [first, count, folder] = [Number(process.argv[2]), Number(process.argv[3]), process.argv[4]];

type Known = { out: Raster; in: Raster; marks: Box[]; partly?: Box[] };

const sample = async ({ out, in: back, marks, partly = [] }: Known): Promise<Sample[]> => {
  const { cv } = await vision();
  const bin = new Bin();
  try {
    const seen = lookAt(cv, bin, greyOf(out), greyOf(back));
    if (seen.refused) return [];
    const { blobs, labels, core } = blobsOf(cv, seen.look);
    return blobs
      .filter((blob) => isWorthJudging(blob, core))
      .flatMap((blob): Sample[] => {
        const is = isOfMark(blob, marks);
        if (is === undefined || (!is && isOfMark(blob, partly) !== false)) return [];
        const features = featuresOf(cv, seen.look, labels[blob.level]!, core, blob);
        return [{ features: FEATURES.map((feature) => features[feature]), is }];
      });
  } finally {
    bin.empty();
  }
};

const all = async () => {
  const bases = folder === undefined ? undefined : await basesOf(folder, 'training');
  const samples: Sample[] = [];
  for (let seed = first; seed < first + count; seed += 1)
    samples.push(...(await sample(await (bases ? realPair(bases, seed, seed % 6) : madeUpPair(seed)))));
  process.stdout.write(JSON.stringify(samples));
};

all().catch((error: unknown) => {
  console.error(error);
  process.exitCode = 1;
});
