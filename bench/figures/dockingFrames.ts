import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from 'playwright-core';
import { buildAll } from '../../cli/build';
import { CHROMIUM } from '../../e2e/chromium';
import { MANAGER, QuayServer } from '../../e2e/quay';
import makeTemplate, { TEMPLATE } from '../../e2e/template';
import { type Figure, figureAtLeast, quantile } from '../figure';

/** What a phone of some years ago has of this machine. */
const SLOWER = 4;
const FRAME_MS = 16.7;
const SECONDS = 20;

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

/** Hands on both controls all the time: the helm is turned twice a second, the lever every other second. */
const practise = async (page: Page): Promise<void> => {
  for (let i = 0; i < SECONDS * 2; i += 1) {
    await page.keyboard.press(i % 8 < 4 ? 'ArrowRight' : 'ArrowLeft');
    if (i % 4 === 0) await page.keyboard.press(i % 8 === 0 ? 'ArrowUp' : 'ArrowDown');
    await page.waitForTimeout(450);
  }
};

/** Practising on a phone four times slower than this machine: the share of frames that are ready in time. */
export const dockingFrames = async (): Promise<Figure[]> => {
  await buildAll();
  makeTemplate();
  const data = mkdtempSync(join(tmpdir(), 'quay-bench-'));
  cpSync(TEMPLATE, data, { recursive: true });
  const quay = new QuayServer(data);
  await quay.start();
  const browser = await chromium.launch(CHROMIUM);
  try {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, deviceScaleFactor: 2, hasTouch: true });
    const page = await context.newPage();
    await page.goto(quay.url);
    await page.getByTestId('name').fill(MANAGER.name);
    await page.getByTestId('secret').fill(MANAGER.secret);
    await page.getByTestId('sign-in').click();
    await page.getByTestId('to-me').waitFor();
    await page.goto(`${quay.url}/hire/h-1001/docking?task=alongside`);
    await page.getByTestId('practice-begin').waitFor();
    const cdp = await context.newCDPSession(page);
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
    await page.getByTestId('practice-begin').click();
    await page.getByTestId('practice-pause').waitFor();
    await browser.startTracing(page, { categories: ['devtools.timeline', 'disabled-by-default-devtools.timeline', '__metadata'] });
    await practise(page);
    const trace = JSON.parse((await browser.stopTracing()).toString()) as { traceEvents: Traced[] };
    const frames = framesOf(trace.traceEvents);
    console.error(
      `  ${frames.length} frames in ${SECONDS} s; script, style and layout: half under ${quantile(frames, 0.5).toFixed(1)} ms, 95 % under ${quantile(frames, 0.95).toFixed(1)} ms`,
    );
    if (frames.length < SECONDS * 10) throw new Error(`only ${frames.length} frames were drawn`);
    return [
      figureAtLeast(
        `docking frames under ${FRAME_MS} ms at ${SLOWER} × slow-down`,
        (100 * frames.filter((ms) => ms < FRAME_MS).length) / frames.length,
        '%',
        95,
      ),
    ];
  } finally {
    await browser.close();
    await quay.end();
    rmSync(data, { recursive: true, force: true });
  }
};
