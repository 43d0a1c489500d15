import { gzipSync } from 'node:zlib';
import { type Client, handOn, MANAGER, testQuay, type TestQuay } from '../../../testing/quay';
import { erasePeople } from '../../record/erase';
import { readGpx } from './gpx';

const NOON = Date.parse('2026-06-13T13:00:00.000Z');
const point = (lon: number | string, lat: number | string, seconds: number | undefined) =>
  `<trkpt lat="${lat}" lon="${lon}">${seconds === undefined ? '' : `<time>${new Date(NOON + seconds * 1000).toISOString()}</time>`}</trkpt>`;
const gpx = (...points: string[]) =>
  `<?xml version="1.0"?><gpx version="1.1" xmlns="http://www.topografix.com/GPX/1/1"><trk><trkseg>${points.join('')}</trkseg></trk></gpx>`;
const bytes = (text: string) => new TextEncoder().encode(text);
const read = (text: string) => readGpx(bytes(text));

describe('a GPX file', () => {
  it('gives its fixes; one without a place is left out, one without an hour says so', () => {
    const found = read(gpx(point(-37.9, 48, 0), point('here', 48, 1), point(-37.91, 48.01, undefined), point(-37.92, 91, 3)));
    if ('is' in found) throw new Error(found.is);
    expect([...found.lon]).toEqual([-37.9, -37.91]);
    expect([...found.atMs]).toEqual([NOON, NaN]);
  });

  it('is read packed as well, under any prefix, and of all it says only tracks', () => {
    const named = `<g:gpx xmlns:g="x"><g:metadata><g:time>2020-01-01T00:00:00Z</g:time></g:metadata><g:wpt lat="1" lon="1"/><g:trk><g:name>&lt;script&gt;</g:name><g:trkseg><g:trkpt lat="48" lon="-37"><g:time>2026-06-13T13:00:00Z</g:time></g:trkpt></g:trkseg></g:trk></g:gpx>`;
    const found = readGpx(gzipSync(bytes(named)));
    if ('is' in found) throw new Error(found.is);
    expect([found.lon.length, found.atMs[0]]).toEqual([1, NOON]);
  });

  it('that is none is refused by name: broken, another kind, entities of its own, too deep, empty, a bomb', () => {
    const said = (text: string) => {
      const found = read(text);
      return 'is' in found ? [found.is, found.why] : found;
    };
    expect(said('<gpx><trk>')).toEqual(['notGpx', expect.stringContaining('unclosed tag')]);
    expect(said('<kml/>')).toEqual(['notGpx', 'kml']);
    expect(said('<!DOCTYPE gpx [<!ENTITY a "b">]><gpx/>')).toEqual(['notGpx', 'DOCTYPE']);
    expect(said(`<gpx>${'<a>'.repeat(60)}`)).toEqual(['notGpx', 'depth']);
    expect(said(gpx())).toEqual(['noFixes', '']);
    expect(said('no xml at all')).toEqual(['notGpx', expect.any(String)]);
    expect(readGpx(gzipSync(new Uint8Array(300 * 1024 * 1024)))).toMatchObject({ is: 'tooLarge' });
    expect(readGpx(new Uint8Array([0x1f, 0x8b, 1, 2]))).toEqual({ is: 'notGpx', why: 'gzip' });
  });
});

describe('tracks of a hire', () => {
  let quay: TestQuay;
  let mina: Client;
  beforeAll(async () => {
    quay = await testQuay();
    mina = await handOn(quay, MANAGER);
  });
  afterAll(() => quay.stop());
  const add = (hire: string, text: string, client = mina) => client.send('POST', `/hires/${hire}/tracks?name=plotter.gpx`, bytes(text));
  /** Along the strand of the lake, five metres a second. */
  const along = (count: number) => gpx(...Array.from({ length: count }, (_, i) => point(-37.97 + i * 0.00006, 48.005, i)));

  it('are laid over its waters and kept with what they show, until they are deleted, or the people of the hire are', async () => {
    const added = await add('h-1001', along(400));
    expect([added.status, added.json]).toEqual([200, expect.objectContaining({ name: 'plotter.gpx', by: 'Mina Garrow' })]);
    const { report } = added.json as { report: { fixes: number; distanceM: number } };
    expect(report.fixes).toBe(400);
    expect(report.distanceM).toBeGreaterThan(1500);
    const list = async () => ((await mina.send('GET', '/hires/h-1001/tracks')).json as { tracks: { id: string }[] }).tracks;
    const [one] = await list();
    expect((await mina.send('DELETE', `/hires/h-1001/tracks/${one!.id}`)).status).toBe(200);
    expect(await list()).toEqual([]);
    expect((await mina.send('DELETE', `/hires/h-1001/tracks/${one!.id}`)).status).toBe(404);
    await add('h-1001', along(50));
    await quay.store.db('hire').where({ id: 'h-1001' }).update({ state: 'closed', to: '2026-01-01T00:00:00.000Z' });
    await erasePeople(quay.store.db, '2026-02-01T00:00:00.000Z');
    expect(await list()).toEqual([]);
  });

  it('are a manager’s: no hand and no renter sees where somebody was', async () => {
    const bram = await handOn(quay);
    expect((await add('h-1003', along(50), bram)).status).toBe(403);
    expect((await bram.send('GET', '/hires/h-1003/tracks')).status).toBe(403);
  });

  it('of somewhere else, or no track at all, are refused in a sentence, and a hire takes only so many', async () => {
    const code = async (text: string) => ((await add('h-1003', text)).json as { code: string }).code;
    expect(await code(gpx(point(10, 10, 0), point(10, 10.001, 1)))).toBe('trackElsewhere');
    expect(await code('<kml/>')).toBe('trackNotGpx');
    for (let i = 0; i < 20; i += 1) expect((await add('h-1003', along(3))).status).toBe(200);
    expect(await code(along(3))).toBe('tooManyTracks');
  });
});
