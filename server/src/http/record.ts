import { createReadStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import * as api from '@quay/contract/record';
import { copyOf, fileOf, photoRow } from '../store/photo';
import { appendPhoto, progressOf, type UploadFault } from '../store/upload';
import { appendEvents } from '../store/delivery';
import { asideOf, eventsAfter } from '../store/record';
import { refreshIfStale } from '../store/refresh';
import { granted } from '../store/session';
import { type Handover, unattended } from '@quay/core/policy/school';
import { type Call, on, sent, whoOf } from './mount';
import { keepBytePace, keepPace } from './pace';
import { DISK_FULL, fail } from './problem';

const mustExist = async (call: Call<unknown>, hireId: string): Promise<{ handover: Handover; newestBook: number }> =>
  ((await call.quay.store
    .db('hire')
    .join('boat', 'boat.id', 'hire.boat')
    .where('hire.id', hireId)
    .first('hire.handover', 'boat.bookVersion as newestBook')) as { handover: Handover; newestBook: number } | undefined) ??
  fail(404, 'noSuchHire', 'There is no such hire.');

type Maker = { id: string; role: 'hand' | 'manager' | 'renter'; leftAt?: string | undefined };

/** Who made what is delivered: the person whose grant comes with it, else whoever is signed in. */
const makerOf = async (call: Call<unknown>): Promise<Maker> => {
  const who = whoOf(call);
  const grant = call.req.get('x-quay-grant');
  if (grant === undefined || call.renter) return who;
  const maker =
    (await granted(call.quay.store.db, grant, who.device, new Date(call.now))) ??
    fail(
      403,
      'grantEnded',
      'These entries can no longer be sent in their maker’s name from this phone.',
      'They stay on this phone. Their maker signs in once more on it.',
    );
  // Who is signed in here again answers for it now.
  return maker.id === who.id ? { id: who.id, role: who.role } : maker;
};

const PHOTO_FAULTS: Record<UploadFault, [number, string, string]> = {
  tooLarge: [413, 'The photograph is over 25 MB.', 'Take it again in a smaller size. The mark stays.'],
  tooManyPixels: [
    413,
    'The photograph has more than 50 million pixels, or a side longer than 20 000.',
    'Take it again in a smaller size. The mark stays.',
  ],
  tooHeavy: [413, 'The photograph takes more memory than the quay gives to one.', 'Take it again in a smaller size. The mark stays.'],
  heic: [415, 'The photograph is in the HEIC format.', 'Set the camera to “most compatible” (JPEG) and take it again. The mark stays.'],
  noImage: [415, 'This file is no photograph that can be read.', 'JPEG, PNG and WebP can. The mark stays.'],
  truncated: [422, 'The end of the photograph is missing.', 'Take it again. The mark stays.'],
  nameDiffers: [422, 'What arrived is not what was sent.', 'It is sent again from the start.'],
  notNamed: [409, 'No entry of this hire speaks of this photograph.', 'It stays on the phone and goes out after the entry.'],
  hireClosed: [409, 'This hire is closed.', 'The photograph stays on the phone; show it at the quay.'],
  tooManyPhotos: [409, 'This hire takes no more photographs.', 'It stays on the phone; show it at the quay.'],
  diskFull: [507, ...DISK_FULL],
};

/** What an entry says it is; whether it is one is judged where it is taken. */
const kindOf = (event: unknown): unknown => (event as { body?: { kind?: unknown } } | null)?.body?.kind;

export const recordRoutes = [
  on(api.appendEvents, async (call) => {
    const { quay, params, body, now } = call;
    const { handover, newestBook } = await mustExist(call, params.hireId);
    await keepPace(whoOf(call).device.id, whoOf(call).role, body.events.length);
    const maker = await makerOf(call);
    const taken = await appendEvents(quay.store.db, {
      hire: params.hireId,
      newestBook,
      device: whoOf(call).device.id,
      actor: { id: maker.id, role: maker.role },
      leftAt: maker.leftAt,
      alone: { out: unattended(handover, 'out'), in: unattended(handover, 'in') },
      events: body.events,
      behindMs: Math.round(Date.parse(now) - Date.parse(body.sentAt)),
      now,
    });
    if (body.events.some((event) => kindOf(event) === 'surfaceLooked')) quay.comparing?.look(params.hireId);
    return taken;
  }),
  on(api.readEvents, async (call) => {
    await mustExist(call, call.params.hireId);
    await refreshIfStale(call.quay.store.db, call.params.hireId, call.quay.key, call.now);
    const page = await eventsAfter(call.quay.store.db, call.params.hireId, Number(call.query.after ?? 0));
    return {
      events: page.rows,
      cursor: String(page.cursor),
      more: page.more,
      aside: await asideOf(call.quay.store.db, call.params.hireId),
    };
  }),
  on(api.photoState, async (call) => {
    await mustExist(call, call.params.hireId);
    return progressOf(call.quay.store, call.params.hireId, call.params.sha);
  }),
  on(api.sendPhoto, async (call) => {
    const { quay, params, query, req, now } = call;
    await mustExist(call, params.hireId);
    const piece: unknown = req.body;
    if (!Buffer.isBuffer(piece)) return fail(415, 'noBytes', 'A piece of a photograph is sent as application/octet-stream.');
    const { device, role } = whoOf(call);
    await keepBytePace(device.id, role, piece.length);
    const done = await appendPhoto(quay.store, {
      hire: params.hireId,
      sha: params.sha,
      offset: Number(query.offset),
      size: Number(query.size),
      bytes: piece,
      now,
      from: { device: device.id, role },
    });
    if (done.ok) {
      if (done.complete) quay.comparing?.look(params.hireId);
      return { bytes: done.bytes, complete: done.complete };
    }
    const [status, title, detail] = PHOTO_FAULTS[done.fault];
    return fail(status, done.fault, title, detail);
  }),
  on(api.getPhoto, async (call) => {
    const row = await photoRow(call.quay.store, call.params.hireId, call.params.sha);
    if (!row) return fail(404, 'noPhoto', 'This photograph has not arrived at the quay.');
    const { res, quay, params, renter } = call;
    // What a link opened is gone with the link; staff's browsers ask each time whether they may still show it.
    const etag = `"${params.sha}"`;
    res.set({ 'Cache-Control': renter ? 'no-store' : 'private, no-cache', ETag: etag });
    // A renter gets a photograph without where it was taken and by whose camera.
    const copy = call.query.size === 'small' ? 'small' : renter ? 'plain' : undefined;
    if (copy) {
      res.type('image/jpeg').send(await copyOf(quay.store, params.sha, copy));
      return sent;
    }
    if (call.req.get('if-none-match') === etag) {
      res.status(304).end();
      return sent;
    }
    res.set({ 'Content-Type': row.media, 'Content-Length': String(row.bytes) });
    await pipeline(createReadStream(fileOf(call.quay.store, call.params.sha)), call.res);
    return sent;
  }),
];
