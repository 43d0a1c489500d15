import * as z from 'zod/mini';
import { endpoint } from './endpoint';
import { Id, Instant, nothing } from './parts';

/** Tracks of a hire: what a plotter or a phone wrote of where she was, laid over the waters. Evidence for a manager. */

/** A file packed by whoever sends it is unpacked to no more than this, bytes: two million fixes. */
export const TRACK_LIMIT_BYTES = 256 * 1024 * 1024;
/** Fixes of one track. */
export const MOST_FIXES = 1_000_000;
/** Tracks of one hire. */
export const MOST_TRACKS = 20;

const At = z.tuple([z.number(), z.number()]);
const Breach = z.object({
  is: z.enum(['speed', 'closed', 'near']),
  feature: Id,
  fromMs: z.number(),
  toMs: z.number(),
  fixes: z.int(),
  fastestMs: z.number(),
  offMs: z.number(),
  limitMs: z.optional(z.number()),
  at: At,
  sure: z.boolean(),
});
/** What the fixes show; times are ms since 1970, spans ms, speeds m/s, lengths m. */
export const TrackReport = z.object({
  fromMs: z.number(),
  toMs: z.number(),
  fixes: z.int(),
  faults: z.object({ wrongClock: z.int(), jumps: z.int(), gaps: z.int() }),
  here: z.int(),
  distanceM: z.number(),
  fastestMs: z.number(),
  movingMs: z.number(),
  engineMs: z.number(),
  darkMs: z.number(),
  nearShoreMs: z.number(),
  breaches: z.array(Breach),
  line: z.array(z.object({ atMs: z.number(), at: At, speedMs: z.number(), anew: z.boolean() })),
});
export type TrackReport = z.infer<typeof TrackReport>;

export const Track = z.object({ id: Id, name: z.string(), addedAt: Instant, by: z.string(), report: TrackReport });
export type Track = z.infer<typeof Track>;

const hireParams = z.object({ hireId: Id });

export const addTrack = endpoint({
  name: 'addTrack',
  summary: 'Lays a track (GPX 1.1, as it is or packed by gzip) over the waters of a hire and keeps what it shows.',
  method: 'POST',
  path: '/hires/:hireId/tracks',
  roles: ['manager'],
  params: hireParams,
  query: z.object({ name: z.optional(z.string().check(z.maxLength(200))) }),
  body: nothing,
  takesBytes: true,
  reply: Track,
});

export const listTracks = endpoint({
  name: 'listTracks',
  summary: 'Tracks of a hire and what each of them shows.',
  method: 'GET',
  path: '/hires/:hireId/tracks',
  roles: ['manager'],
  params: hireParams,
  query: nothing,
  body: nothing,
  reply: z.object({ tracks: z.array(Track) }),
});

export const dropTrack = endpoint({
  name: 'dropTrack',
  summary: 'Deletes a track for good.',
  method: 'DELETE',
  path: '/hires/:hireId/tracks/:track',
  roles: ['manager'],
  params: z.object({ hireId: Id, track: Id }),
  query: nothing,
  body: nothing,
  reply: nothing,
});
