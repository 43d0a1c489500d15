import { createHash } from 'node:crypto';
import { existsSync } from 'node:fs';
import { readdir, utimes, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import type { EventBody } from '@quay/core/record/event';
import { type Client, eventOf, HAND, handOn, MANAGER, naming, testQuay, type TestQuay } from '../../testing/quay';
import { flatPng } from '../../testing/bombs';
import { copyOf, fileOf } from './photo';
import { ROOM_KEPT, ROOM_WANTED } from '../../platform/database/freeRoom';
import { clearUnfinished, HIRE_PHOTOS, RENTER_PHOTOS, UNFINISHED, UNFINISHED_DAYS } from './upload';

const HIRE = 'h-1001';
let quay: TestQuay;
let phone: Client;
let device: string;
beforeEach(async () => {
  quay = await testQuay();
  phone = await handOn(quay);
  device = ((await phone.send('GET', '/session')).json.device as { id: string }).id;
});
afterEach(() => quay.stop());

const shaOf = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex');
const picture = (seed: number) => flatPng(40, 30, { colour: 2, seed });
const add = async (...bodies: EventBody[]) => {
  const events = bodies.map((body) => eventOf(HIRE, device, body));
  const { json } = await phone.send('POST', `/hires/${HIRE}/events`, { events, sentAt: quay.clock.now.toISOString() });
  expect(json.refused).toEqual([]);
};
const name = async (...shas: string[]) => {
  const { json } = await phone.send('POST', `/hires/${HIRE}/events`, {
    events: [naming(HIRE, device, ...shas)],
    sentAt: quay.clock.now.toISOString(),
  });
  expect(json.refused).toEqual([]);
};
const send = (
  bytes: Buffer,
  { sha = shaOf(bytes), from = 0, to = bytes.length, client = phone, headers = {} as Record<string, string> } = {},
) =>
  client.send(
    'PATCH',
    `/hires/${HIRE}/photos/${sha}?offset=${from}&size=${bytes.length}`,
    new Uint8Array(bytes.subarray(from, to)),
    headers,
  );
const parts = () => readdir(join(quay.store.photos, 'part')).catch(() => []);

it('takes a photograph once an entry of this hire names it, and says so until then', async () => {
  const bytes = picture(1);
  expect((await send(bytes)).json).toMatchObject({ status: 409, code: 'notNamed' });
  // Speaking of its name in a remark is not naming it.
  await add({ kind: 'reported', what: 'fault', note: `see ${shaOf(bytes)}`, photos: [] });
  expect((await send(bytes)).json.code).toBe('notNamed');
  expect(await parts()).toEqual([]);
  await name(shaOf(bytes));
  expect((await send(bytes)).json).toEqual({ bytes: bytes.length, complete: true });
});

it('after the closing takes what the record names, what staff add, and nothing new of a renter', async () => {
  const { json } = await phone.send('POST', `/hires/${HIRE}/links`, {});
  const renter = quay.client();
  const opened = await renter.send('POST', '/renter/session', { token: (json.url as string).split('#')[1] });
  const asRenter = { 'x-quay-renter': HIRE };
  const theirs = (opened.json.device as { id: string }).id;
  const report = async (sha: string) => {
    const events = [{ ...naming(HIRE, theirs, sha), device: theirs }];
    const answer = await renter.send('POST', `/hires/${HIRE}/events`, { events, sentAt: quay.clock.now.toISOString() }, asRenter);
    expect(answer.json.refused).toEqual([]);
  };
  const [before, after, staffs] = [picture(1), picture(2), picture(3)];
  await report(shaOf(before));
  quay.clock.now = new Date(quay.clock.now.getTime() + 60_000);
  await quay.store.db('statement').insert({ number: 1, hire: HIRE, digest: 'd', body: '{}', closedAt: quay.clock.now.toISOString() });
  quay.clock.now = new Date(quay.clock.now.getTime() + 60_000);
  await report(shaOf(after));
  await name(shaOf(staffs));
  expect((await send(before, { client: renter, headers: asRenter })).json.complete).toBe(true);
  expect((await send(after, { client: renter, headers: asRenter })).json.code).toBe('hireClosed');
  expect((await send(staffs)).json.complete).toBe(true);
});

it('takes so many of a hire and no more', async () => {
  const row = (i: number, role: string) => ({
    hire: HIRE,
    sha: createHash('sha256').update(`${role}${i}`).digest('hex'),
    media: 'image/png',
    bytes: 10,
    width: 1,
    height: 1,
    receivedAt: quay.clock.now.toISOString(),
    role,
  });
  const rows = Array.from({ length: HIRE_PHOTOS - 1 }, (_, i) => row(i, i < RENTER_PHOTOS ? 'renter' : 'hand'));
  await quay.store.db.batchInsert('photo', rows, 50);
  const [one, other] = [picture(1), picture(2)];
  await name(shaOf(one), shaOf(other));
  expect((await send(one)).json.complete).toBe(true);
  expect((await send(other)).json).toMatchObject({ status: 409, code: 'tooManyPhotos' });
});

it('keeps few halves of a phone: of more, the oldest begins anew', async () => {
  const all = Array.from({ length: UNFINISHED + 2 }, (_, i) => picture(i));
  await name(...all.map(shaOf));
  for (const bytes of all) {
    quay.clock.now = new Date(quay.clock.now.getTime() + 1000);
    expect((await send(bytes, { to: 20 })).json).toEqual({ bytes: 20, complete: false });
  }
  expect((await parts()).length).toBe(UNFINISHED);
  const state = async (bytes: Buffer) => (await phone.send('GET', `/hires/${HIRE}/photos/${shaOf(bytes)}/state`)).json.bytes;
  expect([await state(all[0]!), await state(all.at(-1)!)]).toEqual([0, 20]);
  expect((await send(all[0]!)).json.complete).toBe(true);
  expect((await send(all.at(-1)!, { from: 20 })).json.complete).toBe(true);
});

it('clears away what was begun and left, and files that no row knows, when they are old', async () => {
  const [old, young] = [picture(1), picture(2)];
  await name(shaOf(old), shaOf(young));
  await send(old, { to: 20 });
  const stray = join(quay.store.photos, 'part', `h-none-${'a'.repeat(64)}`);
  await writeFile(stray, 'left by a quay that died');
  expect(await clearUnfinished(quay.store, quay.clock.now)).toBe(0);
  quay.clock.now = new Date(quay.clock.now.getTime() + (UNFINISHED_DAYS + 1) * 86_400_000);
  await phone.signIn(HAND);
  await send(young, { to: 20 });
  await utimes(stray, new Date(0), new Date(0));
  expect(await clearUnfinished(quay.store, quay.clock.now)).toBe(2);
  expect(await parts()).toEqual([`${HIRE}-${shaOf(young)}`]);
});

it('says that the disk is full before it is, and goes on when there is room', async () => {
  const bytes = picture(1);
  await name(shaOf(bytes));
  const free = jest.spyOn(quay.store, 'freeRoom').mockResolvedValue(ROOM_KEPT + bytes.length - 1);
  expect((await send(bytes)).json).toMatchObject({ status: 507, code: 'diskFull' });
  // A manager is told long before that, and again when it gets worse.
  const manager = quay.client();
  await manager.signIn(MANAGER);
  const told = async () =>
    ((await manager.send('GET', '/attention')).json.matters as { kind: string; key: string; thing: unknown }[]).find(
      ({ kind }) => kind === 'diskLow',
    );
  free.mockResolvedValue(ROOM_WANTED);
  expect(await told()).toBeUndefined();
  free.mockResolvedValue(ROOM_WANTED - 1024 ** 3);
  const matter = await told();
  expect(matter).toMatchObject({ thing: { en: '2.0 GB' } });
  await manager.send('POST', '/attention/aside', { key: matter!.key });
  expect(await told()).toBeUndefined();
  free.mockResolvedValue(ROOM_WANTED - 2 * 1024 ** 3);
  expect(await told()).toMatchObject({ thing: { en: '1.0 GB' } });
  free.mockResolvedValue(ROOM_KEPT + bytes.length);
  expect((await send(bytes)).json.complete).toBe(true);
});

it('says that the disk is full where something else finds it so: opening a picture, an entry, signing in', async () => {
  const said = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  jest.spyOn(quay.store.pictures, 'judge').mockRejectedValueOnce(Object.assign(new Error('no space left'), { code: 'ENOSPC' }));
  const bytes = picture(1);
  await name(shaOf(bytes));
  expect((await send(bytes)).json).toMatchObject({ status: 507, code: 'diskFull' });
  // The database may not grow any more.
  await quay.store.db.raw('pragma max_page_count = 1');
  const events = Array.from({ length: 200 }, (_, i) => naming(HIRE, device, createHash('sha256').update(String(i)).digest('hex')));
  const sent = { events, sentAt: quay.clock.now.toISOString() };
  expect((await phone.send('POST', `/hires/${HIRE}/events`, sent)).json).toMatchObject({ status: 507, code: 'diskFull' });
  let signedIn = await phone.signIn(HAND);
  for (let i = 0; i < 200 && signedIn.status === 200; i += 1) signedIn = await phone.signIn(HAND);
  expect(signedIn.json).toMatchObject({ status: 507, code: 'diskFull' });
  await quay.store.db.raw('pragma max_page_count = 1000000');
  expect((await phone.send('POST', `/hires/${HIRE}/events`, sent)).json.refused).toEqual([]);
  said.mockRestore();
});

it('makes a small picture once, however many ask for it at the same moment', async () => {
  const bytes = await sharp({ create: { width: 900, height: 600, channels: 3, background: '#335' } })
    .jpeg()
    .toBuffer();
  await name(shaOf(bytes));
  await send(bytes);
  const copies = jest.spyOn(quay.store.pictures, 'copy');
  const path = `/hires/${HIRE}/photos/${shaOf(bytes)}?size=small`;
  const answers = await Promise.all(Array.from({ length: 60 }, () => phone.bytes(path)));
  expect(new Set(answers.map(shaOf)).size).toBe(1);
  expect(copies).toHaveBeenCalledTimes(1);
  expect(await sharp(answers[0]).metadata()).toMatchObject({ width: 360, height: 240 });
  // What could not be made leaves nothing half, and is made when it is asked for again.
  copies.mockRejectedValueOnce(new Error('stopped in the middle'));
  await expect(copyOf(quay.store, shaOf(bytes), 'paper')).rejects.toThrow('stopped');
  expect((await copyOf(quay.store, shaOf(bytes), 'paper')).length).toBeGreaterThan(100);
  expect((await readdir(join(fileOf(quay.store, shaOf(bytes)), '..'))).filter((file) => file.endsWith('.part'))).toEqual([]);
  expect(existsSync(join(quay.store.photos, 'paper', `${shaOf(bytes)}.jpg`))).toBe(true);
});
