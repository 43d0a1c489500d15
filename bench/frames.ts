import type { Browser, Page } from 'playwright-core';
import { quantile } from './figure';

/** What a phone of some years ago has of this machine. */
export const SLOWER = 4;
export const FRAME_MS = 16.7;

type Traced = { name: string; ph: string; ts: number; dur?: number; pid: number; tid: number; args?: { name?: string } };
/** Script, style and layout, as a trace names them. */
const WORK = new Set([
  'FireAnimationFrame',
  'FunctionCall',
  'EventDispatch',
  'TimerFire',
  'RunMicrotasks',
  'HandlePostMessage',
  'UpdateLayoutTree',
  'Layout',
]);

/** Milliseconds of script, style and layout in each frame of the page’s main thread, from what is handed on to what is handed on. */
const framesOf = (events: readonly Traced[]): number[] => {
  const mains = events.filter(({ name, args }) => name === 'thread_name' && args?.name === 'CrRendererMain');
  const perThread = mains.map(({ pid, tid }) => {
    const own = events.filter((one) => one.pid === pid && one.tid === tid);
    const ends = own.filter(({ name }) => name === 'Commit').map(({ ts }) => ts);
    const work = own.filter(({ name, ph, dur }) => ph === 'X' && dur !== undefined && WORK.has(name)).sort((a, b) => a.ts - b.ts);
    return { ends: ends.sort((a, b) => a - b), work };
  });
  // The page that draws is the one with the most frames.
  const { ends, work } = perThread.sort((a, b) => b.ends.length - a.ends.length)[0]!;
  const frames = ends.slice(0, -1).map(() => 0);
  let [at, done] = [0, 0];
  for (const { ts, dur } of work) {
    // What lies inside another has been counted with it.
    const from = Math.max(ts, done);
    const to = ts + dur!;
    if (to <= from) continue;
    done = to;
    while (at < ends.length - 1 && ends[at + 1]! <= from) at += 1;
    if (from >= ends[0]! && at < frames.length) frames[at]! += (to - from) / 1000;
  }
  return frames;
};

/** Traces a page while something is done on it. @returns milliseconds of work of each frame that was drawn */
export const traced = async (browser: Browser, page: Page, work: () => Promise<void>): Promise<number[]> => {
  await browser.startTracing(page, { categories: ['devtools.timeline', 'disabled-by-default-devtools.timeline', '__metadata'] });
  await work();
  const trace = JSON.parse((await browser.stopTracing()).toString()) as { traceEvents: Traced[] };
  const frames = framesOf(trace.traceEvents);
  console.error(
    `  ${frames.length} frames; script, style and layout: half under ${quantile(frames, 0.5).toFixed(1)} ms, 95 % under ${quantile(frames, 0.95).toFixed(1)} ms`,
  );
  return frames;
};

/** Share of frames that are ready in time, per cent. */
export const inTime = (frames: readonly number[]): number => (100 * frames.filter((ms) => ms < FRAME_MS).length) / frames.length;
