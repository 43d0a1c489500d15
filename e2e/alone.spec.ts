import { idsFrom } from './ids';
import { aloneStop, hourComes } from './alone';
import { BRAM, expect, MANAGER, PHONE, test } from './quay';
import { enterParty, linkOf, renterPhone } from './renter';
import { sign } from './walking';
import { patient } from './patience';

test(
  'a boat taken over without staff, from the link to casting off, and brought back: the same record, on the renter’s phone',
  PHONE,
  async ({ phoneOf, browser, quay }) => {
    test.setTimeout(240_000);
    const bram = await phoneOf(BRAM);
    const dot = await renterPhone(browser, quay);
    const { page } = dot;
    await dot.open(await linkOf(bram, 'h-1014'));
    await dot.by('open-alone').click();
    // Not on the list of what may be pressed: the key of a boat whose party nobody knows.
    await dot.by('alone-next').click();
    await enterParty(page, [
      { name: 'Dot', age: '52', mass: '68', is: 'drives' },
      { name: 'Ann', age: '50', mass: '62', is: 'lookout' },
      { name: 'Tim', age: '9', swims: 'weakly' },
    ]);
    await dot.by('open-alone').click();
    await expect(page.getByText(/\d+ points indispensables ne sont pas encore lus/)).toBeVisible();
    await dot.by('alone-next').click();
    const onward = dot.by('read-on');
    await expect(onward).toBeVisible();
    // One point after the other, until there are no more.
    for (let was = ''; await onward.isVisible();) {
      was = await page.locator('h2').first().innerText();
      await onward.click();
      await expect(page.locator('h2').filter({ hasText: was })).toHaveCount(0);
    }
    await dot.by('read-all').click();

    // The key at its hour, and not before; not without signal, nor from a safe that is silent.
    await dot.by('alone-next').click();
    await expect(page.getByText(/Le code est donné à partir de/)).toBeVisible();
    await expect(page.getByText(/gardés sur ce téléphone/)).toHaveCount(0);
    hourComes(quay, 'h-1014');
    await dot.cut();
    await dot.by('alone-next').click();
    await expect(page.getByText(/Le code se demande avec du réseau/)).toBeVisible();
    await dot.mend();
    const mina = await phoneOf(MANAGER);
    await mina.goTo('settings');
    await mina.by('keySafe-silent').click();
    await expect(mina.by('keySafe-silent')).toBeChecked();
    dot.expectNo();
    await dot.by('alone-next').click();
    await expect(page.getByText(/Le coffre à clés ne répond pas/)).toBeVisible();
    await mina.by('keySafe-works').click();
    await expect(mina.by('keySafe-works')).toBeChecked();
    await dot.by('alone-next').click();
    await expect(dot.by('key-code')).toHaveText(/^\d{6}$/);
    await expect(page.getByText('coffre à clés simulé')).toBeVisible();
    const code = await dot.by('key-code').innerText();
    // The hand is asked for it on the telephone and reads the same.
    await bram.open('/hire/h-1014');
    await bram.by('key').click();
    await expect(bram.by('key-code')).toContainText(code);
    await bram.page.keyboard.press('Escape');
    // Nothing on the phone has kept it.
    const kept = await page.evaluate(async (wanted) => {
      const found: string[] = [];
      for (const name of await caches.keys())
        for (const request of await (await caches.open(name)).keys()) if (request.url.includes('/api/')) found.push(request.url);
      for (const { name } of await indexedDB.databases()) {
        const db = await new Promise<IDBDatabase>((resolve) => {
          const open = indexedDB.open(name!);
          open.onsuccess = () => resolve(open.result);
        });
        for (const store of db.objectStoreNames) {
          const rows = await new Promise<unknown[]>((resolve) => {
            const all = db.transaction(store).objectStore(store).getAll();
            all.onsuccess = () => resolve(all.result as unknown[]);
          });
          if (JSON.stringify(rows).includes(wanted)) found.push(store);
        }
        db.close();
      }
      if (JSON.stringify({ ...localStorage, ...sessionStorage }).includes(wanted)) found.push('storage');
      return found;
    }, code);
    expect(kept).toEqual([]);
    await dot.by('alone-next').click();
    await expect(dot.by('give-p3')).toBeChecked();

    // Her own walk: one stop with signal, the others without.
    await dot.by('alone-next').click();
    await expect(dot.by('complete-station')).toBeVisible();
    const stops = await page.locator(idsFrom('stop-')).count();
    expect(stops).toBe(4);
    // A stop is not completed over what must be known: whoever presses is led to the question that waits.
    await dot.by('complete-station').click();
    await expect(dot.by('open-question')).toBeInViewport();
    await expect(page.getByText('Une question attend au-dessus')).toBeVisible();
    await expect(dot.by('complete-station-open')).toHaveCount(0);
    await aloneStop(page);
    await dot.cut();
    for (let i = 1; i < stops; i += 1) await aloneStop(page);
    await expect(page.getByRole('heading', { name: 'Relire et signer' })).toBeVisible();
    await sign(dot);
    await expect(dot.by('alone-next')).toHaveText('Nous partons');
    await dot.by('alone-next').click();
    await expect(dot.by('open-alone')).toBeVisible();
    await dot.mend();
    await expect(page.getByText(/gardés? sur ce téléphone/)).toHaveCount(0, { timeout: patient(40_000) });
    await bram.open('/hire/h-1014');
    await expect(bram.page.getByText('on the water')).toBeVisible();
    await expect(bram.page.getByText('Departure: sealed by the renter alone, received by the quay')).toBeVisible({
      timeout: patient(20_000),
    });

    // And back again, with departure behind it.
    await dot.by('open-alone').click();
    await dot.by('alone-next').click();
    await dot.by('alone-next').click();
    await expect(dot.by('complete-station')).toBeVisible();
    for (let i = 0; i < stops; i += 1) await aloneStop(page);
    await expect(page.getByRole('heading', { name: 'Relire le retour' })).toBeVisible();
    await sign(dot);
    // Signed is not left: the switch, and the key in its shut box.
    await expect(page.getByText('C’est signé.', { exact: false })).toBeVisible();
    await dot.by('alone-leave').click();
    for (const item of ['engine', 'fast', 'switch', 'yours', 'key']) await dot.by(`item-${item}`).click();
    await dot.by('keep-round').click();
    await expect(page.getByText('Liste enregistrée.')).toBeVisible();
    await page.goto(`${bram.quay.url}/r/alone`);
    await expect(page.getByText('Le retour est signé.', { exact: false })).toBeVisible();
    await expect(page.getByText(/gardés? sur ce téléphone/)).toHaveCount(0, { timeout: patient(40_000) });
    await bram.open('/hire/h-1014');
    await expect(bram.by('hire-next')).toHaveText('Compare');
    await bram.by('see-record').click();
    // It is one of the first entries, at the end of a list that draws only what is seen.
    await expect(async () => {
      await bram.by('log').evaluate((list) => list.scrollTo(0, list.scrollHeight));
      await expect(bram.page.getByText('Code of the key safe given out')).toBeVisible({ timeout: 500 });
    }).toPass();
    await dot.close();

    // Nobody of the quay stood beside: Bram looks once more, and what he sees counts and is said to be unsigned.
    await bram.open('/hire/h-1014/compare');
    await bram.by('walk-again').click();
    await expect(bram.page.getByText('What you enter now counts until the closing', { exact: false })).toBeVisible();
    const api = bram.context.request;
    const { book } = (await (await api.get(`${bram.quay.url}/api/hires/h-1014`)).json()) as {
      book: { surfaces: { id: string; station: string }[] };
    };
    const { id, station } = book.surfaces[0]!;
    await bram.open(`/hire/h-1014/walk/in?stop=${station}`);
    await bram.by(`surface-${id}`).click();
    await bram.by('surface-drawing').click({ position: { x: 40, y: 30 } });
    await bram.by('keep-mark').click();
    await expect(bram.page.getByText(/^1 · scratch, \d+ mm$/)).toBeVisible();
    await bram.open('/hire/h-1014/compare');
    await bram.page.locator(idsFrom('finding-mark/')).first().click();
    await expect(bram.page.getByText('entered after the return was signed')).toBeVisible();
  },
);
