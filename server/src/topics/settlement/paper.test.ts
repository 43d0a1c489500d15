import { METRIC } from '@quay/core/number/units';
import type { Finding } from '@quay/core/findings/finding';
import { execFileSync } from 'node:child_process';
import sharp from 'sharp';
import { LANGUAGES, type Language } from '@quay/core/words/words';
import type { EventBody } from '@quay/core/record/event';
import type { Line, Statement } from '@quay/core/settlement/statement';
import { STATEMENT_WORDS } from '@quay/core/settlement/statementWords';
import { project } from '@quay/core/record/project';
import { heldBy } from '@quay/core/testing/demoHire';
import type { StatementBody } from '../record/statement';
import { statementPdf } from './paper';

const OUT = 'a'.repeat(64);
const BACK = 'b'.repeat(64);
const DRAWN = 'c'.repeat(64);
const side = { id: 'port', station: 'bow', name: { en: 'Side' }, widthM: 7, heightM: 1, strokes: [], stuff: 'gelcoat' };
const base = (key: string) => ({ key, station: 'bow', chargeable: true, told: 'told', decision: 'renters' });

/** What stands on a statement, in turn: a scratch with its pictures, a fender, the fuel, what somebody wrote at length. */
const findingOf = (i: number): Finding => {
  const of: Record<number, unknown> = {
    0: {
      ...base(`mark/m${i}`),
      topic: 'mark',
      surface: side,
      is: 'new',
      out: undefined,
      in: { id: `m${i}`, surface: 'port', x: 0.2, y: 0.4, kind: 'scratch', sizeMm: 140, photos: [BACK] },
    },
    1: {
      ...base(`count/f${i}`),
      topic: 'count',
      is: 'missing',
      pieces: 1,
      out: 4,
      in: 3,
      fitting: { id: 'f', station: 'bow', name: { en: 'Fenders' }, kind: 'required', count: 4 },
    },
    2: { ...base(`late`), topic: 'late', is: 'late', minutes: 95 },
    3: {
      ...base(`extra/e${i}`),
      topic: 'extra',
      is: 'callOut',
      price: undefined,
      quantity: 1,
      amountMinor: 4500,
      text: `Towed home from the far shore. ${'The line was round the shaft and had to be cut. '.repeat(8)}`,
      photos: [],
    },
  };
  return of[i % 4] as Finding;
};
const lineOf = (i: number): Line => ({
  key: `line/${i}`,
  finding: findingOf(i),
  price: { code: 'p', name: { en: `Begin${i}` }, per: 'each', amountMinor: 1000 + i, taxBp: 2000 },
  quantity: 1,
  amountMinor: 1000 + i,
  state: 'proposed',
  basis: [],
  untold: false,
  remark: `End${i}`,
});
const bodyOf = (lines: number): StatementBody => {
  const of = Array.from({ length: lines }, (_, i) => lineOf(i));
  const totalMinor = of.reduce((sum, { amountMinor }) => sum + (amountMinor ?? 0), 0);
  const statement: Statement = {
    currency: 'EUR',
    lines: of,
    totalMinor,
    disputedMinor: 0,
    taxes: [{ taxBp: 2000, grossMinor: totalMinor, taxMinor: Math.round(totalMinor / 6) }],
    deposit: {
      heldMinor: 30_000,
      capturedMinor: Math.min(30_000, totalMinor),
      stillHeldMinor: 0,
      releasedMinor: Math.max(0, 30_000 - totalMinor),
    },
    balanceMinor: Math.max(0, totalMinor - 30_000),
    payOutMinor: 0,
    open: [],
    toQuote: [],
  };
  return {
    number: 7,
    closedAt: '2026-11-29T17:20:00.000Z',
    hire: 'h',
    boat: 'Tuppenny Bun',
    renter: 'Ines Moreira',
    from: '2026-11-29T01:00:00.000Z',
    to: '2026-11-29T15:00:00.000Z',
    statement,
  };
};
const entered: EventBody[] = [
  { kind: 'walkStarted', walk: 'out' },
  { kind: 'surfaceSeen', walk: 'out', surface: 'port', photos: [OUT] },
  { kind: 'signed', walk: 'out', as: 'renter', drawing: DRAWN } as EventBody,
  { kind: 'walkStarted', walk: 'in' },
  { kind: 'markPlaced', walk: 'in', mark: { id: 'm0', surface: 'port', x: 0.2, y: 0.4, kind: 'scratch', sizeMm: 140, photos: [BACK] } },
];
const sealed = (walk: 'out' | 'in'): EventBody => ({
  kind: 'sealed',
  walk,
  covers: heldBy('hand', entered).map(({ event }) => event.id),
  photos: [],
  previous: null,
  root: 'a'.repeat(64),
  signature: 'none',
  key: 'b'.repeat(64),
});
const record = project(heldBy('hand', [...entered, sealed('out'), sealed('in')]));
const picture = (colour: string) =>
  sharp({ create: { width: 640, height: 420, channels: 3, background: colour } })
    .jpeg()
    .toBuffer();

const paperOf = async (lines: number, language: Language) => {
  const pictures: Record<string, Buffer> = {
    [OUT]: await picture('#88aabb'),
    [BACK]: await picture('#aa8877'),
    [DRAWN]: await picture('#ffffff'),
  };
  return statementPdf({
    body: bodyOf(lines),
    record,
    letterhead: { name: 'Ossel Boat Hire', simulated: true, address: 'Quay Road 3, Ossel', phone: '000 555 0100' },
    zone: 'America/New_York',
    language,
    units: METRIC,
    clauses: undefined,
    printedAt: new Date('2026-11-30T09:05:00.000Z'),
    pictureOf: (sha) => Promise.resolve(pictures[sha]),
  });
};
/** Each page's words, as another program reads them. */
const pagesOf = (pdf: Buffer): string[] =>
  execFileSync('pdftotext', ['-layout', '-', '-'], { input: pdf, maxBuffer: 1 << 26 })
    .toString('utf8')
    .split('\f')
    .slice(0, -1)
    .map((page) => page.replace(/\s+/g, ' '));

const PAGES = { 1: [1, 1], 30: [3, 5], 200: [18, 34] } as const;
describe.each(LANGUAGES)('a statement on paper in %s', (language) => {
  it.each([1, 30, 200] as const)('of %d lines has each line whole on one page and no page for next to nothing', async (lines) => {
    const pages = pagesOf(await paperOf(lines, language));
    for (let i = 0; i < lines; i += 1) {
      const at = pages.filter((page) => new RegExp(`Begin${i}\\b`).test(page));
      expect(at).toHaveLength(1);
      expect(at[0]).toMatch(new RegExp(`End${i}\\b`));
    }
    const [least, most] = PAGES[lines];
    expect(pages.length).toBeGreaterThanOrEqual(least);
    expect(pages.length).toBeLessThanOrEqual(most);
    for (const page of pages) expect(page.split(' ').length).toBeGreaterThan(40);
    for (const [i, page] of pages.entries()) expect(page).toMatch(new RegExp(`${i + 1} ?/ ?${pages.length} ?$`));
  });

  it('says who lets the boat, when it was printed, days and hours as the reader writes them, and nothing proposed once closed', async () => {
    const words = STATEMENT_WORDS[language];
    const text = pagesOf(await paperOf(4, language)).join(' ');
    for (const said of ['Quay Road 3, Ossel', '000 555 0100', words.demonstration, words.noMark]) expect(text).toContain(said);
    const day = { en: '28 November 2026', fr: '28 novembre 2026', de: '28. November 2026', es: '28 de noviembre de 2026' }[language];
    const print = { en: '30 November 2026', fr: '30 novembre 2026', de: '30. November 2026', es: '30 de noviembre de 2026' }[language];
    for (const said of [day, print, '20:00', '04:05']) expect(text.replace(/\b4:05/g, '04:05')).toContain(said);
    expect(text).not.toContain('2026-11');
    expect(text).not.toContain(words.state.proposed);
    expect(text).toContain(words.state.renters);
  });
});

it('shows departure beside return for a scratch, each with its picture', async () => {
  const pdf = await paperOf(1, 'en');
  const images = execFileSync('pdfimages', ['-list', '-'], { input: pdf }).toString('utf8').trim().split('\n').slice(2);
  // Departure, return, and what the renter drew to sign.
  expect(images).toHaveLength(3);
});
