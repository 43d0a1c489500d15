import { BRAM, expect, MANAGER, PHONE, test } from './quay';
import { outAndBack } from './outAndBack';

test('a boat out and back: walked out, signed, cast off, walked in, compared, settled and closed', async ({ bram }) => {
  test.slow();
  await outAndBack(bram);
});

test('a manager enrols a phone by its code; a hand signs in on it and nowhere else', PHONE, async ({ phoneOf, browser, quay }) => {
  const desk = await phoneOf(MANAGER);
  await desk.goTo('staff');
  await desk.by('make-code').click();
  const code = desk.page.getByText(/^[A-Z2-9]{4} [A-Z2-9]{4} [A-Z2-9]{4}$/);
  await expect(code).toBeVisible();

  const context = await browser.newContext();
  const page = await context.newPage();
  await page.goto(quay.url);
  await page.getByTestId('name').fill(BRAM.name);
  await page.getByTestId('secret').fill(BRAM.secret);
  await page.getByTestId('sign-in').click();
  await expect(page.getByText(/this phone is not registered:/)).toBeVisible();
  await expect(page.getByTestId(`who-${BRAM.name}`)).toHaveCount(0);
  await page.goto(`${quay.url}/enrol#${await code.innerText()}`);
  await page.getByTestId('enrol').click();
  await page.getByTestId('enrolled').click();
  // Registered, it offers the names of those who work here; before, it named nobody.
  await page.getByTestId(`who-${BRAM.name}`).click();
  await page.getByTestId('secret').fill(BRAM.secret);
  await page.getByTestId('sign-in').click();
  await expect(page.getByTestId('nav-today')).toBeVisible();
  // A hand has no manager's pages.
  await expect(page.getByTestId('nav-fleet')).toHaveCount(0);
  await context.close();
});

test('a manager withdraws somebody and takes them back, and gives them a new PIN that ends the old one', PHONE, async ({ phoneOf }) => {
  const [bram, mina] = [await phoneOf(BRAM), await phoneOf(MANAGER)];
  await mina.goTo('staff');
  // His browser complains of each answer that he may not.
  bram.cut = true;
  await mina.by('withdraw-bram').click();
  await expect(mina.page.getByText(/Bram Oduya is withdrawn/)).toBeVisible();
  await mina.page.getByRole('button', { name: 'Undo' }).click();
  await expect(mina.by('secret-bram')).toBeVisible();
  // Taken back, he signs in anew.
  await bram.page.reload();
  await expect(bram.by('who-Bram Oduya')).toBeVisible();
  await mina.by('secret-bram').click();
  await mina.by('new-secret').fill('123');
  await mina.by('keep-secret').click();
  await expect(mina.page.getByText('Six to twelve digits.').last()).toBeVisible();
  await mina.by('new-secret').fill('951951');
  await mina.by('keep-secret').click();
  await expect(mina.by('keep-secret')).toHaveCount(0);
  const signIn = (secret: string) => bram.enter({ name: BRAM.name, secret });
  await signIn(BRAM.secret);
  await expect(bram.page.getByText(/That is not right/)).toBeVisible();
  await signIn('951951');
  await expect(bram.by('nav-today')).toBeVisible();
});
