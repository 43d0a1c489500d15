import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { expect, MANAGER, test } from './quay';

/** What a manager does at a desk and on a phone alike, without a file on the server. */

test('a price raised for next month: planned, seen, taken back, and brought in as a table', async ({ phoneOf }) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  await mina.open('/prices');
  await mina.by('all-prices').click();
  await mina.by('find-price').fill('fender');
  await mina.by('from-day').click();
  // Nothing is typed yet: there is nothing to keep.
  await expect(mina.by('keep-prices')).toBeDisabled();
  await mina.by('price-fender').fill('45');
  await mina.by('prices-day').fill('31/02/2031');
  await mina.by('keep-prices').click();
  await expect(page.getByText('A day such as 13/06/2026.')).toBeVisible();
  await mina.by('prices-day').fill('01/02/2020');
  await mina.by('keep-prices').click();
  await expect(page.getByText(/That day has come already/)).toBeVisible();
  await mina.by('prices-day').fill('01/02/2031');
  await mina.by('keep-prices').click();
  await expect(page.getByText('Kept. Hires that begin from 1 February 2031 on go by it.')).toBeVisible();
  await expect(mina.by('changes-2031-02-01')).toContainText('€38.00 → €45.00');
  await expect(mina.by('price-fender')).toHaveValue('38.00');

  // Looked at again: the form is of that day.
  await mina.by('change-2031-02-01').click();
  await expect(mina.by('price-fender')).toHaveValue('45.00');
  await mina.by('from-now').click();
  await expect(mina.by('price-fender')).toHaveValue('38.00');

  await mina.by('drop-2031-02-01').click();
  await expect(mina.by('planned-2031-02-01')).toHaveCount(0);
  await page.getByText('Undo').click();
  await expect(mina.by('planned-2031-02-01')).toBeVisible();

  // As a table: it goes out with what is planned, and what comes back is seen first.
  const going = page.waitForEvent('download');
  await mina.by('save-prices').click();
  const text = readFileSync(await (await going).path(), 'utf8');
  expect(text).toMatch(/^fender,.*,45\.00,.*2031-02-01/m);
  const file = join(mkdtempSync(join(tmpdir(), 'quay-prices-')), 'prices.csv');
  writeFileSync(file, text.replace(/^line,Dock line,each,24\.00/m, 'line,Dock line,each,27.50'));
  const choosing = page.waitForEvent('filechooser');
  await mina.by('bring-prices').click();
  await (await choosing).setFiles(file);
  await expect(mina.by('table-now')).toContainText('Dock line');
  await expect(mina.by('table-now')).toContainText('€24.00 → €27.50');
  await mina.by('take-prices').click();
  await expect(page.getByText('The table is taken over.')).toBeVisible();
  await mina.by('find-price').fill('dock line');
  await expect(mina.by('price-line')).toHaveValue('27.50');
});

test('what a book lacks is told with its reason, opens the place, and goes as it is put right', async ({ phoneOf }) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  await mina.open('/fleet/brisk-otter');
  await expect(mina.by('list-points')).toBeVisible();
  // As she is shipped she lacks nothing that is known.
  await expect(mina.by('lacks')).toHaveCount(0);
  await mina.by('list-gauges').click();
  await mina.by('edit-fuel-needle').click();
  await page.locator('[data-testid^="tank-"][aria-checked="true"]').first().click();
  await expect(page.getByText(/names no tank\. What it shows is compared with nothing/)).toBeVisible();
  await mina.by('keep-row').click();
  await expect(page.getByText(/Kept as book 2/)).toBeVisible();
  await expect(mina.by('lacks')).toContainText('lacks 1 thing');
  await mina.by('list-points').click();
  await mina.by('lack-gaugeWithoutTank').click();
  await page.locator('[data-testid^="tank-"]').first().click();
  await mina.by('keep-row').click();
  await expect(mina.by('lacks')).toHaveCount(0);
  await mina.open('/first-hire');
  await expect(mina.by('step-book')).toContainText('done');
});

test('a condition within a condition is put together in sentences, and tells on how many hires it would have held', async ({ phoneOf }) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  await mina.open('/fleet/class/any-boat');
  await mina.by('edit-weather').click();
  await mina.by('add-fact').click();
  await mina.by('fact-party.children').click();
  await mina.by('atLeast-0').fill('1');
  await expect(mina.by('tried')).toContainText(/It would have held on \d+ of the last \d+ hires/);
  await mina.by('add-together').click();
  await mina.by('1-add-fact').click();
  await mina.by('fact-hire.nearDusk').click();
  await mina.by('1-add-fact').click();
  await mina.by('fact-hire.nights').click();
  await mina.by('1-atLeast-1').fill('1');
  await expect(
    page.getByText(/^When children aboard: at least 1 and \(it is dusk .* or nights of the hire: at least 1\)\.$/),
  ).toBeVisible();
  await mina.by('1-not-1').click();
  await mina.by('keep-row').click();
  await expect(page.getByText(/Kept for /)).toBeVisible();
  await mina.by('edit-weather').click();
  await expect(mina.by('1-atLeast-1')).toHaveValue('1');
  await expect(page.getByText(/or not nights of the hire: at least 1\)/)).toBeVisible();
});

test('the installation goes out as one ZIP; a boat that is changed in it comes back, seen before it is taken', async ({ phoneOf }) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  await mina.goTo('settings');
  await mina.by('open-files').click();
  const going = page.waitForEvent('download');
  await mina.by('take-files').click();
  const files = unzipSync(readFileSync(await (await going).path()));
  expect(Object.keys(files)).toEqual(
    expect.arrayContaining(['operator.json', 'bases.json', 'prices.csv', 'hires.csv', 'boats/tuppenny-bun.json']),
  );
  const folder = mkdtempSync(join(tmpdir(), 'quay-files-'));
  const choose = async (name: string, bytes: Uint8Array) => {
    writeFileSync(join(folder, name), bytes);
    const choosing = page.waitForEvent('filechooser');
    await mina.by('choose-files').click();
    await (await choosing).setFiles(join(folder, name));
  };
  // A refusal is no fault of the page.
  mina.cut = true;
  await choose('holiday.zip', strToU8('no zip'));
  await expect(page.getByText(/These are no files of a quay/)).toBeVisible();
  mina.cut = false;
  const boat = strFromU8(files['boats/tuppenny-bun.json']!).replace(/"hullNumber": "[^"]*"/, '"hullNumber": "TB 77"');
  await choose('boats.zip', zipSync({ 'mine/boats/tuppenny-bun.json': strToU8(boat), 'mine/todo.txt': strToU8('?') }));
  await expect(mina.by('files-boats')).toContainText('1 changed: Tuppenny Bun');
  await expect(page.getByText(/left out: mine\/todo\.txt/)).toBeVisible();
  await mina.by('load-files').click();
  await expect(page.getByText('The files are taken over.')).toBeVisible();
  await mina.open('/fleet/tuppenny-bun');
  await expect(page.getByText(/TB 77 · book 1/)).toBeVisible();
});

test('the handbook is read in the program, also without signal; hours at which nobody is there are asked for once more', async ({
  phoneOf,
}) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  await mina.goTo('handbook');
  await mina.by('handbook-first-day').first().click();
  await expect(page.getByText('You need a computer that stays on', { exact: false })).toBeVisible();
  await mina.by('handbook-next').click();
  await expect(page.getByText('Two hires of one boat never overlap.', { exact: false })).toBeVisible();

  // A base that is open for an hour of the day, and an operator who wants to be asked.
  await mina.open('/fleet/base/ossel-quay');
  await mina.by('list-about').click();
  await mina.by('edit-hours').click();
  await mina.by('more-hours').click();
  for (const day of ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun']) await mina.by(`hours-0-days-${day}`).click();
  await mina.by('field-hours-0-from').fill('9:00');
  await mina.by('field-hours-0-to').fill('later');
  await mina.by('keep-row').click();
  await expect(page.getByText('An hour such as 17:30.')).toBeVisible();
  await mina.by('field-hours-0-to').fill('1200');
  await mina.by('keep-row').click();
  await expect(page.getByText('Kept.').first()).toBeVisible();
  await mina.open('/settings/operator');
  await mina.by('outside-ask').click();
  await mina.by('keep-operator').click();
  await expect(page.getByText('Kept. It holds from the next look at a hire on.')).toBeVisible();
  await mina.open('/bookings/new');
  await mina.by('hire-date').fill('14/06/2031');
  await mina.by('hire-clock').fill('14:00');
  await mina.by('hours-2').click();
  await expect(mina.by('against-hours')).toContainText('Nobody is there to hand over');
  await expect(mina.by('book-hire')).toContainText('all the same');
  // Earlier on that day, with both ends while somebody is there.
  await mina.page.locator('[data-testid^="better-"]').first().click();
  await expect(mina.by('against-hours')).toHaveCount(0);
  await expect(mina.by('hire-clock')).toHaveValue('10:00');
});

test('a plan is drawn: an outline from a form, things put aboard on both sides, undone, and a drawing of one’s own', async ({
  phoneOf,
}) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  await mina.open('/fleet/quiet-pickle');
  await mina.by('list-about').click();
  await mina.by('edit-plan').click();
  await mina.by('draw').click();
  await expect(mina.by('drawing-board').locator('canvas').first()).toBeVisible();
  await mina.by('form-square').click();
  await mina.by('thing-hatch').click();
  await mina.by('tone-dark').click();
  await mina.by('draw-undo').click();
  await mina.by('draw-redo').click();
  // Moved by keys, and taken away on both sides at once.
  await mina.by('thing-tank').click();
  await page.keyboard.press('ArrowRight');
  await mina.by('draw-drop').click();
  const file = join(mkdtempSync(join(tmpdir(), 'quay-svg-')), 'plan.svg');
  const bring = async (svg: string) => {
    writeFileSync(file, svg);
    const choosing = page.waitForEvent('filechooser');
    await mina.by('from-svg').click();
    await (await choosing).setFiles(file);
  };
  await bring('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script><path d="M0 0L9 9"/></svg>');
  await expect(page.getByText(/This drawing holds more than lines/)).toBeVisible();
  await bring('a boat');
  await expect(page.getByText('This is no drawing (SVG).')).toBeVisible();
  await mina.by('keep-drawing').click();
  await mina.by('keep-row').click();
  await expect(page.getByText(/Kept as book 2/)).toBeVisible();
  await mina.by('edit-plan').click();
  await mina.by('draw').click();
  await bring(
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 80"><polygon points="0,0 150,0 200,40 150,80 0,80"/><circle cx="80" cy="40" r="10"/></svg>',
  );
  await expect(page.getByText('This is no drawing (SVG).')).toHaveCount(0);
  await mina.by('keep-drawing').click();
  await mina.by('keep-row').click();
  await expect(page.getByText(/Kept as book 3/)).toBeVisible();
});

test('a drill is written in a form beside its panel: a trap is told with the moves that lead there', async ({ phoneOf }) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  await mina.open('/fleet/class/any-boat');
  await mina.by('list-drills').click();
  await mina.by('edit-outboard-start').click();
  await expect(page.getByText(/Gone through in \d+ states: nothing is wrong with it\./)).toBeVisible();
  // Without what starts the engine its goal is out of reach: that is said while it is written, with the way there.
  await expect(mina.by('open-rules-11')).toContainText('= running');
  await mina.by('drop-rules-11').click();
  await expect(page.getByText(/cannot be reached/).first()).toBeVisible();
  await page.locator('[data-testid^="show-goals"]').first().click();
  // The quay says no for the same reason; that is no fault of the page.
  mina.cut = true;
  await Promise.all([page.waitForResponse((answer) => answer.status() === 422), mina.by('keep-row').click()]);
  await expect(page.getByText(/goals\[.*cannot be reached/).last()).toBeVisible();
  // A rule of its own that is no rule yet is said where it is.
  await mina.by('more-rules').click();
  await mina.by('group-rules-18-on').click();
  await mina.by('keep-row').click();
  await expect(page.getByText('This has to be there.').first()).toBeVisible();
  mina.cut = false;
  await mina.by('rules-18-on-control-key').click();
  await mina.by('rules-18-on-to-start').click();
  await mina.by('rules-18-set-add').click();
  await mina.by('rules-18-set-add-engine-running').click();
  await expect(mina.by('open-rules-18')).toContainText('→ start');
});

test('rules for jackets, what is said on every boat, and a fix card are forms; a hire half typed is there again', async ({ phoneOf }) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  // Who wears a jacket, and who held that against the by-law.
  await mina.open('/fleet/rules/ossel');
  await mina.by('edit-wear').click();
  await mina.by('field-childUnder').fill('fourteen');
  await mina.by('keep-row').click();
  await expect(page.getByText('A number, please.')).toBeVisible();
  await mina.by('field-childUnder').fill('14');
  await mina.by('keep-row').click();
  await expect(page.getByText('Kept.').first()).toBeVisible();
  await mina.by('edit-source').click();
  await mina.by('field-comesFrom').fill('Harbour by-law 12');
  await mina.by('field-checkedOn').fill('31/11/2026');
  await mina.by('keep-row').click();
  await expect(page.getByText('A day such as 13/06/2026.')).toBeVisible();
  await mina.by('field-checkedOn').fill('30/11/2026');
  await mina.by('keep-row').click();
  await expect(mina.by('edit-source')).toContainText('Harbour by-law 12');
  await expect(mina.by('edit-wear')).toContainText('14');

  // Said on every boat.
  await mina.open('/fleet/everywhere');
  await mina.by('edit-price-told').click();
  await mina.by('field-seconds').fill('20');
  await mina.by('keep-row').click();
  await expect(page.getByText('Kept.').first()).toBeVisible();
  await expect(mina.by('edit-price-told')).toContainText('20');

  // A fix card is walked while it is written.
  await mina.open('/fleet/class/any-boat');
  await mina.by('list-fixCards').click();
  await mina.by('edit-aground').click();
  await expect(mina.by('card-trial')).toBeVisible();
  await page.locator('[data-testid="card-next"], [data-testid="card-answer-0"]').first().click();
  await expect(mina.by('card-back')).toBeVisible();
  await page.keyboard.press('Escape');

  // A hire that was begun and not booked.
  await mina.open('/bookings/new');
  await mina.by('hire-renter').fill('Half Typed');
  await mina.by('hire-contact').fill('+000 555 0177');
  await page.waitForTimeout(1000);
  await page.reload();
  await expect(mina.by('hire-renter')).toHaveValue('Half Typed');
  await expect(mina.by('hire-contact')).toHaveValue('+000 555 0177');
  await mina.by('begin-anew').click();
  await expect(mina.by('hire-renter')).toHaveValue('');
});
