import { idsFrom } from './ids';
import { expect, MANAGER, PHONE, test } from './quay';
import { decideAll } from './walking';

test('a renter who does not agree is not overruled silently; a manager may waive', PHONE, async ({ phoneOf }) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  await mina.open('/hire/h-1006/compare');
  await decideAll(mina);
  await mina.by('open-statement').click();
  await expect(page.getByText('€26.00').first()).toBeVisible();
  await mina.by('dispute-count/paddle').click();
  await mina.by('word').fill('It lay on the quay.');
  await mina.by('word-go').click();
  await expect(page.getByText('Still held, disputed')).toBeVisible();
  await page.locator(idsFrom('evidence-mark')).click();
  await page.locator(idsFrom('waive-mark')).click();
  await expect(page.getByText('waived')).toBeVisible();
  await mina.by('close-hire').click();
  await expect(page.getByRole('heading', { name: /Statement \d+/ })).toBeVisible();
  // It says so on the closed statement too: nothing charged, the disputed sum still held, on the manager’s desk.
  await expect(page.getByText('not agreed', { exact: true })).toBeVisible();
  await expect(page.getByText('Still held, disputed')).toBeVisible();
  await expect(mina.by('dispute-count/paddle')).toHaveCount(0);
  await expect(page.getByText('1 line is to be settled')).toBeVisible();
  // With money still held nobody is told that nothing is owed.
  await expect(page.getByText('Nothing is owed either way')).toHaveCount(0);
  await expect(page.getByText(/€26.00 is still held until/)).toBeVisible();
  await mina.open('/attention');
  await mina.by('dispute-h-1006').click();
  await mina.by('decide-count/paddle').click();
  await expect(page.getByText('“It lay on the quay.”').last()).toBeVisible();
  await mina.by('shall').fill('999');
  await expect(page.getByText(/From nothing to €26.00/)).toBeVisible();
  await mina.by('shall-1300').click();
  await mina.by('correct-why').fill('Met half-way');
  await mina.by('correct-go').click();
  await expect(page.getByText(/Statement \d+ · Met half-way/)).toBeVisible();
  await expect(page.getByText('Still held', { exact: true })).toHaveCount(0);
  await expect(page.getByText('Nothing is owed either way')).toBeVisible();
  await mina.open('/figures');
  await expect(page.getByText(/^1 line, €26.00$/)).toBeVisible();
});

test('a manager changes a booking; silly input is said at the field; two who change it at once find out', PHONE, async ({ phoneOf }) => {
  const [mina, other] = [await phoneOf(MANAGER), await phoneOf(MANAGER)];
  for (const one of [mina, other]) {
    await one.open('/hire/h-1008');
    await one.by('change').click();
  }
  const save = mina.by('keep-change');
  await mina.by('change-clock').fill('25:99');
  await save.click();
  await expect(mina.page.getByText('A time such as 17:30.')).toBeVisible();
  // A day that no calendar has is never taken for another one.
  await mina.by('change-date').fill('31/02/2026');
  await save.click();
  await expect(mina.page.getByText('A day such as 13/06/2026.')).toBeVisible();
  await mina.by('change-date').fill('1/1/2020');
  await mina.by('change-clock').fill('18:30');
  await save.click();
  await expect(mina.page.getByText('The return cannot be before the departure.')).toBeVisible();
  // Typed, or chosen from a calendar: the last of the month that is open there.
  await mina.by('change-date').fill('1/7/2026');
  await mina.by('change-date-pick').click();
  await expect(mina.by('take-day')).toBeEnabled();
  await mina.by('take-day').click();
  await expect(mina.by('change-date')).toHaveValue('01/07/2026');
  await mina.by('change-adults').fill('-3');
  await save.click();
  await expect(mina.page.getByText('A whole number from 1 to 60.')).toBeVisible();
  await mina.by('change-adults').fill('55');
  await expect(mina.page.getByText(/The capacity plate allows \d+ people at most/)).toBeVisible();
  await mina.by('change-adults').fill('4');
  await mina.by('change-notes').fill('Comes back late in the day');
  await mina.by('keep-change').click();
  await expect(mina.page.getByText('Comes back late in the day')).toBeVisible();
  await expect(mina.page.getByText(/1 Jul 18:30/)).toBeVisible();

  other.cut = true;
  await other.by('change-notes').fill('Something else');
  await other.by('keep-change').click();
  await expect(other.page.getByText(/Somebody changed this meanwhile/)).toBeVisible();
});
