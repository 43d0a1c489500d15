import { expect, MANAGER, Phone, PHONE, test } from './quay';

test('without https the app says what it cannot do, starts no walk, and the desk still works', PHONE, async ({ browser, quay }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const phone = new Phone(await context.newPage(), context, quay);
  const { page } = phone;
  const address = `http://quay.test:${quay.port}`;
  await page.goto(address);
  expect(await page.evaluate(() => window.isSecureContext)).toBe(false);
  await phone.signIn(MANAGER);
  await expect(phone.by('hire-h-1001').first()).toBeVisible();
  await page.reload();
  await phone.by('hire-h-1001').first().click();
  await phone.by('hire-next').click();
  await expect(page.getByText('This address cannot work offline')).toBeVisible();
  await expect(phone.by('complete-station')).toHaveCount(0);
  await page.goto(`${address}/hire/h-1005/statement`);
  await expect(page.getByRole('heading', { name: /Statement \d+/ })).toBeVisible();
  expect(phone.complaints).toEqual([]);
  await context.close();
});
