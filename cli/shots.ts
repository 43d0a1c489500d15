import { mkdirSync, rmSync } from 'node:fs';
import { buildAll } from './build';
import { must } from './run';

/** Makes the pictures in docs/screenshots/ anew from the demo data. */
export const shots = async (): Promise<void> => {
  await buildAll();
  rmSync('docs/screenshots', { recursive: true, force: true });
  mkdirSync('docs/screenshots', { recursive: true });
  await must('npx', ['playwright', 'test', '-c', 'e2e/shots.config.ts']);
};
