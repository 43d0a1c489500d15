import * as api from '@quay/contract/prices';
import { type Call, on, sent, staffOf } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';
import type { Fault } from '../../platform/fault';
import { decode } from '../../platform/incoming';
import type { Endpoint } from '@quay/contract/endpoint';
import * as operator from '@quay/contract/operator';
import { changePrices, dropPlanned, pricesNow, replanLists } from './changePrices';
import { dropLogo, keepLogo, logoFrom, readLogo } from './logo';
import { changeOperator, operatorNow } from './operator';
import { datedOf, earliestDay, pricesIn } from './prices';
import { changesBetween, readPriceRows, withRows, writePriceTable } from './priceTable';

const madeIn = (call: Pick<Call<Endpoint>, 'now' | 'session'>) => ({ at: call.now, by: staffOf(call).staff.id });

/** The table that was sent, as rows of prices. @throws ProblemError `tooLarge`, `notReadable` */
const rowsSent = ({ req }: Pick<Call<Endpoint>, 'req'>, currency: string, faults: Fault[]) => {
  const bytes: Buffer = Buffer.isBuffer(req.body) ? req.body : Buffer.alloc(0);
  if (bytes.length > api.PRICE_TABLE_BYTES) fail(413, 'tooLarge');
  const text = decode(bytes);
  if (text.trim() === '' || text.includes('\0')) fail(422, 'notReadable', { why: text.includes('\0') ? 'notText' : 'empty' });
  return readPriceRows(text, currency, faults, 'table');
};

export const policyRoutes = [
  on(api.getPrices, async ({ quay, res, now }) => {
    const found = (await pricesNow(quay.store.db, now)) ?? fail(409, 'noPricesYet');
    res.set('ETag', `"${found.version}"`);
    return found;
  }),
  on(api.changePrices, async (call) => {
    const next = await changePrices(call.quay.store.db, call.body, call.seen, madeIn(call));
    call.res.set('ETag', `"${next.version}"`);
    return next;
  }),
  on(api.dropPlannedPrices, async (call) => {
    const next = await dropPlanned(call.quay.store.db, call.params.from, call.seen, madeIn(call));
    call.res.set('ETag', `"${next.version}"`);
    return next;
  }),
  on(api.priceTable, async ({ quay, res, now }) => {
    const found = (await pricesIn(quay.store.db, now)) ?? fail(409, 'noPricesYet');
    res
      .set({ 'Content-Type': 'text/csv; charset=utf-8', 'Content-Disposition': 'attachment; filename="prices.csv"' })
      .send(writePriceTable(datedOf(found)));
    return sent;
  }),
  on(api.previewPriceTable, async (call) => {
    const { db } = call.quay.store;
    const found = (await pricesIn(db, call.now)) ?? fail(409, 'noPricesYet');
    const faults: Fault[] = [];
    const { currency } = found.now.list;
    const rows = rowsSent(call, currency, faults);
    const lists = datedOf(found);
    return {
      version: found.newest,
      currency,
      lists: changesBetween(lists, withRows(lists, rows, await earliestDay(db, call.now))),
      rows: rows.length,
      faults: faults.map(({ where, reason }) => ({ where, reason })),
    };
  }),
  on(api.loadPriceTable, async (call) => {
    const { db } = call.quay.store;
    const found = (await pricesIn(db, call.now)) ?? fail(409, 'noPricesYet');
    const faults: Fault[] = [];
    const rows = rowsSent(call, found.now.list.currency, faults);
    if (faults.length > 0) fail(422, 'faults', { faults: faults.map(({ where, reason }) => `${where}: ${reason}`).join('\n') });
    return replanLists(db, call.seen, madeIn(call), (lists, today) => withRows(lists, rows, today));
  }),
  on(operator.getLogo, async ({ quay, res }) => {
    const logo = (await readLogo(quay.store.db)) ?? fail(404, 'noPhoto');
    res.set('Content-Type', 'image/jpeg').send(logo);
    return sent;
  }),
  on(operator.keepLogo, async ({ quay, req }) => ({
    logo: await keepLogo(quay.store.db, await logoFrom(quay.store, Buffer.isBuffer(req.body) ? req.body : Buffer.alloc(0))),
  })),
  on(operator.dropLogo, async ({ quay }) => {
    await dropLogo(quay.store.db);
    return { ok: true as const };
  }),
  on(operator.getOperator, async ({ quay, res }) => {
    const now = await operatorNow(quay.store.db);
    res.set('ETag', `"${now.version}"`);
    return now;
  }),
  on(operator.changeOperator, async (call) => {
    const { quay, body, seen, now, res } = call;
    const next = await changeOperator(quay.store.db, body, seen, { at: now, by: staffOf(call).staff.id });
    res.set('ETag', `"${next.version}"`);
    return next;
  }),
];
