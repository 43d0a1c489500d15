import type { FilesPreview } from '@quay/contract/files';
import Papa from 'papaparse';
import sharp from 'sharp';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { MANAGER, testQuay, type Client, type TestQuay } from '../testing/quay';
import { logoFrom, readLogo } from '../topics/policy/logo';
import { loadImport } from './load';
import { readFiles } from './files';

let quay: TestQuay;
let manager: Client;
beforeAll(async () => {
  quay = await testQuay();
  manager = quay.client();
  await manager.signIn(MANAGER);
});
afterAll(() => quay.stop());

const zipped = (files: Record<string, string>) =>
  Buffer.from(zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)]))));
const preview = async (zip: Buffer) =>
  (await manager.send('POST', '/files', zip)).json as unknown as FilesPreview & { code?: string; figures?: object };
const take = (zip: Buffer, digest: string) => manager.send('POST', `/files/taken?digest=${digest}`, zip);
const fileOf = async (name: string) => Buffer.from(unzipSync(await manager.bytes('/files'))[name]!).toString();

const secretsIn = (zip: Uint8Array): string[] =>
  Papa.parse<{ secret: string }>(Buffer.from(unzipSync(zip)['staff.csv']!).toString(), { header: true, skipEmptyLines: true }).data.map(
    ({ secret }) => secret,
  );

// Made before the server listens: making them holds this process for seconds, in which a kept connection would run out.
const MANY = zipped(Object.fromEntries(Array.from({ length: 5001 }, (_, i) => [`boats/b${i}.json`, ''] as const)));
const BOMB = Buffer.from(zipSync({ 'boats/a.json': new Uint8Array(140 * 1024 ** 2) }, { level: 1 }));

describe('the files of an installation', () => {
  it('come back as they went: nothing in them is new, also in a folder of its own', async () => {
    const zip = await manager.bytes('/files');
    const seen = await preview(zip);
    expect(seen.faults).toEqual([]);
    expect(seen.kinds.flatMap((one) => [...one.new, ...one.changed])).toEqual([]);
    expect(seen.kinds.find(({ kind }) => kind === 'boats')).toMatchObject({ same: 6 });
    const inside = Object.fromEntries(Object.entries(unzipSync(zip)).map(([name, data]) => [`my quay/${name}`, data]));
    expect((await preview(Buffer.from(zipSync(inside)))).kinds).toEqual(seen.kinds);
    expect((await take(zip, seen.digest)).status).toBe(200);
  }, 60_000);

  it('loaded into an empty installation are the same one, its people and its logo with it', async () => {
    const picture = await sharp({ create: { width: 400, height: 100, channels: 3, background: '#0e5e52' } })
      .png()
      .toBuffer();
    expect((await manager.send('POST', '/operator/logo', picture)).status).toBe(200);
    expect(secretsIn(await manager.bytes('/files')).filter(Boolean)).toEqual([]);
    const zip = await manager.bytes('/files?secrets=yes');
    expect(secretsIn(zip)).toEqual(Array.from({ length: 4 }, () => expect.stringMatching(/^scrypt\$/) as unknown));
    const other = await testQuay({ empty: true });
    try {
      // Somebody has to be set up there before anything is brought.
      await other.store.db('setting').insert({ key: 'operator', value: JSON.stringify({ name: 'X', currency: 'EUR', simulated: false }) });
      await other.store.db('priceList').insert({
        version: 1,
        digest: 'x',
        body: JSON.stringify({ version: 1, currency: 'EUR', fuelScheme: 'used', fuelIncludedL: 0, lateGraceMin: 15, prices: [] }),
      });
      const now = quay.clock.now.toISOString();
      const { data, preview: seen } = await readFiles(other.store.db, zip, now, undefined);
      expect(seen.faults).toEqual([]);
      await loadImport(other.store.db, data!, now, await logoFrom(other.store, data!.logo!));
      for (const table of ['boat', 'base', 'waters', 'rules', 'classBook'] as const)
        expect(await other.store.db(table).count({ n: '*' }).first()).toEqual(await quay.store.db(table).count({ n: '*' }).first());
      expect(await readLogo(other.store.db)).toBeDefined();
      // Whoever worked there signs in here with what they signed in with there.
      expect((await other.client().signIn(MANAGER)).status).toBe(200);
      expect((await other.client().signIn({ ...MANAGER, secret: 'something else' })).status).toBe(401);
      const again = await readFiles(other.store.db, zip, now, undefined);
      expect(again.preview.kinds.flatMap((one) => (one.kind === 'logo' ? [] : [...one.new, ...one.changed]))).toEqual([]);
    } finally {
      await other.stop();
    }
  }, 120_000);

  it('a few of them are laid over what is here, seen before they are taken, and taken as they were seen', async () => {
    const boat = JSON.parse(await fileOf('boats/tuppenny-bun.json')) as Record<string, unknown>;
    const hires = (await fileOf('hires.csv')).split('\n');
    const zip = zipped({
      'boats/tuppenny-bun.json': JSON.stringify({ ...boat, hullNumber: 'TB 99' }),
      'boats/second-bun.json': JSON.stringify({ ...boat, id: 'second-bun', name: 'Second Bun', hullNumber: 'TB 100' }),
      'hires.csv': [hires[0], 'h-new,second-bun,New Renter,,en,2,0,2026-08-01T10:00,2026-08-01T14:00,0,,staffed,', ''].join('\n'),
      'notes.txt': 'what is this',
    });
    const seen = await preview(zip);
    expect(seen.kinds).toEqual([
      { kind: 'boats', new: ['Second Bun'], changed: ['Tuppenny Bun'], same: 0 },
      { kind: 'hires', new: ['h-new'], changed: [], same: 0 },
    ]);
    expect(seen.left).toEqual(['notes.txt']);
    expect(await quay.store.db('boat').where({ id: 'second-bun' })).toEqual([]);
    expect((await take(zip, 'f'.repeat(64))).json.code).toBe('changedMeanwhile');
    const before = (await quay.store.db('hire').count({ n: '*' }).first())!.n;
    expect((await take(zip, seen.digest)).status).toBe(200);
    expect((await quay.store.db('boat').where({ id: 'tuppenny-bun' }).first('hullNumber'))!.hullNumber).toBe('TB 99');
    expect((await quay.store.db('hire').count({ n: '*' }).first())!.n).toBe(Number(before) + 1);
    // What was seen is no longer what would be changed.
    expect((await take(zip, seen.digest)).json.code).toBe('changedMeanwhile');
  }, 60_000);

  it('faults are told by file and place, and nothing is taken', async () => {
    const boat = JSON.parse(await fileOf('boats/brisk-otter.json')) as Record<string, unknown>;
    const zip = zipped({ 'boats/brisk-otter.json': JSON.stringify({ ...boat, plate: { people: 0, loadKg: 1 } }), 'classes/x.json': '{' });
    const seen = await preview(zip);
    expect(seen.faults.map(({ file }) => file).sort()).toEqual(expect.arrayContaining(['boats/brisk-otter.json', 'classes/x.json']));
    expect((await take(zip, seen.digest)).json.code).toBe('faults');
  }, 60_000);

  it('what is no ZIP, holds nothing of a quay, leads out of its folder or is far too large is refused', async () => {
    const why = async (zip: Buffer) => (await preview(zip)).figures;
    expect(await why(Buffer.from('PK no zip at all'))).toEqual({ why: 'noZip' });
    expect(await why(zipped({ 'a/readme.md': 'x', 'a/b.md': 'y' }))).toEqual({ why: 'empty' });
    expect(await why(zipped({ '../../etc/boats/x.json': '{}', '/boats/../../x.json': '{}' }))).toEqual({ why: 'empty' });
    expect(await why(MANY)).toEqual({ why: 'tooMany' });
    expect(await why(BOMB)).toEqual({ why: 'tooLarge' });
  }, 60_000);
});
