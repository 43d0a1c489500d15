import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import * as api from '@quay/contract/track';
import type { ProblemCode } from '@quay/contract/problems';
import type { Knex } from 'knex';
import { doneApart, TookTooLong } from '../../../platform/apart';
import type { TrackRow } from '../../../platform/database/tables';
import { on, staffOf } from '../../../platform/http/mount';
import { fail } from '../../../platform/http/problem';
import { groundOf } from '../../party/party';
import { mustExist } from '../../booking/mustExist';
import { readTrack, type TrackRead, type TrackTask } from './read';

/** Whoever sends a track that takes longer means ill, ms. */
const TIME_MS = 60_000;

/** Reads a track in a thread of its own. @param threads where bundled threads lie; without, it is read here @throws TookTooLong */
const readApart = async (task: TrackTask, threads: string | undefined): Promise<TrackRead> =>
  threads === undefined ? readTrack(task) : doneApart(join(threads, 'track.mjs'), task, TIME_MS);

const FAULTS = {
  notGpx: 'trackNotGpx',
  noFixes: 'trackNoFixes',
  tooManyFixes: 'trackTooManyFixes',
  tooLarge: 'trackTooLarge',
  noWaters: 'trackNoWaters',
  elsewhere: 'trackElsewhere',
} as const satisfies Record<Extract<TrackRead, { refused: unknown }>['refused']['is'], ProblemCode>;

const toTrack = ({ id, name, addedAt, addedBy, report }: TrackRow, staff: string): api.Track => ({
  id,
  name,
  addedAt,
  by: staff || addedBy,
  report: JSON.parse(report) as api.TrackReport,
});

const tracksOf = async (db: Knex, hire: string): Promise<api.Track[]> => {
  const rows = (await db('track')
    .leftJoin('staff', 'staff.id', 'track.addedBy')
    .where('track.hire', hire)
    .orderBy('track.addedAt')
    .select('track.*', 'staff.name as staff')) as (TrackRow & { staff: string | null })[];
  return rows.map((row) => toTrack(row, row.staff ?? ''));
};

export const trackRoutes = [
  on(api.listTracks, async (call) => {
    await mustExist(call, call.params.hireId);
    return { tracks: await tracksOf(call.quay.store.db, call.params.hireId) };
  }),
  on(api.addTrack, async (call) => {
    const { quay, params, query, req, now } = call;
    const { db } = quay.store;
    const { staff } = staffOf(call);
    await mustExist(call, params.hireId);
    const bytes: unknown = req.body;
    if (!Buffer.isBuffer(bytes)) return fail(415, 'noBytes');
    const [{ n = 0 } = {}] = (await db('track').where({ hire: params.hireId }).count({ n: '*' })) as { n?: number }[];
    if (n >= api.MOST_TRACKS) return fail(409, 'tooManyTracks', { most: api.MOST_TRACKS });
    const ground = await groundOf(db, params.hireId);
    if (!ground?.waters) return fail(422, 'trackNoWaters');
    const task = { bytes, waters: ground.waters, base: ground.base.position };
    const read = await readApart(task, quay.threads).catch((error: unknown) => {
      if (error instanceof TookTooLong) return fail(422, 'trackTooSlow');
      throw error;
    });
    if ('refused' in read) {
      const { is, why } = read.refused;
      return fail(422, FAULTS[is], { why });
    }
    const row: TrackRow = {
      id: randomUUID(),
      hire: params.hireId,
      name: query.name ?? '',
      addedAt: now,
      addedBy: staff.id,
      report: JSON.stringify(read.report),
    };
    await db('track').insert(row);
    return toTrack(row, staff.name);
  }),
  on(api.dropTrack, async ({ quay, params }) => {
    const gone = await quay.store.db('track').where({ hire: params.hireId, id: params.track }).del();
    if (gone === 0) return fail(404, 'notFound');
    return {};
  }),
];
