import { BRAM, expect, PHONE, test } from './quay';

test('the needle is set by hand, and what is out of range is said at the field', PHONE, async ({ phoneOf }) => {
  const bram = await phoneOf(BRAM);
  const { page } = bram;
  await bram.open('/hire/h-1001/walk/out');
  await bram.by('knot-helm').click();
  // A thumb on the dial itself: far right is full.
  await bram.by('gauge-fuel-needle').click();
  const dial = (await bram.by('dial').boundingBox())!;
  await page.mouse.click(dial.x + dial.width - 34, dial.y + 88);
  await expect(page.getByText(/^1[5-6]\/16$/)).toBeVisible();
  await bram.by('askew').click();
  await bram.by('keep-reading').click();
  const said = page.getByText(/Petrol: about \d+ L, between \d+ and \d+/);
  await expect(said).toBeVisible();
  await expect(page.getByText(/By thirds: home after/)).toBeVisible();
  const wide = async () => {
    const [, low, high] = /between (\d+) and (\d+)/.exec(await said.innerText())!;
    return Number(high) - Number(low);
  };
  const needleAlone = await wide();
  // The reading that says most is offered, wherever it is taken, and narrows the band.
  await bram.by('next-fuel-sight').click();
  await page.getByRole('button', { name: 'full', exact: true }).click();
  await bram.by('keep-reading').click();
  await expect.poll(wide).toBeLessThan(needleAlone);
  await expect(page.locator('[data-testid^="next-"]')).toHaveCount(0);

  await bram.by('gauge-volts').click();
  await bram.by('reading').fill('126');
  await expect(page.getByText('From 9 to 16.')).toBeVisible();
  await expect(bram.by('keep-reading')).toBeDisabled();
  await bram.by('reading').fill('twelve');
  await expect(page.getByText('From 9 to 16.')).toBeVisible();
  await bram.by('reading').fill('12,6');
  await bram.by('keep-reading').click();
  await expect(page.getByText('12.6 V', { exact: true })).toBeVisible();
});

test('two readings that disagree put neither aside; undo takes back what was just said', PHONE, async ({ phoneOf }) => {
  const bram = await phoneOf(BRAM);
  const { page } = bram;
  await bram.open('/hire/h-1001/walk/out');
  await bram.by('knot-helm').click();
  await bram.by('gauge-fuel-needle').click();
  await page.getByRole('button', { name: 'full', exact: true }).click();
  await bram.by('keep-reading').click();
  await bram.by('knot-stern').click();
  await bram.by('gauge-fuel-sight').click();
  await page.getByRole('button', { name: 'empty', exact: true }).click();
  await bram.by('keep-reading').click();
  await expect(page.getByText('The readings disagree; neither is put aside. Take a third.')).toBeVisible();
  await page.getByText('Undo').click();
  await expect(page.getByText('The readings disagree; neither is put aside. Take a third.')).toHaveCount(0);
});
