import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { loadImport } from '../../server/src/import/load';
import { readImport } from '../../server/src/import/read';
import { openStore, type Store } from '../../server/src/platform/database/open';

/** A store with the demo operator in a folder that goes with it. */
export const withDemoStore = async <T>(work: (store: Store, folder: string) => Promise<T>): Promise<T> => {
  const folder = await mkdtemp(join(tmpdir(), 'quay-bench-'));
  const store = await openStore(folder);
  try {
    const read = readImport('demo', new Date().toISOString());
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    await loadImport(store.db, read.data);
    return await work(store, folder);
  } finally {
    await store.close();
    await rm(folder, { recursive: true, force: true });
  }
};
