import { join } from 'node:path';
import { BRAM, expect, MANAGER, type Phone, test } from './quay';
import { goodPicture } from './pictures';
import { enterParty, linkOf } from './renter';
import { castOff, doStop, goToStop, sign } from './walking';
import { ROOT } from './template';

const OUT = join(ROOT, 'docs/screenshots');

const shoot = async (phone: Pick<Phone, 'page'>, name: string) => {
  // What was just said goes away by itself; a picture shows the view without it.
  await expect(phone.page.getByText(/^(Undo|Rückgängig)$/)).toHaveCount(0, { timeout: 15_000 });
  await phone.page.evaluate(() => document.fonts.ready.then(() => undefined));
  await phone.page.waitForTimeout(350);
  await phone.page.screenshot({ path: join(OUT, `${name}.png`) });
};

const addMark = async (phone: Phone, surface: string, x: number, y: number, kind: string) => {
  await phone.by(`surface-${surface}`).click();
  await phone.by('surface-drawing').click({ position: { x, y } });
  await phone.by(`kind-${kind}`).click();
  const chooser = phone.page.waitForEvent('filechooser');
  await phone.by('mark-photo-file').click();
  await (await chooser).setFiles(await goodPicture());
  await expect(phone.page.getByAltText(/Picture 1 of/)).toBeVisible();
};

test('pictures', async ({ phoneOf, browser, quay }, info) => {
  test.setTimeout(600_000);
  const wide = info.project.name === 'wide';
  const bram = await phoneOf(wide ? MANAGER : BRAM);
  await expect(bram.by('hire-h-1001').first()).toBeVisible();
  if (wide) await shoot(bram, 'day-wide');
  if (!wide) {
    await bram.open('/settings');
    await bram.by('theme-dusk').click();
    await bram.open('/');
    await expect(bram.by('hire-h-1001').first()).toBeVisible();
    await shoot(bram, 'day-dusk-phone');
    await bram.open('/settings');
    await bram.by('theme-sun').click();
    await expect(bram.by('theme-sun')).toHaveAttribute('aria-checked', 'true');
    await bram.open('/hire/h-1003/castoff');
    await expect(bram.page.getByRole('heading', { name: 'Holds the boat' })).toBeVisible();
    await expect(bram.by('open-deposit/0')).toBeVisible();
    await shoot(bram, 'castoff-phone');
    // The charge lamp waits for a rev, and says that this is normal.
    await bram.open('/hire/h-1013/drill/canal-diesel');
    await expect(bram.by('drill-hint')).toBeVisible();
    await bram.by('variant-warm').click();
    for (const move of ['isolator', 'stop', 'clutch', 'lever-a-little', 'key-run', 'key-start']) await bram.by(`move-${move}`).click();
    await expect(bram.by('shows-sound')).toContainText('slow diesel beat');
    await shoot(bram, 'drill-phone');
    await bram.open('/hire/h-1001/docking');
    // The mast's wind turns by the hour; a picture wants the same one each time.
    await bram.by('change-wind').click();
    await bram.by('wind-180').click();
    await bram.by('set-windMs').fill('4');
    await bram.by('keep-wind').click();
    await expect(bram.by('plan-head')).toBeVisible();
    await shoot(bram, 'docking-phone');
    await bram.open('/hire/h-1001/chart?place=spill-falls');
    await expect(bram.by('wish')).toBeVisible();
    await shoot(bram, 'chart-phone');
    await bram.open('/bookings');
    await expect(bram.by('booked-h-1001')).toBeVisible();
    await shoot(bram, 'bookings-phone');
  }

  if (wide) {
    await bram.open('/bookings');
    await bram.by('view-week').click();
    await expect(bram.by('bar-h-1008')).toBeVisible();
    await shoot(bram, 'calendar-wide');
    await bram.by('view-list').click();
    await bram.open('/fleet/tuppenny-bun');
    await expect(bram.by('edit-lever')).toBeVisible();
    await shoot(bram, 'fleet-wide');
    await bram.open('/hire/h-1003');
    await expect(bram.by('list-h-1001')).toBeVisible();
    await shoot(bram, 'hire-wide');
  } else {
    await bram.open('/hire/h-1001/fit');
    await expect(bram.by('keep-party')).toBeVisible();
    await enterParty(bram.page, [
      { name: 'Ines', age: '36', mass: '64', is: 'drives' },
      { name: 'Mo', age: '7', swims: 'weakly' },
      { name: 'Bea', age: '8' },
      { name: 'Kit', age: '9' },
      { name: 'Olu', age: '38', mass: '82', is: 'lookout' },
      { name: 'Ade', age: '41', mass: '90' },
    ]);
    await expect(bram.by('give-all')).toBeVisible();
    await expect(bram.page.getByText('Undo')).toBeVisible();
    await shoot(bram, 'fit-phone');
    await bram.by('give-all').click();
    await expect(bram.by('open-walk')).toBeVisible();
    const link = await linkOf(bram, 'h-1011');
    const renter = await browser.newContext({ viewport: { width: 390, height: 844 }, deviceScaleFactor: 2, locale: 'de-DE' });
    const page = await renter.newPage();
    await page.goto(link);
    await expect(page.getByTestId('open-guide')).toBeVisible();
    await page.getByTestId('speak-de').click();
    await page.waitForTimeout(500);
    await page.screenshot({ path: join(OUT, 'renter-phone.png') });
    await page.goto(`${quay.url}/r/help`);
    await page.getByTestId('nature-aground').click();
    await page.getByTestId('typed-position').fill('47.815 -37.52');
    await page.getByTestId('said-boat').scrollIntoViewIfNeeded();
    await page.getByTestId('said-people').scrollIntoViewIfNeeded();
    await page.waitForTimeout(500);
    await page.screenshot({ path: join(OUT, 'help-phone.png') });
    await page.goto('about:blank');
    await page.goto(await linkOf(bram, 'h-1014'));
    await page.getByTestId('open-alone').click();
    await page.getByTestId('alone-next').click();
    await enterParty(page, [
      { name: 'Dot', age: '52', mass: '68', is: 'drives' },
      { name: 'Ann', age: '50', mass: '62', is: 'lookout' },
      { name: 'Tim', age: '9', swims: 'weakly' },
    ]);
    // Kept before one goes on.
    await page.getByTestId('open-alone').click();
    await expect(page.getByTestId('alone-next')).toBeVisible();
    await shoot({ page }, 'alone-phone');
    await renter.close();
  }

  await bram.open('/hire/h-1001/walk/out');
  await expect(bram.by('complete-station')).toBeVisible();
  await doStop(bram);
  await doStop(bram);
  await bram.page.locator('[role="checkbox"]').first().click();
  await bram.by('count-extinguisher').click();
  if (!wide) await shoot(bram, 'walk-out-phone');
  if (wide) {
    await bram.open('/hire/h-1006/compare');
    await expect(bram.page.getByRole('heading', { name: 'Compare' })).toBeVisible();
    await bram.by('finding-mark/new-h-1006').click();
    await shoot(bram, 'compare-wide');
    await bram.open('/figures');
    await expect(bram.page.getByText('By boat')).toBeVisible();
    await shoot(bram, 'figures-wide');
    return;
  }
  await bram.by('gauge-fuel-needle').click();
  for (let i = 0; i < 6; i += 1) await bram.by('higher').click();
  await bram.by('keep-reading').click();
  await doStop(bram);
  await goToStop(bram, 'gate');
  await addMark(bram, 'port-side', 130, 60, 'scratch');
  await bram.by('keep-mark').click();
  await bram.by('surface-seen').click();
  for (let i = 3; i < 8; i += 1) await doStop(bram);

  await sign(bram);
  await castOff(bram);
  await bram.by('hire-h-1001').first().click();
  await bram.by('hire-next').click();
  await bram.by('came-in').click();
  await goToStop(bram, 'gate');
  await bram.by('count-ring').click();
  await bram.page.locator('[data-testid="surface-port-side"]').scrollIntoViewIfNeeded();
  await shoot(bram, 'walk-in-phone');
  await bram.open('/hire/h-1005/statement');
  await expect(bram.page.getByRole('heading', { name: /Statement/ })).toBeVisible();
  await shoot(bram, 'statement-phone');
});
