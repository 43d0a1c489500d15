import * as api from '@quay/contract/deposit';
import { askAgain, holdInstead, releaseDeposit, type Asking } from './deposit';
import type { Desk } from './terminal';
import { on, type Quay } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';

const REFUSED: Record<(Asking & { ok: false })['reason'], number> = {
  noSuchHire: 404,
  noSuchAsking: 404,
  closed: 409,
  openAsking: 409,
  moreThanWanted: 409,
};

export const deskOf = (quay: Quay): Desk => ({ db: quay.store.db, terminal: quay.integrations.cardTerminal, clock: () => quay.now() });

const answer = (done: Asking, quay: Quay): api.DepositReply => {
  if (done.ok) return { state: done.state, simulated: quay.integrations.cardTerminal.simulated };
  return fail(REFUSED[done.reason], done.reason);
};

export const depositRoutes = [
  on(api.holdDeposit, async ({ quay, params, body }) => {
    return answer(await holdInstead(deskOf(quay), { ...params, ...body }), quay);
  }),
  on(api.askDeposit, async ({ quay, params }) => {
    return answer(await askAgain(deskOf(quay), { ...params }), quay);
  }),
  on(api.releaseDeposit, async ({ quay, params }) => {
    return answer(await releaseDeposit(deskOf(quay), { ...params }), quay);
  }),
];
