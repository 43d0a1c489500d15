import { accessSync, constants, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import knex, { type Knex } from 'knex';
import { picturesHere } from '../pictures/pictures';
import type { PictureWork } from '../pictures/work';
import { migrations } from './migrations/migrations';
import { freeRoom } from './freeRoom';
// What rows of each table hold is known wherever a store is.
import type {} from './tables';

export type Store = {
  db: Knex;
  folder: string;
  photos: string;
  /** Opens what arrives as a photograph. */
  pictures: PictureWork;
  /** What is free on the disk, bytes. */
  freeRoom(): Promise<number>;
  close(): Promise<void>;
};

/** The data folder cannot be used; the message is for whoever started the program. */
export class DataFolderError extends Error {}

/** Makes sure of the folder before anything else touches it, so that the reason is clear. @throws DataFolderError */
export const readyFolder = (folder: string) => {
  try {
    mkdirSync(join(folder, 'photos'), { recursive: true });
    accessSync(folder, constants.R_OK | constants.W_OK);
  } catch (error) {
    throw new DataFolderError(`The data folder ${folder} cannot be written: ${(error as Error).message}`);
  }
};

type Raw = { pragma(text: string): unknown };

/** The PRAGMAs that every connection runs with; the bench uses the same. */
export const PRAGMAS = ['journal_mode = WAL', 'synchronous = FULL', 'foreign_keys = ON', 'busy_timeout = 5000'];

/** Opens (or makes) the installation in a folder and brings its tables up to date. @param pictures who opens photographs @throws DataFolderError */
export const openStore = async (folder: string, pictures: PictureWork = picturesHere()): Promise<Store> => {
  readyFolder(folder);
  const db = knex({
    client: 'better-sqlite3',
    connection: { filename: join(folder, 'quay.sqlite') },
    useNullAsDefault: true,
    // A statement that fails is told without what it was about: names and contacts are nobody's who reads a log.
    compileSqlOnError: false,
    // One connection: inside a transaction nothing else may be awaited.
    pool: {
      min: 1,
      max: 1,
      afterCreate: (raw: Raw, done: (error: null, raw: Raw) => void) => {
        for (const text of PRAGMAS) raw.pragma(text);
        done(null, raw);
      },
    },
  });
  try {
    await db.migrate.latest({ migrationSource: migrations });
  } catch (error) {
    await db.destroy();
    throw new DataFolderError(`The database in ${folder} could not be opened or brought up to date: ${(error as Error).message}`);
  }
  return { db, folder, photos: join(folder, 'photos'), pictures, freeRoom: () => freeRoom(folder), close: () => db.destroy() };
};
