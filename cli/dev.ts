import { type ChildProcess, spawn } from 'node:child_process';
import { createServer, request } from 'node:http';
import { watch as watchFolder } from 'node:fs';
import { buildServer } from '../server/build';

const [FACE, METRO, SERVER] = [4173, 8081, 4174];

/** Server and app for work on them: the app from Metro as it is written, /api from a server that is rebuilt on change. */
export const watch = async (data: string, clockAheadMs: number): Promise<void> => {
  // Started without a go-between, so that it ends with us.
  const metro = spawn(process.execPath, ['../node_modules/expo/bin/cli', 'start', '--web', '--port', String(METRO)], {
    cwd: 'app',
    stdio: 'inherit',
    env: { ...process.env, EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', BROWSER: 'none' },
  });
  let server: ChildProcess | undefined;
  const restart = async () => {
    await buildServer('server/dist');
    server?.kill('SIGTERM');
    server = spawn(
      process.execPath,
      ['--enable-source-maps', 'server/dist/quay.mjs', '--data', data, '--port', String(SERVER), '--clock-ahead-ms', String(clockAheadMs)],
      {
        stdio: 'inherit',
      },
    );
  };
  await restart();
  let timer: NodeJS.Timeout | undefined;
  for (const folder of ['core/src', 'contract/src', 'server/src']) {
    watchFolder(folder, { recursive: true }, () => {
      clearTimeout(timer);
      timer = setTimeout(() => void restart(), 300);
    });
  }
  // One address for both, as in production: the session's cookies belong to one place.
  createServer((req, res) => {
    const port = req.url?.startsWith('/api') ? SERVER : METRO;
    const on = request({ port, path: req.url, method: req.method, headers: req.headers }, (answer) => {
      res.writeHead(answer.statusCode ?? 502, answer.headers);
      answer.pipe(res);
    });
    on.on('error', (error) => {
      res.writeHead(502).end(error.message);
    });
    req.pipe(on);
  }).listen(FACE, () => console.log(`\n  http://localhost:${FACE}\n`));
  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.on(signal, () => {
      metro.kill('SIGTERM');
      server?.kill('SIGTERM');
      process.exit(0);
    });
  }
};
