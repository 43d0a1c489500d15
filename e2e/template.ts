import { execFileSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';

// Bundled into the bench it has no place of its own; that is run from the root.
export const ROOT = typeof __dirname === 'undefined' ? process.cwd() : join(__dirname, '..');
export const TEMPLATE = join(ROOT, '.build/e2e-demo');

/** The demo operator's data, made once; each journey works on a copy. */
export default (): void => {
  rmSync(TEMPLATE, { recursive: true, force: true });
  execFileSync(process.execPath, ['server/dist/tool.mjs', 'demo', '--data', TEMPLATE, '--from', 'demo'], { cwd: ROOT, stdio: 'inherit' });
};
