import { idsFrom } from './ids';
import { expect, MANAGER, PHONE, test } from './quay';
import { linkOf, renterPhone } from './renter';
import { decideAll, sign } from './walking';
import { patient } from './patience';

test(
  'the renter reads their statement in their language, agrees to one line and not to another, and both stand at the quay',
  PHONE,
  async ({ bram, browser, quay }) => {
    await bram.open('/hire/h-1006/compare');
    await decideAll(bram);
    await bram.allSent();
    const renter = await renterPhone(browser, quay);
    await renter.open(await linkOf(bram, 'h-1006'));
    await renter.by('speak-fr').click();
    await renter.by('open-statement').click();
    await expect(renter.page.getByRole('heading', { name: 'Votre décompte' })).toBeVisible();
    await expect(renter.page.getByText('Au départ').first()).toBeVisible();
    // Both pictures under one slider, on their own phone.
    await renter.page.locator(idsFrom('over-mark')).click();
    await expect(renter.page.getByText('Retour', { exact: true })).toBeVisible();
    await renter.by('pair-share').fill('20');
    await renter.page.keyboard.press('Escape');
    await renter.by('bill-accept-count/paddle').click();
    await renter.page.locator(idsFrom('bill-dispute-mark')).click();
    await expect(renter.by('word-go')).toBeDisabled();
    await renter.by('word').fill('La rayure était là avant nous.');
    await renter.by('word-go').click();
    await expect(renter.page.getByText(/Vous n’êtes pas d’accord/)).toBeVisible();

    await bram.open('/hire/h-1006/statement');
    await expect(bram.page.getByText('The renter: “La rayure était là avant nous.”')).toBeVisible({ timeout: patient(20_000) });
    await expect(bram.page.getByText('not agreed')).toBeVisible();
    // Staff cannot agree for them.
    await expect(bram.page.locator(idsFrom('accept-mark'))).toHaveCount(0);
  },
);

test('lines are added, priced, named and evidenced; a line without a price holds the closing up', PHONE, async ({ phoneOf }) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  await mina.open('/hire/h-1006/compare');
  await decideAll(mina);
  await mina.by('open-statement').click();
  await mina.by('add-line').click();
  await expect(mina.by('add-go')).toBeDisabled();
  await mina.by('add-breach').click();
  await mina.by('add-text').fill('Over the bar at low water');
  await mina.by('add-go').click();
  await expect(page.getByText('Breach of the by-laws')).toBeVisible();
  await mina.by('add-line').click();
  await mina.by('add-pumpOut').click();
  await mina.by('add-sum').fill('-3');
  await expect(page.getByText('A sum above nothing.')).toBeVisible();
  await mina.by('add-sum').fill('18,00');
  await mina.by('add-text').fill('Pumped out at the lock');
  await mina.by('add-go').click();
  await expect(page.getByText('Pump-out, paid by the renter')).toBeVisible();
  await expect(page.getByText(/18\.00/).first()).toBeVisible();

  const mark = page.locator(idsFrom('evidence-mark'));
  await mark.click();
  await expect(page.getByAltText(/^departure, /).first()).toBeVisible();
  await expect(page.getByAltText(/^return, /).first()).toBeVisible();
  await page.locator(idsFrom('quote-mark')).click();
  await mina.by('quote-sum').fill('62.50');
  await mina.by('quote-go').click();
  await expect(page.getByText('A word about it is wanted.')).toBeVisible();
  await mina.by('quote-why').fill('Polished, not filled');
  await mina.by('quote-go').click();
  await expect(page.getByText('named by the manager: Polished, not filled')).toBeVisible();
  await expect(page.getByText(/the list says/)).toBeVisible();
  // The waiver lets through no more than its limit; taken back, it is as before.
  await mina.by('waiver').click();
  await expect(page.getByText(/Bought: damage costs no more than/)).toBeVisible();
});

test('a silent terminal leaves the money in doubt until it says, and nothing is taken twice', PHONE, async ({ phoneOf }) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  const mode = async (to: string) => {
    await mina.open('/settings');
    await mina.by(`cardTerminal-${to}`).click();
    await expect(mina.by(`cardTerminal-${to}`)).toHaveAttribute('aria-checked', 'true');
  };
  await mina.open('/hire/h-1006/compare');
  await decideAll(mina);
  await mode('silent');
  await mina.open('/hire/h-1006/statement');
  await mina.by('close-hire').click();
  await expect(page.getByText('1 payment is in doubt')).toBeVisible({ timeout: patient(20_000) });
  await mode('works');
  await mina.open('/hire/h-1006/statement');
  await mina.by('settle-money').click();
  // More is owed than was held: the rest is paid by card.
  await mina.by('charge-card').click({ timeout: patient(20_000) });
  await expect(page.getByText('Nothing is owed either way')).toBeVisible({ timeout: patient(20_000) });
  await expect(mina.by('settle-money')).toHaveCount(0);
  await mina.allSent();
});

test('a renter who will not sign: the return is sealed with the reason, and the hire closes all the same', PHONE, async ({ bram }) => {
  const { page } = bram;
  await bram.open('/hire/h-1009/walk/in');
  for (let left = true; left;) {
    const heading = await page.locator('h2, [role="heading"][aria-level="2"]').first().innerText();
    await bram.by('complete-station').click();
    if (await bram.by('rest-complete').isVisible()) await bram.by('rest-complete').click();
    await expect(page.locator('h2, [role="heading"][aria-level="2"]').first()).not.toHaveText(heading);
    left = await bram.by('complete-station').isVisible();
  }
  await bram.by('refuse').click();
  await bram.by('word').fill('Left before we were done');
  await bram.by('word-go').click();
  await expect(page.getByText('Did not sign: Left before we were done')).toBeVisible();
  await expect(page.getByTestId('signature')).toHaveCount(1);
  await sign(bram);
  await expect(page.getByRole('heading', { name: 'Compare' })).toBeVisible();
  await decideAll(bram);
  await bram.by('open-statement').click();
  await expect(page.getByText('The renter has not signed')).toBeVisible();
  await bram.by('close-hire').click();
  await expect(page.getByRole('heading', { name: /Statement \d+/ })).toBeVisible();
});
