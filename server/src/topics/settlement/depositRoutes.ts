import * as api from '@quay/contract/deposit';
import { askAgain, holdInstead, letGoOfDeposit, type Asking } from './deposit';
import type { Desk } from './terminal';
import { on, type Quay } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';

const REFUSED: Record<(Asking & { ok: false })['reason'], [number, string]> = {
  noSuchHire: [404, 'There is no such hire.'],
  noSuchAsking: [404, 'The terminal was never asked so.'],
  closed: [409, 'This hire is closed.'],
  openAsking: [409, 'Another asking is still open: ask the terminal what became of it first.'],
  moreThanWanted: [409, 'That is more than the deposit of this hire.'],
};

export const deskOf = (quay: Quay): Desk => ({ db: quay.store.db, terminal: quay.outside.cardTerminal, clock: () => quay.now() });

const answer = (done: Asking, quay: Quay): api.DepositReply => {
  if (done.ok) return { state: done.state, simulated: quay.outside.cardTerminal.simulated };
  const [status, title] = REFUSED[done.reason];
  return fail(status, done.reason, title);
};

export const depositRoutes = [
  on(api.holdDeposit, async ({ quay, params, body }) => {
    return answer(await holdInstead(deskOf(quay), { ...params, ...body }), quay);
  }),
  on(api.askDeposit, async ({ quay, params }) => {
    return answer(await askAgain(deskOf(quay), { ...params }), quay);
  }),
  on(api.releaseDeposit, async ({ quay, params }) => {
    return answer(await letGoOfDeposit(deskOf(quay), { ...params }), quay);
  }),
];
