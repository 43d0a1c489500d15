import { checkGround } from './ground';
import { checkHouse } from './house';
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { buildAll } from './build';

type Outcome = { passed: number; failed: number };

/** Runs a step and keeps what it says, so that steps side by side do not talk into each other. */
const runStep = (command: string, args: readonly string[], live: boolean): Promise<{ code: number; said: string }> =>
  new Promise((resolve) => {
    const child = spawn(command, args, { stdio: ['ignore', live ? 'inherit' : 'pipe', live ? 'inherit' : 'pipe'] });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream?.on('data', (data: Buffer) => (said += data.toString()));
    child.once('close', (code) => resolve({ code: code ?? 1, said }));
    child.once('error', (error) => resolve({ code: 1, said: error.message }));
  });

/** A step that either holds or not. */
const check = async (name: string, command: string, args: readonly string[], live = false): Promise<Outcome> => {
  const began = Date.now();
  const { code, said } = await runStep(command, args, live);
  if (code !== 0) process.stdout.write(said);
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
  const { failed } = await check(name, command, args, true);
  try {
    const outcome = read(JSON.parse(readFileSync(file, 'utf8')) as never);
    // A runner that ends badly without a failed test has failed all the same.
    return { ...outcome, failed: Math.max(outcome.failed, failed) };
  } catch {
    return { passed: 0, failed: 1 };
  }
};

/** `core` shows that the computation needs neither Node nor a browser; the root is all that runs in Node, `e2e` what drives Chromium. */
const TYPES = ['core', '.', 'app', 'e2e'];

/** Processor minutes of all steps so far, from what the kernel has counted of children that ended (`man 5 proc`); none elsewhere. */
const processorMinutes = (): number | undefined => {
  if (process.platform !== 'linux') return undefined;
  const TICKS_A_SECOND = 100;
  // The name of the program stands in brackets and may hold anything: fields are counted after it.
  const fields = readFileSync('/proc/self/stat', 'utf8').split(') ').at(-1)!.split(' ');
  return (Number(fields[13]) + Number(fields[14])) / TICKS_A_SECOND / 60;
};

/** Unit tests by part, each short enough to be waited for; without a part all of them run in one go. */
const UNIT_PARTS: Record<string, readonly string[]> = {
  core: ['--selectProjects', 'core', 'contract', 'simulators'],
  app: ['--selectProjects', 'app'],
  server: ['--selectProjects', 'server', '--testPathIgnorePatterns', 'photo/compare/'],
  compare: ['--selectProjects', 'server', '--testPathPattern', 'photo/compare/'],
  bookings: ['--selectProjects', 'server', '--testPathPattern', 'rebooking/model', '--testTimeout', '3600000'],
};
const PARTS = ['format', 'lint', 'arrows', 'types', ...Object.keys(UNIT_PARTS), 'journeys', 'webkit'];

/** What drives WebKit; Debian has it, other systems may not. */
const WEBKIT = ['/usr/bin/WebKitWebDriver', '/usr/bin/Xvfb'];
const journeysOf = (json: { stats: { expected: number; unexpected: number; flaky: number } }): Outcome => ({
  passed: json.stats.expected + json.stats.flaky,
  failed: json.stats.unexpected,
});

/** Everything that must hold. `--only` takes one of {@link PARTS}. */
export const test = async (args: readonly string[]): Promise<void> => {
  const only = args.includes('--only') ? (args[args.indexOf('--only') + 1] ?? '') : undefined;
  if (only !== undefined && !PARTS.includes(only)) {
    console.error(`--only takes one of: ${PARTS.join(', ')}`);
    process.exit(2);
  }
  // Asked for by itself it is gone through as often as it should be; beside everything else a little is enough.
  if (only === 'bookings') process.env.QUAY_MODEL_RUNS ??= '5000';
  mkdirSync('.build', { recursive: true });
  const outcomes: Outcome[] = [];
  const wants = (part: string) => only === undefined || only === part;
  // The server is built once, before anything that runs it.
  const unit = only === undefined || only in UNIT_PARTS;
  const browsers = wants('journeys') || wants('webkit');
  const server = unit || browsers ? buildAll({ app: false }) : Promise.resolve();
  // None of the checks uses more than one core, and the tests wait for the disk: side by side both cores are busy.
  const checksThenApp = async () => {
    if (wants('format')) outcomes.push(await check('format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']));
    if (wants('lint')) {
      outcomes.push(await check('lint', 'npx', ['eslint', '--max-warnings', '0', '.']));
      const own = checkGround();
      console.log(`${own === 0 ? 'ok  ' : 'FAIL'} ground`);
      outcomes.push({ passed: own === 0 ? 1 : 0, failed: own === 0 ? 0 : 1 });
    }
    if (wants('arrows')) {
      const over = checkHouse();
      console.log(`${over === 0 ? 'ok  ' : 'FAIL'} arrows`);
      outcomes.push({ passed: over === 0 ? 1 : 0, failed: over });
    }
    if (wants('types')) for (const project of TYPES) outcomes.push(await check(`types of ${project}`, 'npx', ['tsc', '-p', project]));
    await server;
    if (browsers) await buildAll();
  };
  const tests = async () => {
    if (!unit) return;
    await server;
    outcomes.push(
      await counted(
        only ?? 'unit and server',
        'npx',
        ['jest', ...(only === undefined ? [] : UNIT_PARTS[only]!), '--json', '--outputFile', '.build/jest.json'],
        '.build/jest.json',
        (json: { numPassedTests: number; numFailedTests: number; numFailedTestSuites: number }) => ({
          passed: json.numPassedTests,
          failed: Math.max(json.numFailedTests, json.numFailedTestSuites),
        }),
      ),
    );
  };
  await Promise.all([checksThenApp(), tests()]);
  if (wants('journeys')) {
    outcomes.push(
      await counted('journeys', 'npx', ['playwright', 'test', '-c', 'e2e/playwright.config.ts'], '.build/journeys.json', journeysOf),
    );
  }
  if (wants('webkit')) {
    const missing = WEBKIT.filter((program) => !existsSync(program));
    if (missing.length === 0)
      outcomes.push(await counted('webkit', 'npx', ['playwright', 'test', '-c', 'e2e/webkit.config.ts'], '.build/webkit.json', journeysOf));
    else {
      console.log(`${only === undefined ? 'left out:' : 'FAIL'} webkit: ${missing.join(' and ')} not here (webkit2gtk-driver, xvfb)`);
      if (only !== undefined) outcomes.push({ passed: 0, failed: 1 });
    }
  }
  const passed = outcomes.reduce((sum, one) => sum + one.passed, 0);
  const failed = outcomes.reduce((sum, one) => sum + one.failed, 0);
  const minutes = processorMinutes();
  console.log(`${passed} passed, ${failed} failed${minutes === undefined ? '' : `; ${minutes.toFixed(1)} processor minutes`}`);
  process.exit(failed > 0 || passed === 0 ? 1 : 0);
};
