import { buildAll } from './build';
import { BuildError, flagOf, must, run, startServer, stayWith } from './run';

const [command = '', ...args] = process.argv.slice(2);
const WEB = 'app/dist';

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
  const { child, port, setupCode } = await startServer(['--web', WEB, ...args]).catch(() => process.exit(1));
  const address = `${cert ? 'https' : 'http'}://localhost:${port}`;
  console.log(`Jolly Quay is running on ${address}`);
  if (setupCode !== undefined)
    console.log(`\n  Nobody is set up here yet. Open this address, good once:\n    ${address}/setup#${setupCode}\n`);
  if (cert === undefined && !args.includes('--behind-proxy'))
    console.log('Without https phones cannot work offline: give --tls-cert and --tls-key, or --behind-proxy.');
  stayWith(child);
};

const dev = async () => {
  await buildAll({ app: false });
  const { data, clockAheadMs } = await (await import('./demo')).makeDemo();
  const { watch } = await import('./dev');
  await watch(data, clockAheadMs);
};

const tool = async () => {
  await buildAll({ app: false });
  process.exit(await run(process.execPath, ['server/dist/tool.mjs', command, ...args]));
};

const compare = async () => {
  await buildAll({ app: false });
  process.exit(await run(process.execPath, ['server/dist/compareCommand.mjs', ...args]));
};

const COMMANDS: Record<string, () => Promise<unknown>> = {
  demo: async () => (await import('./demo')).demo(args),
  start,
  compare,
  dev,
  test: async () => (await import('./test')).test(args),
  // Measured as it runs in production: bundled, not as it is written.
  bench: async () => {
    await (await import('../server/build')).buildServer('server/dist', { bench: 'bench/main.ts' });
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
