import * as api from '@quay/contract/hire';
import { on } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';
import { notesOf } from './notes';
import { packOf } from './pack';

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
  on(api.boatNotes, async ({ quay, params, now }) => ({
    notes: (await notesOf(quay.store.db, params.hireId, now)) ?? fail(404, 'noSuchHire'),
  })),
];
