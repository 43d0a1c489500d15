import Database from 'better-sqlite3';
import { join } from 'node:path';

const LOCK_FILE = 'quay.lock';

/**
 * Takes a data folder for one program alone. It is a lock of the system's on a file in the folder, through SQLite, which
 * knows how on every system: it goes with the process, however that ends, and is with the folder wherever that is moved.
 * @returns how to let go; undefined when somebody else has it
 */
export const holdFolder = (data: string): (() => void) | undefined => {
  const file = new Database(join(data, LOCK_FILE), { timeout: 0 });
  try {
    file.exec('begin exclusive');
  } catch (error) {
    file.close();
    if ((error as { code?: string }).code === 'SQLITE_BUSY') return undefined;
    throw error;
  }
  return () => {
    file.exec('rollback');
    file.close();
  };
};
