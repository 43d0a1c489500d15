import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openStore, type Store } from '../platform/database/open';
import { DEMO } from '../testing/quay';
import { loadImport } from './load';
import { type Import, readImport } from './read';
import Papa from 'papaparse';
import { readCsv, writeCsv } from '../platform/csv';
import type { Fault } from '../platform/fault';
import { ExportError, writeExport } from './write';

const NOW = '2026-06-13T10:42:00.000Z';
let folder: string;
let store: Store;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'quay-export-'));
  store = await openStore(join(folder, 'data'));
});
afterEach(async () => {
  await store.close();
  rmSync(folder, { recursive: true, force: true });
});

const readOf = (from: string): Import => {
  const read = readImport(from, NOW);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.data;
};
const byId = (rows: readonly { id: string }[]) => [...rows].sort((a, b) => (a.id < b.id ? -1 : 1));

describe('words in a CSV', () => {
  it('are never a formula for whoever opens it, and come back as they were', () => {
    const texts = ['=1+1', '+44', '-3', '@x', "'=y", "''-z", "it's", "'quoted'", 'plain', '', 'a\n=b'];
    const written = writeCsv(
      ['a', 'b'],
      texts.map((a) => ({ a, b: 'x' })),
    );
    for (const [cell] of Papa.parse<string[]>(written.trim()).data.slice(1)) expect(cell).not.toMatch(/^[=+\-@]/);
    const faults: Fault[] = [];
    expect(readCsv('t.csv', written, ['a', 'b'], faults).map((row) => row.get('a'))).toEqual(texts);
    expect(faults).toEqual([]);
  });
});

describe('an installation written out', () => {
  it('reads back as what was imported, word for word; only secrets stay at home', async () => {
    const demo = readOf(DEMO);
    await loadImport(store.db, demo, NOW);
    const to = join(folder, 'out');
    expect(await writeExport(store.db, to)).toEqual({ bases: 2, boats: 6, hires: demo.hires.length });
    const back = readOf(to);
    expect(back.operator).toEqual(demo.operator);
    expect(byId(back.bases)).toEqual(byId(demo.bases));
    for (const list of ['classes', 'rules', 'waters', 'boats'] as const) expect(byId(back[list])).toEqual(byId(demo[list]));
    expect(back.prices).toEqual(demo.prices);
    expect(byId(back.hires)).toEqual(byId(demo.hires));
    expect(byId(back.staff)).toEqual(byId(demo.staff.map((one) => ({ ...one, secret: '' }))));
    // Imported once more, nothing has changed: no book gets a new version.
    const versions = () => store.db('book').count({ n: '*' }).first();
    const before = await versions();
    await loadImport(store.db, back, NOW);
    expect(await versions()).toEqual(before);
  });

  it('is not written over anything, and not before there is something to write', async () => {
    const to = join(folder, 'out');
    await expect(writeExport(store.db, to)).rejects.toThrow('no price list');
    await loadImport(store.db, readOf(DEMO), NOW);
    writeFileSync(join(folder, 'a-file'), 'mine');
    await expect(writeExport(store.db, folder)).rejects.toThrow(ExportError);
  });
});
