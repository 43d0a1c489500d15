import { BRAM, expect, MANAGER, PHONE, test } from './quay';
import { outAndBack } from './outAndBack';

test('a boat out and back: walked out, signed, cast off, walked in, compared, settled and closed', async ({ bram }) => {
  test.slow();
  await outAndBack(bram);
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
