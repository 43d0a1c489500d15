import { statfs } from 'node:fs/promises';

/** Below this a manager is told, bytes. */
export const ROOM_WANTED = 3 * 1024 ** 3;
/** Photographs leave this much, so that the record itself, signing in and papers go on, bytes. */
export const ROOM_KEPT = 512 * 1024 ** 2;

/** What is free on the disk that the data lies on, bytes. */
export const freeRoom = async (folder: string): Promise<number> => {
  const { bavail, bsize } = await statfs(folder);
  return bavail * bsize;
};

/** Whether so many more bytes leave what has to stay free. */
export const hasRoom = async (store: { freeRoom(): Promise<number> }, bytes: number): Promise<boolean> =>
  (await store.freeRoom()) - bytes >= ROOM_KEPT;

/** Errors by which SQLite and the system say that nothing more can be written. */
const FULL = new Set(['SQLITE_FULL', 'ENOSPC', 'EDQUOT']);
/** On a full disk SQLite takes a transaction back by itself; whoever then takes it back finds none, and that is what is told. */
const TAKEN_BACK = /cannot rollback - no transaction is active/;

export const isDiskFull = (error: unknown): boolean => {
  const { code, cause, message } = (error ?? {}) as { code?: unknown; cause?: unknown; message?: unknown };
  return (
    (typeof code === 'string' && FULL.has(code)) ||
    (typeof message === 'string' && TAKEN_BACK.test(message)) ||
    (cause !== undefined && cause !== error && isDiskFull(cause))
  );
};
