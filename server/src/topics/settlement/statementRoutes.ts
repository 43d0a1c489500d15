import * as api from '@quay/contract/hire';
import { on, sent } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';
import { correctionBody } from '../record/statement';
import { closeHire, statementBody } from './closing';
import { statementPaper } from './statementPaper';

const CLOSING: Record<string, [number, string]> = {
  noSuchHire: [404, 'There is no such hire.'],
  alreadyClosed: [409, 'This hire is closed already.'],
  notWalkedIn: [409, 'The return check is not signed yet.'],
  undecided: [409, 'Something is still undecided.'],
  toQuote: [409, 'A line has no price yet.'],
  changedMeanwhile: [409, 'The record has changed meanwhile.'],
};

export const statementRoutes = [
  on(api.closeHire, async ({ quay, params, body, now }) => {
    const done = await closeHire(quay.store.db, params.hireId, body, now);
    if (done.ok) return { number: done.number, digest: done.digest };
    const [status, title] = CLOSING[done.reason] ?? [409, 'The hire cannot be closed.'];
    return fail(status, done.reason, title, done.detail);
  }),
  on(api.statementPdf, async ({ quay, params, query, res, now }) => {
    const first = (await statementBody(quay.store.db, params.hireId)) ?? fail(404, 'noSuchHire', 'There is no such hire.');
    const asked = query.number === undefined || Number(query.number) === first.number ? undefined : Number(query.number);
    const body =
      asked === undefined
        ? first
        : ((await correctionBody(quay.store.db, params.hireId, asked)) ?? fail(404, 'noSuchStatement', 'This hire has no such statement.'));
    const paper = (await statementPaper(quay.store, body, now)) ?? fail(500, 'noOperator', 'This installation has no operator yet.');
    res.set({ 'Content-Type': 'application/pdf', 'Content-Disposition': `inline; filename="statement-${body.number ?? 'draft'}.pdf"` });
    res.send(paper);
    return sent;
  }),
];
