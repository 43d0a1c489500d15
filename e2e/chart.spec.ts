import { BRAM, expect, MANAGER, type Phone, test, PHONE } from './quay';
import { linkOf, renterPhone } from './renter';
import { patient } from './patience';

/** Minutes of a clock, `16:24`. */
const minutesIn = (text: string): number => {
  const found = /(\d\d):(\d\d)/.exec(text);
  if (!found) throw new Error(`no clock in “${text}”`);
  return Number(found[1]) * 60 + Number(found[2]);
};

/** Where to: beside the chart on a desk, in a sheet on a phone. */
const openPlaces = async (phone: Phone) => {
  if (await phone.by('choose-place').isVisible()) await phone.by('choose-place').click();
  await expect(phone.by('find-place')).toBeVisible();
};

test('a lake day: how far, when to turn, and later the harder it blows', async ({ phoneOf }) => {
  test.slow();
  const mina = await phoneOf(MANAGER);
  await mina.open('/hire/h-1001');
  await mina.by('open-chart').click();
  // Due at 16:55: ten minutes are kept back where the way home is no way.
  await expect(mina.by('turn')).toContainText('16:45');
  await openPlaces(mina);
  await mina.by('find-place').fill('falls');
  await mina.by('place-spill-falls').click();
  await expect(mina.page).toHaveURL(/place=spill-falls/);
  await expect(mina.by('wish')).toContainText('Against the wind the way home takes');
  const leave = async () => minutesIn((await mina.by('wish').innerText()).split('Leave again by')[1]!);
  const asForecast = await leave();
  expect(asForecast).toBeLessThan(16 * 60 + 45);

  // Where it is, stands in the address: it can be sent to somebody, and opened again.
  await mina.page.reload();
  await expect(mina.by('wish')).toBeVisible();

  // A forecast that promises less than blows is not believed.
  await mina.open('/settings');
  await mina.by('weatherMast-silent').click();
  await expect(mina.by('weatherMast-silent')).toHaveAttribute('aria-checked', 'true');
  await mina.page.evaluate(() => localStorage.clear());
  await mina.open('/hire/h-1001/chart?place=spill-falls');
  await expect(mina.page.getByText('Nobody knows the wind')).toBeVisible();
  await expect(mina.by('wish')).toBeVisible();
  expect(await leave()).toBeLessThan(asForecast);
});

test('what holds is said where one presses; a wish too far says what would have to give', async ({ phoneOf }) => {
  const bram = await phoneOf(BRAM);
  await bram.open('/hire/h-1001/chart');
  await expect(bram.by('turn')).toBeVisible();
  const box = (await bram.by('chart').boundingBox())!;
  await bram.page.mouse.click(box.x + box.width * 0.4, box.y + box.height * 0.6);
  await expect(bram.page).toHaveURL(/at=-3\d\.\d+/);
  await expect(bram.by('holds')).toBeVisible();
  // A hazard tells how far to stay off it; by its name, from the keyboard.
  await bram.page.getByRole('button', { name: 'Hazard: Gull Rock' }).focus();
  await bram.page.keyboard.press('Enter');
  await expect(bram.page.getByText('Stay 120 m off').first()).toBeVisible();
  await expect(bram.page).toHaveURL(/place=gull-rock/);
  await bram.by('clear-wish').click();
  await expect(bram.by('turn')).toBeVisible();
  // At which revs she keeps the limits of this water, and goes farthest.
  await bram.by('open-speeds').click();
  await expect(bram.by('limit-6')).toContainText(/up to \d+ revs/);
  await expect(bram.by('economical')).toContainText(/ L for 10 km/);
  await bram.page.keyboard.press('Escape');
  // Twenty-one minutes are left of this hire: the far end of the lake is too far in an electric launch.
  await bram.open('/hire/h-1002/chart?place=spill-falls');
  await expect(bram.by('wish')).toContainText('short');
  // The swimmers’ strand is no place for a boat.
  await bram.open('/hire/h-1001/chart?at=-37.96900,48.01400');
  await expect(bram.by('holds')).toBeVisible();
});

test('a houseboat is told by when to lie, and which places the wind leaves alone', async ({ phoneOf }) => {
  const bram = await phoneOf(BRAM);
  await bram.open('/hire/h-1003/chart');
  await expect(bram.by('turn')).toContainText('Lie somewhere by');
  await openPlaces(bram);
  await expect(bram.page.getByText('sheltered', { exact: true }).first()).toBeVisible();
  await bram.by('place-otter-hole').click();
  await expect(bram.by('wish')).toContainText('before the evening ends');
});

test('the chart and the day on it are on the renter’s phone without signal, in German', PHONE, async ({ phoneOf, browser, quay }) => {
  test.slow();
  const mina = await phoneOf(MANAGER);
  const link = await linkOf(mina, 'h-1001');
  const renter = await renterPhone(browser, quay, 'de-DE');
  await renter.open(link);
  await renter.by('speak-de').click();
  await renter.by('open-chart').click();
  await expect(renter.by('turn')).toContainText('Spätestens heimfahren');
  await renter.page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await expect
    .poll(
      () =>
        renter.page.evaluate(
          async () =>
            (await caches.match(/chart-[0-9a-f]{32}\.css/.exec(document.head.innerHTML)![0]!.replace(/^/, '/_expo/static/js/web/'))) !==
            undefined,
        ),
      {
        timeout: patient(30_000),
      },
    )
    .toBe(true);
  await renter.cut();
  await renter.page.reload();
  await expect(renter.by('turn')).toContainText('Spätestens heimfahren', { timeout: patient(20_000) });
  await renter.by('choose-place').click();
  await renter.by('place-white-tower').click();
  await expect(renter.by('wish')).toContainText('Dort um');
  // What is agreed on without signal stands in the guide at once, and at the quay as soon as there is one.
  await renter.by('agree').click();
  await expect(renter.by('agreed')).toContainText('Vereinbart');
  await renter.open('/r/guide');
  await expect(renter.by('agreed-plan')).toContainText('White tower: spätestens');
  await renter.mend();
  await mina.open('/hire/h-1001');
  await expect(mina.by('agreed-plan')).toContainText('White tower: start for home by', { timeout: patient(45_000) });
  await mina.by('agreed-to-chart').click();
  await expect(mina.by('agree')).toHaveText(/instead/);
  await renter.close();
});

test('the chart goes to the printer with rules, plan and numbers, and nothing of the page about it', async ({ phoneOf }) => {
  const bram = await phoneOf(BRAM);
  const { page } = bram;
  await bram.open('/hire/h-1001/chart');
  await bram.by('open-paper').click();
  await expect(bram.by('sheet')).toContainText('Start for home at the latest');
  await expect(bram.by('sheet')).toContainText('Hazard: Gull Rock');
  await expect(bram.by('sheet')).toContainText('Emergency:');
  await page.evaluate(() => {
    window.print = () => document.body.setAttribute('data-printed', 'yes');
  });
  await bram.by('print').click();
  await expect(page.locator('body[data-printed]')).toHaveCount(1);
  await page.emulateMedia({ media: 'print' });
  await expect(bram.by('print')).toBeHidden();
  await expect(bram.by('sheet').locator('.quay-chart')).toBeVisible();
  // As wide as the paper between its margins, on a phone too.
  expect((await bram.by('sheet').boundingBox())!.width).toBe(703);
  const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
  const pages = [...pdf.matchAll(/\/Type\s*\/Page\b/g)].length;
  expect(pages).toBeGreaterThanOrEqual(1);
  expect(pages).toBeLessThanOrEqual(2);
});

test('a week on the canal: days with locks and nights, moved by choosing one, and refused when it cannot be', async ({ phoneOf }) => {
  const bram = await phoneOf(BRAM);
  await bram.open('/hire/h-1013/chart');
  const days = bram.page.locator('[data-testid^="day-2026-06-"]');
  await expect(days).toHaveCount(7);
  await expect(days.first()).toContainText('Night:');
  await expect(days.last()).toContainText('Home at the quay.');
  await expect(bram.by('canal')).toContainText('Turn round:');
  // Another first night moves the rest, and stays chosen when one comes again.
  await bram.by('change-2026-06-13').click();
  await bram.by('night-mooring-1').click();
  await expect(bram.by('day-2026-06-13')).toContainText('Night: Willow bank.');
  await bram.page.reload();
  await expect(bram.by('day-2026-06-13')).toContainText('Night: Willow bank.');
  await bram.by('as-reckoned').click();
  await expect(bram.by('as-reckoned')).toHaveCount(0);
  // To the end of the Cut in one hour a day: no.
  await bram.by('turn-turning-6').click();
  for (let i = 0; i < 4; i += 1) await bram.by('canal-hours-fewer').click();
  await expect(bram.by('canal')).toContainText('cannot be had in this time');
  await expect(bram.by('canal')).toContainText('more hours a day');
  await bram.by('turn-farthest').click();
  for (let i = 0; i < 4; i += 1) await bram.by('canal-hours-more').click();
  await expect(days.first()).toBeVisible();
  // A night is shown on the chart.
  await bram.by('show-2026-06-13').click();
  await expect(bram.page).toHaveURL(/place=mooring-/);
});

test('a lock is shut towards the end: the round on the canal is a day shorter, and says why', async ({ phoneOf }) => {
  const bram = await phoneOf(BRAM);
  await bram.open('/hire/h-1013/chart');
  const days = bram.page.locator('[data-testid^="day-2026-06-"]');
  await expect(days).toHaveCount(7);
  // Due at breakfast of the last day: one is home the day before.
  await expect(bram.by('day-2026-06-18')).not.toContainText('a day to stay');

  const mina = await phoneOf(MANAGER);
  await mina.open('/fleet/waters/tarn-cut');
  await mina.by('edit-lock-1').click();
  await mina.by('field-shutFrom').fill('18/06/2026');
  // Who errs is told, and nothing is kept.
  mina.cut = true;
  await mina.by('field-shutTo').fill('17/06/2026');
  await mina.by('keep-row').click();
  await expect(mina.page.getByText(/ends before it begins/i).first()).toBeVisible();
  mina.cut = false;
  await mina.by('field-shutTo').fill('30/06/2026');
  await mina.by('keep-row').click();
  await expect(mina.by('field-shutTo')).toHaveCount(0, { timeout: patient(20_000) });

  await mina.open('/hire/h-1013/chart');
  await expect(mina.by('shut')).toContainText('Cutler’s Lock is shut for some of these days');
  await expect(mina.by('day-2026-06-17')).toContainText('Home at the quay.');
  await expect(mina.by('day-2026-06-18')).toContainText('a day to stay');
  // At the lock itself the chart says so, too.
  await mina.open('/hire/h-1013/chart?place=lock-1');
  await expect(mina.page.getByText(/shut from 18 June/)).toBeVisible();
});

test('how long water and waste last is shown before she leaves', async ({ phoneOf }) => {
  const bram = await phoneOf(BRAM);
  await bram.open('/hire/h-1003');
  await bram.by('open-levels').click();
  await expect(bram.page.getByText('Waste ends first, before your time is over')).toBeVisible();
  await expect(bram.page.getByText('not enough').first()).toBeVisible();
  await expect(bram.page.getByText(/Empty between/).first()).toBeVisible();
});
