import { type ChildProcess, spawn } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import { existsSync } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { loadImport } from './import/load';
import { readImport } from './import/read';
import { openStore } from './platform/database/open';
import { Client, countOf, DEMO, eventOf, HAND, MANAGER, naming } from './testing/quay';

const BUILT = join(__dirname, '../dist/quay.mjs');
const KILLS = 24;
const HIRE = 'h-1001';

let folder: string;
let child: ChildProcess;
let port = 0;
const start = () =>
  new Promise<void>((resolve, reject) => {
    child = spawn(process.execPath, [BUILT, '--data', folder, '--port', String(port), '--host', '127.0.0.1'], {
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    child.stdout!.on('data', (data: Buffer) => {
      const found = /listening on port (\d+)/.exec(data.toString())?.[1];
      if (found === undefined) return;
      port = Number(found);
      resolve();
    });
    child.once('exit', (code) => reject(new Error(`ended with ${code}`)));
  });
const kill = () =>
  new Promise<void>((resolve) => {
    child.once('exit', () => resolve());
    child.kill('SIGKILL');
  });

beforeAll(async () => {
  if (!existsSync(BUILT)) throw new Error('server/dist/quay.mjs is not built; run ./quay test, which builds it');
  folder = await mkdtemp(join(tmpdir(), 'quay-kill-'));
  const store = await openStore(folder);
  const read = readImport(DEMO, new Date().toISOString());
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  await loadImport(store.db, read.data);
  await store.close();
  await start();
});
afterAll(async () => {
  await kill();
  await rm(folder, { recursive: true, force: true });
});

const picture = () =>
  sharp(randomBytes(160 * 120 * 3), { raw: { width: 160, height: 120, channels: 3 } })
    .jpeg()
    .toBuffer();

it(`finds every acknowledged event and photograph after ${KILLS} kills in the middle of delivery`, async () => {
  const base = `http://127.0.0.1:${port}`;
  const manager = new Client(base);
  await manager.signIn(MANAGER);
  const { json } = await manager.send('POST', '/enrolments', {});
  const phone = new Client(base);
  await phone.send('POST', '/devices', { code: json.code, name: 'Quay phone' });
  const device = ((await phone.signIn(HAND)).json.device as { id: string }).id;

  const acknowledged = { events: new Set<string>(), photos: new Set<string>() };
  const cutOff = { events: 0, photos: 0 };
  /** What a phone keeps until it hears that it is held: sent again and again, from the start or from the middle. */
  const waiting: { events: ReturnType<typeof eventOf>[]; photos: { sha: string; bytes: Buffer; named: string }[] } = {
    events: [],
    photos: [],
  };
  const deliverEvents = async () => {
    waiting.events.push(...Array.from({ length: 25 }, (_, i) => eventOf(HIRE, device, countOf(i % 9))));
    try {
      // As a phone does, not everything at once: a delivery has its limit.
      const events = waiting.events.slice(0, 200);
      const reply = await phone.send('POST', `/hires/${HIRE}/events`, { sentAt: new Date().toISOString(), events });
      for (const id of reply.json.synced as string[]) acknowledged.events.add(id);
      waiting.events = waiting.events.filter(({ id }) => !acknowledged.events.has(id));
    } catch {
      cutOff.events += 1;
    }
  };
  const deliverPhoto = async () => {
    if (waiting.photos.length < 3) {
      const bytes = await picture();
      const sha = createHash('sha256').update(bytes).digest('hex');
      const event = naming(HIRE, device, sha);
      waiting.photos.push({ sha, bytes, named: event.id });
      waiting.events.push(event);
    }
    const [{ sha, bytes, named }] = waiting.photos as [(typeof waiting.photos)[number]];
    // As a phone does: the entry that speaks of it goes first.
    if (!acknowledged.events.has(named)) await deliverEvents();
    try {
      let state = (await phone.send('GET', `/hires/${HIRE}/photos/${sha}/state`)).json as { bytes: number; complete: boolean };
      while (!state.complete) {
        const piece = new Uint8Array(bytes.subarray(state.bytes, state.bytes + 4096));
        const sent = await phone.send('PATCH', `/hires/${HIRE}/photos/${sha}?offset=${state.bytes}&size=${bytes.length}`, piece);
        if (sent.json.code === 'notNamed') return;
        if (sent.status !== 200) throw new Error(`photograph refused: ${JSON.stringify(sent.json)}`);
        state = sent.json as typeof state;
      }
      acknowledged.photos.add(sha);
      waiting.photos.shift();
    } catch (error) {
      if (error instanceof Error && error.message.startsWith('photograph refused')) throw error;
      cutOff.photos += 1;
    }
  };

  // How long the first deliveries take after a start, here and now: kills fall before, in and after them, on a slow
  // machine as on a quick one.
  await kill();
  await start();
  const began = Date.now();
  await Promise.all([deliverEvents(), deliverPhoto()]);
  const once = Date.now() - began;
  for (let round = 0; round < KILLS; round += 1) {
    const until = Date.now() + once * (0.1 + (2.4 * round) / KILLS);
    const work = (async () => {
      while (Date.now() < until) await Promise.all([deliverEvents(), deliverPhoto()]);
    })();
    await new Promise((resolve) => setTimeout(resolve, Math.max(1, until - Date.now() - 4)));
    const killed = kill();
    await Promise.all([work, killed]);
    await start();
  }
  // Whatever was cut off goes out in the end, as from a phone.
  while (waiting.events.length > 0) {
    const before = waiting.events.length;
    await deliverEvents();
    if (waiting.events.length >= before) break;
  }
  while (waiting.photos.length > 0) {
    const before = waiting.photos.length;
    await deliverPhoto();
    if (waiting.photos.length === before && acknowledged.photos.size === 0) throw new Error('nothing goes out any more');
    if (waiting.photos.length === before) break;
  }

  const held = new Set<string>();
  let after = '0';
  for (;;) {
    const page = (await phone.send('GET', `/hires/${HIRE}/events?after=${after}`)).json as {
      events: { event: { id: string } }[];
      cursor: string;
      more: boolean;
    };
    for (const { event } of page.events) held.add(event.id);
    after = page.cursor;
    if (!page.more) break;
  }
  expect([...acknowledged.events].filter((id) => !held.has(id))).toEqual([]);
  for (const sha of acknowledged.photos) {
    const answer = await fetch(`${base}/api/hires/${HIRE}/photos/${sha}`, {
      headers: { cookie: [...phone.cookies].map(([k, v]) => `${k}=${v}`).join('; ') },
    });
    const bytes = Buffer.from(await answer.arrayBuffer());
    expect(createHash('sha256').update(bytes).digest('hex')).toBe(sha);
  }
  console.log(
    `${KILLS} kills: ${acknowledged.events.size} events and ${acknowledged.photos.size} photographs acknowledged, ${cutOff.events} and ${cutOff.photos} deliveries cut off`,
  );
  expect(acknowledged.events.size).toBeGreaterThan(100);
  expect(cutOff.events + cutOff.photos).toBeGreaterThan(5);
}, 180_000);
