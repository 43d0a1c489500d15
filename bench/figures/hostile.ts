import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import sharp from 'sharp';
import { BRAM, MANAGER, type QuayServer } from '../../e2e/quay';
import { flatPng } from '../../server/src/testing/bombs';
import { Client } from '../../server/src/testing/client';
import { eventWith } from '../../server/src/testing/events';
import { fire, type Sender } from '../../server/src/testing/underFire';
import { type Figure, figure, figureAtLeast, quantile, timed } from '../figure';
import { onServer, phoneOf } from '../quay';

const EVENTS = { renter: 1400, hand: 1800, manager: 1800 };
const PICTURES = 200;
const READS = 200;

/** What a process and all its children take, and the most they took together. */
const memoryOf = (pid: number) => {
  const parentOf = (one: string) => /^PPid:\s*(\d+)/m.exec(one)?.[1];
  const statusOf = (one: string) => {
    try {
      return readFileSync(`/proc/${one}/status`, 'utf8');
    } catch {
      // It ended meanwhile.
      return '';
    }
  };
  let most = 0;
  const look = () => {
    const all = readdirSync('/proc').filter((name) => /^\d+$/.test(name));
    const status = new Map(all.map((one) => [one, statusOf(one)]));
    const mine = new Set([String(pid)]);
    for (const [one, text] of status) if (mine.has(parentOf(text) ?? '')) mine.add(one);
    let sum = 0;
    for (const one of mine) sum += Number(/^VmRSS:\s*(\d+)/m.exec(status.get(one) ?? '')?.[1] ?? 0) * 1024;
    most = Math.max(most, sum);
  };
  const timer = setInterval(look, 40);
  return {
    /** Ends looking. @returns bytes */
    end: () => {
      clearInterval(timer);
      look();
      return most;
    },
  };
};

const dayTimes = async (manager: Client, reads: number): Promise<number[]> => {
  const times: number[] = [];
  for (let i = 0; i < reads; i += 1) {
    times.push(
      await timed(async () => {
        const { status } = await manager.send('GET', '/day?base=ossel-quay');
        if (status !== 200) throw new Error(`the day was answered with ${status}`);
      }),
    );
  }
  return times;
};

/** Pictures that mean harm, each another: huge once opened, broken, cut short, deep, in passes, no pictures at all. */
const hostilePicture = async (i: number): Promise<Buffer> => {
  switch (i % 8) {
    case 0:
      return flatPng(25_000_000, 1, { seed: i });
    case 1:
      return flatPng(1, 4_000_000, { seed: i });
    case 2:
      return flatPng(7000, 7000, { depth: 16, colour: 6, seed: i });
    case 3:
      return flatPng(7000, 7000, { colour: 2, seed: i });
    case 4:
      return Buffer.from(`GIF89a no picture ${i}`);
    default: {
      const side = 6000 + i;
      const noise = sharp({ create: { width: side, height: 6800, channels: 4, background: { r: i, g: 90, b: 20, alpha: 0.5 } } });
      const bytes = await noise.png({ progressive: true, compressionLevel: 1 }).toBuffer();
      return i % 8 === 7 ? bytes.subarray(0, Math.floor(bytes.length * 0.8)) : bytes;
    }
  }
};

const sendPicture = async ({ client, hire, device, headers }: Sender, bytes: Buffer, sentAt: string): Promise<string> => {
  const sha = createHash('sha256').update(bytes).digest('hex');
  const naming = eventWith(hire, device, { kind: 'reported', what: 'fault', note: 'as pictured', photos: [sha] }, sentAt);
  await client.send('POST', `/hires/${hire}/events`, { sentAt, events: [naming] }, headers);
  const path = `/hires/${hire}/photos/${sha}?offset=0&size=${bytes.length}`;
  const { status, json } = await client.send('PATCH', path, new Uint8Array(bytes), headers);
  return status === 200 ? 'taken' : typeof json.code === 'string' ? json.code : String(status);
};

const renterOf = async (quay: QuayServer, hand: Client, hire: string): Promise<Sender> => {
  const { json } = await hand.send('POST', `/hires/${hire}/links`, {});
  const client = new Client(quay.url);
  const opened = await client.send('POST', '/renter/session', { token: String(json.url).split('#')[1] });
  return { client, hire, device: (opened.json.device as { id: string }).id, headers: { 'x-quay-renter': hire } };
};

/** How the quay answers before, while and after it is sent what does harm, and what memory that takes. */
export const hostile = (): Promise<Figure[]> =>
  onServer(async (quay) => {
    const manager = new Client(quay.url);
    const { json } = await manager.signIn(MANAGER);
    const managers = (json.device as { id: string }).id;
    const hand = await phoneOf(quay, BRAM);
    const renter = await renterOf(quay, hand.client, 'h-1014');
    const sentAt = new Date(quay.now()).toISOString();
    const memory = memoryOf(quay.pid);
    const before = await dayTimes(manager, READS);
    let taken = 0;
    for (const [of, count, seed] of [
      [renter, EVENTS.renter, 1],
      [{ client: hand.client, hire: 'h-1001', device: hand.device, headers: {} }, EVENTS.hand, 2],
      [{ client: manager, hire: 'h-1011', device: managers, headers: {} }, EVENTS.manager, 3],
    ] as const)
      taken += (await fire(of, count, seed, sentAt)).taken;
    const afterEvents = await dayTimes(manager, READS);
    // Three at once from one phone; meanwhile the day is asked for.
    const answers = new Map<string, number>();
    let next = 0;
    const senders = Array.from({ length: 3 }, async () => {
      while (next < PICTURES) {
        const i = (next += 1) - 1;
        const of = { client: hand.client, hire: 'h-1001', device: hand.device, headers: {} };
        const said = await sendPicture(of, await hostilePicture(i), sentAt);
        answers.set(said, (answers.get(said) ?? 0) + 1);
      }
    });
    let done = false;
    const sending = Promise.all(senders).then(() => (done = true));
    const during: number[] = [];
    while (!done) {
      during.push(...(await dayTimes(manager, 1)));
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    await sending;
    const after = await dayTimes(manager, READS);
    console.error(`  ${taken} events taken; pictures: ${[...answers].map(([said, n]) => `${n} ${said}`).join(', ')}`);
    return [
      figure('day before, 95th percentile', quantile(before, 0.95), 'ms', 200),
      figure('day after 5,000 hostile events, 95th', quantile(afterEvents, 0.95), 'ms', 200),
      figure('day while hostile pictures arrive, 95th', quantile(during, 0.95), 'ms', 200),
      figure('day after 200 hostile pictures, 95th', quantile(after, 0.95), 'ms', 200),
      figureAtLeast(
        'hostile pictures answered',
        [...answers.values()].reduce((sum, n) => sum + n, 0),
        '',
        PICTURES,
      ),
      figure('most memory of the quay and its processes', memory.end() / 1e6, 'MB', 1000),
    ];
  });
