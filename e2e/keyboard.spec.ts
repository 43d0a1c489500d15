import { BRAM, expect, MANAGER, test } from './quay';
import { goToStop } from './walking';

test('everything frequent has a key, and the keys are shown', async ({ phoneOf }) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  await mina.open('/hire/h-1001/walk/out');
  await expect(page.getByRole('heading', { name: 'Bow', exact: true })).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('heading', { name: 'Bow', exact: true })).toBeVisible();
  await page.keyboard.press('?');
  const keys = page.getByText(/Left and right: stop before, stop after/);
  await expect(keys).toBeVisible();
  // A sheet listens once it has finished opening, a moment after it is seen.
  await expect(async () => {
    await page.keyboard.press('Escape');
    await expect(keys).toBeHidden({ timeout: 500 });
  }).toPass();
  await page.keyboard.press('h');
  await expect(mina.by('hold-why')).toBeVisible();
  // In a field letters are letters.
  await mina.by('hold-why').pressSequentially('hull?');
  await expect(mina.by('hold-why')).toHaveValue('hull?');
  await page.keyboard.press('Escape');
  await expect(mina.by('hold-why')).toHaveCount(0);

  await mina.open('/hire/h-1006/compare');
  await expect(mina.by('open-statement')).toHaveText('3 to decide');
  if ((page.viewportSize()?.width ?? 0) < 1000) await mina.by('open-statement').click();
  for (const [key, left] of [
    ['w', '2 to decide'],
    ['r', '1 to decide'],
    ['r', 'To the statement'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(mina.by('open-statement')).toHaveText(left);
  }
});

test('a stop can be done and completed with Tab, Space and Enter alone', async ({ phoneOf }) => {
  const bram = await phoneOf(BRAM);
  const { page } = bram;
  await bram.open('/hire/h-1001/walk/out');
  await goToStop(bram, 'forward');
  await bram.by('all-said').focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('[role="checkbox"][aria-checked="false"]')).toHaveCount(0);
  await bram.by('all-here').focus();
  await page.keyboard.press('Enter');
  await expect(bram.by('all-here')).toHaveCount(0);
  await bram.by('surface-seats-forward').focus();
  await page.keyboard.press('Enter');
  await bram.by('surface-seen').focus();
  await page.keyboard.press('Enter');
  await expect(bram.by('surface-seen')).toHaveCount(0);
  await bram.by('complete-station').focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Forward seats' })).toHaveCount(0);
});
