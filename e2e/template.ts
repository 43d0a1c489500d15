import { execFileSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';

// Bundled into the bench it has no place of its own; that is run from the root.
export const ROOT = typeof __dirname === 'undefined' ? process.cwd() : join(__dirname, '..');
export const TEMPLATE = join(ROOT, '.build/e2e-demo');

/** The hour at which each journey begins, whenever it is run: eighteen minutes to twelve on a Saturday in June, by the clocks of the bases. */
export const MOMENT = '2026-06-13T10:42:00.000Z';

/** Makes the demo operator's data as it is at a moment. */
export const makeTemplate = (folder: string, moment: string): void => {
  rmSync(folder, { recursive: true, force: true });
  execFileSync(process.execPath, ['server/dist/tool.mjs', 'demo', '--data', folder, '--from', 'demo', '--clock', moment], {
    cwd: ROOT,
    // What is measured or tested has standard output to itself.
    stdio: ['ignore', process.stderr, 'inherit'],
  });
};

/** The demo operator's data, made once; each journey works on a copy. */
export default (): void => makeTemplate(TEMPLATE, MOMENT);
