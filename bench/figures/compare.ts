import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { monitorEventLoopDelay } from 'node:perf_hooks';
import type { Raster } from '@quay/server/topics/photo/compare/madeUp/paint';
import { madeUpPair } from '@quay/server/topics/photo/compare/madeUp/pairs';
import sharp from 'sharp';
import { buildServer } from '../../server/build';
import { comparer } from '../../server/src/topics/photo/compare/pool';
import { appendEvents } from '../../server/src/topics/record/delivery';
import { type Figure, figure, quantile, timed } from '../figure';
import { manyEvents, phonesInTurn } from './project';
import { withDemoStore } from './temporary';

const PAIRS = 20;
const BATCHES_A_SECOND = 50;
const BATCH = 10;
const SEED = 4000;

const twelveMegapixels = ({ width, height, data }: Raster) =>
  sharp(data, { raw: { width, height, channels: 3 } })
    .resize({ width: 4000 })
    .jpeg({ quality: 90 })
    .toBuffer();

/** Pairs of 12-megapixel photographs compared in the quay's threads, while it goes on taking what phones deliver. */
export const compare = (): Promise<Figure[]> =>
  withDemoStore(async (store, folder) => {
    await buildServer('server/dist');
    const made = await madeUpPair(SEED, 2);
    const files = { out: join(folder, 'out.jpg'), back: join(folder, 'in.jpg') };
    await writeFile(files.out, await twelveMegapixels(made.out));
    await writeFile(files.back, await twelveMegapixels(made.in));
    // As many threads as the quay itself starts.
    const threads = comparer(join(process.cwd(), 'server/dist'));
    const pair = () => threads.compare({ ...files, pictures: true });
    try {
      // The first one loads OpenCV, which a quay does once.
      await pair();
      const lag = monitorEventLoopDelay({ resolution: 5 });
      lag.enable();
      const alone: number[] = [];
      for (let i = 0; i < 5; i += 1) alone.push(await timed(pair));
      lag.disable();

      const now = new Date().toISOString();
      let busy = true;
      const queued = Promise.all(Array.from({ length: PAIRS }, pair)).then(() => {
        busy = false;
      });
      const events = manyEvents(45_000, 'h-1001', phonesInTurn()).map(({ event }) => event);
      const took: number[] = [];
      const waiting: Promise<unknown>[] = [];
      let next = performance.now();
      for (let i = 0; busy && (i + 1) * BATCH <= events.length; i += 1) {
        const due = performance.now();
        const batch = events.slice(i * BATCH, (i + 1) * BATCH);
        waiting.push(
          appendEvents(store.db, {
            hire: 'h-1001',
            newestBook: () => 1,
            device: batch[0]!.device,
            actor: { id: 'bram', role: 'hand' },
            events: batch,
            behindMs: 0,
            now,
          }).then(() => took.push(performance.now() - due)),
        );
        next += 1000 / BATCHES_A_SECOND;
        await new Promise((done) => setTimeout(done, Math.max(0, next - performance.now())));
      }
      await Promise.all(waiting);
      await queued;
      return [
        figure('a pair of 12-megapixel pictures, median of 5', quantile(alone, 0.5), 'ms', 3000),
        figure('the quay’s own thread held up meanwhile, at most', lag.max / 1e6, 'ms', 100),
        figure(`${took.length} batches at ${BATCHES_A_SECOND} a second beside ${PAIRS} pairs, 95 %`, quantile(took, 0.95), 'ms', 100),
      ];
    } finally {
      await threads.end();
    }
  });
