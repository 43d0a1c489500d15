import type { Page } from 'playwright-core';
import { type Figure, figureAtLeast } from '../../figure';
import { FRAME_MS, inTime, SLOWER, traced } from '../../frames';
import { onQuay, signedIn } from '../../quay';

const PHONE = { viewport: { width: 390, height: 844 }, deviceScaleFactor: 2, hasTouch: true };
/** A thumb that types, and one that presses what comes next. */
const KEY_MS = 120;
const PRESS_MS = 350;
/** Of the walk that can be begun at the demo's hour; the longest has nine stops. */
const STOPS = 5;

/** Work below this is the page's own ticking: such frames are none that anything was done in. */
const IDLE_MS = 2;

/** A dot that changes all the time: without it a frame that nothing is drawn in would not be told from one that came late. */
const ticking = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const dot = document.createElement('div');
    dot.style.cssText = 'position:fixed;left:0;top:0;width:1px;height:1px;pointer-events:none';
    document.body.append(dot);
    let on = false;
    const tick = () => {
      on = !on;
      dot.style.backgroundColor = on ? '#000' : '#fff';
      requestAnimationFrame(tick);
    };
    tick();
  });

const slowed = async (page: Page): Promise<void> => {
  await (await page.context().newCDPSession(page)).send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
};

/** Shares of frames that are ready in time while somebody does what is done most, on a phone four times slower than this machine. */
export const handFrames = (): Promise<Figure[]> =>
  onQuay(async (quay, browser) => {
    const page = await signedIn(browser, quay, PHONE);
    await slowed(page);
    const figures: Figure[] = [];
    const measure = async (what: string, work: () => Promise<void>) => {
      console.error(`  ${what}`);
      await ticking(page);
      const frames = (await traced(browser, page, work)).filter((ms) => ms > IDLE_MS);
      if (frames.length < 20) throw new Error(`${what}: only ${frames.length} frames were drawn`);
      figures.push(figureAtLeast(`${what}: frames under ${FRAME_MS} ms at ${SLOWER} ×`, inTime(frames), '%', 95));
    };

    // The largest party of the demo has as many cards as people are booked.
    await page.goto(`${quay.url}/hire/h-1003/fit`);
    // They were named already; what was said is changed.
    await page.getByTestId('change-party').click();
    await page.getByTestId('keep-party').waitFor();
    await page.getByTestId('person-p1').click();
    const field = page.locator('input[data-testid^="name-"]').first();
    await field.click();
    await measure('a key typed in the longest form', () => field.pressSequentially('Marguerite van der Oudewater', { delay: KEY_MS }));

    await page.goto(`${quay.url}/hire/h-1001/walk/out`);
    await page.getByTestId('complete-station').waitFor();
    const heading = page.locator('h2, [role="heading"][aria-level="2"]').first();
    await measure('stops finished in a walk of eight', async () => {
      const title = () => heading.innerText({ timeout: 5000 });
      for (let stop = 0; stop < STOPS; stop += 1) {
        const before = await title();
        const all = page.getByTestId('all-said');
        if (await all.isVisible()) await all.click();
        else
          for (const box of await page.locator('[role="checkbox"][aria-checked="false"]').all()) {
            await box.click();
            await page.waitForTimeout(PRESS_MS);
          }
        await page.locator('[role="checkbox"][aria-checked="false"]').first().waitFor({ state: 'detached' });
        const here = page.getByTestId('all-here');
        if (await here.isVisible()) await here.click();
        await page.waitForTimeout(PRESS_MS);
        // What is open is passed over: the stop is finished and the next one drawn all the same.
        const open = page.getByTestId('complete-station-open');
        const gone = heading.filter({ hasNotText: before });
        for (let i = 0; i < 4 && (await gone.count()) === 0; i += 1) {
          await ((await open.isVisible()) ? open : page.getByTestId('complete-station')).click();
          // A question that waits takes a second press; then neither comes of the first.
          for (let left = 20; left > 0 && (await gone.or(open).count()) === 0; left -= 1) await page.waitForTimeout(100);
          await page.waitForTimeout(PRESS_MS);
        }
        if ((await title()) === before) throw new Error(`the stop ${before} could not be finished`);
      }
    });

    await page.goto(`${quay.url}/fleet/class/any-boat`);
    await page.waitForTimeout(4000);
    await measure('the longest list scrolled', async () => {
      await page.mouse.move(195, 500);
      for (let i = 0; i < 90; i += 1) {
        await page.mouse.wheel(0, i < 60 ? 180 : -260);
        await page.waitForTimeout(50);
      }
    });
    return figures;
  });
