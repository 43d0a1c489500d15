import { resolve } from 'node:path';
import { compareCommand } from './command';

/** `./quay compare`: a program of its own, since what the quay's other tools need takes longer to load than to compare a pair. */
const named = (file: string): string => resolve(process.env.QUAY_FROM ?? '.', file);

try {
  if (!(await compareCommand(process.argv.slice(2), import.meta.dirname, named))) {
    console.error('Not every pair could be read.');
    process.exitCode = 1;
  }
} catch (error) {
  console.error((error as Error).message);
  process.exitCode = 1;
}
