import { expect, MANAGER, PHONE, test } from './quay';
import { decideAll, goToStop } from './walking';

/** A dot and a line, on nothing. */
const LOGO = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAEAAAAAQCAYAAACm53kpAAAACXBIWXMAAAPoAAAD6AG1e1JrAAAA2UlEQVR4nO2WsQrCQAyGs7d3LuriKzmY0A6CCc6+RW0fzdXqo2h1buWwYsW2tE6S9oMfDg4O8ieXBGDkE2+DcyOYGKaTEbyXSg1j7O5AMxPG0DBlVqio0/MOA9AavBXKm4KvKFdngufKviXzX5UgePW34Qy0YASTrsG/TaA9aMEInfsbgGndW4fdovhnNRiAt94GMGV6DODu/7/aBzQZcBr2F2CMfzAggsGOQcaLv15OQRNWMOi6CPm8ItCIFQxcc2vNvNbgX7gNzy05RvDoxmMpd47UlT2MwANcmYS4k2JvkAAAAABJRU5ErkJggg==',
  'base64',
);

test('an operator who speaks in gallons, feet, pounds and knots reads and types in them everywhere', PHONE, async ({ phoneOf }) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  await mina.goTo('settings');
  await mina.by('open-operator').click();
  for (const unit of ['volume-galUs', 'mass-lb', 'length-ft', 'speed-kn']) await mina.by(`unit-${unit}`).click();
  await mina.by('statement-prefix').fill('OS/');
  await expect(page.getByText('The next ones read like OS/118.')).toBeVisible();
  await mina.by('statement-prefix').fill('OS#');
  await mina.by('keep-operator').click();
  await expect(page.getByText('Letters, figures, spaces and . / _ - only.')).toBeVisible();
  await mina.by('statement-prefix').fill('OS/');
  const chooser = page.waitForEvent('filechooser');
  await mina.by('choose-logo').click();
  await (await chooser).setFiles({ name: 'logo.png', mimeType: 'image/png', buffer: LOGO });
  await expect(mina.by('drop-logo')).toBeVisible();
  await mina.by('keep-operator').click();
  await expect(page.getByText('Kept. It holds from the next look at a hire on.')).toBeVisible();

  // Terms are part of what is said on every boat.
  await mina.by('to-clauses').click();
  await mina.by('edit-clauses').click();
  await mina.by('text-clauses').fill('No towing. Back by dusk.');
  await mina.by('keep-row').click();
  await expect(page.getByText('No towing. Back by dusk.')).toBeVisible();

  // What a needle shows is said in gallons, and the terms stand before the signature.
  await mina.open('/hire/h-1001/walk/out');
  await goToStop(mina, 'helm');
  await mina.by('gauge-fuel-needle').click();
  await page.getByRole('button', { name: 'full', exact: true }).click();
  await mina.by('keep-reading').click();
  await expect(page.getByText(/Petrol: about [\d.]+ gal, between [\d.]+ and [\d.]+/)).toBeVisible();
  await mina.open('/hire/h-1001/sign/out');
  await expect(page.getByText('No towing. Back by dusk.')).toBeVisible();

  // A hire that went out before is settled in them as well, and its statement has the number that is begun with now.
  await mina.open('/hire/h-1009/compare');
  await expect(page.getByText(/[\d.]+ ± [\d.]+ gal/).first()).toBeVisible();
  await expect(page.getByText(/\d (L|mm)\b/)).toHaveCount(0);

  await mina.open('/hire/h-1006/compare');
  await decideAll(mina);
  await mina.by('open-statement').click();
  await mina.by('close-hire').click();
  await expect(page.getByText(/OS\/\d/).first()).toBeVisible();
});
