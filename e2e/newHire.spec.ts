import { BRAM, expect, MANAGER, PHONE, test } from './quay';

test('a new hire takes five presses and two words; one today, before a boat is free, eight; its link is there at once', async ({
  phoneOf,
}) => {
  const bram = await phoneOf(BRAM);
  const { page } = bram;
  let presses = 0;
  const press = async (id: string) => {
    presses += 1;
    await bram.by(id).click();
  };
  await expect(bram.by('nav-bookings')).toBeVisible();
  await press('nav-bookings');
  await press('day-2026-06-14');
  await expect(bram.by('booked-h-1008')).toBeVisible();
  await press('new-hire');
  // The smallest boat that takes two and is free is taken, unless another is chosen.
  await expect(bram.by('book-hire')).toContainText('Book ');
  await press('hire-renter');
  await page.keyboard.type('Orla Pinnock');
  await press('book-hire');
  await expect(bram.by('make-link')).toBeVisible();
  expect(presses).toBe(5);
  await bram.by('make-link').click();
  await expect(bram.by('link-url')).toContainText('/r/#');
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByText('Orla Pinnock').first()).toBeVisible();
  await expect(bram.by('hire-next')).toBeVisible();
  await bram.open('/bookings?day=2026-06-14');
  await expect(page.getByText('Orla Pinnock').first()).toBeVisible();

  // Half Past Heron has not come back, and leaves again in the afternoon: between the two there are two hours.
  presses = 0;
  await bram.open('/');
  await press('nav-bookings');
  await press('base-pell-slip');
  await expect(page.getByText(/^Pell Slip ·/)).toBeVisible();
  await press('new-hire');
  await press('hours-2');
  await press('boat-half-past-heron');
  await press('move-half-past-heron');
  await press('hire-renter');
  await page.keyboard.type('Nell Ardagh');
  await expect(bram.by('book-hire')).toBeEnabled();
  await press('book-hire');
  await expect(bram.by('make-link')).toBeVisible();
  expect(presses).toBe(8);
});

test(
  'a boat that somebody has is not booked twice: when she is free is offered, and little time between is asked for',
  PHONE,
  async ({ phoneOf }) => {
    const bram = await phoneOf(BRAM);
    const { page } = bram;
    // Greta Solway has her that day from 09:30 to 17:00. The browser itself notes each refusal.
    bram.cut = true;
    await bram.open('/bookings/new?day=2026-06-14&base=ossel-quay');
    await bram.by('hire-renter').fill('Nell Ardagh');
    await bram.by('boat-tuppenny-bun').click();
    await expect(bram.by('boat-tuppenny-bun')).toContainText('Greta Solway');
    await expect(bram.by('book-hire')).toBeDisabled();
    await expect(bram.by('boat-tuppenny-bun')).toContainText('Free for as long from Sun 14 Jun 17:30');
    await bram.by('move-tuppenny-bun').click();
    await expect(bram.by('hire-clock')).toHaveValue('17:30');
    await expect(bram.by('boat-tuppenny-bun')).toContainText('free');
    // A quarter of an hour earlier there is too little time to turn her round; whoever insists gets her.
    await bram.by('hire-clock').fill('17:15');
    await expect(bram.by('boat-tuppenny-bun')).toContainText('only 15 min');
    await bram.by('book-hire').click();
    await expect(page.getByText(/little time to turn the boat round.*15 min, and 30 are wanted/)).toBeVisible();
    await bram.by('book-hire').click();
    await expect(bram.by('make-link')).toBeVisible();
  },
);

test(
  'a phone without the boats’ books keeps what was typed until there is signal; silly input is said at its field',
  PHONE,
  async ({ phoneOf }) => {
    const bram = await phoneOf(BRAM);
    const { page } = bram;
    // It was never told what is booked: a hire can only be made at the quay.
    bram.cut = true;
    await page.route('**/api/walk-ins*', (route) => route.abort());
    await page.evaluate(
      () =>
        new Promise<void>((resolve, reject) => {
          const opening = indexedDB.open('jolly-quay');
          opening.onerror = () => reject(new Error('no store'));
          opening.onsuccess = () => {
            const emptying = opening.result.transaction(['boats', 'named'], 'readwrite');
            emptying.objectStore('boats').clear();
            emptying.objectStore('named').delete('walkIns:');
            emptying.objectStore('named').delete('walkIns:ossel-quay');
            emptying.oncomplete = () => {
              opening.result.close();
              resolve();
            };
          };
        }),
    );
    await bram.open('/bookings/new?day=2026-06-20&base=ossel-quay');
    await expect(bram.by('book-hire')).toContainText('Book ');
    await bram.by('book-hire').click();
    await expect(page.getByText('Whoever hires the boat has a name.')).toBeVisible();
    await bram.by('hire-contact').fill('ring me');
    await bram.by('book-hire').click();
    await expect(page.getByText('This is neither a number nor a mail address.')).toBeVisible();
    await bram.by('hire-date').fill('31/02/2026');
    await expect(bram.by('book-hire')).toBeDisabled();
    await bram.by('hire-date').fill('20/06/2026');
    await bram.by('hire-renter').fill('Ivo Lantry');
    await bram.by('hire-contact').fill('+000 555 0177');
    await bram.by('hours-other').click();
    await bram.by('hire-back-date').fill('19/06/2026');
    await expect(bram.by('book-hire')).toBeDisabled();
    await bram.by('hire-back-date').fill('22/06/2026');
    await bram.by('hire-children-more').click();
    await expect(bram.by('book-hire')).toBeEnabled();
    await bram.cutNetwork();
    await bram.by('book-hire').click();
    await expect(page.getByText(/What you typed stays/)).toBeVisible();
    await bram.mendNetwork();
    await bram.by('book-hire').click();
    await expect(bram.by('make-link')).toBeVisible();
    bram.cut = false;
    await page.getByRole('button', { name: 'Close' }).click();
    await expect(page.getByText('Ivo Lantry').first()).toBeVisible();
    await expect(page.getByText('2 adults, 1 child')).toBeVisible();
  },
);

test('a hire is not made longer into the next one’s time', PHONE, async ({ phoneOf }) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  // Ines Okonjo-Lind has the boat that Greta Solway has tomorrow from half past nine.
  await mina.open('/hire/h-1001');
  await mina.by('change').click();
  await mina.by('change-date').fill('14/06/2026');
  await mina.by('change-clock').fill('10:00');
  mina.cut = true;
  await mina.by('keep-change').click();
  await expect(page.getByText(/Somebody else has the boat at that time/)).toBeVisible();
  await mina.by('change-clock').fill('09:15');
  await mina.by('keep-change').click();
  await expect(page.getByText(/little time to turn the boat round/)).toBeVisible();
  await mina.by('keep-change').click();
  await expect(mina.by('keep-change')).toHaveCount(0);
});
