import { type ChildProcess, spawn } from 'node:child_process';
import { join } from 'node:path';
import pLimit from 'p-limit';
import type { PictureReply, PictureTask } from './task';
import { copyPicture, judgePicture, type PictureWork } from './work';

/** One picture takes no more memory than this, whatever it claims to be, KiB. */
const MEMORY_KIB = 640 * 1024;
/** Nor more time, ms. */
const TIME_MS = 30_000;
/** With nothing to do for so long, the process ends, ms. */
const IDLE_MS = 60_000;

/** The picture cannot be opened within what one may take. */
export class TooHeavy extends Error {}

/** Opens pictures where it is asked, one at a time: for tests and for commands that come and go. */
export const picturesHere = (): PictureWork => {
  const one = pLimit(1);
  return {
    judge: (file, sha) => one(() => judgePicture(file, sha)),
    copy: (file, copy, to) => one(() => copyPicture(file, copy, to)),
    end: () => Promise.resolve(),
  };
};

export type Limits = { memoryKib?: number; timeMs?: number };

/**
 * Opens pictures in a process that has a limit of memory and of time, and is started anew when a picture has been its end.
 * @param program what it runs, with what Node.js needs to run it
 */
export const picturesApart = (program: readonly string[], { memoryKib = MEMORY_KIB, timeMs = TIME_MS }: Limits = {}): PictureWork => {
  const one = pLimit(1);
  let child: ChildProcess | undefined;
  let idle: NodeJS.Timeout | undefined;
  const leave = () => {
    child?.kill('SIGKILL');
    child = undefined;
  };
  const begin = (): ChildProcess => {
    // What a process may write to of its own (RLIMIT_DATA), which is what a picture is decoded into.
    const made = spawn('/bin/sh', ['-c', `ulimit -d ${memoryKib} && exec "$0" "$@"`, process.execPath, ...program], {
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
    });
    // Whoever waits for an answer is told; with nobody waiting it is started anew for the next picture.
    made.on('error', () => undefined);
    made.unref();
    made.channel?.unref();
    return made;
  };
  const ask = (task: PictureTask): Promise<PictureReply> => {
    clearTimeout(idle);
    if (!child?.connected) child = begin();
    const asked = child;
    return new Promise<PictureReply>((resolve, reject) => {
      const settle = (then: () => void) => {
        clearTimeout(timer);
        asked.off('message', answered).off('error', broken).off('exit', ended);
        asked.channel?.unref();
        then();
      };
      const over = (why: string) =>
        settle(() => {
          leave();
          reject(new TooHeavy(why));
        });
      const timer = setTimeout(() => over(`a picture took more than ${timeMs} ms`), timeMs);
      const answered = (reply: PictureReply) =>
        settle(() => {
          idle = setTimeout(leave, IDLE_MS).unref();
          resolve(reply);
        });
      const broken = (error: Error) =>
        settle(() => {
          leave();
          reject(error);
        });
      const ended = (code: number | null, signal: NodeJS.Signals | null) =>
        over(`a picture was the end of the process that opened it (${signal ?? code})`);
      asked.on('message', answered).on('error', broken).on('exit', ended);
      asked.channel?.ref();
      asked.send(task);
    });
  };
  return {
    judge: (file, sha) =>
      one(async () => {
        try {
          const reply = await ask({ judge: { file, sha } });
          if ('error' in reply) throw Object.assign(new Error(reply.error), { code: reply.code });
          return reply.judged ?? { ok: false, fault: 'noImage' };
        } catch (error) {
          if (!(error instanceof TooHeavy)) throw error;
          console.error(`quay: ${error.message}`);
          return { ok: false, fault: 'tooHeavy' };
        }
      }),
    copy: (file, as, to) =>
      one(async () => {
        const reply = await ask({ copy: { file, as, to } });
        if ('error' in reply) throw Object.assign(new Error(reply.error), { code: reply.code });
      }),
    end: async () => {
      clearTimeout(idle);
      one.clearQueue();
      leave();
      await Promise.resolve();
    },
  };
};

/** Where the bundled process lies beside the bundled quay. */
export const pictureProgram = (dist: string): string[] => [join(dist, 'picture.mjs')];
