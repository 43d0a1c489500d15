import { changeBase, changeBook, changeClass, type Changed, changeEverywhere } from './change';
import { changeRules, rulesShelf } from './rules';
import { changeWaters, watersShelf } from './waters';
import * as watersApi from '@quay/contract/waters';
import { boatsOf } from './boats';
import * as api from '@quay/contract/fleet';
import * as newApi from '@quay/contract/newBoat';
import { addBase, addBoat, copyBoat } from './add';
import { toStartFrom } from './toStartFrom';
import { baseShelfOf, baseVersion, booksOf, bookVersion, classShelfOf, classVersion, everywhere, shelfOf, textFoundRight } from './fleet';
import { on, staffOf } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';

const noBoat = () => fail(404, 'noSuchBoat');

const noBook = () => fail(404, 'noSuchBook');
const doesNotLay = (faults: readonly { book: string; path: string; reason: string }[]) =>
  fail(422, 'faults', {
    // A fault of a class shows through every boat of it; it is told once.
    faults: [...new Set(faults.map(({ book, path, reason }) => `${book}, ${path}: ${reason}`))].join('\n'),
  });
const meanwhile = () => fail(412, 'changedMeanwhile');
const mustBeDone = (done: Changed): void => {
  if (done.ok) return;
  if (done.reason === 'faults') doesNotLay(done.faults);
  if (done.reason === 'noSuchBook') noBook();
  if (done.reason === 'otherBook') fail(400, 'otherBook');
  meanwhile();
};

export const fleetRoutes = [
  on(api.textIsRight, async ({ quay, body }) =>
    (await textFoundRight(quay.store.db, body)) ? { ok: true as const } : fail(404, 'nothingWaits'),
  ),
  on(newApi.listStarters, ({ quay }) => toStartFrom(quay.store.db)),
  on(newApi.addBoat, async (call) => ({
    id: await addBoat(call.quay.store.db, call.body, { at: call.now, by: staffOf(call).staff.id }),
  })),
  on(newApi.copyBoat, async (call) => ({
    id: await copyBoat(call.quay.store.db, call.params.boatId, call.body, { at: call.now, by: staffOf(call).staff.id }),
  })),
  on(newApi.addBase, async (call) => ({
    id: await addBase(call.quay.store.db, call.body, { at: call.now, by: staffOf(call).staff.id }),
  })),
  on(api.getRules, async ({ quay, params, res }) => {
    const shelf = (await rulesShelf(quay.store.db, params.rulesId)) ?? noBook();
    res.set('ETag', `"${shelf.version}"`);
    return shelf;
  }),
  on(api.changeRules, async ({ quay, params, body, seen, res }) => {
    const shelf = await changeRules(quay.store.db, params.rulesId, body.rules, seen);
    res.set('ETag', `"${shelf.version}"`);
    return shelf;
  }),
  on(watersApi.getWaters, async ({ quay, params, res }) => {
    const shelf = (await watersShelf(quay.store.db, params.watersId)) ?? noBook();
    res.set('ETag', `"${shelf.version}"`);
    return shelf;
  }),
  on(watersApi.changeWaters, async ({ quay, params, body, seen, res }) => {
    const shelf = await changeWaters(quay.store.db, params.watersId, body.waters, seen);
    res.set('ETag', `"${shelf.version}"`);
    return shelf;
  }),
  on(api.getEverywhere, async ({ quay, res }) => {
    const said = await everywhere(quay.store.db);
    res.set('ETag', `"${said.version}"`);
    return said;
  }),
  on(api.changeEverywhere, async (call) => {
    const { quay, body, seen, now, res } = call;
    mustBeDone(await changeEverywhere(quay.store.db, body, seen, { at: now, by: staffOf(call).staff.id }));
    const said = await everywhere(quay.store.db);
    res.set('ETag', `"${said.version}"`);
    return said;
  }),
  on(api.listBooks, ({ quay }) => booksOf(quay.store.db)),
  on(api.getClassBook, async ({ quay, params, res }) => {
    const shelf = (await classShelfOf(quay.store.db, params.classId)) ?? noBook();
    res.set('ETag', `"${shelf.version}"`);
    return shelf;
  }),
  on(api.changeClassBook, async (call) => {
    const { quay, params, body, seen, now, res } = call;
    mustBeDone(await changeClass(quay.store.db, params.classId, body.classBook, seen, { at: now, by: staffOf(call).staff.id }));
    const shelf = (await classShelfOf(quay.store.db, params.classId)) ?? noBook();
    res.set('ETag', `"${shelf.version}"`);
    return shelf;
  }),
  on(api.getBaseBook, async ({ quay, params, res }) => {
    const shelf = (await baseShelfOf(quay.store.db, params.baseId)) ?? noBook();
    res.set('ETag', `"${shelf.version}"`);
    return shelf;
  }),
  on(api.changeBaseBook, async (call) => {
    const { quay, params, body, seen, now, res } = call;
    mustBeDone(await changeBase(quay.store.db, params.baseId, body.base, seen, { at: now, by: staffOf(call).staff.id }));
    const shelf = (await baseShelfOf(quay.store.db, params.baseId)) ?? noBook();
    res.set('ETag', `"${shelf.version}"`);
    return shelf;
  }),
  on(
    api.getClassVersion,
    async ({ quay, params }) => (await classVersion(quay.store.db, params.classId, Number(params.version))) ?? noBook(),
  ),
  on(api.getBaseVersion, async ({ quay, params }) => (await baseVersion(quay.store.db, params.baseId, Number(params.version))) ?? noBook()),
  on(api.listBoats, async ({ quay }) => ({ boats: await boatsOf(quay.store.db) })),
  on(api.getBoatBook, async ({ quay, params, res, now }) => {
    const shelf = (await shelfOf(quay.store.db, params.boatId, now)) ?? noBoat();
    res.set('ETag', `"${shelf.version}"`);
    return shelf;
  }),
  on(api.getBookVersion, async ({ quay, params }) => ({
    resolved: (await bookVersion(quay.store.db, params.boatId, Number(params.version))) ?? noBoat(),
  })),
  on(api.changeBoatBook, async (call) => {
    const { quay, params, body, seen, now, res } = call;
    const done = await changeBook(quay.store.db, params.boatId, body.boatBook, seen, { at: now, by: staffOf(call).staff.id });
    if (!done.ok) {
      if (done.reason === 'faults') return doesNotLay(done.faults);
      if (done.reason === 'noSuchBoat') return noBoat();
      if (done.reason === 'otherBoat') return fail(400, 'otherBoat');
      return meanwhile();
    }
    const shelf = (await shelfOf(quay.store.db, params.boatId, now)) ?? noBoat();
    res.set('ETag', `"${shelf.version}"`);
    return shelf;
  }),
];
