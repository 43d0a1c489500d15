import { createReadStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import * as api from '@quay/contract/record';
import { type Call, on, sent, whoOf } from '../../platform/http/mount';
import { keepBytePace } from '../../platform/http/pace';
import { DISK_FULL, fail } from '../../platform/http/problem';
import { hireExists } from '../booking/hire';
import { copyOf, fileOf, photoRow } from './photo';
import { appendPhoto, progressOf, type UploadFault } from './upload';

const mustExist = async (call: Call<unknown>, hireId: string): Promise<void> => {
  if (!(await hireExists(call.quay.store.db, hireId))) fail(404, 'noSuchHire', 'There is no such hire.');
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

export const photoRoutes = [
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
