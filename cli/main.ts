import { cpSync, existsSync, mkdirSync, readFileSync, statSync } from 'node:fs';
import { networkInterfaces } from 'node:os';
import { BuildError } from '../app/build';
import { buildServer } from '../server/build';
import { buildAll } from './build';
import { flagOf, must, run, startServer } from './run';

const [command = '', ...args] = process.argv.slice(2);
const WEB = 'app/dist';

/** Passes signals on, so that the server stops cleanly, and ends with its code. */
const stayWith = (child: {
  kill(signal: NodeJS.Signals): boolean;
  once(event: 'exit', listener: (code: number | null) => void): unknown;
}) => {
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => child.kill(signal));
  child.once('exit', (code) => process.exit(code ?? 0));
};

const DEMO = '.quay/demo';
/** The demo always lives in the present: its data is made anew when it is older than this. */
const DEMO_STALE_MS = 6 * 3_600_000;

const demo = async () => {
  await buildAll();
  const made = statSync(`${DEMO}/made`, { throwIfNoEntry: false });
  const stale = !existsSync(`${DEMO}/quay.sqlite`) || !made || Date.now() - made.mtimeMs > DEMO_STALE_MS;
  if (stale || args.includes('--fresh')) {
    mkdirSync('.quay', { recursive: true });
    await must(process.execPath, ['server/dist/tool.mjs', 'demo', '--data', DEMO, '--from', 'demo']);
    cpSync('demo/operator.json', `${DEMO}/made`);
  }
  const { child, port } = await startServer(['--data', DEMO, '--web', WEB, '--port', flagOf(args, 'port') ?? '4173']).catch(() =>
    process.exit(1),
  );
  const staff = readFileSync('demo/staff.csv', 'utf8')
    .trim()
    .split('\n')
    .slice(1)
    .map((line) => line.split(','));
  const outside = Object.values(networkInterfaces())
    .flat()
    .find((one) => one && !one.internal && one.family === 'IPv4')?.address;
  console.log(`\n  Ossel Boat Hire (everything invented) on http://localhost:${port}`);
  if (outside) console.log(`  from a phone: http://${outside}:${port}  (without https no walk can be begun there)`);
  console.log('\n  sign in as');
  for (const [, name, role, secret] of staff)
    console.log(
      `    ${name?.padEnd(14)} ${role?.padEnd(8)} ${secret}${role === 'hand' ? '   (after a manager has enrolled the browser: Phones, then the code)' : ''}`,
    );
  console.log('\n  Ctrl-C stops it.\n');
  stayWith(child);
};

const start = async () => {
  const data = flagOf(args, 'data');
  if (data === undefined) {
    console.error('./quay start needs --data DIR, the folder that holds this installation.');
    process.exit(1);
  }
  const [cert, key] = [flagOf(args, 'tls-cert'), flagOf(args, 'tls-key')];
  if ((cert === undefined) !== (key === undefined)) {
    console.error('--tls-cert and --tls-key belong together.');
    process.exit(1);
  }
  await buildAll();
  await must(process.execPath, ['server/dist/tool.mjs', 'setup', '--data', data]);
  const { child, port } = await startServer(['--web', WEB, ...args]).catch(() => process.exit(1));
  console.log(`Jolly Quay is running on ${cert ? 'https' : 'http'}://localhost:${port}`);
  if (cert === undefined && !args.includes('--behind-proxy'))
    console.log('Without https phones cannot work offline: give --tls-cert and --tls-key, or --behind-proxy.');
  stayWith(child);
};

const dev = async () => {
  await buildAll({ app: false });
  if (!existsSync(`${DEMO}/quay.sqlite`)) await must(process.execPath, ['server/dist/tool.mjs', 'demo', '--data', DEMO, '--from', 'demo']);
  const { watch } = await import('./dev');
  await watch(DEMO);
};

const tool = async () => {
  await buildAll({ app: false });
  process.exit(await run(process.execPath, ['server/dist/tool.mjs', command, ...args]));
};

const COMMANDS: Record<string, () => Promise<unknown>> = {
  demo,
  start,
  dev,
  test: async () => (await import('./test')).test(args),
  // Measured as it runs in production: bundled, not as it is written.
  bench: async () => {
    await buildServer('server/dist', { bench: 'bench/main.ts' });
    process.exit(await run(process.execPath, ['--enable-source-maps', 'server/dist/bench.mjs', ...args]));
  },
  shots: async () => (await import('./shots')).shots(),
};

try {
  await (COMMANDS[command] ?? tool)();
} catch (error) {
  console.error(error instanceof BuildError ? error.message : error);
  process.exit(1);
}
