import * as api from '@quay/contract/hire';
import { on } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';
import { refreshStale } from '../record/refresh';
import { notesOf } from './notes';
import * as walkIn from '@quay/contract/walkIn';
import { boatPackOf, packOf } from './pack';
import { walkInsOf } from './walkIns';
import { baseAmong } from '../booking/bases';

export const packRoutes = [
  on(api.getHire, async ({ quay, params, res, now, renter }) => {
    const pack = (await packOf(quay.store.db, params.hireId, quay.key, now)) ?? fail(404, 'noSuchHire');
    res.set('ETag', `"${pack.hire.version}"`);
    // Notes are the quay's own, and who else hires is nobody's business.
    if (!renter) return pack;
    const { hire, away, before } = pack;
    return {
      ...pack,
      hire: { ...hire, notes: '' },
      away: away && { ...away, hire: '', renter: '' },
      ...(before ? { before: { ...before, hire: null, pictures: {} } } : {}),
    };
  }),
  on(walkIn.getWalkIns, async ({ quay: { store, key }, query, now, session }) => {
    await refreshStale(store.db, key, now);
    const { base, bases } = await baseAmong(store.db, query.base, session);
    return { now, base, bases, ...(await walkInsOf(store.db, base.id, now)) };
  }),
  on(
    walkIn.getBoatPack,
    async ({ quay, params, now }) => (await boatPackOf(quay.store.db, params.boatId, quay.key, now)) ?? fail(404, 'noSuchBoat'),
  ),
  on(api.boatNotes, async ({ quay, params, now }) => ({
    notes: (await notesOf(quay.store.db, params.hireId, now)) ?? fail(404, 'noSuchHire'),
  })),
];
