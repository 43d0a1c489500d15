import type { Page } from 'playwright-core';
import { type Figure, figureAtLeast } from '../../figure';
import { onQuay, signedIn } from '../../quay';
import { FRAME_MS, inTime, SLOWER, traced } from '../../frames';

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
  return onQuay(async (quay, browser) => {
    const page = await signedIn(browser, quay, { viewport: { width: 390, height: 844 }, deviceScaleFactor: 2, hasTouch: true });
    const context = page.context();
    await page.goto(`${quay.url}/hire/h-1001/docking?task=alongside`);
    await page.getByTestId('practice-begin').waitFor();
    const cdp = await context.newCDPSession(page);
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
    await page.getByTestId('practice-begin').click();
    await page.getByTestId('practice-pause').waitFor();
    const frames = await traced(browser, page, () => practise(page));
    if (frames.length < SECONDS * 10) throw new Error(`only ${frames.length} frames were drawn`);
    return [figureAtLeast(`docking frames under ${FRAME_MS} ms at ${SLOWER} × slow-down`, inTime(frames), '%', 95)];
  });
};
