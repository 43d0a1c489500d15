import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { buildAll } from './build';

type Outcome = { passed: number; failed: number };

const runStep = (command: string, args: readonly string[]): Promise<number> =>
  new Promise((resolve) => {
    const child = spawn(command, args, { stdio: ['ignore', 'inherit', 'inherit'] });
    child.once('exit', (code) => resolve(code ?? 1));
    child.once('error', () => resolve(1));
  });

/** A step that either holds or not. */
const check = async (name: string, command: string, args: readonly string[]): Promise<Outcome> => {
  const began = Date.now();
  const code = await runStep(command, args);
  console.log(`${code === 0 ? 'ok  ' : 'FAIL'} ${name} (${Math.round((Date.now() - began) / 1000)} s)`);
  return code === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 };
};

/** A step whose runner counts its own tests into a JSON file. */
const counted = async (
  name: string,
  command: string,
  args: readonly string[],
  file: string,
  read: (json: never) => Outcome,
): Promise<Outcome> => {
  rmSync(file, { force: true });
  const { failed } = await check(name, command, args);
  try {
    const outcome = read(JSON.parse(readFileSync(file, 'utf8')) as never);
    // A runner that ends badly without a failed test has failed all the same.
    return { ...outcome, failed: Math.max(outcome.failed, failed) };
  } catch {
    return { passed: 0, failed: 1 };
  }
};

const TYPES = ['core', 'core/tsconfig.test.json', 'contract', 'server', 'app', 'bench', 'e2e'];

/** Everything that must hold. `--only` takes one of: format, lint, arrows, types, unit, journeys. */
export const test = async (args: readonly string[]): Promise<void> => {
  const only = args.includes('--only') ? args[args.indexOf('--only') + 1] : undefined;
  mkdirSync('.build', { recursive: true });
  const outcomes: Outcome[] = [];
  const wants = (part: string) => only === undefined || only === part;
  if (wants('format')) outcomes.push(await check('format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']));
  if (wants('lint')) outcomes.push(await check('lint', 'npx', ['eslint', '--max-warnings', '0', '.']));
  if (wants('arrows'))
    outcomes.push(
      await check('arrows', 'npx', [
        'depcruise',
        '--config',
        '.dependency-cruiser.cjs',
        'core/src',
        'contract/src',
        'server/src',
        'app/src',
        'e2e',
        'bench',
        'cli',
      ]),
    );
  if (wants('types')) for (const project of TYPES) outcomes.push(await check(`types of ${project}`, 'npx', ['tsc', '-p', project]));
  if (wants('unit')) {
    await buildAll({ app: false });
    outcomes.push(
      await counted(
        'unit and server',
        'npx',
        ['jest', '--json', '--outputFile', '.build/jest.json'],
        '.build/jest.json',
        (json: { numPassedTests: number; numFailedTests: number; numFailedTestSuites: number }) => ({
          passed: json.numPassedTests,
          failed: Math.max(json.numFailedTests, json.numFailedTestSuites),
        }),
      ),
    );
  }
  if (wants('journeys')) {
    await buildAll();
    outcomes.push(
      await counted(
        'journeys',
        'npx',
        ['playwright', 'test', '-c', 'e2e/playwright.config.ts'],
        '.build/journeys.json',
        (json: { stats: { expected: number; unexpected: number; flaky: number } }) => ({
          passed: json.stats.expected + json.stats.flaky,
          failed: json.stats.unexpected,
        }),
      ),
    );
  }
  const passed = outcomes.reduce((sum, one) => sum + one.passed, 0);
  const failed = outcomes.reduce((sum, one) => sum + one.failed, 0);
  console.log(`${passed} passed, ${failed} failed`);
  process.exit(failed > 0 || passed === 0 ? 1 : 0);
};
