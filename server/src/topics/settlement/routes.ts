import type { Response } from 'express';
import * as api from '@quay/contract/settlement';
import { correct } from './correcting';
import { figuresCsv, figuresOf, statementsCsv } from './figures';
import { currencyOf } from '../policy/prices';
import { refreshStale } from '../record/refresh';
import { disputesOf } from './disputes';
import { chargeCard, type Paid, settlePayments } from './payment';
import { deskOf } from './depositRoutes';
import { on, type Quay, sent } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';

const REFUSED: Record<(Paid & { ok: false })['reason'], number> = {
  noSuchHire: 404,
  notClosed: 409,
  inDoubt: 409,
  moreThanOwed: 409,
};

const answer = (done: Paid, quay: Quay): api.PaymentReply => {
  if (!done.ok) {
    return fail(REFUSED[done.reason], done.reason);
  }
  const none = done.why === 'no terminal is connected';
  return {
    state: none ? 'none' : done.state,
    ...(done.why === undefined ? {} : { why: done.why }),
    simulated: quay.integrations.cardTerminal.simulated,
  };
};

const table = (res: Response, name: string, text: string) => {
  res.set({ 'Content-Type': 'text/csv; charset=utf-8', 'Content-Disposition': `attachment; filename="${name}"` }).send(text);
  return sent;
};

export const settlementRoutes = [
  on(api.settlePayments, async ({ quay, params }) => answer(await settlePayments(deskOf(quay), params.hireId), quay)),
  on(api.chargeCard, async ({ quay, params, body }) => answer(await chargeCard(deskOf(quay), { ...params, ...body }), quay)),
  on(api.correctStatement, async ({ quay, params, body, now }) => {
    const done = await correct(quay.store.db, params.hireId, body, now);
    if (done.ok) return { number: done.number };
    switch (done.reason) {
      case 'noSuchHire':
        return fail(404, 'noSuchHire');
      case 'notClosed':
        return fail(409, 'notClosed');
      case 'changedMeanwhile':
        return fail(409, 'changedMeanwhile');
      case 'doesNotStand':
        return fail(400, 'doesNotStand', { lines: done.faults.map(({ line, is }) => `${line}: ${is}`).join(', ') });
    }
  }),
  on(api.listDisputes, async ({ quay, now }) => {
    await refreshStale(quay.store.db, quay.key, now);
    return { disputes: await disputesOf(quay.store.db, now) };
  }),
  on(api.getFigures, async ({ quay, query }) => ({
    currency: await currencyOf(quay.store.db),
    figures: await figuresOf(quay.store.db, query),
  })),
  on(api.figuresCsv, async ({ quay, query, res }) =>
    table(res, 'figures.csv', figuresCsv(await figuresOf(quay.store.db, query), await currencyOf(quay.store.db))),
  ),
  on(api.statementsCsv, async ({ quay, query, res }) => table(res, 'statements.csv', await statementsCsv(quay.store.db, query))),
];
