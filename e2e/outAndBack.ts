import { idsFrom } from './ids';
import { expect, type Phone } from './quay';
import { goodPicture } from './pictures';
import { castOff, decideAll, doStop, goToStop, sign, stopCount } from './walking';

/** The whole loop of Tuppenny Bun's next hire, as a hand does it: out, back with a scratch, filled, decided and closed. */
export const outAndBack = async (hand: Phone): Promise<void> => {
  const { page } = hand;
  await hand.by('hire-h-1001').first().click();
  await expect(page.getByRole('heading', { name: 'Tuppenny Bun' })).toBeVisible();
  await hand.by('hire-next').click();
  await expect(hand.by('complete-station')).toBeVisible();
  const stops = await stopCount(hand);
  expect(stops).toBeGreaterThanOrEqual(8);
  for (let i = 0; i < stops; i += 1) await doStop(hand);

  await expect(page.getByRole('heading', { name: 'Read back and sign' })).toBeVisible();
  await expect(page.getByText(/L \(\d+ to \d+\)/)).toBeVisible();
  await sign(hand);
  await castOff(hand);
  await hand.allSent();

  await expect(page.getByRole('button', { name: /Tuppenny Bun, Ines Okonjo-Lind, .* to due/ })).toBeVisible();

  await hand.by('hire-h-1001').first().click();
  await hand.by('hire-next').click();
  await hand.by('came-in').click();
  // A new flaw on the port side, where there was none, with its picture.
  await goToStop(hand, 'gate');
  await hand.by('surface-port-side').click();
  await hand.by('surface-drawing').click({ position: { x: 120, y: 60 } });
  await hand.by('kind-scratch').click();
  for (let i = 0; i < 3; i += 1) await hand.by('larger').click();
  const chooser = page.waitForEvent('filechooser');
  await hand.by('mark-photo-file').click();
  await (await chooser).setFiles(await goodPicture());
  await expect(page.getByAltText('Picture 1 of Left side')).toBeVisible();
  await hand.by('keep-mark').click();
  await hand.by('surface-seen').click();
  await goToStop(hand, 'bow');
  for (let i = 0; i < stops; i += 1) await doStop(hand, 'in');
  await expect(page.getByRole('heading', { name: 'Read back the return' })).toBeVisible();
  await sign(hand);

  await expect(page.getByRole('heading', { name: 'Compare' })).toBeVisible();
  await expect(page.getByText(/scratch, Left side/).first()).toBeVisible();
  await expect(page.getByText(/\d+ to \d+ L used/).first()).toBeVisible();
  // The quay fills her to the brim: the meter settles, since she left full.
  await hand.by('finding-fuel/petrol').click();
  await hand.by('fill').click();
  await hand.by('fill-litres').fill('500');
  await expect(page.getByText('More than 0, up to 95 L.')).toBeVisible();
  await hand.by('fill-litres').fill('42,5');
  await hand.by('keep-fill').click();
  await expect(page.getByText(/metered 42.5 L from brim to brim/).first()).toBeVisible();
  if (await page.getByRole('button', { name: 'Close' }).isVisible()) await page.keyboard.press('Escape');
  await decideAll(hand);
  await hand.by('open-statement').click();
  await expect(page.getByText('Petrol').first()).toBeVisible();
  await page.locator(idsFrom('accept-mark')).click();
  await hand.by('close-hire').click();
  await expect(page.getByRole('heading', { name: /Statement \d+/ })).toBeVisible();
  await hand.allSent();
  const pdf = await hand.context.request.get(`${hand.quay.url}/api/hires/h-1001/statement.pdf`);
  expect(pdf.headers()['content-type']).toBe('application/pdf');
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
};
