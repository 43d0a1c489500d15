import { spawn } from 'node:child_process';
import { timed, type Figure, figure } from '../figure';

const PORT = '4989';

/** Starts the demo, waits for its page, stops it. */
const once = (): Promise<number> =>
  timed(
    () =>
      new Promise<void>((resolve, reject) => {
        const child = spawn('./quay', ['demo', '--port', PORT], { stdio: 'ignore', detached: true });
        const end = (done: () => void) => {
          child.once('exit', done);
          process.kill(-child.pid!, 'SIGTERM');
        };
        child.once('error', reject);
        const deadline = Date.now() + 600_000;
        const ask = () => {
          fetch(`http://localhost:${PORT}/`).then(
            (answer) => {
              const at = performance.now();
              void answer.text().then(() => end(() => (answer.ok ? resolve() : reject(new Error(`status ${answer.status} at ${at}`)))));
            },
            () => (Date.now() > deadline ? end(() => reject(new Error('the demo does not answer'))) : setTimeout(ask, 50)),
          );
        };
        ask();
      }),
  );

/** The first start may build; the second has nothing to do. */
export const demoAgain = async (): Promise<Figure[]> => {
  await once();
  return [figure('second ./quay demo answers its page', (await once()) / 1000, 's', 5)];
};
