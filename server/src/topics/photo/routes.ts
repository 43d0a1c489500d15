import { createReadStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import * as api from '@quay/contract/record';
import { on, sent, whoOf } from '../../platform/http/mount';
import { keepBytePace } from '../../platform/http/pace';
import { fail } from '../../platform/http/problem';
import { mustExist } from '../booking/mustExist';
import { copyOf, fileOf, photoRow } from './photo';
import { appendPhoto, progressOf, type UploadFault } from './upload';

const STATUS: Record<UploadFault, number> = {
  tooLarge: 413,
  tooManyPixels: 413,
  tooHeavy: 413,
  heic: 415,
  noImage: 415,
  truncated: 422,
  nameDiffers: 422,
  notNamed: 409,
  hireClosed: 409,
  tooManyPhotos: 409,
  diskFull: 507,
};

export const photoRoutes = [
  on(api.photoState, async (call) => {
    await mustExist(call, call.params.hireId);
    return progressOf(call.quay.store, call.params.hireId, call.params.sha);
  }),
  on(api.sendPhoto, async (call) => {
    const { quay, params, query, req, now } = call;
    await mustExist(call, params.hireId);
    const piece: unknown = req.body;
    if (!Buffer.isBuffer(piece)) return fail(415, 'noBytes');
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
      if (done.complete) quay.comparing?.enqueue(params.hireId);
      return { bytes: done.bytes, complete: done.complete };
    }
    return fail(STATUS[done.fault], done.fault);
  }),
  on(api.getPhoto, async (call) => {
    const row = await photoRow(call.quay.store, call.params.hireId, call.params.sha);
    if (!row) return fail(404, 'noPhoto');
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
