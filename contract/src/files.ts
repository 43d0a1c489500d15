import * as z from 'zod/mini';
import { endpoint } from './endpoint';
import { nothing, Sha256 } from './parts';

/** An installation as files in the open formats: taken away whole, and brought in with what would change seen before it does. */

/** No installation’s files are larger, bytes; pictures are none of them. */
export const FILES_LIMIT_BYTES = 24 * 1024 * 1024;

export const FILE_KINDS = ['operator', 'bases', 'classes', 'boats', 'waters', 'rules', 'prices', 'hires', 'staff', 'logo'] as const;
export type FileKind = (typeof FILE_KINDS)[number];

const told = z.array(z.object({ file: z.string(), where: z.string(), reason: z.string() }));
const FilesPreview = z.object({
  /** What was seen: it is this or nothing that is taken over. */
  digest: Sha256,
  kinds: z.array(
    z.object({
      kind: z.enum(FILE_KINDS),
      /** By name. */
      new: z.array(z.string()),
      changed: z.array(z.string()),
      same: z.int(),
    }),
  ),
  /** Files that are no part of an installation, and were left out. */
  left: z.array(z.string()),
  /** As long as there is one, nothing can be taken over. */
  faults: told,
  /** What is missing, and keeps nothing from being taken over. */
  notices: told,
  /** How many faults and notices there are; the first of them are told. */
  counts: z.object({ faults: z.int(), notices: z.int() }),
});
export type FilesPreview = z.infer<typeof FilesPreview>;

export const takeFiles = endpoint({
  name: 'takeFiles',
  summary: 'The whole installation as a ZIP of files in the open formats. Records and pictures are no part of it.',
  method: 'GET',
  path: '/files',
  roles: ['manager'],
  params: nothing,
  /** `secrets`: with what people sign in with, as it is kept, so that they go on signing in where it is brought. */
  query: z.object({ secrets: z.optional(z.enum(['yes', 'no'])) }),
  body: nothing,
  gives: 'application/zip',
  reply: z.unknown(),
});

export const previewFiles = endpoint({
  name: 'previewFiles',
  summary: 'What a ZIP of files would change. What it does not hold stays as it is; nothing is changed yet.',
  method: 'POST',
  path: '/files',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  takesBytes: true,
  reply: FilesPreview,
});

export const loadFiles = endpoint({
  name: 'loadFiles',
  summary: 'Takes the files of a ZIP over, all of them or none, as they were seen.',
  method: 'POST',
  path: '/files/taken',
  roles: ['manager'],
  params: nothing,
  query: z.object({ digest: Sha256 }),
  body: nothing,
  takesBytes: true,
  reply: z.object({ bases: z.int(), boats: z.int(), hires: z.int() }),
});
