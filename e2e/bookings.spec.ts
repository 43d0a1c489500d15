import { idsFrom } from './ids';
import { BRAM, expect, MANAGER, PHONE, test } from './quay';
import { doStop } from './walking';
import { linkOf, renterPhone } from './renter';

test(
  'a booking is cancelled with a reason, frees its boat, and is reinstated; its renter is told',
  PHONE,
  async ({ browser, quay, phoneOf }) => {
    const bram = await phoneOf(BRAM);
    const { page } = bram;
    const link = await linkOf(bram, 'h-1008');
    await bram.open('/hire/h-1008');
    await expect(bram.by('call-renter').or(bram.by('mail-renter')).first()).toBeVisible();
    await bram.by('change').click();
    await bram.by('cancel-hire').click();
    await expect(bram.by('cancel-go')).toBeDisabled();
    await bram.by('why-noShow').last().click();
    await bram.by('cancel-go').click();
    await expect(page.getByText(/This hire was cancelled .* nobody came/)).toBeVisible();
    await expect(bram.by('hire-next')).toHaveCount(0);

    const rosa = await renterPhone(browser, quay, 'fr-FR');
    await rosa.open(link);
    await expect(rosa.page.getByText('Cette location a été annulée.')).toBeVisible();
    await rosa.context.close();

    // Her hours are free: somebody else can have them, and then the first one cannot be reinstated.
    await bram.open('/bookings/new?day=2026-06-14&base=ossel-quay');
    await expect(bram.by('boat-tuppenny-bun')).toContainText('free');
    await bram.open('/hire/h-1008');
    await bram.by('reinstate').click();
    await expect(page.getByText('The hire takes place.')).toBeVisible();
    await expect(bram.by('hire-next')).toBeVisible();
  },
);

test('a boat is swapped after the walk began: what differs is shown, what was told stays, the rest is begun anew', async ({ phoneOf }) => {
  const bram = await phoneOf(BRAM);
  const { page } = bram;
  await bram.open('/hire/h-1008');
  await bram.by('hire-next').click();
  await expect(bram.by('complete-station')).toBeVisible();
  await doStop(bram);
  await bram.allSent();
  await bram.by('back').click();
  await bram.by('change').click();
  // At the other base there are other boats.
  await bram.by('change-base-pell-slip').click();
  await expect(bram.by('boat-brisk-otter')).toBeVisible();
  await bram.by('change-base-ossel-quay').click();
  await bram.by('boat-quiet-pickle').click();
  await expect(bram.by('swap')).toContainText('The departure check');
  await expect(bram.by('swap')).toContainText('are different there');
  await expect(bram.by('keep-change')).toBeDisabled();
  await bram.by('why-boat').click();
  await bram.by('keep-change').click();
  await expect(bram.by('hire-next')).toBeVisible();
  await expect(bram.by('hire-next')).toContainText('Departure check');
  await expect(page.getByRole('heading', { name: 'Tuppenny Bun' })).toHaveCount(0);
  // The record keeps what was entered of the first boat, and says so.
  if (await bram.by('see-record').isVisible()) await bram.by('see-record').click();
  await expect(page.getByText('Another boat · the boat')).toBeVisible();
  await expect(page.getByText('of the boat before').first()).toBeVisible();
});

test(
  'a hire out is not made longer into the next one, until the next is moved; its reason is in the record',
  PHONE,
  async ({ phoneOf }) => {
    const mina = await phoneOf(MANAGER);
    const { page } = mina;
    const longer = async () => {
      await mina.open('/hire/h-1004/change');
      await mina.by('change-date').fill('16/06/2026');
      await expect(mina.by('keep-change')).toContainText('Say why');
      await mina.by('why-renter').click();
      await mina.by('keep-change').click();
    };
    mina.cut = true;
    await longer();
    await expect(page.getByText(/Somebody else has the boat at that time/)).toBeVisible();
    await expect(mina.by('change-from-date')).toHaveCount(0);
    // Ivo Tamsin has her next; he comes three days later.
    await mina.open('/hire/h-1013/change');
    await mina.by('change-from-date').fill('17/06/2026');
    await mina.by('keep-change').click();
    await expect(page.getByText('The booking is changed.')).toBeVisible();
    await longer();
    await expect(page.getByText('The booking is changed.')).toBeVisible();
    await mina.by('see-record').click();
    await expect(page.getByText('Booking changed: return · the renter asked')).toBeVisible();
  },
);

test('who hired before is found again by name and number, and is the same person', PHONE, async ({ phoneOf }) => {
  const bram = await phoneOf(BRAM);
  const { page } = bram;
  await bram.goTo('bookings');
  await bram.by('find-booking').fill('okonjo');
  await expect(bram.by('found-h-1001')).toBeVisible();
  await bram.by('find-booking').fill('zz top nobody');
  await expect(page.getByText('No hire of any day fits what you look for.')).toBeVisible();
  await bram.open('/bookings/new?day=2026-06-25&base=ossel-quay');
  await bram.by('hire-renter').fill('Okonjo');
  await page.locator(idsFrom('known-')).first().click();
  await expect(bram.by('hire-renter')).toHaveValue('Ines Okonjo-Lind');
  await expect(page.getByText('hired here before')).toBeVisible();
  await bram.by('book-hire').click();
  await expect(bram.by('make-link')).toBeVisible();
});

test('on the calendar a hire is dragged, pulled and moved by keys, onto another boat with a reason; a boat is taken out of service', async ({
  phoneOf,
}) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  test.skip((page.viewportSize()?.width ?? 0) < 1000, 'a phone has the list by day');
  await mina.open('/bookings?day=2026-06-14&base=ossel-quay');
  await mina.by('view-day').click();
  const bar = mina.by('bar-h-1008');
  await expect(bar).toBeVisible();
  const before = (await bar.boundingBox())!;
  // An hour and more to the right with the mouse, in steps of a quarter.
  await page.mouse.move(before.x + 20, before.y + 15);
  await page.mouse.down();
  await page.mouse.move(before.x + 40, before.y + 15, { steps: 3 });
  await page.mouse.move(before.x + 90, before.y + 15, { steps: 5 });
  await page.mouse.up();
  await expect(mina.by('moved')).toContainText('Greta Solway');
  await mina.by('drop-moved').click();
  await expect(mina.by('moved')).toHaveCount(0);
  // By keys: half an hour later, and a quarter longer.
  await bar.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowRight');
  await expect(mina.by('moved')).toContainText('10:00');
  await expect(mina.by('moved')).toContainText('17:45');
  await mina.by('keep-moved').click();
  await expect(mina.by('moved')).toHaveCount(0);
  await expect(bar).toHaveAccessibleName(/10:00.*17:45/);
  // Onto another boat: that asks why.
  await bar.focus();
  await page.keyboard.press('ArrowUp');
  await expect(mina.by('moved')).toContainText('Slow Custard');
  await page.keyboard.press('Escape');
  await expect(mina.by('moved')).toHaveCount(0);

  await mina.by('view-week').click();
  await mina.by('view-month').click();
  await expect(mina.by('bar-h-1008')).toBeVisible();
  await mina.by('boat-copper-kettle').click();
  await mina.by('service-why').fill('Engine mended');
  await mina.by('take-out').click();
  await expect(page.getByText(/She is out of service/)).toBeVisible();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(mina.by('lane-copper-kettle').getByText('Engine mended')).toBeVisible();
  await mina.by('boat-copper-kettle').click();
  await page.locator(idsFrom('back-o-')).click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
});
