import { createHash } from 'node:crypto';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { canonical } from '@quay/core/events/canonical';
import { PRAGMAS } from '../../server/src/platform/database/open';
import { appendEvents } from '../../server/src/topics/record/delivery';
import { type Figure, figure, quantile, timed } from '../figure';
import { manyEvents, phonesInTurn } from './project';
import { withDemoStore } from './temporary';

const BATCHES = 120;

/** The table of events as the quay has it, bare. */
export const EVENT_TABLE = `create table event (seq integer primary key autoincrement, id text not null unique, hire text not null, digest text not null,
    content text not null, actor text not null, role text not null, device text not null, receivedAt text not null, behindMs integer not null,
    weight integer not null default 1, asideAt text, asideBy text, asideWhy text);
  create index event_hire_seq on event(hire, seq);
  create index event_hire_device on event(hire, device)`;
export const INSERT_EVENT =
  'insert into event (id, hire, digest, content, actor, role, device, receivedAt, behindMs) values (?, ?, ?, ?, ?, ?, ?, ?, ?)';

/** Store code against one prepared transaction on a table of the same shape, batch by batch in turn. */
export const append = (): Promise<Figure[]> =>
  withDemoStore(async (store, folder) => {
    const now = '2026-06-13T12:00:00.000Z';
    const bare = new Database(join(folder, 'bare.sqlite'));
    for (const pragma of PRAGMAS) bare.pragma(pragma);
    bare.exec(EVENT_TABLE);
    const insert = bare.prepare(INSERT_EVENT);
    const all = bare.transaction((rows: unknown[][]) => {
      for (const row of rows) insert.run(...row);
    });
    const [ours, theirs]: [number[], number[]] = [[], []];
    const events = manyEvents(BATCHES * 50, 'h-1001', phonesInTurn()).map(({ event }) => event);
    for (let i = 0; i < BATCHES; i += 1) {
      const batch = events.slice(i * 50, i * 50 + 50);
      const { device } = batch[0]!;
      const rows = batch.map((event) => {
        const content = canonical(event);
        return [event.id, 'h-1001', createHash('sha256').update(content).digest('hex'), content, 'bram', 'hand', device, now, 40];
      });
      const [first, second] = [
        async () =>
          ours.push(
            await timed(() =>
              appendEvents(store.db, {
                hire: 'h-1001',
                newestBook: () => 1,
                device,
                actor: { id: 'bram', role: 'hand' },
                events: batch,
                behindMs: 40,
                now,
              }),
            ),
          ),
        async () => theirs.push(await timed(() => all(rows))),
      ];
      // In turn, so that neither has the warmer disk.
      for (const one of i % 2 ? [first, second] : [second, first]) await one();
    }
    bare.close();
    const [a, b] = [quantile(ours.slice(20), 0.5), quantile(theirs.slice(20), 0.5)];
    console.error(`  store ${a.toFixed(2)} ms, bare ${b.toFixed(2)} ms a batch of 50 (medians)`);
    return [figure('append 50 events / bare transaction', a / b, '×', 4)];
  });
