import Database from 'better-sqlite3';
import { createHash } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { canonical } from '@quay/core/events/canonical';
import { BRAM } from '../../e2e/quay';
import { PRAGMAS } from '../../server/src/platform/database/open';
import { eventWith } from '../../server/src/testing/events';
import { type Figure, figure, figureAtLeast, quantile, timed } from '../figure';
import { onServer, phoneOf } from '../quay';
import { EVENT_TABLE, INSERT_EVENT } from './append';

const [PHONES, BATCH, SECONDS] = [20, 50, 20];
/** No phone may enter more than so many events in one hire; hires are taken in turn. */
const HIRES = ['h-1001', 'h-1002', 'h-1008', 'h-1011', 'h-1013', 'h-1014'];

const counted = (hire: string, device: string, at: string) =>
  Array.from({ length: BATCH }, (_, i) =>
    eventWith(hire, device, { kind: 'counted', walk: 'out', fitting: `thing-${i}`, count: i % 9, state: 'fine' }, at),
  );

/** The same batches written straight into a table of the same shape, as fast as it goes. @returns batches a second */
const bareAppends = (at: string): number => {
  const folder = mkdtempSync(join(tmpdir(), 'quay-bare-'));
  const bare = new Database(join(folder, 'bare.sqlite'));
  try {
    for (const pragma of PRAGMAS) bare.pragma(pragma);
    bare.exec(EVENT_TABLE);
    const insert = bare.prepare(INSERT_EVENT);
    const all = bare.transaction((rows: unknown[][]) => {
      for (const row of rows) insert.run(...row);
    });
    let batches = 0;
    const until = performance.now() + 5000;
    while (performance.now() < until) {
      all(
        counted('h', 'd', at).map((event) => {
          const content = canonical(event);
          return [event.id, 'h', createHash('sha256').update(content).digest('hex'), content, 'bram', 'hand', 'd', at, 40];
        }),
      );
      batches += 1;
    }
    return batches / 5;
  } finally {
    bare.close();
    rmSync(folder, { recursive: true, force: true });
  }
};

/** A day's end: every phone at the quay delivers at once, batch after batch, for a while. */
export const load = (): Promise<Figure[]> =>
  onServer(async (quay) => {
    const phones = [];
    for (let i = 0; i < PHONES; i += 1) phones.push(await phoneOf(quay, BRAM));
    const at = new Date(quay.now()).toISOString();
    const times: number[] = [];
    const began = performance.now();
    const until = began + SECONDS * 1000;
    await Promise.all(
      phones.map(async ({ client, device }, n) => {
        for (let i = 0; performance.now() < until; i += 1) {
          const hire = HIRES[(i + n) % HIRES.length]!;
          const text = JSON.stringify({ sentAt: at, events: counted(hire, device, at) });
          times.push(
            await timed(async () => {
              const { status, json } = await client.sendText('POST', `/hires/${hire}/events`, text);
              if (status !== 200 || (json.synced as unknown[]).length !== BATCH)
                throw new Error(`a batch was not taken: ${status} ${JSON.stringify(json).slice(0, 300)}`);
            }),
          );
        }
      }),
    );
    const rate = times.length / ((performance.now() - began) / 1000);
    const bare = bareAppends(at);
    console.error(
      `  ${times.length} batches of ${BATCH} by ${PHONES} phones, median ${quantile(times, 0.5).toFixed(0)} ms; bare ${bare.toFixed(0)} a second`,
    );
    return [
      figureAtLeast('batches of 50 a second', rate, '/s', 150),
      figure('a batch, 95th percentile', quantile(times, 0.95), 'ms', 250),
      figure('bare appends a second / batches a second', bare / rate, '×', 8),
    ];
  });
