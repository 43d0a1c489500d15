import { BRAM, expect, keptPacks, MANAGER, PHONE, test } from './quay';

test('the day: each base by itself, boats over time in red words, the next thing to do in one press', async ({ phoneOf }) => {
  const bram = await phoneOf(BRAM);
  const { page } = bram;
  await expect(page.getByRole('heading', { name: 'Ossel Quay' })).toBeVisible();
  await expect(page.getByRole('button', { name: /Copper Kettle, Rosa Quillfeather, \d+ min over/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /Quiet Pickle, Piet Merrowby, \d+ min to due/ })).toBeVisible();
  // Her next hire leaves soon, and she is not back.
  await expect(page.getByRole('button', { name: /Copper Kettle leaves, Ivo Tamsin, not back yet/ })).toBeVisible();
  await expect(page.getByText('Demonstration: all boats and people are invented')).toBeVisible();
  await bram.by('base-pell-slip').click();
  await expect(page.getByRole('heading', { name: 'Pell Slip' })).toBeVisible();
  await expect(page.getByText('Half Past Heron').first()).toBeVisible();
  await expect(page.getByText('Copper Kettle')).toHaveCount(0);
  await bram.by('base-ossel-quay').click();
  // The one main action: whoever is over time comes first.
  await expect(bram.by('next')).toHaveText(/Return check: Copper Kettle\s*due \d\d:\d\d/);
  await bram.by('next').click();
  await expect(bram.by('came-in')).toBeVisible();
});

test('the day without signal is the day as it was, and says so by what it still shows', PHONE, async ({ phoneOf }) => {
  const bram = await phoneOf(BRAM);
  const { page } = bram;
  await expect(bram.by('hire-h-1001').first()).toBeVisible();
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  // Hires of the day are fetched ahead, so that any of them can be walked.
  await expect.poll(async () => (await keptPacks(page)).length).toBeGreaterThan(4);
  await bram.cutNetwork();
  await page.reload();
  await expect(bram.by('hire-h-1001').first()).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Ossel Quay' })).toBeVisible();
  // One that was never opened here.
  await bram.by('hire-h-1013').first().click();
  await expect(page.getByText('Ivo Tamsin')).toBeVisible();
  await bram.by('hire-next').click();
  // Her boat is on the water with somebody else, as far as this phone knows.
  await expect(page.getByText('The boat is not back yet')).toBeVisible();
  await expect(bram.by('complete-station')).toHaveCount(0);
  // One that is not of today is not here, and says what that means.
  await bram.open('/hire/h-9999');
  await expect(page.getByText('This hire is not on this phone')).toBeVisible();
  await expect(page.getByText(/Without signal only hires that were fetched before can be opened/)).toBeVisible();
});

test('dusk and sun are remembered on the phone; signing out leaves nothing to be seen', PHONE, async ({ phoneOf }) => {
  const bram = await phoneOf(BRAM);
  const { page } = bram;
  const ground = () =>
    page.evaluate(() => {
      const frame = document.querySelector('[role="banner"]')?.parentElement;
      return frame && getComputedStyle(frame).backgroundColor;
    });
  await bram.goTo('settings');
  await bram.by('theme-dusk').click();
  await expect.poll(ground).toBe('rgb(16, 26, 24)');
  await page.reload();
  await expect.poll(ground).toBe('rgb(16, 26, 24)');
  await bram.by('theme-sun').click();
  await expect.poll(ground).toBe('rgb(251, 248, 241)');
  await bram.by('sign-out').click();
  // The phone is registered: it names those who work here, and nothing of what was open.
  await expect(bram.by('who-Bram Oduya')).toBeVisible();
  await expect(page.getByText('Ossel Quay')).toHaveCount(0);
  await bram.signIn(BRAM);
  await expect(bram.by('hire-h-1001').first()).toBeVisible();
});

test('a manager withdraws a phone: nobody signs in on it any more, and what it kept is still there', PHONE, async ({ phoneOf }) => {
  const [bram, mina] = [await phoneOf(BRAM), await phoneOf(MANAGER)];
  await bram.open('/hire/h-1001/walk/out');
  await expect(bram.by('complete-station')).toBeVisible();
  await bram.cutNetwork();
  await bram.by('count-anchor').click();
  await expect(bram.by('pending-line')).toHaveAttribute('aria-label', /saved here/);
  await mina.goTo('staff');
  const card = mina.page.getByText('Quay phone', { exact: true }).locator('..').locator('..');
  await card.getByRole('button', { name: 'Withdraw' }).click();
  await expect(card.getByText('withdrawn')).toBeVisible();
  await bram.mendNetwork();
  await bram.page.reload();
  await bram.enter(BRAM);
  await expect(bram.page.getByText(/this phone is not registered/)).toBeVisible();
  const kept = await bram.page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const request = indexedDB.open('jolly-quay');
        request.onsuccess = () => {
          const count = request.result.transaction('events').objectStore('events').index('state').count('pending');
          count.onsuccess = () => resolve(count.result);
        };
      }),
  );
  expect(kept).toBeGreaterThan(0);
});
