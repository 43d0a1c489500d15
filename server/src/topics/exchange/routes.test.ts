import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Look, Outcome, Preview, Source } from '@quay/contract/exchange';
import type { AttentionMatter } from '@quay/contract/attention';
import type { TableReading } from '@quay/core/booking/reading';
import { type Client, handOn, MANAGER, testQuay, type TestQuay } from '../../testing/quay';
import type { Quay } from '../../platform/http/mount';
import { fetchDue } from './feeds';

let quay: TestQuay;
let manager: Client;
beforeEach(async () => {
  quay = await testQuay();
  manager = quay.client();
  await manager.signIn(MANAGER);
});
afterEach(() => quay.stop());

const HEAD = 'Ref;Boot;Von;Bis;Mieter;Kaution';
const look = async (text: string | Buffer, name = 'b.csv') =>
  manager.send('POST', `/incoming?name=${name}`, Buffer.from(text)) as Promise<{ status: number; json: Record<string, unknown> }>;
const readingOf = (found: Look, part: Partial<TableReading> = {}): Record<string, unknown> => ({
  ...{ kind: found.looked.kind, base: 'ossel-quay', boat: null, boats: {}, adults: 2, clocks: { from: '10:00', to: '17:00' } },
  ...(found.looked.kind === 'table' ? { columns: found.looked.columns, days: found.looked.days ?? 'dayFirst' } : {}),
  ...part,
});
const previewOf = async (found: Look, part: Record<string, unknown> = {}, reading = readingOf(found)) =>
  (await manager.send('POST', `/incoming/${found.file}/preview`, { reading, ...part })).json as unknown as Preview;
const load = async (found: Look, digest: string, part: Record<string, unknown> = {}) =>
  manager.send('POST', `/incoming/${found.file}/load`, { name: 'Season', reading: readingOf(found), digest, cancelGone: false, ...part });
/** Looks at it, previews and loads it. */
const take = async (text: string, part: Record<string, unknown> = {}) => {
  const found = (await look(text)).json as unknown as Look;
  const { digest } = await previewOf(found, part);
  return (await load(found, digest, part)).json as unknown as { source: Source; outcome: Outcome };
};
const rows = (...lines: string[]) => [HEAD, ...lines, ''].join('\n');
const hires = () =>
  quay.store
    .db('hire')
    .join('person', 'person.id', 'hire.renter')
    .where('person.name', 'like', 'Season%')
    .orderBy('hire.from')
    .select('hire.id as id', 'boat', 'from', 'to', 'state', 'person.name as renter', 'depositMinor');

describe('a table', () => {
  it('is looked at, previewed and taken over; nothing is changed before', async () => {
    const text = rows(
      'r1;Tuppenny Bun;01.07.2026 10:00;01.07.2026 14:00;Season One;1.250,00',
      'r2;Quiet Pickle;2.7.2026;3.7.2026;Season Two;',
      'r3;Ghost;02.07.2026;03.07.2026;Season Three;',
      'r4;Quiet Pickle;32.07.2026;03.07.2026;;',
    );
    const found = (await look(text)).json as unknown as Look;
    expect(found).toMatchObject({
      looked: { kind: 'table', rows: 4, days: 'dayFirst', columns: { key: 'Ref', boat: 'Boot', renter: 'Mieter' } },
      source: null,
    });
    const preview = await previewOf(found);
    expect(preview.counts).toMatchObject({ new: 2, conflict: 0 });
    expect(preview.unknownBoats).toEqual([{ text: 'Ghost', count: 1 }]);
    expect(preview.faults).toEqual([
      { at: 'line 5', is: 'noDay', text: '32.07.2026' },
      { at: 'line 5', is: 'noRenter', text: '' },
      { at: 'line 4', is: 'noBoat', text: 'Ghost' },
    ]);
    expect(await hires()).toEqual([]);
    const { outcome } = (await load(found, preview.digest)).json as unknown as { outcome: Outcome };
    expect(outcome).toMatchObject({ is: 'loaded', new: 2, faults: 3 });
    expect(await hires()).toMatchObject([
      { boat: 'tuppenny-bun', from: '2026-07-01T09:00:00.000Z', renter: 'Season One', depositMinor: 125_000 },
      { boat: 'quiet-pickle', from: '2026-07-02T09:00:00.000Z', to: '2026-07-03T16:00:00.000Z', renter: 'Season Two' },
    ]);
    // It was loaded, and is kept no longer.
    expect((await load(found, preview.digest)).json.code).toBe('noSuchFile');
  });

  it('comes again: what changed is changed, what went is asked for, what was said of its boats is remembered', async () => {
    const first = await take(
      rows(
        'r1;Tuppenny Bun;01.07.2026 10:00;01.07.2026 14:00;Season One;',
        'r2;Tuppenny Bun;05.07.2026 10:00;05.07.2026 14:00;Season Two;',
      ),
    );
    const again = rows('r1;Tuppenny Bun;01.07.2026 12:00;01.07.2026 16:00;Season One;');
    const found = (await look(again)).json as unknown as Look;
    expect(found.source).toMatchObject({ id: first.source.id, name: 'Season', hires: 2 });
    const preview = await previewOf(found, { source: first.source.id });
    expect(preview.rows).toMatchObject([
      { key: 'r2', is: 'gone', renter: 'Season Two' },
      { key: 'r1', is: 'changed', changes: ['from', 'to'] },
    ]);
    const done = (await load(found, preview.digest, { source: first.source.id, cancelGone: true })).json as unknown as { outcome: Outcome };
    expect(done.outcome).toMatchObject({ changed: 1, cancelled: 1, gone: 0 });
    expect(await hires()).toMatchObject([
      { renter: 'Season One', from: '2026-07-01T11:00:00.000Z', state: 'booked' },
      { state: 'cancelled' },
    ]);
  });

  it('does not take a boat that somebody has: who is named, and the others are taken', async () => {
    const preview = await previewOf(
      (
        await look(
          rows(
            'r1;Tuppenny Bun;13.06.2026 12:00;13.06.2026 14:00;Season One;',
            'r2;Tuppenny Bun;05.07.2026 10:00;05.07.2026 14:00;Season Two;',
          ),
        )
      ).json as unknown as Look,
    );
    expect(preview.rows).toMatchObject([
      { key: 'r1', is: 'conflict', why: 'taken', with: ['Ines Okonjo-Lind'] },
      { key: 'r2', is: 'new' },
    ]);
  });

  it('is what was seen, or nothing: another booking between preview and loading is told', async () => {
    const found = (await look(rows('r1;Tuppenny Bun;01.07.2026 10:00;01.07.2026 14:00;Season One;'))).json as unknown as Look;
    const { digest } = await previewOf(found);
    await take(rows('r9;Tuppenny Bun;01.07.2026 11:00;01.07.2026 12:00;Season Nine;'));
    const refused = await load(found, digest);
    expect([refused.status, refused.json.code]).toEqual([409, 'changedMeanwhile']);
    expect(await hires()).toMatchObject([{ renter: 'Season Nine' }]);
  });

  it('of our own, with a cell changed, changes that hire', async () => {
    const csv = (await manager.send('GET', '/bookings.csv?base=ossel-quay&from=2026-06-14&to=2026-06-15')).bytes.toString();
    expect(csv).toContain('h-1008,Tuppenny Bun,2026-06-14');
    const found = (await look(csv.replace('2026-06-14 17:00', '2026-06-14 18:00'))).json as unknown as Look;
    const { rows: planned } = await previewOf(found);
    expect(planned).toMatchObject([{ hire: 'h-1008', is: 'changed', changes: ['to'] }]);
  });

  it.each([
    ['with commas', 'utf8', (text: string) => text.replaceAll(';', ',')],
    ['with tabs', 'utf8', (text: string) => text.replaceAll(';', '\t')],
    ['in the old letters of Windows', 'latin1', (text: string) => text],
    ['in sixteen bits', 'utf16le', (text: string) => `\uFEFF${text}`],
  ] as const)('is read %s', async (_, encoding, change) => {
    const text = change(rows('r1;Tuppenny Bun;01.07.2026 10:00;01.07.2026 14:00;Season Müller;'));
    const preview = await previewOf((await look(Buffer.from(text, encoding))).json as unknown as Look);
    expect(preview.rows).toMatchObject([{ is: 'new', renter: 'Season Müller' }]);
  });

  it.each([
    ['a picture', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0]), 'notText'],
    ['nothing', Buffer.from('  \n'), 'empty'],
    ['a head alone', Buffer.from(HEAD), 'empty'],
    ['more lines than a season has', Buffer.from(rows(...Array.from({ length: 50_001 }, (_, i) => `r${i};x;;;;`))), 'tooMany'],
  ])('is not %s', async (_, bytes, why) => {
    const { status, json } = await look(bytes);
    expect([status, json.code, json.figures]).toEqual([422, 'notReadable', { why }]);
  });
});

const event = (uid: string, day: string, more: string[] = [], summary = 'Season Guest') =>
  [
    'BEGIN:VEVENT',
    `UID:${uid}`,
    `DTSTART:2026${day}T100000Z`,
    'DURATION:PT3H',
    `SUMMARY:${summary}`,
    'LOCATION:Tuppenny Bun',
    ...more,
    'END:VEVENT',
  ].join('\r\n');
const calendar = (...events: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:x', 'X-WR-CALNAME:Cottage', ...events, 'END:VCALENDAR', ''].join('\r\n');

describe('a feed', () => {
  let elsewhere: Server;
  let said: { status: number; text: string; etag?: string };
  let asked: (string | undefined)[];
  let address: string;
  beforeEach(async () => {
    asked = [];
    elsewhere = createServer((req, res) => {
      asked.push(req.headers['if-none-match']);
      if (said.etag !== undefined && req.headers['if-none-match'] === said.etag) res.writeHead(304).end();
      else res.writeHead(said.status, said.etag === undefined ? {} : { etag: said.etag }).end(said.text);
    });
    await new Promise<void>((resolve) => elsewhere.listen(0, '127.0.0.1', resolve));
    address = `http://127.0.0.1:${(elsewhere.address() as AddressInfo).port}/cottage.ics`;
  });
  afterEach(() => new Promise((resolve) => elsewhere.close(resolve)));
  const asQuay = () => ({ store: quay.store, key: quay.key, now: () => quay.clock.now }) as Quay;
  const later = (minutes: number) => (quay.clock.now = new Date(quay.clock.now.getTime() + minutes * 60_000));
  const feeds = async () =>
    ((await manager.send('GET', '/attention')).json as { matters: AttentionMatter[] }).matters.filter(({ kind }) => kind === 'feed');

  it('is looked at, taken over, and fetched again when it is due: moved, called off, silent, and there again', async () => {
    said = { status: 200, text: calendar(event('a', '0701'), event('b', '0702')), etag: '"1"' };
    const found = (await manager.send('POST', '/incoming/address', { address })).json as unknown as Look;
    expect(found.looked).toEqual({ kind: 'calendar', name: 'Cottage', events: 2 });
    const { digest, counts } = await previewOf(found);
    expect(counts).toMatchObject({ new: 2 });
    const { json } = await load(found, digest, { name: 'Cottage', feed: { address, everyMinutes: 60 } });
    const { source } = json as unknown as { source: Source };
    expect(source).toMatchObject({ address, everyMinutes: 60, hires: 2 });
    expect(await fetchDue(asQuay())).toBe(0);
    later(61);
    said = {
      status: 200,
      text: calendar(event('a', '0703', ['SEQUENCE:1']), event('b', '0702', ['SEQUENCE:1', 'STATUS:CANCELLED'])),
      etag: '"2"',
    };
    expect(await fetchDue(asQuay())).toBe(1);
    expect(await hires()).toMatchObject([{ state: 'cancelled' }, { from: '2026-07-03T10:00:00.000Z', state: 'booked' }]);
    expect(await feeds()).toEqual([]);
    // The same as before is not read again.
    later(61);
    await fetchDue(asQuay());
    expect(asked.at(-1)).toBe('"2"');
    later(61);
    said = { status: 503, text: '' };
    await fetchDue(asQuay());
    expect(await feeds()).toMatchObject([{ thing: { en: 'Cottage' }, count: 0 }]);
    expect((await hires()).map(({ state }) => state as string)).toEqual(['cancelled', 'booked']);
    said = { status: 200, text: calendar(event('a', '0703', ['SEQUENCE:1'])), etag: '"3"' };
    const fetched = (await manager.send('POST', `/sources/${source.id}/fetch`, {})).json as unknown as Source;
    expect(fetched.last).toMatchObject({ is: 'same', conflicts: 0 });
    expect(await feeds()).toEqual([]);
    expect((await manager.send('DELETE', `/sources/${source.id}`, {})).status).toBe(200);
    later(61);
    expect(await fetchDue(asQuay())).toBe(0);
  });

  it('that lost what it had cancels nothing by itself: it waits for somebody', async () => {
    said = { status: 200, text: calendar(event('a', '0701'), event('b', '0702')) };
    const found = (await manager.send('POST', '/incoming/address', { address })).json as unknown as Look;
    await load(found, (await previewOf(found)).digest, { name: 'Cottage', feed: { address, everyMinutes: 15 } });
    said = { status: 200, text: calendar() };
    later(16);
    await fetchDue(asQuay());
    expect((await hires()).map(({ state }) => state as string)).toEqual(['booked', 'booked']);
    expect(await feeds()).toMatchObject([{ count: 2 }]);
  });

  it('that is none, is too large or does not answer is told; no address but of the web is asked', async () => {
    said = { status: 200, text: '<html>' };
    const refused = async (where = address) => (await manager.send('POST', '/incoming/address', { address: where })).json;
    expect(await refused()).toMatchObject({ code: 'notReadable' });
    said = { status: 404, text: '' };
    expect(await refused()).toMatchObject({ code: 'feedSilent', figures: { why: '404' } });
    said = { status: 200, text: 'x'.repeat(9 * 1024 * 1024) };
    expect(await refused()).toMatchObject({ code: 'feedSilent', figures: { why: 'tooLarge' } });
    expect(await refused('http://127.0.0.1:1/x')).toMatchObject({ code: 'feedSilent' });
    expect(await refused('file:///etc/passwd')).toMatchObject({ code: 'doesNotFit' });
  });
});

describe('a calendar for others', () => {
  it('is read by whoever has its address, with names or without, until it is withdrawn', async () => {
    const made = async (part: Record<string, unknown>) =>
      (await manager.send('POST', '/calendar-addresses', { base: 'ossel-quay', boat: null, names: true, ...part })).json as unknown as {
        address: { id: string };
        token: string;
      };
    const stranger = quay.client();
    const read = async (token: string) => {
      const { status, bytes, headers } = await stranger.send('GET', `/calendars/${token}.ics`);
      return { status, text: bytes.toString(), type: headers.get('content-type') };
    };
    const all = await made({});
    const { text, type } = await read(all.token);
    expect(type).toContain('text/calendar');
    expect(text).toContain('SUMMARY:Ines Okonjo-Lind');
    expect(text).toContain('UID:h-1001@');
    const nameless = (await read((await made({ boat: 'tuppenny-bun', names: false })).token)).text;
    expect(nameless).toContain('SUMMARY:Booked');
    expect(nameless).not.toContain('Okonjo');
    expect(nameless).not.toContain('LOCATION:Quiet Pickle');
    expect((await manager.send('DELETE', `/calendar-addresses/${all.address.id}`, {})).status).toBe(200);
    expect((await read(all.token)).status).toBe(404);
    expect((await read('A'.repeat(22))).status).toBe(404);
    expect((await manager.send('POST', '/calendar-addresses', { base: 'ossel-quay', boat: 'ghost', names: true })).json.code).toBe(
      'noSuchBoat',
    );
  });

  it('comes back as the hires it is', async () => {
    const { token } = (await manager.send('POST', '/calendar-addresses', { base: 'ossel-quay', boat: null, names: true }))
      .json as unknown as { token: string };
    const text = (await manager.send('GET', `/calendars/${token}`)).bytes.toString();
    const found = (await look(text, 'own.ics')).json as unknown as Look;
    const { counts, rows: planned } = await previewOf(found);
    expect([counts.new, counts.changed, counts.conflict]).toEqual([0, 0, 0]);
    expect(planned).toEqual([]);
  });
});

it('is a manager’s', async () => {
  const hand = await handOn(quay);
  expect((await hand.send('GET', '/sources')).status).toBe(403);
});
