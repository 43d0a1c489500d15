import * as api from '@quay/contract/exchange';
import { randomUUID } from 'node:crypto';
import type { Reading } from '@quay/core/booking/reading';
import { type Call, on, type Quay, sent, staffOf } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';
import { baseAmong } from '../booking/bases';
import { refreshStale } from '../record/refresh';
import { fetchAddress, fetchFeed } from './feeds';
import { dropFile, fileOf, keepFile } from './files';
import { loadPlan } from './load';
import { addressesOf, bookingsTable, calendarFor, makeAddress, withdrawAddress } from './out';
import { planIncoming, previewOf, readIncoming, readOrRefuse } from './plan';
import { readerHere } from './reader';
import { sourceLike, sourceRow, sourcesOf, toSource } from './sources';

/** Keeps the file and says what it is. */
const lookAt = async (quay: Quay, bytes: Buffer, name: string, now: string): Promise<api.Look> => {
  const { db } = quay.store;
  if (bytes.length > api.INCOMING_LIMIT_BYTES) return fail(413, 'tooLarge');
  const reply = await readOrRefuse((quay.reader ?? readerHere()).read({ bytes, look: true }));
  if (!('looked' in reply)) return fail(422, 'notReadable', { why: 'refused' in reply ? reply.refused : '' });
  const { looked } = reply;
  const known = looked.kind === 'table' ? { heads: looked.heads } : { name: looked.name };
  return { file: await keepFile(db, bytes, name, now), looked, source: await sourceLike(db, known) };
};

const seen = async (quay: Quay, file: string, reading: Reading, now: string) => {
  await refreshStale(quay.store.db, quay.key, now);
  return readIncoming(quay.store.db, quay.reader, await fileOf(quay.store.db, file), reading, now);
};

const load = async (call: Call<typeof api.loadIncoming>) => {
  const { quay, params, body, now } = call;
  const { db } = quay.store;
  const by = staffOf(call).staff.id;
  const { reading } = body;
  const content = await seen(quay, params.file, reading, now);
  const bytes = await fileOf(db, params.file);
  const look = await readOrRefuse((quay.reader ?? readerHere()).read({ bytes, look: true }));
  const heads = 'looked' in look && look.looked.kind === 'table' ? JSON.stringify(look.looked.heads) : null;
  return db.transaction(async (trx) => {
    const plan = await planIncoming(trx, content, reading, body.source, now);
    if (plan.digest !== body.digest) return fail(409, 'changedMeanwhile');
    const id = body.source ?? randomUUID();
    if (body.source !== undefined) await sourceRow(trx, id);
    const { feed } = body;
    const kept = {
      ...{ name: body.name, reading: JSON.stringify(reading), heads },
      ...(feed ? { address: feed.address, everyMinutes: feed.everyMinutes, checkedAt: now } : {}),
    };
    await trx('bookingSource')
      .insert({ id, ...kept, madeAt: now, madeBy: by })
      .onConflict('id')
      .merge(kept);
    const outcome = await loadPlan(trx, plan, { source: { id, name: body.name }, by, cancelGone: body.cancelGone, now });
    await trx('bookingSource')
      .where({ id })
      .update({ last: JSON.stringify(outcome) });
    await dropFile(trx, params.file);
    return { source: await toSource(trx, await sourceRow(trx, id)), outcome };
  });
};

export const exchangeRoutes = [
  on(api.lookAtFile, ({ quay, query, req, now }) => lookAt(quay, Buffer.isBuffer(req.body) ? req.body : Buffer.alloc(0), query.name, now)),
  on(api.lookAtAddress, async ({ quay, body, now }) => {
    const found = (await fetchAddress(body.address, null)) ?? fail(502, 'feedSilent', { why: '304' });
    return lookAt(quay, found.bytes, body.address, now);
  }),
  on(api.previewIncoming, async ({ quay, params, body, now }) => {
    const content = await seen(quay, params.file, body.reading, now);
    return previewOf(await planIncoming(quay.store.db, content, body.reading, body.source, now), content.boats);
  }),
  on(api.loadIncoming, load),
  on(api.listSources, async ({ quay }) => ({ sources: await sourcesOf(quay.store.db) })),
  on(api.fetchSource, async (call) => {
    const { quay, params } = call;
    const row = await sourceRow(quay.store.db, params.sourceId);
    if (row.address === null) return fail(404, 'noSuchSource');
    await fetchFeed(quay, row, staffOf(call).staff.id);
    return toSource(quay.store.db, await sourceRow(quay.store.db, row.id));
  }),
  on(api.dropSource, async ({ quay, params, now }) => {
    await sourceRow(quay.store.db, params.sourceId);
    await quay.store.db('bookingSource').where({ id: params.sourceId }).update({ withdrawnAt: now });
    return { ok: true as const };
  }),
  on(api.listAddresses, async ({ quay: { store } }) => {
    const boats = await store.db('boat').orderBy('name').select('id', 'name', 'base');
    const bases = await store.db('base').orderBy('name').select('id', 'name', 'zone');
    return {
      addresses: await addressesOf(store.db),
      bases: bases.map((base) => ({
        ...base,
        boats: boats.filter((boat) => boat.base === base.id).map(({ id, name }) => ({ id, name })),
      })),
    };
  }),
  on(api.makeAddress, (call) => makeAddress(call.quay.store.db, call.body, staffOf(call).staff.id, call.now)),
  on(api.withdrawAddress, async ({ quay, params, now }) => {
    await withdrawAddress(quay.store.db, params.id, now);
    return { ok: true as const };
  }),
  on(api.readCalendar, async ({ quay, params, res, now }) => {
    const text = await calendarFor(quay.store.db, params.token.replace(/\.ics$/, ''), `${quay.key.fingerprint.slice(0, 16)}.quay`, now);
    res.set({ 'Content-Type': 'text/calendar; charset=utf-8' }).send(text);
    return sent;
  }),
  on(api.bookingsCsv, async ({ quay, query, res }) => {
    const { base } = await baseAmong(quay.store.db, query.base);
    res
      .set({ 'Content-Type': 'text/csv; charset=utf-8', 'Content-Disposition': 'attachment; filename="bookings.csv"' })
      .send(await bookingsTable(quay.store.db, base, query));
    return sent;
  }),
];
