import Database from 'better-sqlite3';
import { join } from 'node:path';
import type { BoatShelf } from '@quay/contract/fleet';
import { lacksOf } from '@quay/core/fleet/lacks/lacks';
import { LANGUAGES } from '@quay/core/words/words';
import { Client, MANAGER } from '../../server/src/testing/client';
import { type Figure, figure, figureAtLeast, quantile, timed } from '../figure';
import { FRAME_MS, inTime, SLOWER, traced } from '../frames';
import { onQuay, signedIn } from '../quay';

const BOATS = 60;
const HIRES = 400_000;
/** So far apart that sixty boats have so many of them over some ten years, h. */
const APART_H = 13;
const LONG_H = 5;
const ASKED = 220;
const HOUR_MS = 3_600_000;
/** Work below this is the page's own ticking: such frames are none that anything was done in. */
const IDLE_MS = 2;

/** Sixty boats at the demo's first base, and ten years of hires of theirs, five of them round today. */
const fill = (data: string): void => {
  const db = new Database(join(data, 'quay.sqlite'));
  const copy = (table: string, key: string, of: string, changed: Record<string, unknown>) => {
    const row = { ...(db.prepare(`select * from ${table} where ${key} = ?`).get(of) as Record<string, unknown>), ...changed };
    const columns = Object.keys(row);
    db.prepare(`insert into ${table} (${columns.map((one) => `"${one}"`).join(', ')}) values (${columns.map(() => '?').join(', ')})`).run(
      Object.values(row),
    );
  };
  const model = db.prepare("select * from hire where id = 'h-1001'").get() as Record<string, unknown>;
  const perBoat = Math.floor(HIRES / BOATS);
  const begin = Math.floor(Date.now() / HOUR_MS) * HOUR_MS - (perBoat / 2) * APART_H * HOUR_MS;
  const columns = Object.keys(model);
  const insert = db.prepare(
    `insert into hire (${columns.map((one) => `"${one}"`).join(', ')}) values (${columns.map(() => '?').join(', ')})`,
  );
  const person = db.prepare('insert into person (id, salt, name, contact) values (?, ?, ?, ?)');
  db.transaction(() => {
    for (let i = 0; i < 10_000; i += 1) person.run(`bench-${i}`, 's', `Renter ${i} of the bench`, `+000 555 ${String(i).padStart(6, '0')}`);
    for (let b = 0; b < BOATS; b += 1) {
      const boat = `bench-${String(b).padStart(2, '0')}`;
      copy('boat', 'id', 'tuppenny-bun', { id: boat, name: `Boat ${b}`, hullNumber: `B ${b}`, bookVersion: 1 });
      copy('book', 'boat', 'tuppenny-bun', { boat, version: 1 });
      for (let i = 0; i < perBoat; i += 1) {
        const from = begin + (i * APART_H + (b % APART_H)) * HOUR_MS;
        const row: Record<string, unknown> = {
          ...model,
          id: `b-${b}-${i}`,
          boat,
          renter: `bench-${(b * perBoat + i) % 10_000}`,
          language: LANGUAGES[i % LANGUAGES.length],
          from: new Date(from).toISOString(),
          to: new Date(from + LONG_H * HOUR_MS).toISOString(),
          state: from < Date.now() ? 'closed' : 'booked',
          castOffAt: null,
          cameInAt: null,
        };
        insert.run(columns.map((column) => row[column]));
      }
    }
  })();
  db.exec('analyze');
  db.close();
};

const LINES = 5000;
/** How long it takes to say what a table of bookings would change, with half of them in somebody's time, ms. */
const previewTimes = async (client: Client): Promise<number[]> => {
  const begin = Date.now() + 24 * HOUR_MS;
  const row = (i: number) => {
    const at = (hours: number) => new Date(begin + hours * HOUR_MS).toISOString().slice(0, 16);
    const from = Math.floor(i / BOATS) * 9;
    return `r${i},Boat ${i % BOATS},${at(from)},${at(from + 4)},Guest ${i}`;
  };
  const text = ['Ref,Boat,Start,End,Name', ...Array.from({ length: LINES }, (_, i) => row(i)), ''].join('\n');
  const { json } = await client.send('POST', '/incoming?name=bench.csv', Buffer.from(text));
  const look = json as { file: string; looked: { columns: Record<string, string> } };
  const reading = {
    ...{ kind: 'table', base: 'ossel-quay', boat: null, boats: {}, clocks: { from: '10:00', to: '17:00' }, adults: 2 },
    ...{ days: 'dayFirst', columns: look.looked.columns },
  };
  const times: number[] = [];
  for (let i = 0; i < 5; i += 1) {
    let counts: Record<string, number> = {};
    times.push(
      await timed(async () => {
        ({ counts } = (await client.send('POST', `/incoming/${look.file}/preview`, { reading })).json as {
          counts: Record<string, number>;
        });
      }),
    );
    const all = (counts.new ?? 0) + (counts.conflict ?? 0);
    if (all !== LINES || counts.new === 0 || counts.conflict === 0) throw new Error(`a preview of ${JSON.stringify(counts)}`);
  }
  return times;
};

/** How long it takes to see what the largest book of the demo lacks, ms, over and over as somebody types. */
const checkTimes = async (client: Client): Promise<number[]> => {
  const { boats } = (await client.send('GET', '/boats')).json as { boats: { id: string }[] };
  const own = boats.filter(({ id }) => !id.startsWith('bench-'));
  const shelves: BoatShelf[] = [];
  for (const { id } of own) shelves.push((await client.send('GET', `/boats/${id}/book`)).json as BoatShelf);
  const size = ({ resolved }: BoatShelf) => JSON.stringify(resolved).length;
  const largest = shelves.reduce((most, one) => (size(one) > size(most) ? one : most));
  const known = { prices: new Set(largest.known.prices), languages: largest.known.languages };
  const times: number[] = [];
  for (let i = 0; i < ASKED; i += 1) {
    times.push(
      await timed(() => {
        if (lacksOf(largest.resolved, known).length > 0) throw new Error('the book of a demo boat lacks something');
        return Promise.resolve();
      }),
    );
  }
  console.error(`  the largest book has ${Math.round(size(largest) / 1024)} kB`);
  return times;
};

/** A month of sixty boats among 400,000 hires, asked for, looked through and dragged about in. */
export const bookings = (): Promise<Figure[]> =>
  onQuay(async (quay, browser) => {
    const day = new Date(quay.now()).toISOString().slice(0, 10);
    const from = `${day.slice(0, 7)}-01`;
    const to = new Date(Date.parse(`${from}T00:00:00Z`) + 31 * 86_400_000).toISOString().slice(0, 10);
    const client = new Client(quay.url);
    await client.signIn(MANAGER);
    const path = `/calendar?base=ossel-quay&from=${from}&to=${to}`;
    const first = (await client.send('GET', path)).json as { hires: unknown[]; boats: unknown[] };
    if (first.boats.length < BOATS || first.hires.length < BOATS * 30)
      throw new Error(`only ${first.hires.length} hires of ${first.boats.length} boats`);
    const [months, found]: [number[], number[]] = [[], []];
    for (let i = 0; i < ASKED; i += 1) months.push(await timed(() => client.bytes(path)));
    for (let i = 0; i < ASKED; i += 1) found.push(await timed(() => client.bytes(`/hires?find=renter%20${i * 7}`)));
    console.error(`  a month has ${first.hires.length} hires`);

    const previews = await previewTimes(client);
    const checks = await checkTimes(client);

    const page = await signedIn(browser, quay, { viewport: { width: 1280, height: 800 } });
    await page.goto(`${quay.url}/bookings?day=${day}&base=ossel-quay`);
    await page.getByTestId('view-month').click();
    const bar = page.locator('[data-testid^="bar-b-0-"]').last();
    await bar.waitFor();
    await (await page.context().newCDPSession(page)).send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
    const box = (await bar.boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.waitForTimeout(500);
    const frames = await traced(browser, page, async () => {
      for (let round = 0; round < 4; round += 1) {
        await page.mouse.move(x, y);
        await page.mouse.down();
        for (let i = 1; i <= 80; i += 1) {
          await page.mouse.move(x - i * 4, y + Math.sin(i / 9) * 120);
          await page.waitForTimeout(16);
        }
        await page.mouse.move(x, y);
        await page.mouse.up();
        await page.waitForTimeout(300);
      }
    });
    const drawn = frames.filter((ms) => ms > IDLE_MS);
    if (drawn.length < 60) throw new Error(`only ${drawn.length} frames were drawn`);
    return [
      figure('a month of 60 boats among 400,000 hires, 95th percentile', quantile(months.slice(20), 0.95), 'ms', 50),
      figure('a renter looked for among 400,000 hires, 95th percentile', quantile(found.slice(20), 0.95), 'ms', 100),
      figure(`what a table of ${LINES} bookings would change, the slowest of ${previews.length}`, Math.max(...previews), 'ms', 3000),
      figure('what the largest book lacks, 95th percentile', quantile(checks.slice(20), 0.95), 'ms', 20),
      figureAtLeast(`a hire dragged in that month: frames under ${FRAME_MS} ms at ${SLOWER} ×`, inTime(drawn), '%', 95),
    ];
  }, fill);
