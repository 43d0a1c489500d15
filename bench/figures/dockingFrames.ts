import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from 'playwright-core';
import { buildAll } from '../../cli/build';
import { CHROMIUM } from '../../e2e/chromium';
import { MANAGER, QuayServer } from '../../e2e/quay';
import makeTemplate, { TEMPLATE } from '../../e2e/template';
import { type Figure, figureAtLeast } from '../figure';
import { FRAME_MS, inTime, SLOWER, traced } from '../frames';

const SECONDS = 20;

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
    const frames = await traced(browser, page, () => practise(page));
    if (frames.length < SECONDS * 10) throw new Error(`only ${frames.length} frames were drawn`);
    return [figureAtLeast(`docking frames under ${FRAME_MS} ms at ${SLOWER} × slow-down`, inTime(frames), '%', 95)];
  } finally {
    await browser.close();
    await quay.end();
    rmSync(data, { recursive: true, force: true });
  }
};
