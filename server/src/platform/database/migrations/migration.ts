import type { Knex } from 'knex';

/** A step of the database's structure. */
export type Migration = { name: string; up(db: Knex): Promise<void>; down(): Promise<void> };

export const onlyForward = () => Promise.reject(new Error('migrations only go forward; restore a backup instead'));
