import { generateKeyPairSync, sign } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strFromU8, strToU8 } from 'fflate';
import sharp from 'sharp';
import { DossierRecord, listed, MANIFEST, Manifest, manifestMessage, RECORD } from '@quay/core/dossier/dossier';
import { pack, unpack } from '@quay/core/dossier/pack';
import { verifyDossier } from '@quay/core/dossier/verify';
import { nameOfBytes } from '@quay/core/events/canonical';
import { play } from '../../demo/play';
import { loadImport } from '../../import/load';
import { readImport } from '../../import/read';
import { openStore, type Store } from '../../platform/database/open';
import { copyOf } from '../photo/photo';
import { type QuayKey, quayKey } from '../../platform/database/setting';
import { appendPhoto } from '../photo/upload';
import { DEMO, drillsKnown } from '../../testing/quay';
import { nodeCrypto } from './crypto';
import { makeDossier } from './make';

const NOW = new Date('2026-06-13T10:42:00.000Z');
let folder: string;
let store: Store;
let key: QuayKey;
let whole: Uint8Array;

const dossier = async (hire: string, edition: 'operator' | 'renter' = 'operator') => {
  const made = await makeDossier(store, hire, key, edition, NOW.toISOString());
  if (!made.ok) throw new Error(made.reason);
  return made.bytes;
};
const filesOf = (bytes: Uint8Array) => {
  const opened = unpack(bytes);
  if (!opened.ok) throw new Error(opened.reason);
  return new Map(opened.files);
};
const verify = (bytes: Uint8Array, by?: string) => verifyDossier(bytes, nodeCrypto, by);
const faults = (bytes: Uint8Array, by?: string) => verify(bytes, by).faults.map(({ is }) => is);
/** As somebody would do who has another key, and everything else right. */
const signedAnew = (files: Map<string, Uint8Array>) => {
  const pair = generateKeyPairSync('ed25519');
  files.delete(MANIFEST);
  const before = Manifest.parse(JSON.parse(strFromU8(filesOf(whole).get(MANIFEST)!)));
  const pem = pair.publicKey.export({ type: 'spki', format: 'pem' }) as string;
  const unsigned: Manifest = { ...before, files: listed(files), key: { fingerprint: nodeCrypto.fingerprintOfPem(pem), pem } };
  const signature = sign(null, Buffer.from(manifestMessage(unsigned)), pair.privateKey).toString('base64');
  return pack(files.set(MANIFEST, strToU8(JSON.stringify({ ...unsigned, signature }))));
};

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'quay-dossier-'));
  store = await openStore(folder);
  const read = readImport(DEMO, NOW.toISOString(), drillsKnown);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  await loadImport(store.db, read.data);
  key = await quayKey(store.db);
  await play(store, key, join(DEMO, 'play.json'), NOW);
  whole = await dossier('h-1005');
});
afterAll(async () => {
  await store.close();
  await rm(folder, { recursive: true, force: true });
});

describe('a dossier', () => {
  it('is whole, names who signed each walk, and is the same bytes when it is made again', async () => {
    const seen = verify(whole, key.fingerprint);
    expect(seen.faults).toEqual([]);
    expect(seen.about).toMatchObject({ boat: 'Tuppenny Bun', hire: 'h-1005', edition: 'operator' });
    expect(seen.signed.map(({ walk, by, countersignedAt }) => [walk, by, countersignedAt !== undefined])).toEqual([
      ['out', ['renter', 'staff'], true],
      ['in', ['renter', 'staff'], true],
    ]);
    expect(seen.since).toEqual([]);
    expect(Buffer.compare(whole, await dossier('h-1005'))).toBe(0);
  });

  it('can be read without any program of ours: JSON with its schema, a page, paper, pictures', () => {
    const files = filesOf(whole);
    expect([...files.keys()].filter((name) => !name.includes('/'))).toEqual([
      'manifest.json',
      'manifest.schema.json',
      'record.html',
      'record.json',
      'record.pdf',
      'record.schema.json',
    ]);
    const html = strFromU8(files.get('record.html')!);
    expect(html).toContain('Tuppenny Bun');
    for (const [, src] of html.matchAll(/src="([^"]+)"/g)) expect(files.has(src!)).toBe(true);
    expect(strFromU8(files.get('record.pdf')!.subarray(0, 5))).toBe('%PDF-');
    expect([...files.keys()].filter((name) => name.startsWith('photos/')).length).toBeGreaterThan(0);
    expect(DossierRecord.safeParse(JSON.parse(strFromU8(files.get(RECORD)!))).success).toBe(true);
  });

  it('of which any byte was changed is refused', () => {
    let a = 4711;
    const next = () => (a = (Math.imul(a, 1664525) + 1013904223) >>> 0);
    for (let i = 0; i < 60; i += 1) {
      const turned = Uint8Array.from(whole);
      turned[next() % whole.length]! ^= 1 + (next() % 255);
      expect(faults(turned)).not.toEqual([]);
    }
  }, 120_000);

  it('with a file changed, taken out or put in is refused by name', () => {
    const change = (work: (files: Map<string, Uint8Array>) => void) => {
      const files = filesOf(whole);
      work(files);
      return verify(pack(files)).faults;
    };
    const photo = [...filesOf(whole).keys()].find((name) => name.startsWith('photos/'))!;
    expect(change((files) => files.delete('record.pdf'))).toEqual([{ is: 'fileMissing', name: 'record.pdf' }]);
    expect(change((files) => files.set('extra.txt', strToU8('x')))).toEqual([{ is: 'fileExtra', name: 'extra.txt' }]);
    expect(change((files) => files.set(photo, strToU8('x')))).toContainEqual({ is: 'fileDiffers', name: photo });
    expect(change((files) => files.delete(MANIFEST))).toEqual([{ is: 'noManifest' }]);
  });

  it('rewritten by somebody with a key of their own gives itself away: by the key, the countersignature and the seals', () => {
    const files = filesOf(whole);
    const record = JSON.parse(strFromU8(files.get(RECORD)!)) as DossierRecord;
    const counted = record.events.find(({ event }) => (event as { body: { kind: string } }).body.kind === 'counted')!;
    (counted.event as { body: { count: number } }).body.count += 1;
    files.set(RECORD, strToU8(JSON.stringify(record)));
    const forged = signedAnew(files);
    expect(faults(forged, key.fingerprint)).toEqual(expect.arrayContaining(['otherKey', 'sealDiffers', 'notCountersigned']));
    // Whoever leaves the entry out altogether does not get further.
    const fewer = filesOf(whole);
    fewer.set(RECORD, strToU8(JSON.stringify({ ...record, events: record.events.filter((one) => one !== counted) })));
    expect(faults(signedAnew(fewer))).toEqual(expect.arrayContaining(['eventMissing', 'notCountersigned']));
  });

  it('for the renter has pictures without position, and names the originals', async () => {
    const shot = await sharp({ create: { width: 64, height: 48, channels: 3, background: '#336677' } })
      .withExif({ IFD0: { Make: 'Somebody' }, IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '47/1 59/1 0/1' } })
      .jpeg()
      .toBuffer();
    const sha = nameOfBytes(shot);
    await appendPhoto(store, { hire: 'h-1003', sha, offset: 0, size: shot.length, bytes: shot, now: NOW.toISOString() });
    const renters = await dossier('h-1005', 'renter');
    expect(verify(renters, key.fingerprint).faults).toEqual([]);
    const manifest = Manifest.parse(JSON.parse(strFromU8(filesOf(renters).get(MANIFEST)!)));
    const pictured = manifest.photos.filter(({ plain }) => plain !== null);
    expect(pictured.length).toBeGreaterThan(0);
    for (const { original, plain, file } of pictured) {
      const data = filesOf(renters).get(file!)!;
      expect(nameOfBytes(data)).toBe(plain);
      expect(plain).not.toBe(original);
      expect((await sharp(data).metadata()).exif).toBeUndefined();
    }
    // The camera's notes are gone from the copy and stay in the original.
    expect((await sharp(await copyOf(store, sha, 'plain')).metadata()).exif).toBeUndefined();
    expect((await sharp(shot).metadata()).exif).toBeDefined();
  });

  it('is not made of what nobody signed, nor while pictures are on the way', async () => {
    expect(await makeDossier(store, 'h-1008', key, 'operator', NOW.toISOString())).toMatchObject({ ok: false, reason: 'notSealed' });
    expect(await makeDossier(store, 'h-none', key, 'operator', NOW.toISOString())).toMatchObject({ ok: false, reason: 'noSuchHire' });
    await store.db('photo').where({ hire: 'h-1003' }).del();
    expect(await makeDossier(store, 'h-1003', key, 'operator', NOW.toISOString())).toMatchObject({ ok: false, reason: 'picturesMissing' });
  });
});
