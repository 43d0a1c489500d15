import type { Copy, Judged } from './work';

/** What the process that opens pictures is asked for. */
export type PictureTask = { judge: { file: string; sha: string } } | { copy: { file: string; as: Copy; to: string } };
export type PictureReply = { judged?: Judged } | { error: string; code: string | undefined };
