import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { LANGUAGES } from '@quay/core/words/words';
import { ImportRefused, loadImport } from '../../import/load';
import { type Import, readImport } from '../../import/read';
import { writeExport } from '../../import/write';
import { openStore, type Store } from '../../platform/database/open';
import { ProblemError } from '../../platform/http/problem';
import { DEMO, drillsKnown } from '../../testing/quay';
import { bookHire } from '../booking/book';
import { cancelHire, reinstateHire } from './cancel';
import { changeHire } from './change';

/**
 * Bookings against a model: two people at once book, move, swap, make longer, cancel, reinstate and import, in any order.
 * Each sequence has days of its own, so that thousands share one installation.
 */

const BOATS = ['tuppenny-bun', 'quiet-pickle'] as const;
const NOW = '2026-06-13T10:42:00.000Z';
const FIRST = Date.parse('2030-01-07T00:00:00.000Z');
/** A sequence's own time: longer than anything it books. */
const OWN_H = 24 * 4;
const HOUR_MS = 3_600_000;
const RUNS = Number(process.env.QUAY_MODEL_RUNS ?? 150);

let folder: string;
let store: Store;
let demo: Import;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'quay-model-'));
  store = await openStore(join(folder, 'data'));
  const read = readImport(DEMO, NOW, drillsKnown);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  demo = { ...read.data, hires: [] };
  await loadImport(store.db, demo, NOW);
});
afterAll(async () => {
  await store.close();
  rmSync(folder, { recursive: true, force: true });
});

type Booked = { boat: string; from: string; to: string; live: boolean; version: number };
const boat = fc.nat(BOATS.length - 1);
const hour = fc.nat(40);
const long = fc.integer({ min: 1, max: 8 });
const hire = fc.nat(3);
const op = fc.oneof(
  fc.record({ do: fc.constant('create' as const), hire, boat, hour, long }),
  fc.record({ do: fc.constant('move' as const), hire, boat, hour, long }),
  fc.record({ do: fc.constant('swap' as const), hire, boat, hour, long }),
  fc.record({ do: fc.constant('extend' as const), hire, boat, hour, long }),
  fc.record({ do: fc.constant('cancel' as const), hire, boat, hour, long }),
  fc.record({ do: fc.constant('reinstate' as const), hire, boat, hour, long }),
  fc.record({ do: fc.constant('import' as const), hire, boat, hour, long }),
  fc.record({ do: fc.constant('walkIn' as const), hire, boat, hour, long }),
);
type Op = typeof op extends fc.Arbitrary<infer T> ? T : never;

/** What is refused on purpose is no fault; anything else is. */
const orRefused = async (work: Promise<void>): Promise<void> => {
  try {
    await work;
  } catch (error) {
    if (!(error instanceof ProblemError || error instanceof ImportRefused)) throw error;
  }
};

class Week {
  /** What somebody was told is booked. */
  readonly told = new Map<string, Booked>();
  constructor(private readonly week: number) {}

  idOf = (n: number) => `m-${this.week}-${n}`;
  private at = (hours: number) => new Date(FIRST + (this.week * OWN_H + hours) * HOUR_MS).toISOString();

  async run({ do: what, hire: n, boat: b, hour: h, long: l }: Op, who: 'mina' | 'bram'): Promise<void> {
    const id = this.idOf(n);
    const there = this.told.get(id);
    const by = { id: who, role: 'manager' as const, version: there?.version ?? 1 };
    const terms = { boat: BOATS[b]!, from: this.at(h), to: this.at(h + l) };
    const tell = (told: Partial<Booked>) => this.told.set(id, { ...(this.told.get(id) ?? { ...terms, live: true, version: 1 }), ...told });
    if (what === 'walkIn') {
      // From a phone that had no signal: taken whatever stands in its way, since somebody may be afloat with it.
      const made = { id, ...terms, renter: 'W', contact: '', language: LANGUAGES[0], handover: 'staffed' as const, notes: '' };
      const offline = { madeAt: terms.from, salt: 'a'.repeat(32), priceVersion: 1 };
      const hired = await bookHire(store.db, { ...made, party: { adults: 2, children: 0 }, depositMinor: 0, offline }, NOW);
      // An id that stands for what another phone booked without signal is answered with that.
      if (!there) tell({ boat: hired.boat, from: hired.from, to: hired.to, version: hired.version });
    } else if (what === 'create') {
      const party = { adults: 2, children: 0 };
      const made = { id, ...terms, renter: 'R', contact: '', language: LANGUAGES[0], handover: 'staffed' as const, party };
      const hired = await bookHire(store.db, { ...made, depositMinor: 0, notes: '', insist: true }, NOW);
      tell({ boat: hired.boat, from: hired.from, to: hired.to, version: hired.version });
    } else if (what === 'import') {
      const row = { ...terms, id, base: 'ossel-quay', renter: 'I', contact: '', language: 'en', handover: 'staffed' as const };
      await loadImport(
        store.db,
        { ...demo, boats: [], staff: [], hires: [{ ...row, adults: 2, children: 0, depositMinor: 0, notes: '', clashed: 0 }] },
        NOW,
      );
      // What is cancelled stays so, whatever a list says.
      const now = (await store.db('hire').where({ id }).first('boat', 'from', 'to', 'state', 'version'))!;
      tell({ boat: now.boat, from: now.from, to: now.to, live: now.state !== 'cancelled', version: now.version });
    } else if (what === 'cancel') {
      const { version } = await cancelHire(store.db, id, { why: 'other' }, by, NOW);
      tell({ live: false, version });
    } else if (what === 'reinstate') {
      const { version } = await reinstateHire(store.db, id, { insist: true }, by, NOW);
      tell({ live: true, version });
    } else {
      const change =
        what === 'move'
          ? { from: terms.from, to: terms.to }
          : what === 'swap'
            ? { boat: terms.boat, why: 'boat' as const }
            : { to: new Date(Date.parse(there?.to ?? terms.to) + l * HOUR_MS).toISOString() };
      const hired = await changeHire(store.db, id, { ...change, insist: true }, by, NOW);
      tell({ boat: hired.boat, from: hired.from, to: hired.to, version: hired.version });
    }
  }
}

/** Live hires of one boat that overlap; and what stands otherwise than somebody was told. */
const wrongs = async (week: Week): Promise<string[]> => {
  const rows = await store.db('hire').whereIn('id', [...week.told.keys()]);
  const live = rows.filter(({ state }) => state !== 'cancelled');
  const twice = live.flatMap((a, i) =>
    live
      .slice(i + 1)
      // What was taken without signal waits for a manager, who is told of it.
      .filter((b) => a.boat === b.boat && a.from < b.to && b.from < a.to && a.clashed === 0 && b.clashed === 0)
      .map((b) => `${a.id} overlaps ${b.id}`),
  );
  const lost = [...week.told].flatMap(([id, told]) => {
    const row = rows.find((one) => one.id === id);
    const is = row && { boat: row.boat, from: row.from, to: row.to, live: row.state !== 'cancelled', version: row.version };
    return JSON.stringify(is) === JSON.stringify({ boat: told.boat, from: told.from, to: told.to, live: told.live, version: told.version })
      ? []
      : [`${id} is ${JSON.stringify(is)}, not ${JSON.stringify(told)}`];
  });
  return [...twice, ...lost];
};

/** Written out and read into an empty installation, it is the same bookings. */
const outAndIn = async (name: string): Promise<void> => {
  const out = join(folder, name);
  await writeExport(store.db, out);
  const back = readImport(out, NOW, drillsKnown);
  if (!back.ok) throw new Error(JSON.stringify(back.faults.slice(0, 5)));
  const again = await openStore(join(folder, `${name}-again`));
  try {
    await loadImport(again.db, back.data, NOW);
    const live = (of: Store) =>
      of.db('hire').whereNot({ state: 'cancelled' }).orderBy('id').select('id', 'boat', 'base', 'from', 'to', 'adults');
    expect(await live(again)).toEqual(await live(store));
  } finally {
    await again.close();
  }
};

it('no boat is ever given away twice, and nothing that somebody was told is lost', async () => {
  let week = 0;
  await fc.assert(
    fc.asyncProperty(fc.array(fc.tuple(op, op), { minLength: 2, maxLength: 7 }), async (rounds) => {
      const one = new Week((week += 1));
      for (const [hers, his] of rounds) {
        // Both at once, each by what they saw before. Of one hire, whoever comes second is told so.
        await (hers.hire === his.hire
          ? orRefused(one.run(hers, 'mina')).then(() => orRefused(one.run(his, 'bram')))
          : Promise.all([orRefused(one.run(hers, 'mina')), orRefused(one.run(his, 'bram'))]));
        expect(await wrongs(one)).toEqual([]);
      }
    }),
    { numRuns: RUNS },
  );
  await outAndIn('out');
});

it('two who change one hire at once: one of them is told that the other was first', async () => {
  const week = new Week(6000);
  await week.run({ do: 'create', hire: 0, boat: 0, hour: 1, long: 2 }, 'mina');
  const by = { id: 'mina', role: 'manager' as const, version: 1 };
  const both = await Promise.allSettled([
    changeHire(store.db, week.idOf(0), { notes: 'one' }, by, NOW),
    cancelHire(store.db, week.idOf(0), { why: 'renter' }, { ...by, id: 'bram' }, NOW),
  ]);
  expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
  expect(both.find(({ status }) => status === 'rejected')).toMatchObject({ reason: { code: 'changedMeanwhile' } });
});

it('is written out as it is in the hour that autumn has twice', async () => {
  const party = { adults: 2, children: 0 };
  const terms = {
    boat: BOATS[0],
    renter: 'R',
    contact: '',
    language: LANGUAGES[0],
    handover: 'staffed' as const,
    party,
    depositMinor: 0,
    notes: '',
  };
  for (const [id, from, to] of [
    ['m-first', '2029-10-28T00:00:00.000Z', '2029-10-28T00:30:00.000Z'],
    ['m-second', '2029-10-28T01:00:00.000Z', '2029-10-28T01:30:00.000Z'],
  ] as const)
    await bookHire(store.db, { ...terms, id, from, to }, NOW);
  await outAndIn('twice');
});
