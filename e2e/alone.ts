import { idsFrom } from './ids';
import Database from 'better-sqlite3';
import { join } from 'node:path';
import { expect, type Page } from '@playwright/test';
import { goodPicture } from './pictures';
import type { QuayServer } from './quay';

/** Has the boat of a hire back from whoever was out with her. */
export const boatIsBack = (quay: QuayServer, hire: string): void => {
  const db = new Database(join(quay.data, 'quay.sqlite'));
  const { boat } = db.prepare('select boat from hire where id = ?').get(hire) as { boat: string };
  db.prepare(`update hire set state = 'settling' where boat = ? and state in ('out', 'walkingIn')`).run(boat);
  db.close();
};

/** Moves a booking to a quarter of an hour from now, and has its boat back. */
export const hourComes = (quay: QuayServer, hire: string): void => {
  const db = new Database(join(quay.data, 'quay.sqlite'));
  const at = (minutes: number) => new Date(quay.now() + minutes * 60_000).toISOString();
  db.prepare('update hire set "from" = ?, "to" = ? where id = ?').run(at(15), at(135), hire);
  db.close();
  boatIsBack(quay, hire);
};

const heading = (page: Page) => page.locator('h2, [role="heading"][aria-level="2"]').first();

const takePicture = async (page: Page, testId: string): Promise<void> => {
  const chooser = page.waitForEvent('filechooser');
  await page.getByTestId(testId).click();
  await (await chooser).setFiles(await goodPicture());
};

/** Answers whatever is asked at this stop, rightly: the demo’s right answers are those named `a`. */
const answer = async (page: Page): Promise<void> => {
  const right = page.locator('[data-testid^="answer-"][data-testid$="-a"]');
  while ((await right.count()) > 0) {
    const id = (await right.first().getAttribute('data-testid'))!;
    await page.getByTestId(id).click();
    await expect(page.getByTestId(id)).toHaveCount(0);
  }
};

const SHOWN: Record<string, string> = { charge: '98', volts: '51' };

/** Does everything at a stop of a walk alone, in any language, and goes on to the next. */
export const aloneStop = async (page: Page): Promise<void> => {
  const title = await heading(page).innerText();
  const unread = page.locator('[role="checkbox"][aria-checked="false"]');
  for (let left = await unread.count(); left > 0; left -= 1) {
    await unread.first().click();
    await expect(unread).toHaveCount(left - 1);
  }
  await answer(page);
  const all = page.getByTestId('all-here');
  if (await all.isVisible()) await all.click();
  await expect(all).toHaveCount(0);
  for (const row of await page.locator(idsFrom('surface-')).all()) {
    await row.click();
    await takePicture(page, 'surface-photo-file');
    await expect(page.getByRole('dialog').locator('img').first()).toBeVisible();
    await page.getByTestId('surface-seen').click();
    await expect(page.getByTestId('surface-seen')).toHaveCount(0);
  }
  if (await page.getByTestId('prop-sound').isVisible()) await page.getByTestId('prop-sound').click();
  for (const row of await page.locator(idsFrom('gauge-')).all()) {
    const id = (await row.getAttribute('data-testid'))!.slice('gauge-'.length);
    await row.click();
    await page.getByTestId('reading').fill(SHOWN[id] ?? '1');
    await page.getByTestId('keep-reading').click();
    await expect(page.getByTestId('keep-reading')).toHaveCount(0);
  }
  for (const group of await page.locator('[role="radiogroup"]:has([data-testid^="check-"])').all())
    await group.locator('[role="radio"]').first().click();
  // What was pressed last has to be kept before the stop is seen to be done.
  await page.waitForTimeout(300);
  await page.getByTestId('complete-station').click();
  await expect(heading(page)).not.toHaveText(title);
};
