import { idsFrom } from './ids';
import { expect, MANAGER, PHONE, type Phone, test } from './quay';
import { linkOf, renterPhone } from './renter';
import { patient } from './patience';

/** Drags a row's handle by the mouse to the place of another. */
const drag = async (phone: Phone, id: string, to: string): Promise<void> => {
  // In the middle: at an edge the list scrolls by itself while it is dragged.
  await phone.by(`drag-${id}`).evaluate((row) => row.scrollIntoView({ block: 'center' }));
  const [from, over] = [(await phone.by(`drag-${id}`).boundingBox())!, (await phone.by(`drag-${to}`).boundingBox())!];
  const { mouse } = phone.page;
  await mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await mouse.down();
  await mouse.move(from.x + from.width / 2, from.y + from.height / 2 + 8, { steps: 3 });
  await mouse.move(over.x + over.width / 2, over.y + over.height / 2, { steps: 8 });
  await mouse.up();
};

test(
  'a manager edits the books: order by dragging, place by pressing the plan, for one boat, a class, and a base',
  PHONE,
  async ({ phoneOf, browser, quay }) => {
    test.slow();
    const mina = await phoneOf(MANAGER);
    const { page } = mina;
    const order = async () => await page.locator(idsFrom('edit-')).evaluateAll((all) => all.map((one) => one.dataset.testid!.slice(5)));

    // One boat: a station somewhere else on her plan, and another order of the walk.
    await mina.open('/fleet/quiet-pickle');
    await mina.by('list-stations').click();
    await mina.by('edit-helm').click();
    await mina.by('plan-place').click({ position: { x: 60, y: 60 } });
    await mina.by('keep-row').click();
    await expect(page.getByText(/Kept as book 2/)).toBeVisible();
    await expect(mina.by('edit-helm')).toContainText('changed here');
    expect(await order()).toEqual(['bow', 'helm', 'seats', 'stern']);
    // What was just said lies over the last rows for a while; nothing is dragged from under it.
    await expect(page.getByText(/Kept as book 2/)).toHaveCount(0, { timeout: patient(15_000) });
    await drag(mina, 'stern', 'helm');
    await expect(page.getByText(/Kept as book 3/)).toBeVisible();
    await expect.poll(order).toEqual(['bow', 'stern', 'helm', 'seats']);
    await page.getByText('Undo').click();
    await expect.poll(order).toEqual(['bow', 'helm', 'seats', 'stern']);
    await mina.by('versions').click();
    await mina.by('version-3').click();
    await expect(mina.by('differences')).toContainText('Stations: another order');
    await page.keyboard.press('Escape');

    // A row of her own, with silly input said at its field.
    await mina.by('list-fittings').click();
    await mina.by('add-helm').click();
    await mina.by('keep-row').click();
    await expect(page.getByText('It has to be there in English', { exact: false })).toBeVisible();
    await mina.by('text-name').fill('Whistle');
    await mina.by('kind-required').click();
    await mina.by('field-count').fill('many');
    await mina.by('group-jacket').click();
    await mina.by('keep-row').click();
    await expect(page.getByText('A number, please.')).toBeVisible();
    await expect(page.getByText('This has to be there.').first()).toBeVisible();
    await mina.by('field-count').fill('2');
    await mina.by('group-jacket').click();
    await mina.by('keep-row').click();
    await expect(mina.by('edit-whistle')).toContainText('its own');
    // What the quay finds in it is said too, and what was typed stays. That the browser notes the answer is no fault.
    mina.cut = true;
    await mina.by('edit-whistle').click();
    await mina.by('field-expiry').fill('soon');
    await mina.by('keep-row').click();
    await expect(page.getByText(/fittings\[whistle\]\.expiry/)).toBeVisible();
    await expect(mina.by('field-expiry')).toHaveValue('soon');
    await page.keyboard.press('Escape');

    // What a book says once: her plate, changed for her alone and taken back; a plan that cannot be drawn says so.
    await mina.by('list-about').click();
    await expect(mina.by('edit-plate')).toContainText('from ');
    await mina.by('edit-plate').click();
    await mina.by('field-people').fill('');
    await mina.by('keep-row').click();
    await expect(page.getByText('This has to be there.')).toBeVisible();
    await mina.by('field-people').fill('2');
    await mina.by('keep-row').click();
    await expect(mina.by('edit-plate')).toContainText('changed here');
    await expect(mina.by('edit-plate')).toContainText('2 · ');
    await mina.by('edit-plate').click();
    await mina.by('inherit').click();
    await expect(mina.by('edit-plate')).toContainText('from ');
    await mina.by('edit-plan').click();
    await expect(page.getByRole('dialog').locator('svg').first()).toBeVisible();
    await mina.by('field-lengthM').fill('long');
    await expect(page.getByText('The plan is drawn here once it can be read.')).toBeVisible();
    await page.keyboard.press('Escape');

    // A class: one word, for every boat of it that says nothing else.
    await mina.open('/fleet/class/electric-5');
    await expect(page.getByText('Bears on Quiet Pickle')).toBeVisible();
    await mina.by('list-fittings').click();
    await mina.by('edit-jackets-adult').click();
    await mina.by('text-name').fill('Jackets for grown people');
    await mina.by('keep-row').click();
    await expect(page.getByText('Kept for Quiet Pickle.')).toBeVisible();
    // The other languages keep the old name: they say so, until somebody has read them.
    await expect(mina.by('edit-jackets-adult')).toContainText('to be translated: fr, de, es');
    await mina.by('edit-jackets-adult').click();
    await mina.by('right-name').click();
    await expect(mina.by('right-name')).toHaveCount(0);
    await page.keyboard.press('Escape');
    await expect(mina.by('edit-jackets-adult')).not.toContainText('to be translated');
    await mina.by('versions').click();
    await mina.by('version-1').click();
    await expect(mina.by('differences')).toContainText('Jackets for grown people');
    await page.keyboard.press('Escape');

    // Somebody else keeps the book meanwhile: what is typed here stays, and can be kept over theirs.
    const other = await mina.context.newPage();
    await other.goto(`${quay.url}/fleet/class/electric-5`);
    await other.getByTestId('list-fittings').click();
    await other.getByTestId('edit-jackets-adult').click();
    await other.getByTestId('field-count').fill('7');
    await mina.by('edit-jackets-adult').click();
    await mina.by('field-expiry').fill('2031-05');
    await mina.by('keep-row').click();
    await expect(mina.by('keep-row')).toBeHidden();
    await other.getByTestId('keep-row').click();
    await expect(other.getByText(/Somebody changed this meanwhile/)).toBeVisible();
    await expect(other.getByTestId('field-count')).toHaveValue('7');
    await other.getByTestId('keep-row').click();
    await expect(other.getByTestId('edit-jackets-adult')).toContainText('× 7');
    await other.close();

    // A base: what it says once,
    await mina.open('/fleet/base/ossel-quay');
    await mina.by('list-about').click();
    await mina.by('edit-named').click();
    await mina.by('field-radio').fill('14');
    await mina.by('keep-row').click();
    await expect(mina.by('edit-named')).toContainText('14');
    await mina.by('edit-policies').click();
    await mina.by('trees-yes').click();
    await mina.by('keep-row').click();
    await expect(mina.by('edit-policies')).toContainText('yes');
    // and the return card in another order, by the keyboard, as the next renter sees it.
    await mina.by('list-returnCard').click();
    const [first = '', second = ''] = await order();
    await mina.by(`drag-${second}`).focus();
    await page.keyboard.press('Space');
    await page.waitForTimeout(300);
    await page.keyboard.press('ArrowUp');
    await page.waitForTimeout(300);
    await page.keyboard.press('Space');
    await expect.poll(async () => (await order()).slice(0, 2)).toEqual([second, first]);
    const words = (await mina.by(`edit-${second}`).innerText()).split('\n')[0]!;
    const dot = await renterPhone(browser, quay, 'en-GB');
    await dot.open(await linkOf(mina, 'h-1014'));
    await dot.by('open-return').click();
    const texts = await dot.page.locator('[role="main"]').innerText();
    const found = texts.indexOf(words);
    expect(found).toBeGreaterThan(0);
    await dot.open('/r/alone');
    await expect(dot.by('alone-next')).toBeVisible();
    const pack = (await (await mina.context.request.get(`${quay.url}/api/hires/h-1014`)).json()) as {
      base: { returnCard: { id: string }[] };
      book: { fittings: { id: string; name: { en: string } }[] };
    };
    expect(pack.base.returnCard.slice(0, 2).map(({ id }) => id)).toEqual([second, first]);
    expect(pack.book.fittings.find(({ id }) => id === 'jackets-adult')?.name.en).toBe('Jackets for grown people');
    expect(pack.book.fittings.some(({ id }) => id === 'whistle')).toBe(true);
    await dot.close();
  },
);

test('trials on the water say what a hull’s figures are; one that does not go with the others stands out', PHONE, async ({ phoneOf }) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  await mina.open('/fleet/tuppenny-bun');
  await mina.by('list-about').click();
  await mina.by('edit-hull').click();
  const tryOut = async (is: string, figures: Record<string, string>) => {
    await mina.by(`try-${is}`).click();
    for (const [field, value] of Object.entries(figures)) await mina.by(`tried-${field}`).fill(value);
  };
  // In neutral nobody gets faster.
  await tryOut('coast', { fromMs: '1', toMs: '1.5', seconds: '9' });
  await expect(page.getByText('the second speed is the lower one', { exact: false })).toBeVisible();
  await mina.by('keep-trial').click();
  await expect(mina.by('trial-0')).toHaveCount(0);
  await mina.by('try-coast').click();
  for (const seconds of ['24', '25', '48']) {
    await tryOut('coast', { fromMs: '1.5', toMs: '0.75', seconds });
    await mina.by('keep-trial').click();
    await mina.by('try-coast').waitFor();
  }
  await expect(mina.by('trial-2')).toContainText('off what the others say');
  await mina.by('drop-trial-2').click();
  await expect(page.getByText('They differ among themselves by 2 %.')).toBeVisible();
  await mina.by('take-figures').click();
  await expect(mina.by('field-dragK')).not.toHaveValue('');
  const drag = await mina.by('field-dragK').inputValue();
  await mina.by('keep-row').click();
  await expect(page.getByText(/Kept as book 2/)).toBeVisible();
  // What was measured is no longer among what is estimated.
  await mina.open('/hire/h-1001/docking');
  await expect(mina.by('estimated')).toContainText('weight');
  await expect(mina.by('estimated')).not.toContainText('drag');
  await mina.open('/fleet/tuppenny-bun');
  await mina.by('list-about').click();
  await mina.by('edit-hull').click();
  await expect(mina.by('field-dragK')).toHaveValue(drag);
  await expect(mina.by('trial-1')).toBeVisible();
});

test('what metered fills taught about a gauge is seen, taken over into the book, and taken out again', PHONE, async ({ phoneOf }) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  await mina.open('/fleet/brisk-otter');
  await mina.by('learnt').click();
  await expect(page.getByText(/5 fills/).first()).toBeVisible();
  await mina.by('learn-fuel-needle').click();
  await expect(mina.by('unlearn-fuel-needle')).toBeVisible();
  await expect(mina.by('learn-fuel-needle')).toHaveCount(0);
  await mina.by('unlearn-fuel-needle').click();
  await expect(mina.by('learn-fuel-needle')).toBeVisible();
  await expect(mina.by('unlearn-fuel-needle')).toHaveCount(0);
});
