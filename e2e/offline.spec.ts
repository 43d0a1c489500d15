import { expect, PHONE, test } from './quay';
import { castOff, countAll, doStop, holdDeposit, sign, stopCount, briefAll } from './walking';
import { patient } from './patience';

test('the signal is gone from the third stop to the signature, with a reload, and everything arrives afterwards', async ({ bram }) => {
  test.slow();
  const { page } = bram;
  await bram.open('/hire/h-1001/castoff');
  await holdDeposit(bram);
  await bram.by('back').click();
  await bram.by('hire-next').click();
  await expect(bram.by('complete-station')).toBeVisible();
  const stops = await stopCount(bram);
  await doStop(bram);
  await doStop(bram);
  await bram.allSent();
  // The worker has what it needs before the signal goes.
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));

  await bram.cutNetwork();
  await doStop(bram);
  await expect(page.getByText('No signal')).toBeVisible();
  await briefAll(bram);
  const before = await page.locator('h2, [role="heading"][aria-level="2"]').first().innerText();
  await page.reload();
  // The same stop, with what was ticked still ticked.
  await expect(page.locator('h2, [role="heading"][aria-level="2"]').first()).toHaveText(before);
  await expect(page.locator('[role="checkbox"][aria-checked="false"]')).toHaveCount(0);
  for (let i = 3; i < stops; i += 1) await doStop(bram);
  await sign(bram);
  await expect(page.getByText('sealed, awaiting the quay')).toBeVisible();
  await expect(bram.by('pending-line')).toHaveAttribute('aria-label', /No signal, \d+ saved here, since \d\d:\d\d/);
  await castOff(bram, { deposit: false });
  await expect(page.getByRole('button', { name: /Tuppenny Bun, Ines Okonjo-Lind, .* to due/ })).toBeVisible();

  await bram.mendNetwork();
  await bram.allSent();
  // She stays on the water when the board comes from the quay again.
  await page.waitForTimeout(1500);
  await expect(page.getByRole('button', { name: /Tuppenny Bun, Ines Okonjo-Lind, .* to due/ })).toBeVisible({ timeout: patient(5000) });
  await bram.by('hire-h-1001').first().click();
  await expect(page.getByText('Departure: sealed, received by the quay')).toBeVisible({ timeout: patient(20_000) });
});

test('the quay is killed and started again in the middle; the tab is closed; nothing is lost', PHONE, async ({ bram, quay }) => {
  bram.cut = true;
  await bram.by('hire-h-1001').first().click();
  await bram.by('hire-next').click();
  await expect(bram.by('complete-station')).toBeVisible();
  await bram.page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await quay.end('SIGKILL');
  await briefAll(bram);
  await countAll(bram);
  await bram.page.close();
  const again = await bram.context.newPage();
  await again.goto(`${quay.url}/hire/h-1001/walk/out`);
  await expect(again.getByTestId('complete-station')).toBeVisible();
  await expect(again.locator('[role="checkbox"][aria-checked="false"]')).toHaveCount(0);
  await expect(again.getByTestId('pending-line')).toHaveAttribute('aria-label', /\d+ saved here, since/);
  await quay.start();
  await expect(again.getByTestId('pending-line')).toHaveCount(0, { timeout: patient(40_000) });
  const held = (await (await bram.context.request.get(`${quay.url}/api/hires/h-1001/events`)).json()) as { events: unknown[] };
  expect(held.events.length).toBeGreaterThan(5);
});

test('a full phone says so, and what was entered before is safe', PHONE, async ({ bram }) => {
  await bram.by('hire-h-1001').first().click();
  await bram.by('hire-next').click();
  await expect(bram.by('complete-station')).toBeVisible();
  await briefAll(bram);
  await bram.page.evaluate(() => {
    const disk = IDBObjectStore.prototype as { add: (this: IDBObjectStore, ...rest: unknown[]) => IDBRequest };
    const { add } = disk;
    disk.add = () => {
      throw new DOMException('the disk is full', 'QuotaExceededError');
    };
    (window as { makeRoom?: () => void }).makeRoom = () => (disk.add = add);
  });
  await bram.by('all-here').click();
  await expect(bram.page.getByText(/This phone is full/)).toBeVisible();
  await expect(bram.by('all-here')).toBeVisible();
  await bram.page.evaluate(() => (window as { makeRoom?: () => void }).makeRoom!());
  await bram.by('all-here').click();
  await expect(bram.by('all-here')).toHaveCount(0);
  await expect(bram.page.locator('[role="checkbox"][aria-checked="false"]')).toHaveCount(0);
});

test('an entry that the quay refuses is named, kept on the phone and shown; the others go out', PHONE, async ({ bram }) => {
  const { page } = bram;
  await bram.by('hire-h-1001').first().click();
  await bram.by('hire-next').click();
  await expect(bram.by('complete-station')).toBeVisible();
  await bram.cutNetwork();
  await countAll(bram);
  // As a phone with a newer program would have made it.
  await page.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((resolve) => {
      const request = indexedDB.open('jolly-quay');
      request.onsuccess = () => resolve(request.result);
    });
    const store = db.transaction('events', 'readwrite').objectStore('events');
    const rows = await new Promise<{ id: string; state: string; stored: { event: { id: string; body: unknown } } }[]>((resolve) => {
      const request = store.getAll();
      request.onsuccess = () => resolve(request.result as never);
    });
    const one = structuredClone(rows.find(({ state }) => state === 'pending')!);
    one.id = one.stored.event.id = one.id.slice(0, -4) + 'beef';
    one.stored.event.body = { kind: 'danced' };
    store.put(one);
  });
  await bram.mendNetwork();
  await expect(page.getByText('1 refused').first()).toBeVisible({ timeout: patient(30_000) });
  await bram.by('pending-line').click();
  await expect(page.getByText(/of an unknown kind/)).toBeVisible();
  await expect(page.getByText(/They stay here and are not lost/)).toBeVisible();
});

test('a store that does not answer is said on the page, and answers again once what holds it is gone', PHONE, async ({ bram, quay }) => {
  // Another page of the same phone that never ends what it began.
  const other = await bram.context.newPage();
  await other.goto(`${quay.url}/icon.svg`);
  await other.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const request = indexedDB.open('jolly-quay');
        request.onsuccess = () => {
          const named = request.result.transaction(['named'], 'readwrite').objectStore('named');
          const again = () => {
            named.get('me').onsuccess = again;
          };
          again();
          resolve();
        };
      }),
  );
  await bram.page.goto(`${quay.url}/`);
  await expect(bram.page.getByText('The store of this phone does not answer', { exact: false })).toBeVisible({ timeout: patient(20_000) });
  await other.close();
  await bram.page.getByRole('button', { name: 'Try again' }).click();
  await expect(bram.by('next').or(bram.by('nav-today')).first()).toBeVisible();
});
