import * as api from '@quay/contract/dossier';
import { makeDossier } from './make';
import { on, sent } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';

export const dossierRoutes = [
  on(api.getDossier, async ({ quay, params, query, res, now, renter }) => {
    const edition = renter ? 'renter' : (query.edition ?? 'operator');
    const made = await makeDossier(quay.store, params.hireId, quay.key, edition, now);
    if (!made.ok) {
      if (made.reason === 'noSuchHire') return fail(404, 'noSuchHire');
      return made.reason === 'notSealed' ? fail(409, 'notSealed') : fail(409, 'picturesMissing', { count: made.missing });
    }
    res
      .set({ 'Content-Type': 'application/zip', 'Content-Disposition': `attachment; filename="${params.hireId}-${edition}.zip"` })
      .send(Buffer.from(made.bytes));
    return sent;
  }),
];
