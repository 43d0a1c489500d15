import { createReadStream, existsSync } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import * as api from '@quay/contract/compare';
import { hireExists } from '../booking/hire';
import { comparedFile } from './comparisonQueue';
import { changeComparison, comparisonsOf } from './comparison';
import { changeLearnt, learntOf } from './judged';
import { on, sent } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';

const noPair = () => fail(404, 'noComparison');

export const compareRoutes = [
  on(api.listComparisons, async ({ quay, params, renter }) => {
    if (!(await hireExists(quay.store.db, params.hireId))) return fail(404, 'noSuchHire');
    quay.comparing?.enqueueOnce(params.hireId);
    const { db } = quay.store;
    const row = await db('hire').where({ id: params.hireId }).first('boat');
    const compared = await comparisonsOf(db, params.hireId);
    const comparisons = await Promise.all(
      compared.map(async (one) => ({ ...one, learnt: await learntOf(db, row!.boat, one.surface, params.hireId) })),
    );
    // A box is nothing until a person says so: a renter sees both pictures, and what became a finding.
    return { comparisons: renter ? comparisons.map((one) => ({ ...one, boxes: [] })) : comparisons };
  }),
  on(api.comparisonPicture, async ({ quay, params, res }) => {
    const { hireId, out, back, picture } = params;
    const pair = (await comparisonsOf(quay.store.db, hireId)).find((one) => one.out === out && one.back === back);
    const file = comparedFile(quay.store, { out, back }, picture);
    if (pair?.state !== 'done' || !existsSync(file)) return noPair();
    res.set({ 'Content-Type': 'image/jpeg', 'Cache-Control': 'private, max-age=3600' });
    await pipeline(createReadStream(file), res);
    return sent;
  }),
  on(api.changeLearnt, async ({ quay, params: { boatId, surface }, body }) => {
    const { db } = quay.store;
    if (!(await db('boat').where({ id: boatId }).first('id'))) return fail(404, 'noSuchBoat');
    await changeLearnt(db, boatId, surface, body.do);
    return learntOf(db, boatId, surface);
  }),
  on(api.changeComparison, async ({ quay, params, body }) => {
    const { hireId: hire, out, back } = params;
    const state = await changeComparison(quay.store.db, { hire, out, back }, body.do);
    if (state === undefined) return noPair();
    if (body.do === 'cancel') quay.comparing?.cancel({ hire, out, back });
    else quay.comparing?.tick();
    return { state };
  }),
];
