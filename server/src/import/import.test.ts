import type { Known } from '@quay/core/drill/faults';
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openStore, type Store } from '../platform/database/open';
import { readOperator } from '../platform/database/setting';
import { DEMO } from '../testing/quay';
import { sayFault } from '../platform/fault';
import { loadImport } from './load';
import { readImport } from './read';
import { publishedSchemas } from './schemas';

const NOW = '2026-06-13T10:42:00.000Z';
let folder: string;
let store: Store;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'quay-import-'));
  cpSync(DEMO, join(folder, 'demo'), { recursive: true });
  // A folder may hold the classes it builds on, too, as one that was exported does.
  cpSync(join(DEMO, '../starters/classes'), join(folder, 'demo/classes'), { recursive: true });
  store = await openStore(join(folder, 'data'));
});
afterEach(async () => {
  await store.close();
  rmSync(folder, { recursive: true, force: true });
});

const at = (file: string) => join(folder, 'demo', file);
const drillsKnown: Known = new Map();
const read = () => readImport(join(folder, 'demo'), NOW, drillsKnown);
const edit = (file: string, change: (text: string) => string) => writeFileSync(at(file), change(readFileSync(at(file), 'utf8')));
const faults = () => {
  const got = read();
  return got.ok ? [] : got.faults.map(sayFault);
};

describe('a drill', () => {
  it('that can trap, or lets an unsafe state pass silently, is refused with the way that leads there', () => {
    // Neither the key nor the isolator clears a fault any more.
    edit('classes/electric-5.json', (text) =>
      text.replaceAll(/("when": \{ "drive": "fault"[^}]*\}, "set": \{ "drive": )"off"/g, '$1"fault"'),
    );
    edit('classes/canal-12.json', (text) => text.replace(/("set": \{ "hand": "lucky" \}),\s*"lesson": "key-in-lock"/, '$1'));
    const found = faults();
    expect(
      found.some((text) =>
        /^classes\/electric-5\.json, drills\[electric-start\]\.goals\[ready\]: cannot be reached any more: .*key → run/.test(text),
      ),
    ).toBe(true);
    expect(
      found.some((text) =>
        /^classes\/canal-12\.json, drills\[weed-hatch\]\.unsafe\[hand\]: is come to without its lesson “key-in-lock”: .*clear → cleared$/.test(
          text,
        ),
      ),
    ).toBe(true);
  });
});

describe('a hull', () => {
  it('with a trial that cannot be, or a figure out of range, is refused where it stands', () => {
    edit('boats/copper-kettle.json', (text) => text.replace('"toMs": 0.6', '"toMs": 1.6').replace('"massKg": 6800', '"massKg": -3'));
    const found = faults().join('\n');
    expect(found).toContain('hull.trials[1]: ends faster than it began');
    expect(found).toContain('hull.massKg');
  });
});

describe('the demo operator', () => {
  it('is all there: two bases, three waters, six boats, four staff, hires in every state of booking', () => {
    const got = read();
    if (!got.ok) throw new Error(got.faults.map(sayFault).join('\n'));
    const { data } = got;
    expect([data.bases.length, data.waters.length, data.boats.length, data.staff.length]).toEqual([2, 3, 6, 4]);
    expect(data.boats.map(({ name }) => name).sort()).toEqual([
      'Brisk Otter',
      'Copper Kettle',
      'Half Past Heron',
      'Quiet Pickle',
      'Slow Custard',
      'Tuppenny Bun',
    ]);
    expect(data.hires.length).toBeGreaterThanOrEqual(14);
  });

  it('has Tuppenny Bun complete', () => {
    const got = read();
    const { book } = (got.ok ? got.data.boats : []).find(({ id }) => id === 'tuppenny-bun')!;
    expect(book.stations.length).toBeGreaterThanOrEqual(8);
    expect(book.fittings.length).toBeGreaterThanOrEqual(30);
    expect(book.points.length).toBeGreaterThanOrEqual(40);
    expect(book.gauges.length).toBeGreaterThanOrEqual(5);
    expect(book.surfaces.length).toBeGreaterThanOrEqual(8);
    // Every stop has something of its own to say, and every line of the route something to do.
    for (const { id } of book.stations) expect(book.points.some(({ station }) => station === id)).toBe(true);
  });
});

describe('a folder with faults', () => {
  it('is reported by file, line or path, and reason, all at once, and nothing of it is loaded', async () => {
    edit('hires.csv', (text) =>
      text
        .replace('h-1002,quiet-pickle', 'h-1002,silver-spoon')
        .replace('h-1003,slow-custard,Abernethy-Voss,av@example.test,en,6,2', 'h-1003,slow-custard,Abernethy-Voss,av@example.test,en,six,2')
        .replace('h-1014,', 'h-1013,'),
    );
    edit('prices.csv', (text) => text.replace('Fender,each,38,20', 'Fender,each,38.005,20'));
    edit(
      'staff.csv',
      (text) => `${text.replace('204618', '1234').trimEnd()}\nbram,Bram Twice,hand,111111,,\nno id!,Odd One,hand,222222,,\n`,
    );
    rmSync(at('bases.json'));
    mkdirSync(at('bases.json'));
    edit('boats/tuppenny-bun.json', (text) => text.replace('"class": "pontoon-7"', '"class": "pontoon-9"'));
    edit('classes/rib-6.json', (text) => text.slice(0, -40));
    const said = faults();
    expect(said).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^hires\.csv, line 3: there is no boat “silver-spoon”/),
        expect.stringMatching(/^hires\.csv, line 4: adults “six” is no number of people/),
        expect.stringMatching(/^hires\.csv, line 15: id “h-1013” is used twice/),
        expect.stringMatching(/^prices\.csv, line 4: amount “38\.005” is no sum in EUR/),
        expect.stringMatching(/^staff\.csv, line 3: A hand’s PIN is six to twelve digits/),
        expect.stringMatching(/^staff\.csv, line 6: id “bram” is used twice/),
        expect.stringMatching(/^staff\.csv, line 7: id “no id!” is not made of letters/),
        expect.stringMatching(/^bases\.json, \(whole\): this is a folder, not a file/),
        expect.stringMatching(/^boats\/tuppenny-bun\.json, class: there is no readable class book “pontoon-9”/),
        expect.stringMatching(/^classes\/rib-6\.json, \(whole\): is no JSON/),
      ]),
    );
    expect(read().ok).toBe(false);
    expect(await store.db('boat')).toEqual([]);
  });

  it('names a row of a book by its id', () => {
    edit('classes/pontoon-7.json', (text) => {
      const book = JSON.parse(text) as { fittings: { id: string; count: number; station: string }[] };
      book.fittings[0]!.count = -3;
      return JSON.stringify(book);
    });
    const id = (JSON.parse(readFileSync(at('classes/pontoon-7.json'), 'utf8')) as { fittings: { id: string }[] }).fittings[0]!.id;
    expect(faults()[0]).toMatch(new RegExp(`^classes/pontoon-7\\.json, fittings\\[${id}\\]\\.count: `));
  });

  it('with a circle, a text that is missing and rules that are not there says so by path; a missing language is no fault', () => {
    edit('classes/any-boat.json', (text) => text.replace('"id": "any-boat",', '"id": "any-boat",\n  "from": "pontoon-7",'));
    edit('waters/tarn-cut.geojson', (text) => text.replace('"rules": "cut"', '"rules": "none"'));
    edit('hires.csv', (text) => text.replace(/unattended/, 'somehow'));
    expect(faults()).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^classes\/any-boat\.json, from: leads in a circle: pontoon-7 → any-boat → pontoon-7/),
        expect.stringMatching(/^waters\/tarn-cut\.geojson, rules: there is no set of rules “none”/),
        expect.stringMatching(/^hires\.csv, line \d+: handover “somehow” is not among staffed/),
      ]),
    );
  });

  it('names what is wrong on a sheet of water by its feature', () => {
    edit('waters/lake-ossel.geojson', (text) => {
      const sheet = JSON.parse(text) as { features: { id: string; geometry: { type: string; coordinates: unknown } }[] };
      const strand = sheet.features.find(({ id }) => id === 'maiden-strand')!;
      const [ring] = strand.geometry.coordinates as [number, number][][];
      strand.geometry.coordinates = [[ring![0]!, ring![3]!, ring![1]!, ring![4]!, ring![2]!, ring![0]!]];
      sheet.features.find(({ id }) => id === 'white-tower')!.geometry.coordinates = [3_512_345, 5_301_234];
      return JSON.stringify(sheet);
    });
    expect(faults()[0]).toMatch(/^waters\/lake-ossel\.geojson, features\[white-tower\]\.geometry/);
    edit('waters/lake-ossel.geojson', (text) => text.replace('[3512345,5301234]', '[35.1,53.0]'));
    expect(faults()).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^waters\/lake-ossel\.geojson, features\[white-tower\]: lies far from everything else/),
        expect.stringMatching(/^waters\/lake-ossel\.geojson, features\[maiden-strand\]: crosses itself near -37\.9/),
      ]),
    );
  });

  it('tells languages that are missing as notices, and loads all the same', () => {
    edit('boats/tuppenny-bun.json', (text) => text.replace(/"fr": "Le troisième[^"]*",/, ''));
    const got = read();
    expect(got.ok && got.notices.map(sayFault)).toEqual([
      'boats/tuppenny-bun.json, points[own-step].say: is not there in fr; it is shown in English',
    ]);
  });

  it('tells what a book lacks beside what the boat has, and loads all the same', () => {
    edit('classes/pontoon-7.json', (text) => {
      const book = JSON.parse(text) as { fittings: { id: string }[]; gauges: { id: string; tank?: string }[] };
      book.fittings = book.fittings.filter(({ id }) => id !== 'kill-cord');
      for (const gauge of book.gauges) if (gauge.id === 'fuel-sight') delete gauge.tank;
      return JSON.stringify(book);
    });
    const got = read();
    expect(got.ok && got.notices.map(sayFault)).toEqual([
      'boats/tuppenny-bun.json, drills[outboard-start].controls: “Start and stop her” wants a kill cord, which nobody counts',
      'boats/tuppenny-bun.json, gauges[fuel-sight].tank: “Fuel sight line” names no tank: what it shows is compared with nothing',
    ]);
  });

  it('with ragged rows and missing columns says which line', () => {
    edit('prices.csv', (text) => text.replace('jacket,"Jacket, adult",each,65,20,,,,', 'jacket,"Jacket, adult",each,65,'));
    edit('hires.csv', (text) => text.replace('deposit,notes', 'notes'));
    expect(faults()).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^prices\.csv, line 2: has 10 cells, the header has 14/),
        expect.stringMatching(/^hires\.csv, line 1: column deposit is missing/),
      ]),
    );
  });
});

describe('the published schemas', () => {
  it('are what the import reads by', () => {
    const folder = join(DEMO, '../docs/formats');
    for (const [name, schema] of Object.entries(publishedSchemas()))
      expect({ name, schema: JSON.parse(readFileSync(join(folder, name), 'utf8')) as unknown }).toEqual({
        name,
        schema: JSON.parse(JSON.stringify(schema)) as unknown,
      });
  });
});

describe('importing again', () => {
  it('adds a version of a book only when it says something new, and leaves a hire that has begun alone', async () => {
    const load = async () => {
      const got = read();
      if (!got.ok) throw new Error(got.faults.map(sayFault).join('\n'));
      await loadImport(store.db, got.data);
    };
    await load();
    await load();
    const versions = async () => ((await store.db('book').where({ boat: 'tuppenny-bun' })) as unknown[]).length;
    expect(await versions()).toBe(1);
    await store.db('hire').where({ id: 'h-1001' }).update({ state: 'out', notes: 'as it was' });
    edit('boats/tuppenny-bun.json', (text) => text.replace('"OS 104"', '"OS 105"').replace('"count": 1', '"count": 2'));
    edit('hires.csv', (text) => text.replace('one swims weakly', 'both swim'));
    await load();
    expect(await versions()).toBe(2);
    expect(await store.db('hire').where({ id: 'h-1001' }).first('notes')).toEqual({ notes: 'as it was' });
    expect(await readOperator(store.db)).toMatchObject({ name: 'Ossel Boat Hire', simulated: true });
  });
});
