import { unattended } from '@quay/core/policy/school';
import * as api from '@quay/contract/keySafe';
import { setCodeByHand } from '../outside/keySafe';
import { askForKey, noteKeyGiven } from '../store/key';
import { on, staffOf } from './mount';
import { fail } from './problem';

export const keySafeRoutes = [
  on(api.keyCode, async ({ quay, params, now, renter }) => {
    const asked = (await askForKey(quay.store.db, params.hireId, quay.key, now)) ?? fail(404, 'noSuchHire', 'There is no such hire.');
    // Staff open the safe when they need to; a renter gets the code at its hour, and briefed.
    if (renter && asked.answer.is !== 'open') return asked.answer;
    const { keySafe } = quay.outside;
    const found = await keySafe.codeFor({ id: params.hireId, base: asked.base, boat: asked.boat });
    if (!found.ok)
      return found.reason === 'none' ? { is: 'none' as const } : fail(503, 'safeSilent', 'The key safe does not answer.', 'Ring the quay.');
    if (renter && !asked.given) await noteKeyGiven(quay.store.db, params.hireId, asked.bookVersion, now);
    return { is: 'open' as const, code: found.code, simulated: keySafe.simulated };
  }),
  on(api.setKeyCode, async (call) => {
    const { quay, params, body, now } = call;
    const row = await quay.store.db('hire').where({ id: params.hireId }).first('handover');
    if (!row) return fail(404, 'noSuchHire', 'There is no such hire.');
    if (quay.outside.keySafe.simulated) return fail(409, 'safeMakesItsOwn', 'This key safe makes its codes by itself.');
    if (!unattended(row.handover, 'in')) return fail(409, 'attended', 'This boat is handed over by staff: no code is needed.');
    await setCodeByHand(quay.store.db, params.hireId, body.code, staffOf(call).staff.id, now);
    return { ok: true as const };
  }),
];
