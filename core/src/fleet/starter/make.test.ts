import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { BoatBook, ClassBook, LISTS } from '../book';
import { drillFaults } from '../../drill/faults';
import { lineageOf, mergeBooks } from '../merge';
import { bookFromAnswers, scaledPlan, sisterOf } from './make';
import { lacksOf } from '../lacks/lacks';
import { questionsOf, StarterAnswers } from './questions';
import { FUEL_SHOWN, STEERING_NAMES, type System, SYSTEMS, TOILET_KINDS } from './systems';

const FOLDER = join(__dirname, '../../../../starters/classes');
const classes = new Map(
  readdirSync(FOLDER)
    .map((file) => ClassBook.parse(JSON.parse(readFileSync(join(FOLDER, file), 'utf8'))))
    .map((book) => [book.id, book]),
);
const lineage = (id: string) => {
  const found = lineageOf(id, classes);
  if (!found.ok) throw new Error(found.fault.reason);
  return found.lineage;
};
const starters = [...classes.keys()].filter((id) => questionsOf(lineage(id)) !== undefined);
const all = starters.map(lineage);
const at = { id: 'new-boat', base: 'quay' };
const usual = (id: string): StarterAnswers => ({ name: 'New Boat', hullNumber: 'N 1', ...questionsOf(lineage(id))!.usual });
const made = (id: string, answers: StarterAnswers) => {
  const own = bookFromAnswers(lineage(id), all, at, StarterAnswers.parse(answers))!;
  const merged = mergeBooks(lineage(id), BoatBook.parse(JSON.parse(JSON.stringify(own))));
  if (!merged.ok) throw new Error(merged.faults.map(({ path, reason }) => `${path}: ${reason}`).join('; '));
  return { own, book: merged.book, origins: merged.origins };
};

/** Answers that somebody could give, of any starter. */
const answersOf = (id: string): fc.Arbitrary<StarterAnswers> => {
  const { usual: preset, systems, stations } = questionsOf(lineage(id))!;
  const station = fc.constantFrom(...stations.map((one) => one.id));
  return fc.record({
    name: fc.constantFrom('New Boat', 'Älva'),
    hullNumber: fc.constant('N 1'),
    people: fc.integer({ min: 1, max: 60 }),
    loadKg: fc.integer({ min: 1, max: 20_000 }),
    lengthM: fc.double({ min: 2, max: 60, noNaN: true }).map((n) => Math.round(n * 100) / 100),
    beamM: fc.double({ min: 0.6, max: 12, noNaN: true }).map((n) => Math.round(n * 100) / 100),
    ...(preset.fuelL === undefined ? {} : { fuelL: fc.integer({ min: 1, max: 20_000 }) }),
    fuelShown: preset.fuelL === undefined ? fc.constant([]) : fc.subarray([...FUEL_SHOWN]),
    ...(preset.burnLPerHour === undefined ? {} : { burnLPerHour: fc.integer({ min: 1, max: 500 }) }),
    steering: fc.constantFrom(...STEERING_NAMES),
    ...(preset.toilet === undefined ? {} : { toilet: fc.constantFrom(...TOILET_KINDS, 'none' as const) }),
    fittings: fc.record(
      Object.fromEntries(
        Object.keys(preset.fittings).map((fitting) => [
          fitting,
          fc.record({ count: fc.integer({ min: 0, max: 99 }), station, expiry: fc.constantFrom('2031-05', '2029-12') }),
        ]),
      ),
    ),
    without: fc.subarray(systems),
    places: fc.record(Object.fromEntries(Object.keys(preset.places).map((place) => [place, fc.integer({ min: 0, max: 60 })]))),
  }) as fc.Arbitrary<StarterAnswers>;
};

describe('the starters', () => {
  it.each(starters)('%s, made with the usual answers, lacks nothing', (id) => {
    expect(lacksOf(made(id, usual(id)).book)).toEqual([]);
  });

  it('are the eight kinds of boats there are, each a whole boat without a word of anybody’s particulars', () => {
    expect(starters.sort()).toEqual(
      ['cabin-7', 'canal-12', 'cruiser-10', 'electric-5', 'houseboat-14', 'launch-5', 'pontoon-7', 'rib-6'].sort(),
    );
    const demo = join(__dirname, '../../../../demo');
    const { bases } = JSON.parse(readFileSync(join(demo, 'bases.json'), 'utf8')) as { bases: { name: string }[] };
    const names = [
      ...bases.map(({ name }) => name),
      ...readdirSync(join(demo, 'waters')).map(
        (file) => (JSON.parse(readFileSync(join(demo, 'waters', file), 'utf8')) as { name: string }).name,
      ),
      ...readdirSync(join(demo, 'boats')).map(
        (file) => (JSON.parse(readFileSync(join(demo, 'boats', file), 'utf8')) as { name: string }).name,
      ),
      'Ossel',
      'Pell',
    ];
    const text = [...classes.values()].map((book) => JSON.stringify(book)).join('\n');
    expect(names.filter((one) => text.includes(one))).toEqual([]);
    expect(text).not.toMatch(/"(expiry|service|since|errors|callSign|looks)"/);
  });

  it('have drills that cannot trap, also those of the two that no demonstration boat has', () => {
    for (const id of ['launch-5', 'cabin-7']) {
      const { book, origins } = made(id, usual(id));
      expect(drillFaults(book.drills, origins.drills, id)).toEqual([]);
    }
  });
});

describe('a boat made from a starter', () => {
  it.each(starters)('%s: answered as usual says nothing of its own but who she is', (id) => {
    const { own } = made(id, usual(id));
    expect(Object.keys(own).sort()).toEqual(['base', 'class', 'format', 'hullNumber', 'id', 'name']);
  });

  it.each(starters)('%s: whatever is answered, the book holds together and is as answered', (id) => {
    fc.assert(
      fc.property(answersOf(id), (answers) => {
        const { book } = made(id, answers);
        expect(book.plate).toEqual({ people: answers.people, loadKg: answers.loadKg });
        expect([book.plan.lengthM, book.plan.beamM]).toEqual([answers.lengthM, answers.beamM]);
        const gone = new Set(answers.without.flatMap((system) => (SYSTEMS[system] as { fittings?: readonly string[] }).fittings ?? []));
        for (const [fitting, { count, station, expiry }] of Object.entries(answers.fittings)) {
          const row = book.fittings.find((one) => one.id === fitting);
          if (count === 0 || gone.has(fitting)) expect(row).toBeUndefined();
          else expect(row).toMatchObject({ count, station, expiry });
        }
        for (const system of answers.without)
          for (const list of LISTS)
            for (const row of (SYSTEMS[system] as Partial<Record<typeof list, readonly string[]>>)[list] ?? [])
              expect(book[list].some((one) => one.id === row)).toBe(false);
        if (answers.fuelL !== undefined) {
          const tank = book.tanks.find((one) => one.capacityL === answers.fuelL)!;
          const shown = book.gauges.filter((gauge) => gauge.tank === tank.id).map(({ reads }) => reads);
          expect([...shown].sort()).toEqual([...answers.fuelShown].sort());
        }
        expect(book.hull?.tiller ?? false).toBe(answers.steering === 'tiller');
        if (answers.toilet !== undefined)
          for (const [kind, drill] of [
            ['hand', 'toilet-hand'],
            ['electric', 'toilet-electric'],
            ['pedal', 'toilet-pedal'],
          ] as const)
            expect(book.drills.some((one) => one.id === drill)).toBe(kind === answers.toilet);
      }),
      { numRuns: 6 },
    );
  });

  it('with another toilet than her class has takes over how that one is used and practised', () => {
    const { book } = made('canal-12', { ...usual('canal-12'), toilet: 'electric' });
    expect(book.points.find(({ id }) => id === 'toilet-electric')).toMatchObject({ station: 'heads' });
    expect(book.points.some(({ id }) => id === 'hand-toilet')).toBe(false);
  });

  it('without gas is asked about none each evening', () => {
    const evening = (without: System[]) =>
      made('canal-12', { ...usual('canal-12'), without })
        .book.rounds.find(({ id }) => id === 'evening')!
        .items.map(({ id }) => id);
    expect(evening([])).toContain('gas');
    expect(evening(['gas'])).toEqual(evening([]).filter((id) => id !== 'gas'));
  });

  it('and nobody may be where nobody may be', () => {
    const { book } = made('cabin-7', { ...usual('cabin-7'), places: { foredeck: 0 } });
    expect(book.places.find(({ id }) => id === 'foredeck')!.never).toContain('anchored');
  });

  it('is no boat where the class is none', () => {
    expect(questionsOf(lineage('any-boat'))).toBeUndefined();
    expect(bookFromAnswers(lineage('live-aboard'), all, at, usual('rib-6'))).toBeUndefined();
  });

  it('is drawn as long and as wide as she is', () => {
    const { plan } = questionsOf(lineage('rib-6'))!;
    const twice = scaledPlan(plan, plan.lengthM * 2, plan.beamM);
    const xs = (of: typeof plan) => of.strokes.flatMap((stroke) => (stroke.draw === 'path' ? stroke.points.map(([x]) => x) : []));
    expect(Math.max(...xs(twice))).toBeCloseTo(2 * Math.max(...xs(plan)), 2);
  });
});

describe('a sister', () => {
  const demo = BoatBook.parse(JSON.parse(readFileSync(join(__dirname, '../../../../demo/boats/tuppenny-bun.json'), 'utf8')));

  it('is built alike, and has none of what is the other hull’s alone', () => {
    const sister = sisterOf(demo, { id: 'second', name: 'Second', hullNumber: 'N 2' });
    expect(sister).toMatchObject({ id: 'second', name: 'Second', hullNumber: 'N 2', class: demo.class, base: demo.base });
    expect(JSON.stringify(sister)).not.toMatch(/"(expiry|service|since|errors|wire|callSign|looks)"/);
    expect(sister.points).toEqual(demo.points);
    expect(mergeBooks(lineage(demo.class), sister).ok).toBe(true);
  });
});
