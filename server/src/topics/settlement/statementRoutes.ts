import * as api from '@quay/contract/hire';
import { on, sent } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';
import { correctionBody } from '../record/statement';
import { closeHire, statementBody } from './closing';
import { statementPaper } from './statementPaper';

export const statementRoutes = [
  on(api.closeHire, async ({ quay, params, body, now }) => {
    const done = await closeHire(quay.store.db, params.hireId, body, now);
    if (done.ok) return { number: done.number, digest: done.digest };
    return fail(done.reason === 'noSuchHire' ? 404 : 409, done.reason, done.figures);
  }),
  on(api.statementPdf, async ({ quay, params, query, res, now }) => {
    const first = (await statementBody(quay.store.db, params.hireId)) ?? fail(404, 'noSuchHire');
    const asked = query.number === undefined || Number(query.number) === first.number ? undefined : Number(query.number);
    const body =
      asked === undefined ? first : ((await correctionBody(quay.store.db, params.hireId, asked)) ?? fail(404, 'noSuchStatement'));
    const paper = (await statementPaper(quay.store, body, now)) ?? fail(500, 'noOperator');
    res.set({ 'Content-Type': 'application/pdf', 'Content-Disposition': `inline; filename="statement-${body.number ?? 'draft'}.pdf"` });
    res.send(paper);
    return sent;
  }),
];
