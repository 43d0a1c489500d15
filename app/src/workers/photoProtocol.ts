import type { Corners, Spot } from '@quay/core/photo/card';
import type { Quality } from '@quay/core/photo/quality';

/** What the page and the thread that looks at photographs say to each other. */
export type Asked =
  | { id: number; blob: Blob; ask: 'quality' }
  | { id: number; blob: Blob; ask: 'small' }
  /** Corners in a box of this size, in which the whole picture is shown as large as it fits. */
  | { id: number; blob: Blob; ask: 'corners'; corners: Corners; box: Spot; reach: number };
export type Said =
  | { id: number; ok: true; quality: Quality }
  | { id: number; ok: true; small: Blob }
  | { id: number; ok: true; corners: Corners | undefined }
  | { id: number; ok: false; why: string };
