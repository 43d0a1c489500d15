import { type ChildProcess, spawn, type SpawnOptions } from 'node:child_process';

/** The bundler has said what is wrong; this says what it means. */
export class BuildError extends Error {}

/** Runs a program to its end. @returns its exit code */
export const run = (command: string, args: readonly string[], options: SpawnOptions = {}): Promise<number> =>
  new Promise((resolve, reject) => {
    const child = spawn(command, args, { stdio: 'inherit', ...options });
    child.once('error', reject);
    child.once('exit', (code, signal) => resolve(code ?? (signal ? 1 : 0)));
  });

/** Runs a program and ends this one with its code when it fails. */
export const must = async (command: string, args: readonly string[], options: SpawnOptions = {}): Promise<void> => {
  const code = await run(command, args, options);
  if (code !== 0) process.exit(code);
};

export type Started = {
  child: ChildProcess;
  port: number;
  /** Of an installation that nobody has set up. */
  setupCode: string | undefined;
};

/** Starts the server and waits until it listens. Prints what it says when it does not. */
export const startServer = (args: readonly string[], options: SpawnOptions = {}): Promise<Started> =>
  new Promise((resolve, reject) => {
    const child = spawn(process.execPath, ['--enable-source-maps', 'server/dist/quay.mjs', ...args], {
      stdio: ['ignore', 'pipe', 'pipe'],
      ...options,
    });
    let said = '';
    child.stdout?.on('data', (data: Buffer) => {
      said += data.toString();
      const port = /listening on port (\d+)/.exec(said)?.[1];
      if (port !== undefined) resolve({ child, port: Number(port), setupCode: /set up with code (\S+)/.exec(said)?.[1] });
    });
    child.stderr?.on('data', (data: Buffer) => process.stderr.write(data));
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
    child.once('error', reject);
  });

/** Passes signals on, so that the server stops cleanly, and ends with its code. */
export const stayWith = (child: {
  kill(signal: NodeJS.Signals): boolean;
  once(event: 'exit', listener: (code: number | null) => void): unknown;
}) => {
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => child.kill(signal));
  child.once('exit', (code) => process.exit(code ?? 0));
};

export const flagOf = (args: readonly string[], name: string): string | undefined => {
  const at = args.indexOf(`--${name}`);
  return at < 0 ? undefined : args[at + 1];
};
