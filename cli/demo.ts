import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { networkInterfaces } from 'node:os';
import { clockOf, dateOf, instantOf } from '../core/src/time/zone';
import { buildAll } from './build';
import { flagOf, must, startServer, stayWith } from './run';

const DEMO = '.quay/demo';
const MADE = `${DEMO}/made.json`;
/** The demo's data is made anew when it is older than this: its day has gone by. */
const STALE_MS = 6 * 3_600_000;
/** Unless another hour is asked for, the demo opens when its day is full, whatever the visitor's clock says. */
const USUAL_HOUR = '14:20';

type Made = { atMs: number; clockAheadMs: number };

const zoneOfDemo = (): string => {
  const { bases } = JSON.parse(readFileSync('demo/bases.json', 'utf8')) as { bases: { zone: string }[] };
  if (!bases[0]) throw new Error('demo/bases.json has no base');
  return bases[0].zone;
};

/**
 * The moment that the demo is made at. @param at `14:20` of today, or `2026-06-13T14:20`, by the clocks of its bases
 * @returns nothing where that is no such time
 */
const demoMoment = (at: string, now: Date, zone: string): Date | undefined => {
  const local = /^\d\d:\d\d$/.test(at) ? `${dateOf(now.toISOString(), zone)}T${at}` : at;
  try {
    const moment = instantOf(local, zone);
    // What a clock shows nowhere (25:00, 31 February, the hour that a spring change leaves out) is no time.
    return `${dateOf(moment, zone)}T${clockOf(moment, zone)}` === local ? new Date(moment) : undefined;
  } catch {
    return undefined;
  }
};

const readMade = (): Made | undefined => {
  if (!existsSync(MADE) || !existsSync(`${DEMO}/quay.sqlite`)) return undefined;
  const { atMs, clockAheadMs } = JSON.parse(readFileSync(MADE, 'utf8')) as Partial<Made>;
  return atMs === undefined || clockAheadMs === undefined ? undefined : { atMs, clockAheadMs };
};

/** Makes the demo's data where there is none, or it is old. @returns its folder and how far its clock is ahead, ms */
export const makeDemo = async ({ at, fresh = false }: { at?: string | undefined; fresh?: boolean } = {}): Promise<
  { data: string } & Made
> => {
  const made = readMade();
  if (made && !fresh && at === undefined && Date.now() - made.atMs < STALE_MS) return { data: DEMO, ...made };
  const now = new Date();
  const moment = demoMoment(at ?? USUAL_HOUR, now, zoneOfDemo());
  if (!moment) {
    console.error(`--at wants a time such as 14:20, or 2026-06-13T14:20, not “${at}”.`);
    process.exit(1);
  }
  mkdirSync('.quay', { recursive: true });
  await must(process.execPath, ['server/dist/tool.mjs', 'demo', '--data', DEMO, '--from', 'demo', '--clock', moment.toISOString()]);
  const next = { atMs: Date.now(), clockAheadMs: moment.getTime() - now.getTime() };
  writeFileSync(MADE, JSON.stringify(next));
  return { data: DEMO, ...next };
};

/** `./quay demo`: the made-up operator, built and running, by a clock of its own. */
export const demo = async (args: readonly string[]): Promise<void> => {
  await buildAll();
  const { data, clockAheadMs } = await makeDemo({ at: flagOf(args, 'at'), fresh: args.includes('--fresh') });
  const { child, port } = await startServer([
    ...['--data', data, '--web', 'app/dist', '--port', flagOf(args, 'port') ?? '4173'],
    ...['--clock-ahead-ms', String(clockAheadMs)],
  ]).catch(() => process.exit(1));
  const staff = readFileSync('demo/staff.csv', 'utf8')
    .trim()
    .split('\n')
    .slice(1)
    .map((line) => line.split(','));
  const outside = Object.values(networkInterfaces())
    .flat()
    .find((one) => one && !one.internal && one.family === 'IPv4')?.address;
  const zone = zoneOfDemo();
  const shown = new Date(Date.now() + clockAheadMs).toISOString();
  console.log(`\n  Ossel Boat Hire (everything invented) on http://localhost:${port}`);
  if (outside) console.log(`  from a phone: http://${outside}:${port}  (without https no walk can be begun there)`);
  console.log(`  its clock says ${dateOf(shown, zone)} ${clockOf(shown, zone)}; --at 09:30 opens it at another hour`);
  console.log('\n  sign in as');
  for (const [, name, role, secret] of staff)
    console.log(
      `    ${name?.padEnd(14)} ${role?.padEnd(8)} ${secret}${role === 'hand' ? '   (after a manager has registered the browser: Staff and phones, then the code)' : ''}`,
    );
  console.log('\n  start your own, beside it and from nothing: ./quay start --data FOLDER --port 4174');
  console.log('\n  Ctrl-C stops it.\n');
  stayWith(child);
};
