import type { Knex } from 'knex';
import type { CardTerminal, TerminalAnswer } from '@quay/contract/deposit';

export const silence = Symbol('silence');
/** What the terminal says, or its silence once it has been waited for long enough. */
export const waitFor = async (answer: Promise<TerminalAnswer>, waitMs: number): Promise<TerminalAnswer | typeof silence> => {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<typeof silence>((done) => {
    timer = setTimeout(() => done(silence), waitMs);
  });
  try {
    return await Promise.race([answer, late]);
  } finally {
    clearTimeout(timer);
  }
};

/** What the terminal knows an asking by: no two hires share one. */
export const nameOf = (hire: string, attempt: string): string => `${hire}.${attempt}`;

/** Where it is written down, with which terminal, by which clock. */
export type Desk = { db: Knex; terminal: CardTerminal; clock: () => Date };

/** What is asked of one hire's terminal is asked one after the other. */
const queues = new Map<string, Promise<unknown>>();
export const oneByOne = <T>(hire: string, work: () => Promise<T>): Promise<T> => {
  const turn = (queues.get(hire) ?? Promise.resolve()).then(work, work);
  const done = turn.catch(() => undefined).finally(() => queues.get(hire) === done && queues.delete(hire));
  queues.set(hire, done);
  return turn;
};
