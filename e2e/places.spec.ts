import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import sharp from 'sharp';
import { CHROMIUM } from './chromium';
import { BRAM, expect, MANAGER, PHONE, test } from './quay';
import { patient } from './patience';

test('every place has its word; back from a hire leads where one came from', async ({ phoneOf }) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  for (const [place, title] of [
    ['bookings', 'Bookings'],
    ['fleet', 'Fleet'],
    ['attention', 'Needs attention'],
    ['figures', 'Figures'],
    ['staff', 'Staff and phones'],
    ['settings', 'Settings'],
    ['today', 'Ossel Quay'],
  ] as const) {
    await mina.goTo(place);
    await expect(page.getByRole('heading', { name: title, level: 1 })).toBeVisible();
  }
  // The day after tomorrow's hire is opened from the bookings, walked to and left again.
  await mina.goTo('bookings');
  await mina.by('day-2026-06-14').click();
  await mina.by('booked-h-1008').click();
  await expect(page.getByRole('heading', { name: 'Tuppenny Bun', level: 1 })).toBeVisible();
  await mina.by('hire-next').click();
  await expect(mina.by('complete-station')).toBeVisible();
  await expect(mina.by('nav-today')).toHaveCount(0);
  await mina.by('back').click();
  await mina.by('back').click();
  await expect(page).toHaveURL(/\/bookings\?day=2026-06-14/);
});

test('a hand has no manager’s places', PHONE, async ({ bram }) => {
  await expect(bram.by('nav-bookings')).toBeVisible();
  await expect(bram.by('nav-fleet')).toHaveCount(0);
  await bram.by('nav-more').click();
  await expect(bram.by('open-settings')).toBeVisible();
  for (const place of ['attention', 'figures', 'staff']) await expect(bram.by(`open-${place}`)).toHaveCount(0);
});

test('bookings of a week: another day, another base, a day that is chosen, and without signal as they were', async ({ phoneOf }) => {
  const bram = await phoneOf(BRAM);
  const { page } = bram;
  const wide = (page.viewportSize()?.width ?? 0) >= 1000;
  await bram.goTo('bookings');
  await expect(bram.by('booked-h-1001')).toBeVisible();
  await expect(bram.by('day-2026-06-13')).toHaveAttribute('aria-checked', 'true');
  if (wide) {
    // On a desk it is a table of the week: found by a word, in the order of any column.
    await bram.by('find-booking').fill('okonjo');
    await expect(bram.page.getByRole('row')).toHaveCount(2);
    await bram.by('find-booking').fill('nobody of that name');
    await expect(page.getByText('Nothing fits what you look for.')).toBeVisible();
    await bram.by('find-booking').fill('');
    const first = page.locator('[role="row"]').nth(1);
    await bram.by('sort-boat').click();
    await expect(first).toContainText('Copper Kettle');
    await bram.by('sort-boat').click();
    await expect(first).toContainText('Tuppenny Bun');
    await bram.by('only-closed').click();
    await expect(bram.by('booked-h-1001')).toHaveCount(0);
    await bram.by('only-all').click();
  } else {
    await bram.by('day-2026-06-08').click();
    await expect(page.getByText('Nothing is booked on this day.')).toBeVisible();
  }
  await bram.by('later').click();
  await expect(page).toHaveURL(/day=2026-06-(15|20)/);
  await bram.by('pick-day').click();
  await page.getByText('13', { exact: true }).last().click();
  await bram.by('take-day').click();
  await expect(bram.by('booked-h-1001')).toBeVisible();
  await bram.by('base-pell-slip').click();
  await expect(page.getByText('Half Past Heron').first()).toBeVisible();
  await bram.by('base-ossel-quay').click();
  await expect(bram.by('booked-h-1001')).toBeVisible();
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await bram.cutNetwork();
  await page.reload();
  await expect(bram.by('booked-h-1001')).toBeVisible();
});

test('a phone is registered by scanning the code on the manager’s screen', PHONE, async ({ phoneOf, quay }) => {
  const mina = await phoneOf(MANAGER);
  const { qrSvg } = (await (await mina.context.request.post(`${quay.url}/api/enrolments`, { data: {} })).json()) as { qrSvg: string };
  const folder = mkdtempSync(join(tmpdir(), 'quay-scan-'));
  const film = join(folder, 'screen.y4m');
  // What the phone's camera sees: the manager's screen, held still.
  const [width, height] = [640, 480];
  const grey = await sharp(Buffer.from(qrSvg))
    .resize(360, 360)
    .flatten({ background: '#fff' })
    .extend({ top: 60, bottom: 60, left: 140, right: 140, background: '#fff' })
    .greyscale()
    .raw()
    .toBuffer();
  const frame = Buffer.concat([Buffer.from('FRAME\n'), grey.subarray(0, width * height), Buffer.alloc((width * height) / 2, 128)]);
  writeFileSync(film, Buffer.concat([Buffer.from(`YUV4MPEG2 W${width} H${height} F10:1 Ip A1:1 C420jpeg\n`), frame, frame]));
  const browser = await chromium.launch({ ...CHROMIUM, args: [...CHROMIUM.args, `--use-file-for-fake-video-capture=${film}`] });
  try {
    const page = await (await browser.newContext({ viewport: { width: 390, height: 844 }, permissions: ['camera'] })).newPage();
    await page.goto(quay.url);
    await page.getByTestId('open-enrol').click();
    await page.getByTestId('scan').click();
    await expect(page.getByTestId('code')).toHaveValue(/^[A-Z2-9]{12}$/, { timeout: patient(20_000) });
    await page.getByTestId('enrol').click();
    await page.getByTestId('enrolled').click();
    await expect(page.getByTestId(`who-${BRAM.name}`)).toBeVisible();
  } finally {
    await browser.close();
    rmSync(folder, { recursive: true, force: true });
  }
});
