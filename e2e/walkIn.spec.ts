import { idsFrom } from './ids';
import { BRAM, expect, MANAGER, type Phone, PHONE, test } from './quay';
import { castOff, doStop, sign, stopCount } from './walking';
import { patient } from './patience';

/** So many boats' books this phone has brought along. */
const booksOn = (phone: Phone): Promise<number> =>
  phone.page.evaluate(
    () =>
      new Promise<number>((resolve, reject) => {
        const opening = indexedDB.open('jolly-quay');
        opening.onerror = () => reject(new Error('no store'));
        opening.onsuccess = () => {
          const db = opening.result;
          const counting = db.transaction('boats').objectStore('boats').count();
          counting.onsuccess = () => {
            db.close();
            resolve(counting.result);
          };
        };
      }),
  );

test(
  'a walk-in without signal is a whole hire; somebody else had the boat by then, and a manager cancels one of the two',
  PHONE,
  async ({ phoneOf }) => {
    test.slow();
    const bram = await phoneOf(BRAM);
    const { page } = bram;
    bram.cut = true;
    // The party of noon does not come: the boat is free from now on.
    await bram.open('/hire/h-1001/change');
    await bram.by('cancel-hire').click();
    await bram.by('why-noShow').last().click();
    await bram.by('cancel-go').click();
    await bram.open('/');
    await expect(bram.by('nav-bookings')).toBeVisible();
    await expect.poll(() => booksOn(bram), { timeout: patient(30_000) }).toBeGreaterThan(2);
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));

    await bram.cutNetwork();
    await bram.by('nav-bookings').click();
    await bram.by('new-hire').click();
    await expect(page.getByText(/^No signal\. These boats can be hired as this phone knew it at/)).toBeVisible();
    await bram.by('hours-2').click();
    await bram.by('boat-tuppenny-bun').click();
    await bram.by('hire-renter').fill('Orla Pinnock');
    await bram.by('hire-more').click();
    await bram.by('hire-deposit').fill('0');
    await bram.by('book-hire').click();
    await expect(page.getByText('Booked on this phone', { exact: true })).toBeVisible();
    const hire = /hire\/(h-[0-9a-f-]+)/.exec(page.url())![1]!;
    await expect(bram.by('pending-line')).toHaveAttribute('aria-label', /No signal, 1 saved here/);

    // She stands on the day and can be walked, also after the page was loaded anew.
    await bram.by('nav-today').click();
    await expect(bram.by(`hire-${hire}`).first()).toBeVisible();
    await page.reload();
    await bram.by(`hire-${hire}`).first().click();
    await bram.by('hire-next').click();
    await expect(bram.by('complete-station')).toBeVisible();
    for (let stops = await stopCount(bram); stops > 0; stops -= 1) await doStop(bram);
    await sign(bram);
    await castOff(bram, { deposit: false });

    // At the desk nobody can know of it: somebody is promised the same boat.
    const mina = await phoneOf(MANAGER);
    await mina.open('/bookings/new?base=ossel-quay');
    await mina.by('hours-2').click();
    await mina.by('boat-tuppenny-bun').click();
    await mina.by('hire-renter').fill('Fenno Straker');
    await mina.by('book-hire').click();
    await expect(mina.by('make-link')).toBeVisible();

    await bram.mendNetwork();
    await bram.allSent();
    await bram.open(`/hire/${hire}`);
    await expect(page.getByText('Departure: sealed, received by the quay')).toBeVisible({ timeout: patient(20_000) });
    await expect(page.getByText('Booked on this phone', { exact: true })).toHaveCount(0);

    await mina.open('/attention');
    const matter = mina.page
      .locator(idsFrom('clash-'))
      .or(mina.by(`seen-clash-${hire}`))
      .first();
    await expect(matter).toBeVisible();
    await expect(mina.page.getByText('booked without signal in the time of Fenno Straker', { exact: false }).first()).toBeVisible();
    // The one on the water is there, and no other boat is free: the other one does not take place.
    await mina.open('/bookings');
    await mina.page.getByText('Fenno Straker').first().click();
    await mina.by('change').click();
    await mina.by('cancel-hire').click();
    await mina.by('why-quay').last().click();
    await mina.by('cancel-go').click();
    await expect(mina.page.getByText(/This hire was cancelled/)).toBeVisible();
    await mina.open('/attention');
    await expect(mina.page.getByText('booked without signal', { exact: false })).toHaveCount(0);
  },
);
