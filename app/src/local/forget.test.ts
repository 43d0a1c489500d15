/** @jest-environment node */
import { heldOf, pack } from '../testing/view';
import { forgetOld } from './forget';
import { localDb, type LocalState, write } from './localDb';

const DUE = Date.parse(pack.hire.to);
const DAY = 86_400_000;

const keepHire = async (id: string, { closed = true, state = 'synced' as LocalState } = {}) => {
  const rows = heldOf([
    { kind: 'castOff' },
    ...(closed ? [{ kind: 'closed' as const, number: 1, statement: 'a'.repeat(64), covers: [], root: 'b'.repeat(64) }] : []),
  ]);
  await write(['events', 'photos', 'packs', 'cursors'], async (tx) => {
    for (const [i, stored] of rows.entries())
      await tx
        .objectStore('events')
        .put({ id: `${id}-${i}`, hire: id, state: i === 0 ? state : 'synced', stored, grant: undefined, addedAt: 0 });
    await tx.objectStore('photos').put({ sha: 'c', hire: id, state: 'synced', blob: new Blob(['x']), bytes: 1, addedAt: 0 });
    await tx.objectStore('packs').put({ ...pack, id, hire: { ...pack.hire, id } });
    await tx.objectStore('cursors').put({ hire: id, cursor: '7' });
  });
};
const left = async (id: string) => {
  const db = await localDb();
  const photo = await db.get('photos', [id, 'c']);
  return {
    events: (await db.getAllFromIndex('events', 'hire', id)).length,
    photo: photo === undefined ? 'gone' : photo.blob === undefined ? 'at the quay' : 'here',
    pack: (await db.get('packs', id)) !== undefined,
    cursor: (await db.get('cursors', id)) !== undefined,
  };
};
const WHOLE = { events: 2, photo: 'here', pack: true, cursor: true };

beforeEach(() =>
  write(['events', 'photos', 'packs', 'cursors'], async (tx) => {
    for (const name of ['events', 'photos', 'packs', 'cursors'] as const) await tx.objectStore(name).clear();
  }),
);

it('lets pictures of a closed hire go after two days and the rest after thirty', async () => {
  await keepHire('h1');
  await forgetOld(DUE + DAY);
  expect(await left('h1')).toEqual(WHOLE);
  await forgetOld(DUE + 3 * DAY);
  expect(await left('h1')).toEqual({ ...WHOLE, photo: 'at the quay' });
  await forgetOld(DUE + 31 * DAY);
  expect(await left('h1')).toEqual({ events: 0, photo: 'gone', pack: false, cursor: false });
});

it('keeps a hire that is not closed, and one of which anything is still here alone', async () => {
  await keepHire('open', { closed: false });
  await keepHire('unsent', { state: 'pending' });
  await keepHire('refused', { state: 'refused' });
  await forgetOld(DUE + 400 * DAY);
  expect(await left('open')).toEqual({ ...WHOLE, events: 1 });
  expect(await left('unsent')).toEqual(WHOLE);
  expect(await left('refused')).toEqual(WHOLE);
});
