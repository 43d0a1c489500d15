import { BRAM, expect, MANAGER, PHONE, test } from './quay';
import { decideAll } from './walking';

test('a flaw over the limit holds her until a manager lets her go with it; a hand cannot', PHONE, async ({ phoneOf }) => {
  const [bram, mina] = [await phoneOf(BRAM), await phoneOf(MANAGER)];
  await bram.open('/hire/h-1001/walk/out');
  await bram.by('knot-engine').click();
  await bram.by('prop-flawOverLimit').click();
  await bram.by('hold').click();
  await expect(bram.page.getByText('Propeller: flaw over the limit, a manager decides')).toBeVisible();
  await expect(bram.page.getByText('Only a manager can let her go with it.')).toBeVisible();
  await expect(bram.by('release-propeller')).toHaveCount(0);
  await bram.page.keyboard.press('Escape');
  await bram.allSent();

  await mina.open('/hire/h-1001');
  await expect(mina.page.getByText('What holds her')).toBeVisible();
  await mina.by('release-propeller').click();
  await expect(mina.page.getByText('Nothing on the list holds her. That is no word that she is safe.')).toBeVisible();
  // Let people undo: the hold is back, then lifted again.
  await mina.page.getByText('Undo').click();
  await expect(mina.page.getByText('What holds her')).toBeVisible();
  await mina.by('release-propeller').click();
  await mina.allSent();
  await bram.open('/hire/h-1001');
  await expect(bram.page.getByText('Nothing on the list holds her. That is no word that she is safe.')).toBeVisible({ timeout: 20_000 });
});

test('she is held in somebody’s own words and let go by lifting it; the day says so', PHONE, async ({ phoneOf }) => {
  const bram = await phoneOf(BRAM);
  await bram.open('/hire/h-1001/walk/out');
  await bram.by('hold').click();
  await expect(bram.by('hold-go')).toBeDisabled();
  await bram.by('hold-why').fill('Fog on the lake');
  await bram.by('hold-go').click();
  await expect(bram.page.getByText('She is held.')).toBeVisible();
  await bram.allSent();
  await bram.open('/');
  await expect(bram.page.getByRole('button', { name: /Tuppenny Bun.*Ines Okonjo-Lind, held/ })).toBeVisible();
  await bram.by('hire-h-1001').first().click();
  await expect(bram.page.getByText('Fog on the lake', { exact: true })).toBeVisible();
  await bram.page.getByRole('button', { name: 'Lift this hold' }).click();
  await expect(bram.page.getByText('Nothing on the list holds her. That is no word that she is safe.')).toBeVisible();
});

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
