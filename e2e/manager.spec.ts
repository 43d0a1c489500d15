import { expect, MANAGER, PHONE, test } from './quay';
import { decideAll } from './walking';

test('a renter who does not agree is not overruled silently; a manager may waive', PHONE, async ({ phoneOf }) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  await mina.open('/hire/h-1006/compare');
  await decideAll(mina);
  await mina.by('to-statement').click();
  await expect(page.getByText('€26.00').first()).toBeVisible();
  await mina.by('dispute-count/paddle').click();
  await expect(page.getByText('Still held, disputed')).toBeVisible();
  await page
    .getByRole('radiogroup', { name: /scratch/ })
    .getByRole('radio', { name: 'Waive' })
    .click();
  await expect(page.getByText('waived')).toBeVisible();
  await mina.by('close-hire').click();
  await expect(page.getByRole('heading', { name: /Statement \d+/ })).toBeVisible();
  // It says so on the closed statement too: nothing charged, the disputed sum still held.
  await expect(page.getByText('not agreed')).toBeVisible();
  await expect(page.getByText('Still held, disputed')).toBeVisible();
  await expect(mina.by('dispute-count/paddle')).toHaveCount(0);
});

test('a manager changes a booking; silly input is said at the field; two who change it at once find out', PHONE, async ({ phoneOf }) => {
  const [mina, other] = [await phoneOf(MANAGER), await phoneOf(MANAGER)];
  for (const one of [mina, other]) {
    await one.open('/hire/h-1008');
    await one.by('change').click();
  }
  await mina.by('change-clock').fill('25:99');
  await expect(mina.page.getByText('A day such as 2026-06-13 and a time such as 17:30.')).toBeVisible();
  await expect(mina.by('keep-change')).toBeDisabled();
  await mina.by('change-date').fill('2020-01-01');
  await mina.by('change-clock').fill('18:30');
  await expect(mina.page.getByText('She cannot be due before she leaves.')).toBeVisible();
  await mina.by('change-date').fill('2031-05-01');
  await mina.by('change-adults').fill('-3');
  await expect(mina.page.getByText('A whole number, from 1.')).toBeVisible();
  await mina.by('change-adults').fill('55');
  await expect(mina.page.getByText(/Her plate says \d+ people at most/)).toBeVisible();
  await mina.by('change-adults').fill('4');
  await mina.by('change-notes').fill('Comes back late in the day');
  await mina.by('keep-change').click();
  await expect(mina.page.getByText('Comes back late in the day')).toBeVisible();
  await expect(mina.page.getByText(/1 May 18:30/)).toBeVisible();

  other.cut = true;
  await other.by('change-notes').fill('Something else');
  await other.by('keep-change').click();
  await expect(other.page.getByText(/Somebody changed this meanwhile/)).toBeVisible();
});
