import * as api from '@quay/contract/hire';
import { closeHire, statementBody } from '../store/closing';
import type { Knex } from 'knex';
import { basesOf, changeHire, dayHires, hiresOn, packOf } from '../store/hire';
import { statementPaper } from '../paper/statementPaper';
import { refreshStale } from '../store/refresh';
import { correctionBody } from '../store/statement';
import { on, sent } from './mount';
import { fail } from './problem';

const CLOSING: Record<string, [number, string]> = {
  noSuchHire: [404, 'There is no such hire.'],
  alreadyClosed: [409, 'This hire is closed already.'],
  notWalkedIn: [409, 'The return check is not signed yet.'],
  undecided: [409, 'Something is still undecided.'],
  toQuote: [409, 'A line has no price yet.'],
  changedMeanwhile: [409, 'The record has changed meanwhile.'],
};

/** The base that is asked for, else the first, with all there are to choose from. */
const baseAmong = async (db: Knex, id: string | undefined) => {
  const bases = await basesOf(db);
  const base = id === undefined ? bases[0] : bases.find((one) => one.id === id);
  if (!base)
    return fail(
      404,
      'noBase',
      bases.length === 0 ? 'There is no base yet.' : 'There is no such base.',
      'Import your bases, boats and hires first.',
    );
  return { base, bases: bases.map(({ id, name }) => ({ id, name })) };
};

export const hireRoutes = [
  on(api.getHire, async ({ quay, params, res, now, renter }) => {
    const pack = (await packOf(quay.store.db, params.hireId, quay.key, now)) ?? fail(404, 'noSuchHire', 'There is no such hire.');
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
  on(api.changeHire, async ({ quay, params, body, seen, res }) => {
    const done =
      (await changeHire(quay.store.db, params.hireId, { ...body, version: seen })) ?? fail(404, 'noSuchHire', 'There is no such hire.');
    if (done.ok) {
      res.set('ETag', `"${done.hire.version}"`);
      return done.hire;
    }
    return done.reason === 'beforeStart'
      ? fail(400, 'beforeStart', 'The return cannot be before the departure.')
      : fail(412, 'changedMeanwhile', 'Somebody changed this hire meanwhile.', 'Look at it again, then change it.');
  }),
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
  on(api.getDay, async ({ quay, query, now }) => {
    await refreshStale(quay.store.db, quay.key, now);
    const { base, bases } = await baseAmong(quay.store.db, query.base);
    return { now, base, bases, hires: await dayHires(quay.store.db, base, now) };
  }),
  on(api.getBookings, async ({ quay, query, now }) => {
    await refreshStale(quay.store.db, quay.key, now);
    const { base, bases } = await baseAmong(quay.store.db, query.base);
    return { now, base, bases, hires: await hiresOn(quay.store.db, base, query) };
  }),
];
