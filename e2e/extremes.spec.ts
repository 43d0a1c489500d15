import type { Locator, Page } from '@playwright/test';
import { BRAM, entriesIn, expect, MANAGER, PHONE, type Phone, test } from './quay';
import { linkOf, renterPhone } from './renter';
import { idsFrom } from './ids';
import { goodPicture } from './pictures';
import { decideAll, goToStop } from './walking';
import { patient } from './patience';

/** Far more than any field takes; a field stops where the quay would. */
const LONG = 'Wörter, “quoted” and 2 × 3 more; '.repeat(120);

/** Types as a person does, or pastes: a field's own limit holds. */
const type = async (phone: { page: Page }, field: Locator, text: string): Promise<number> => {
  await field.fill('');
  await field.click();
  await phone.page.keyboard.insertText(text);
  return (await field.inputValue()).length;
};

/** Two people who do not swim, and nobody else; a name is cut where the quay would refuse it. */
const enterParty = async (phone: Phone, people: readonly { name: string; age: string; mass: string; does: string[] }[]): Promise<void> => {
  const { page } = phone;
  await phone.open('/hire/h-1001/fit');
  await expect(phone.by('keep-party')).toBeVisible();
  for (const [i, { name, age, mass, does }] of people.entries()) {
    const id = `p${i + 1}`;
    if ((await phone.by(`name-${id}`).count()) === 0) await phone.by(`person-${id}`).click();
    expect(await type(phone, phone.by(`name-${id}`), name)).toBe(Math.min(name.length, 60));
    await phone.by(`age-${id}`).fill(age);
    await phone.by(`mass-${id}`).fill(mass);
    await phone.by('swims-not').click();
    for (const tick of does) await phone.by(`${tick}-${id}`).click();
  }
  for (let left = await page.locator(idsFrom('person-p')).count(); left > 1; left -= 1) {
    await page.locator(idsFrom('person-p')).last().click();
    await page.locator(idsFrom('remove-p')).click();
  }
  await phone.by('keep-party').click();
};

test('every form makes its longest and most extreme entries, and the quay takes them all', PHONE, async ({ phoneOf }) => {
  test.slow();
  const [bram, mina] = [await phoneOf(BRAM), await phoneOf(MANAGER)];
  const { page } = bram;
  // The party: the oldest and the youngest, the heaviest and the lightest, names without an end.
  await enterParty(bram, [
    { name: LONG, age: '120', mass: '250', does: ['drives', 'lookout', 'towed'] },
    { name: LONG, age: '0', mass: '2', does: ['drives', 'lookout', 'towed'] },
  ]);
  await expect(bram.by('keep-party')).toHaveCount(0);
  await bram.allSent();

  // A stop: the longest word about equipment, a mark at the very edge as large as can be, the longest hold.
  await bram.open('/hire/h-1001/walk/out');
  await bram.by('fitting-anchor').click();
  await bram.by('state-damaged').click();
  expect(await type(bram, bram.by('fitting-note'), LONG)).toBe(500);
  await bram.by('keep-fitting').click();
  await goToStop(bram, 'gate');
  await bram.by('surface-port-side').click();
  const box = (await bram.by('surface-drawing').boundingBox())!;
  await bram.by('surface-drawing').click({ position: { x: box.width * 0.96, y: box.height * 0.5 } });
  await bram.by('kind-missing').click();
  for (let i = 0; i < 45; i += 1) await bram.by('larger').click();
  expect(await type(bram, page.getByLabel('A word about it'), LONG)).toBe(500);
  const chooser = page.waitForEvent('filechooser');
  await bram.by('mark-photo-file').click();
  await (await chooser).setFiles(await goodPicture());
  await expect(page.getByAltText('Picture 1 of Left side')).toBeVisible();
  await bram.by('keep-mark').click();
  await bram.by('surface-seen').click();
  await bram.by('hold').click();
  expect(await type(bram, bram.by('hold-why'), LONG)).toBe(500);
  await bram.by('hold-go').click();
  await bram.allSent();

  // A manager lets the boat go with it, for the longest of reasons, and takes it back.
  await mina.open('/hire/h-1001/castoff');
  await mina.page.locator(idsFrom('let-go-')).first().click();
  expect(await type(mina, mina.by('let-go-why'), LONG)).toBe(500);
  await mina.by('let-go').click();
  await expect(mina.by('let-go')).toHaveCount(0);
  await mina.allSent();

  // The statement: the largest sum there is, the longest words, what is named and what is not agreed to.
  await mina.open('/hire/h-1006/compare');
  await decideAll(mina);
  await mina.by('open-statement').click();
  await mina.by('add-line').click();
  await mina.by('add-other').click();
  await mina.by('price-freely').click();
  await mina.by('add-sum').fill('1000000');
  expect(await type(mina, mina.by('add-text'), LONG)).toBe(1000);
  await mina.by('add-go').click();
  await mina.by('add-go').click();
  await expect(mina.by('add-go')).toHaveCount(0);
  await mina.page.locator(idsFrom('evidence-extra')).first().click();
  await mina.page.locator(idsFrom('quote-extra')).click();
  await mina.by('quote-sum').fill('0');
  expect(await type(mina, mina.by('quote-why'), LONG)).toBe(500);
  await mina.by('quote-go').click();
  await mina.page.locator(idsFrom('dispute-mark')).first().click();
  expect(await type(mina, mina.by('word'), LONG)).toBe(500);
  await mina.by('word-go').click();
  await expect(mina.by('word-go')).toHaveCount(0);
  await mina.allSent();

  // The turnaround, with the longest word about what was done.
  await mina.open('/hire/h-1006/turnaround');
  await mina.page.locator(idsFrom('do-')).first().click();
  expect(await type(mina, mina.by('work-note'), LONG)).toBe(500);
  await mina.by('work-done').click();
  await expect(mina.by('work-done')).toHaveCount(0);
  await mina.allSent();

  for (const phone of [bram, mina]) expect(await entriesIn(phone.page, 'refused')).toBe(0);
});

test(
  'gauges, remarks, a booking and a renter’s report take the most there is, and the quay takes it from them',
  PHONE,
  async ({ phoneOf, browser, quay }) => {
    test.slow();
    const [bram, mina] = [await phoneOf(BRAM), await phoneOf(MANAGER)];
    const { page } = bram;
    // Every gauge of the boat, typed far beyond what it can show: said at the field, and then the most it takes.
    await bram.open('/hire/h-1001/walk/out');
    await expect(bram.by('complete-station')).toBeVisible();
    let typed = 0;
    const stops = await page
      .locator(idsFrom('stop-'))
      .evaluateAll((all) => all.map((one) => (one as HTMLElement).dataset.testid!.slice('stop-'.length)));
    for (const stop of stops) {
      await bram.open(`/hire/h-1001/walk/out?stop=${stop}`);
      await expect(bram.by('complete-station')).toBeVisible();
      for (const gauge of await page.locator(idsFrom('gauge-')).all()) {
        await gauge.click();
        await expect(bram.by('keep-reading')).toBeVisible();
        if (await bram.by('reading').isVisible()) {
          typed += 1;
          await bram.by('reading').fill('9'.repeat(24));
          await expect(bram.by('keep-reading')).toBeDisabled();
          const most = /From \S+ to (\S+)\.\s/.exec(`${await page.locator('dialog[open]').innerText()} `)![1]!;
          await bram.by('reading').fill(most);
        } else for (let i = 0; i < 3; i += 1) await bram.by('higher').click();
        await bram.by('keep-reading').click();
        await expect(bram.by('keep-reading')).toHaveCount(0);
      }
    }
    expect(typed).toBeGreaterThan(1);
    // What both want to stand beside their names.
    await bram.open('/hire/h-1001/sign/out');
    for (const who of ['renter', 'staff']) {
      await bram.by(`remark-${who}`).click();
      expect(await type(bram, bram.by('remark-text'), LONG)).toBe(500);
      await bram.by('keep-remark').click();
      await expect(bram.by('keep-remark')).toHaveCount(0);
    }
    await bram.allSent();

    // A booking with as many as can be said, and the longest notes.
    await mina.open('/hire/h-1008');
    await mina.by('change').click();
    await mina.by('change-adults').fill('61');
    await mina.by('change-children').fill('60');
    expect(await type(mina, mina.by('change-notes'), LONG)).toBe(2000);
    await mina.by('keep-change').click();
    await expect(mina.page.getByText('A whole number from 1 to 60.')).toBeVisible();
    await mina.by('change-adults').fill('60');
    await expect(mina.page.getByText(/The capacity plate allows \d+ people at most/)).toBeVisible();
    await expect(mina.by('keep-change')).toBeDisabled();
    await mina.by('change-adults').fill('4');
    await mina.by('change-children').fill('0');
    await mina.by('keep-change').click();
    await expect(mina.by('keep-change')).toHaveCount(0);

    // What a renter has to say, at its longest, and where they are, typed without an end.
    const link = await linkOf(mina, 'h-1004');
    const rosa = await renterPhone(browser, quay, 'en-GB');
    await rosa.open(link);
    await expect(rosa.by('open-guide')).toBeVisible();
    await rosa.open('/r/report');
    expect(await type(rosa, rosa.by('report-note'), LONG)).toBe(500);
    await rosa.by('keep-report').click();
    await expect(rosa.by('keep-report')).toHaveCount(0);
    await rosa.open('/r/help');
    expect(await type(rosa, rosa.by('typed-position'), LONG)).toBe(60);
    const [store] = await rosa.page.evaluate(async () =>
      (await indexedDB.databases()).map(({ name }) => name!).filter((name) => name.includes('h-1004')),
    );
    await expect.poll(() => entriesIn(rosa.page, 'pending', store), { timeout: patient(30_000) }).toBe(0);
    expect(await entriesIn(rosa.page, 'refused', store)).toBe(0);
    await rosa.close();
    for (const phone of [bram, mina]) expect(await entriesIn(phone.page, 'refused')).toBe(0);
  },
);

test('a propeller, a jacket of one’s own, weather by hand and a book take the most there is', PHONE, async ({ phoneOf }) => {
  test.slow();
  const [bram, mina] = [await phoneOf(BRAM), await phoneOf(MANAGER)];
  const { page } = bram;
  // A child with a jacket of its own, made for everybody from nothing to the heaviest there is.
  await enterParty(bram, [
    { name: 'Ann', age: '4', mass: '18', does: [] },
    { name: 'Bea', age: '40', mass: '70', does: ['drives', 'lookout'] },
  ]);
  await bram.by('own-p1').click();
  await bram.by('own-n-150').click();
  await bram.by('own-from').fill('0');
  await bram.by('own-to').fill('251');
  await bram.by('own-read').click();
  await bram.by('own-fits').click();
  await bram.by('own-keep').click();
  await expect(page.getByText('The label’s figures are missing.')).toBeVisible();
  await bram.by('own-to').fill('250');
  await bram.by('own-keep').click();
  await expect(bram.by('own-keep')).toHaveCount(0);

  // The largest flaw of a propeller that can be said.
  await bram.open('/hire/h-1001/walk/out');
  await expect(bram.by('complete-station')).toBeVisible();
  const stops = await page
    .locator(idsFrom('stop-'))
    .evaluateAll((all) => all.map((one) => (one as HTMLElement).dataset.testid!.slice('stop-'.length)));
  for (const stop of stops) {
    await bram.open(`/hire/h-1001/walk/out?stop=${stop}`);
    await expect(bram.by('complete-station')).toBeVisible();
    if (await bram.by('prop-flaw').isVisible()) break;
  }
  await bram.by('prop-flaw').click();
  await expect(bram.by('flaw-larger')).toBeVisible();
  // Far beyond what may go out, faster than any of it can be kept.
  for (let i = 0; i < 60; i += 1) await bram.by('flaw-larger').click({ noWaitAfter: true });
  await expect(page.getByText('62 mm', { exact: true })).toBeVisible();

  // The strongest wind that is believed.
  await bram.open('/hire/h-1001/docking');
  await bram.by('change-wind').click();
  await bram.by('wind-315').click();
  await bram.by('set-windMs').fill('40');
  await bram.by('set-currentMs').fill('9'.repeat(8));
  await bram.by('keep-wind').click();
  const range = /From \S+ to (\S+)\.\s/.exec(`${await page.locator('dialog[open]').innerText()} `)![1]!;
  await bram.by('set-currentMs').fill(range);
  await bram.by('keep-wind').click();
  await expect(bram.by('keep-wind')).toHaveCount(0);
  await expect(bram.by('wind-now')).toContainText('Set by hand');
  await bram.allSent();

  // A row of a book, with texts without an end in every language.
  await mina.open('/fleet/class/any-boat');
  await mina.by('list-points').click();
  await mina.page.locator(idsFrom('edit-')).first().click();
  const texts = mina.page.locator('dialog[open] textarea, dialog[open] input[type="text"]');
  let long = 0;
  for (const text of await texts.all()) {
    if (!(await text.isEditable()) || (await text.getAttribute('inputmode')) === 'decimal') continue;
    const id = await text.getAttribute('data-testid');
    if (!id?.startsWith('text-')) continue;
    long = Math.max(long, await type(mina, text, LONG));
  }
  expect(long).toBe(2000);
  await mina.by('keep-row').click();
  await expect(mina.page.getByText(/Kept for /)).toBeVisible();

  for (const phone of [bram, mina]) expect(await entriesIn(phone.page, 'refused')).toBe(0);
});
