import { BRAM, expect, keptPacks, MANAGER, PHONE, test } from './quay';

test(
  'a boat is in one place: nobody walks her out while another hire has her; she is said to be back first, without signal too',
  PHONE,
  async ({ phoneOf }) => {
    const [bram, mina] = [await phoneOf(BRAM), await phoneOf(MANAGER)];
    const { page } = bram;
    // The next hire of Copper Kettle: the hire and its check both say where she is.
    await bram.open('/hire/h-1013');
    await expect(page.getByText(/Out with Rosa Quillfeather, due \d\d:\d\d/)).toBeVisible();
    await bram.by('open-check').click();
    await expect(bram.by('matter-away')).toContainText('do the return check first');
    // A manager waives much, and not this.
    await mina.open('/hire/h-1013/castoff');
    await expect(mina.by('matter-away')).toBeVisible();
    await expect(mina.by('let-go-away')).toHaveCount(0);

    // The day fetches what it shows ahead, so that any of it can be walked without signal.
    await bram.open('/');
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await expect.poll(() => keptPacks(page)).toEqual(expect.arrayContaining(['h-1004', 'h-1013']));
    await bram.open('/hire/h-1013/walk/out');
    await expect(page.getByText('The boat is not back yet')).toBeVisible();
    await expect(bram.by('complete-station')).toHaveCount(0);
    await bram.cutNetwork();
    await bram.by('walk-in-first').click();
    await bram.by('came-in').click();
    await expect(bram.by('complete-station')).toBeVisible();
    // This phone knows it before the quay does.
    await bram.open('/hire/h-1013/walk/out');
    await expect(bram.by('complete-station')).toBeVisible();
    await bram.mendNetwork();
    await bram.allSent();
    await mina.open('/hire/h-1013/castoff');
    await expect(mina.by('not-checked')).toBeVisible();
    await expect(mina.by('matter-away')).toHaveCount(0);
  },
);

test('the phone’s back closes a sheet and leaves the page; what was typed outlives a reload', PHONE, async ({ bram }) => {
  const { page } = bram;
  await bram.open('/hire/h-1001');
  await bram.by('hire-next').click();
  await bram.by('hold').click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(bram.by('complete-station')).toBeVisible();
  await page.goBack();
  await expect(bram.by('hire-next')).toBeVisible();

  await bram.by('fit').click();
  await bram.by('name-p1').fill('Ines');
  await bram.by('age-p1').fill('200');
  await bram.by('mass-p1').fill('9999');
  await bram.by('keep-party').click();
  // What is wrong stands where the eyes are, and beside what was pressed.
  await expect(page.getByText('A whole number from 0 to 120.')).toBeInViewport();
  await expect(page.getByText(/Not saved yet: look at Ines/)).toBeVisible();
  await page.waitForTimeout(600);
  await page.reload();
  await expect(bram.by('name-p1')).toHaveValue('Ines');
  await expect(bram.by('age-p1')).toHaveValue('200');
  await expect(page.getByText('What was begun here and not kept is still there.')).toBeVisible();
  await bram.by('party-anew').click();
  await expect(bram.by('name-p1')).toHaveValue('');
});
