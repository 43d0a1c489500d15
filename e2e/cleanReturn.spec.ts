import { idsFrom } from './ids';
import { expect, PHONE, test } from './quay';
import { sign, completeAsItWas } from './walking';

/** What a press and a picture take, s, and what a clean return may take. */
const PRESS_S = 1.5;
const PICTURE_S = 6;
const MOST_S = 180;
const MOST_A_STOP = 2;

test(
  'a clean boat is walked in with one press a stop, two where something is read, and one for each thing to look for, in under three minutes',
  PHONE,
  async ({ bram }) => {
    const { page } = bram;
    let presses = 0;
    let pictures = 0;
    await page.exposeFunction('pressed', () => {
      presses += 1;
    });
    await page.addInitScript(() => addEventListener('click', () => void (window as unknown as { pressed: () => void }).pressed(), true));
    await bram.open('/hire/h-1004');
    await bram.by('hire-next').click();
    await bram.by('came-in').click();
    await expect(bram.by('complete-station')).toBeVisible();
    const stops = await page.locator(idsFrom('stop-')).count();
    expect(stops).toBeGreaterThanOrEqual(4);
    const aStop: number[] = [];
    for (let i = 0; i < stops; i += 1) {
      const before = presses;
      const toLookFor = await page.locator('[role="radiogroup"]:has([data-testid^="check-"])').count();
      await completeAsItWas(bram);
      aStop.push(presses - before - toLookFor);
    }
    pictures += await page.locator('img[alt^="Picture"]').count();
    await sign(bram);
    await expect(page.getByRole('heading', { name: 'Compare' })).toBeVisible();
    await bram.allSent();
    expect(Math.max(...aStop), aStop.join(', ')).toBeLessThanOrEqual(MOST_A_STOP);
    const seconds = presses * PRESS_S + pictures * PICTURE_S;
    console.log(`clean return: ${presses} presses (${aStop.join(', ')} a stop), ${pictures} pictures, ${seconds} s`);
    expect(seconds).toBeLessThan(MOST_S);
    await expect(
      page
        .getByText('Nothing differs')
        .or(page.getByText(/other things as they were/))
        .first(),
    ).toBeVisible();
  },
);
