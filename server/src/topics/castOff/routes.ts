import { unattended } from '@quay/core/policy/policy';
import * as api from '@quay/contract/keySafe';
import { setCodeByHand } from '../../integrations/keySafe';
import { termsOf } from '../booking/hire';
import { askForKey, noteKeyGiven } from './key';
import { on, staffOf } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';

export const keySafeRoutes = [
  on(api.keyCode, async ({ quay, params, now, renter }) => {
    const asked = (await askForKey(quay.store.db, params.hireId, quay.key, now)) ?? fail(404, 'noSuchHire');
    // Staff open the safe when they need to; a renter gets the code at its hour, and briefed.
    if (renter && asked.answer.is !== 'open') return asked.answer;
    const { keySafe } = quay.integrations;
    const found = await keySafe.codeFor({ id: params.hireId, base: asked.base, boat: asked.boat });
    if (!found.ok) return found.reason === 'none' ? { is: 'none' as const } : fail(503, 'safeSilent');
    if (renter && !asked.given) await noteKeyGiven(quay.store.db, params.hireId, asked.bookVersion, now);
    return { is: 'open' as const, code: found.code, simulated: keySafe.simulated };
  }),
  on(api.setKeyCode, async (call) => {
    const { quay, params, body, now } = call;
    const terms = await termsOf(quay.store.db, params.hireId, []);
    if (!terms) return fail(404, 'noSuchHire');
    if (quay.integrations.keySafe.simulated) return fail(409, 'safeMakesItsOwn');
    if (!unattended(terms.handover, 'in')) return fail(409, 'attended');
    await setCodeByHand(quay.store.db, params.hireId, body.code, staffOf(call).staff.id, now);
    return { ok: true as const };
  }),
];
