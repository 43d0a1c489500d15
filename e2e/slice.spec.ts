import { BRAM, expect, MANAGER, PHONE, test } from './quay';
import { goodPicture } from './pictures';
import { castOff, decideAll, doStop, sign, stopCount } from './walking';

test('a boat out and back: walked out, signed, cast off, walked in, compared, settled and closed', async ({ bram }) => {
  test.slow();
  const { page } = bram;
  await bram.by('hire-h-1001').first().click();
  await expect(page.getByRole('heading', { name: 'Tuppenny Bun' })).toBeVisible();
  await bram.by('hire-next').click();
  await expect(bram.by('tie')).toBeVisible();
  const stops = await stopCount(bram);
  expect(stops).toBeGreaterThanOrEqual(8);
  for (let i = 0; i < stops; i += 1) await doStop(bram);

  await expect(page.getByRole('heading', { name: 'Read back and sign' })).toBeVisible();
  await expect(page.getByText(/L \(\d+ to \d+\)/)).toBeVisible();
  await sign(bram);
  await castOff(bram);
  await bram.allSent();

  await bram.by('back').click();
  await expect(page.getByRole('button', { name: /Tuppenny Bun, Ines Okonjo-Lind, .* to due/ })).toBeVisible();

  await bram.by('hire-h-1001').first().click();
  await bram.by('hire-next').click();
  await bram.by('came-in').click();
  // A new flaw on the port side, where there was none, with its picture.
  await page.getByTestId('knot-gate').click();
  await bram.by('surface-port-side').click();
  await bram.by('surface-drawing').click({ position: { x: 120, y: 60 } });
  await bram.by('kind-scratch').click();
  for (let i = 0; i < 3; i += 1) await bram.by('larger').click();
  const chooser = page.waitForEvent('filechooser');
  await bram.by('mark-photo-file').click();
  await (await chooser).setFiles(await goodPicture());
  await expect(page.getByAltText('Picture 1 of Port side')).toBeVisible();
  await bram.by('keep-mark').click();
  await bram.by('looked').click();
  await page.getByTestId('knot-bow').click();
  for (let i = 0; i < stops; i += 1) await doStop(bram, 'in');
  await expect(page.getByRole('heading', { name: 'Read back the return' })).toBeVisible();
  await sign(bram);

  await expect(page.getByRole('heading', { name: 'Out beside in' })).toBeVisible();
  await expect(page.getByText(/scratch, Port side/).first()).toBeVisible();
  await expect(page.getByText(/\d+ to \d+ L used/).first()).toBeVisible();
  // The quay fills her to the brim: the meter settles, since she left full.
  await bram.by('finding-fuel/petrol').click();
  await bram.by('fill').click();
  await bram.by('fill-litres').fill('500');
  await expect(page.getByText('More than 0, up to 95 L.')).toBeVisible();
  await bram.by('fill-litres').fill('42,5');
  await bram.by('keep-fill').click();
  await expect(page.getByText(/metered 42.5 L from brim to brim/).first()).toBeVisible();
  if (await page.getByRole('button', { name: 'Close' }).isVisible()) await page.keyboard.press('Escape');
  await decideAll(bram);
  await bram.by('to-statement').click();
  await expect(page.getByText('Petrol').first()).toBeVisible();
  await page.locator('[data-testid^="accept-mark"]').click();
  await bram.by('close-hire').click();
  await expect(page.getByRole('heading', { name: /Statement \d+/ })).toBeVisible();
  await bram.allSent();
  const pdf = await bram.context.request.get(`${bram.quay.url}/api/hires/h-1001/statement.pdf`);
  expect(pdf.headers()['content-type']).toBe('application/pdf');
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
});

test('a manager enrols a phone by its code; a hand signs in on it and nowhere else', PHONE, async ({ phoneOf, browser, quay }) => {
  const desk = await phoneOf(MANAGER);
  await desk.by('to-phones').click();
  await desk.by('make-code').click();
  const code = desk.page.getByText(/^[A-Z2-9]{4} [A-Z2-9]{4} [A-Z2-9]{4}$/);
  await expect(code).toBeVisible();

  const context = await browser.newContext();
  const page = await context.newPage();
  await page.goto(quay.url);
  await page.getByTestId('name').fill(BRAM.name);
  await page.getByTestId('secret').fill(BRAM.secret);
  await page.getByTestId('sign-in').click();
  await expect(page.getByText('This phone is not enrolled.')).toBeVisible();
  await page.goto(`${quay.url}/enrol#${await code.innerText()}`);
  await page.getByTestId('enrol').click();
  await page.getByTestId('enrolled').click();
  await page.getByTestId('name').fill(BRAM.name);
  await page.getByTestId('secret').fill(BRAM.secret);
  await page.getByTestId('sign-in').click();
  await expect(page.getByTestId('to-me')).toBeVisible();
  // A hand has no manager's pages.
  await expect(page.getByTestId('to-phones')).toHaveCount(0);
  await context.close();
});
