import type { Knex } from 'knex';
import { BEGIN } from './001-begin';
import { ROUND } from './002-to-013';
import { OWN_QUAY } from './014-to-now';
import type { Migration } from './migration';

/** Only ever add to the end: an installation remembers which of these it has run. */
const ALL = [...BEGIN, ...ROUND, ...OWN_QUAY];

/** Migrations live in the program, not in a folder beside it: the compiled server is one file. */
export const migrations: Knex.MigrationSource<Migration> = {
  getMigrations: () => Promise.resolve([...ALL]),
  getMigrationName: ({ name }) => name,
  getMigration: (one) => Promise.resolve(one),
};
