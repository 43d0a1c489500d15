import type { Quality } from '@quay/core/photo/quality';

/** What the page and the thread that judges photographs say to each other. */
export type ToJudge = { id: number; blob: Blob };
export type Judged = { id: number; ok: true; quality: Quality } | { id: number; ok: false; why: string };
