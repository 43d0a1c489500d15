import type { Base } from '@quay/core/fleet/base';
import type { BoatBook, ClassBook } from '@quay/core/fleet/book';
import { addRow, changeRow, dropRow, orderRows } from '@quay/core/fleet/edit';
import { type Client, MANAGER, testQuay, type TestQuay } from '../../testing/quay';

/** What a book was refused for. */
const faultsOf = (json: Record<string, unknown>) => (json.figures as { faults?: string } | undefined)?.faults;

let quay: TestQuay;
let manager: Client;
beforeEach(async () => {
  quay = await testQuay();
  manager = quay.client();
  await manager.signIn(MANAGER);
});
afterEach(() => quay.stop());

type Shelf = {
  boatBook: BoatBook;
  version: number;
  resolved: { points: { id: string; say: { en: string } }[] };
  origins: Record<string, Record<string, { book: string; is: string }>>;
  below: Record<string, string[]>;
  versions: { version: number; madeBy: string | null; hires: number }[];
};
const shelf = async () => (await manager.send('GET', '/boats/tuppenny-bun/book')).json as unknown as Shelf;
const change = (boatBook: BoatBook, version: number) =>
  manager.send('PATCH', '/boats/tuppenny-bun/book', { boatBook }, { 'if-match': `"${version}"` });

describe('a boat’s book', () => {
  it('is seen with where each point comes from; those of base and waters are there, and come from no book of hers', async () => {
    const { json } = await manager.send('GET', '/boats');
    expect(json.boats).toHaveLength(6);
    const { origins, resolved, boatBook } = await shelf();
    expect(origins.points!['bow-rails']).toEqual({ book: 'any-boat', is: 'brought' });
    expect(origins.points!['bow-gate']).toEqual({ book: 'pontoon-7', is: 'brought' });
    expect(origins.points!['own-step']).toEqual({ book: boatBook.id, is: 'brought' });
    expect(resolved.points.some(({ id }) => id === 'ossel-rocks')).toBe(true);
    expect(origins.points!['ossel-rocks']).toBeUndefined();
  });

  it('is changed as a new version, kept by whoever has begun with the old one, and refused when it was changed meanwhile', async () => {
    const before = await shelf();
    await quay.store.db('hire').where({ id: 'h-1001' }).update({ bookVersion: before.version });
    const next = { ...before.boatBook, points: [...(before.boatBook.points ?? []), { id: 'lever', say: { en: 'Hers is stiff.' } }] };
    const done = (await change(next, before.version)).json as unknown as Shelf;
    expect(done.version).toBe(before.version + 1);
    expect(done.origins.points!.lever).toEqual({ book: 'tuppenny-bun', is: 'changed' });
    expect(done.versions).toMatchObject([
      { version: 2, madeBy: 'Mina Garrow', hires: 0 },
      { version: 1, madeBy: null, hires: 1 },
    ]);
    const said = async (hire: string) =>
      ((await manager.send('GET', `/hires/${hire}`)).json.book as Shelf['resolved']).points.find(({ id }) => id === 'lever')?.say.en;
    expect(await said('h-1001')).toMatch(/^One lever/);
    expect(await said('h-1008')).toBe('Hers is stiff.');
    const old = (await manager.send('GET', '/boats/tuppenny-bun/book/1')).json.resolved as Shelf['resolved'];
    expect(old.points.find(({ id }) => id === 'lever')?.say.en).toMatch(/^One lever/);
    const late = await change(next, before.version);
    expect([late.status, late.json.code]).toEqual([412, 'changedMeanwhile']);
  });

  it('that does not hold together is refused with every fault by path, and nothing is changed', async () => {
    const { boatBook, version } = await shelf();
    const wrong = {
      ...boatBook,
      conditions: { a: { named: 'b' }, b: { named: 'a' } },
      fittings: [{ id: 'nothing-here', absent: true as const }],
    };
    const answer = await change(wrong, version);
    expect([answer.status, answer.json.code]).toEqual([422, 'faults']);
    expect(faultsOf(answer.json)).toContain('fittings[nothing-here]: is said to be absent');
    expect(faultsOf(answer.json)).toContain('conditions.a: leads in a circle: a → b → a');
    expect((await change({ ...boatBook, class: 'rib-6' }, version)).json.code).toBe('otherBoat');
    expect((await shelf()).version).toBe(version);
  });
});

describe('a drill of a book', () => {
  it('is looked at when it is changed, and refused where it can trap', async () => {
    const before = (await manager.send('GET', '/classes/electric-5/book')).json as unknown as {
      classBook: ClassBook;
      version: number;
      lists: Record<string, { id: string; rules: { id: string }[] }[]>;
    };
    const drill = before.lists.drills!.find(({ id }) => id === 'electric-start')!;
    const put = (rules: unknown) =>
      manager.send(
        'PATCH',
        '/classes/electric-5/book',
        { classBook: changeRow(before.classBook, 'drills', drill, { rules }, false) },
        { 'if-match': `"${before.version}"` },
      );
    const trapped = await put(drill.rules.filter(({ id }) => id !== 'cleared' && id !== 'iso2'));
    expect(trapped.status).toBe(422);
    expect(faultsOf(trapped.json)).toMatch(/electric-5, drills\[electric-start\]\.goals\[ready\]: cannot be reached any more: .*key → run/);
    expect(faultsOf((await put(drill.rules.filter(({ id }) => id !== 'go-b'))).json)).toContain('is come to without its lesson');
  });
});

describe('a class book', () => {
  type ClassShelf = {
    classBook: ClassBook;
    version: number;
    boats: string[];
    lists: Record<string, { id: string; say?: { en: string } }[]>;
    origins: Shelf['origins'];
    below: Shelf['below'];
    plan: unknown;
  };
  const classShelf = async (id: string) => (await manager.send('GET', `/classes/${id}/book`)).json as unknown as ClassShelf;
  const put = (id: string, classBook: ClassBook, version: number) =>
    manager.send('PATCH', `/classes/${id}/book`, { classBook }, { 'if-match': `"${version}"` });
  const lever = async (boat: string) =>
    ((await manager.send('GET', `/boats/${boat}/book`)).json as unknown as Shelf).resolved.points.find(({ id }) => id === 'lever')?.say.en;

  it('is listed with the boats it bears on, its own and through the classes that come from it', async () => {
    const { json } = await manager.send('GET', '/books');
    const classes = json.classes as { id: string; from: string | null; boats: string[] }[];
    expect(classes.find(({ id }) => id === 'any-boat')).toMatchObject({ from: null });
    expect(classes.find(({ id }) => id === 'any-boat')?.boats).toHaveLength(6);
    expect(classes.find(({ id }) => id === 'live-aboard')?.boats).toEqual(['Copper Kettle', 'Half Past Heron', 'Slow Custard']);
    expect((json.bases as { id: string; boats: string[] }[]).find(({ id }) => id === 'pell-slip')?.boats).toContain('Brisk Otter');
    const pontoon = await classShelf('pontoon-7');
    expect(pontoon.below.points).toContain('lever');
    expect(pontoon.origins.points!.lever).toMatchObject({ book: 'any-boat' });
    expect(pontoon.plan).not.toBeNull();
    // What comes before all boats draws none.
    expect((await classShelf('any-boat')).plan).toBeNull();
  });

  it('is changed for every boat of it at once, but for one that says otherwise; a hire that has begun keeps its book', async () => {
    const own = await shelf();
    await change(changeRow(own.boatBook, 'points', { id: 'lever' }, { say: { en: 'Hers is stiff.' } }, true), own.version);
    const before = await classShelf('any-boat');
    const row = before.lists.points!.find(({ id }) => id === 'lever')!;
    const next = changeRow(before.classBook, 'points', row, { say: { en: 'One lever. Count two.' } }, false);
    const done = await put('any-boat', next, before.version);
    expect([done.status, (done.json as unknown as ClassShelf).version]).toEqual([200, before.version + 1]);
    expect(await lever('slow-custard')).toBe('One lever. Count two.');
    expect(await lever('tuppenny-bun')).toBe('Hers is stiff.');
    const { versions } = (await manager.send('GET', '/boats/slow-custard/book')).json as unknown as Shelf;
    expect(versions[0]).toMatchObject({ version: 2, madeBy: 'Mina Garrow' });
    expect((await put('any-boat', next, before.version)).status).toBe(412);
    // Its versions are kept, and can be fetched to be compared.
    expect((done.json as unknown as Shelf).versions).toMatchObject([
      { version: 2, madeBy: 'Mina Garrow' },
      { version: 1, madeBy: null },
    ]);
    const said = async (n: number) =>
      ((await manager.send('GET', `/classes/any-boat/book/${n}`)).json.lists as ClassShelf['lists']).points!.find(
        ({ id }) => id === 'lever',
      )?.say?.en;
    expect([await said(1), await said(2)]).toEqual([row.say!.en, 'One lever. Count two.']);
    expect((await manager.send('GET', '/classes/any-boat/book/3')).status).toBe(404);
  });

  it('is put in order for the walk, and rows are taken away and added; all of it or nothing', async () => {
    const before = await classShelf('electric-5');
    const stations = before.lists.stations!.map(({ id }) => id);
    const turned = [...stations].reverse();
    const ordered = orderRows(before.classBook, 'stations', before.below.stations!, turned);
    expect((await put('electric-5', ordered, before.version)).status).toBe(200);
    const resolved = async () =>
      ((await manager.send('GET', '/boats/quiet-pickle/book')).json as unknown as { resolved: { stations: { id: string }[] } }).resolved;
    expect((await resolved()).stations.map(({ id }) => id)).toEqual(turned);
    // A station that things stand at cannot go: the faults name what would be left in the air, and nothing changes.
    const now = await classShelf('electric-5');
    const broken = await put('electric-5', dropRow(now.classBook, 'stations', 'helm', false), now.version);
    expect(broken.status).toBe(422);
    expect(faultsOf(broken.json)).toContain('there is no station “helm”');
    expect((await classShelf('electric-5')).version).toBe(now.version);
    expect((await resolved()).stations.map(({ id }) => id)).toEqual(turned);
    expect((await put('electric-5', { ...now.classBook, from: 'live-aboard' }, now.version)).status).toBe(400);
    expect((await manager.send('GET', '/classes/nothing/book')).status).toBe(404);
  });
});

describe('a base book', () => {
  it('is changed with the points of the boats that lie there; where it lies is no edit', async () => {
    const read = async () =>
      (await manager.send('GET', '/bases/ossel-quay/book')).json as unknown as { base: Base; version: number; boats: string[] };
    const put = (base: Base, version: number) => manager.send('PATCH', '/bases/ossel-quay/book', { base }, { 'if-match': `"${version}"` });
    const { base, version, boats } = await read();
    expect(boats).toContain('Tuppenny Bun');
    const point = { id: 'wet-steps', stations: ['bow'], weight: 'must' as const, seconds: 8, say: { en: 'The steps are wet.' } };
    const next: Base = { ...base, points: [...base.points, point], returnCard: base.returnCard.slice(1) };
    expect((await put(next, version)).status).toBe(200);
    expect((await shelf()).resolved.points.some(({ id }) => id === 'wet-steps')).toBe(true);
    expect((await read()).base.returnCard).toHaveLength(base.returnCard.length - 1);
    // A boat that lies elsewhere has nothing new to say.
    const { versions } = (await manager.send('GET', '/boats/brisk-otter/book')).json as unknown as Shelf;
    expect(versions).toHaveLength(1);
    expect((await put(next, version)).status).toBe(412);
    expect((await put({ ...next, zone: 'Europe/Paris' }, version + 1)).status).toBe(400);
    const circle = { ...point, id: 'odd', when: { fact: 'no.such', is: true } as never };
    const wrong = await put({ ...next, points: [...next.points, circle] }, version + 1);
    expect([wrong.status, faultsOf(wrong.json)]).toEqual([422, expect.stringContaining('points[odd]')]);
  });
});

describe('one boat', () => {
  it('empties what her class says, and the class says it again when that is taken back', async () => {
    const { boatBook, version, resolved } = await shelf();
    const row = resolved.points.find(({ id }) => id === 'bow-rails') as { id: string; caution?: unknown };
    expect(row.caution).toBeDefined();
    const done = (await change(changeRow(boatBook, 'points', row, { caution: undefined }, true), version)).json as unknown as Shelf;
    expect(done.resolved.points.find(({ id }) => id === 'bow-rails')).not.toHaveProperty('caution');
    const added = await change(
      addRow(done.boatBook, 'fittings', 'whistle', { station: 'helm', name: { en: 'Whistle' }, kind: 'required', count: 1 }),
      done.version,
    );
    expect(added.status).toBe(200);
  });
});

describe('a text changed in one language', () => {
  type Waiting = { toTranslate: Record<string, string[]> };
  const PATH = 'points[bow-rails].caution';
  const shelfOf = async (path: string) => (await manager.send('GET', path)).json as unknown as Waiting & { version: number };
  const caution = (text: string) => {
    const edit = (book: ClassBook, more: Record<string, string>): ClassBook => ({
      ...book,
      points: book.points!.map((point) =>
        point.id === 'bow-rails' ? { ...point, caution: { ...(point.caution as { en: string }), ...more } } : point,
      ),
    });
    return (book: ClassBook, more: Record<string, string> = { en: text }) => edit(book, more);
  };
  const put = async (change_: (book: ClassBook) => ClassBook) => {
    const now = (await manager.send('GET', '/classes/any-boat/book')).json as unknown as { classBook: ClassBook; version: number };
    const done = await manager.send(
      'PATCH',
      '/classes/any-boat/book',
      { classBook: change_(now.classBook) },
      { 'if-match': `"${now.version}"` },
    );
    expect(done.status).toBe(200);
    return done.json as unknown as Waiting;
  };

  it('is to be translated in the others, on the class and on every boat of it, until it is, or is found right', async () => {
    expect((await put(caution('Keep behind the rails.'))).toTranslate).toEqual({ [PATH]: ['fr', 'de', 'es'] });
    expect((await shelfOf('/boats/tuppenny-bun/book')).toTranslate).toEqual({ [PATH]: ['fr', 'de', 'es'] });
    expect((await put((book) => caution('')(book, { fr: 'Derrière les garde-corps.' }))).toTranslate).toEqual({ [PATH]: ['de', 'es'] });
    const right = (path: string) => manager.send('POST', '/books/translated', { is: 'boat', id: 'tuppenny-bun', path });
    expect((await right(PATH)).json).toEqual({ ok: true });
    expect((await shelfOf('/classes/any-boat/book')).toTranslate).toEqual({});
    expect((await right(PATH)).status).toBe(404);
  });

  it('and put back by undo waits for nothing', async () => {
    const before = (await manager.send('GET', '/classes/any-boat/book')).json as unknown as { classBook: ClassBook };
    await put(caution('Keep behind the rails.'));
    expect((await put(() => before.classBook)).toTranslate).toEqual({});
  });
});

describe('what is no part of what is walked with', () => {
  it('is kept all the same: a number changed, and changed once more from there, without a new version', async () => {
    const quay = await testQuay();
    try {
      const manager = quay.client();
      await manager.signIn(MANAGER);
      type Shelf = { boatBook: Record<string, unknown>; version: number };
      const shelf = async () => (await manager.send('GET', '/boats/brisk-otter/book')).json as unknown as Shelf;
      const put = async (more: object) => {
        const { boatBook, version } = await shelf();
        return manager.send('PATCH', '/boats/brisk-otter/book', { boatBook: { ...boatBook, ...more } }, { 'if-match': `"${version}"` });
      };
      expect((await put({ hullNumber: 'BO 77' })).status).toBe(200);
      expect((await shelf()).boatBook.hullNumber).toBe('BO 77');
      expect((await put({ name: 'Brisker Otter' })).status).toBe(200);
      expect(await shelf()).toMatchObject({ version: 1, boatBook: { hullNumber: 'BO 77', name: 'Brisker Otter' } });
      expect(await quay.store.db('boat').where({ id: 'brisk-otter' }).first('name', 'hullNumber')).toEqual({
        name: 'Brisker Otter',
        hullNumber: 'BO 77',
      });
    } finally {
      await quay.stop();
    }
  });
});
