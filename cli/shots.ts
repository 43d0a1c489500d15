import { mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { buildAll } from './build';
import { must } from './run';

const FOLDER = 'docs/screenshots';

/** Makes the pictures in docs/screenshots/ anew from the demo data. */
export const shots = async (): Promise<void> => {
  await buildAll();
  const began = Date.now();
  mkdirSync(FOLDER, { recursive: true });
  await must('npx', ['playwright', 'test', '-c', 'e2e/shots.config.ts']);
  // What no view is called any more goes, and only once all the others are there.
  for (const name of readdirSync(FOLDER))
    if (name.endsWith('.png') && statSync(join(FOLDER, name)).mtimeMs < began) rmSync(join(FOLDER, name));
};
