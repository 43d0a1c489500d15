import { idsFrom } from './ids';
import { BRAM, expect, MANAGER, PHONE, test } from './quay';
import { goToStop } from './walking';

test('the needle is set by hand, and what is out of range is said at the field', PHONE, async ({ phoneOf }) => {
  const bram = await phoneOf(BRAM);
  const { page } = bram;
  await bram.open('/hire/h-1001/walk/out');
  await goToStop(bram, 'helm');
  // A thumb on the dial itself: far right is full.
  await bram.by('gauge-fuel-needle').click();
  const dial = (await bram.by('dial').boundingBox())!;
  await page.mouse.click(dial.x + dial.width - 34, dial.y + 88);
  await expect(page.getByText(/^1[5-6]\/16$/)).toBeVisible();
  await bram.by('askew').click();
  await bram.by('keep-reading').click();
  const said = page.getByText(/Petrol: about \d+ L, between \d+ and \d+/);
  await expect(said).toBeVisible();
  await expect(page.getByText(/By thirds: home after/)).toBeVisible();
  const wide = async () => {
    const [, low, high] = /between (\d+) and (\d+)/.exec(await said.innerText())!;
    return Number(high) - Number(low);
  };
  const needleAlone = await wide();
  // The reading that says most is offered, wherever it is taken, and narrows the band.
  await bram.by('next-fuel-sight').click();
  await page.getByRole('button', { name: 'full', exact: true }).click();
  await bram.by('keep-reading').click();
  await expect.poll(wide).toBeLessThan(needleAlone);
  await expect(page.locator(idsFrom('next-'))).toHaveCount(0);

  await bram.by('gauge-volts').click();
  await bram.by('reading').fill('126');
  await expect(page.getByText('From 9 to 16.')).toBeVisible();
  await expect(bram.by('keep-reading')).toBeDisabled();
  await bram.by('reading').fill('twelve');
  await expect(page.getByText('From 9 to 16.')).toBeVisible();
  await bram.by('reading').fill('12,6');
  await bram.by('keep-reading').click();
  await expect(page.getByText('12.6 V', { exact: true })).toBeVisible();
});

test('two readings that disagree put neither aside; undo takes back what was just said', PHONE, async ({ phoneOf }) => {
  const bram = await phoneOf(BRAM);
  const { page } = bram;
  await bram.open('/hire/h-1001/walk/out');
  await goToStop(bram, 'helm');
  await bram.by('gauge-fuel-needle').click();
  await page.getByRole('button', { name: 'full', exact: true }).click();
  await bram.by('keep-reading').click();
  await goToStop(bram, 'stern');
  await bram.by('gauge-fuel-sight').click();
  await page.getByRole('button', { name: 'empty', exact: true }).click();
  await bram.by('keep-reading').click();
  await expect(page.getByText('The readings disagree; neither is put aside. Take a third.')).toBeVisible();
  await page.getByText('Undo').click();
  await expect(page.getByText('The readings disagree; neither is put aside. Take a third.')).toHaveCount(0);
});

test('a stuck needle is found out by a fill to the brim, named, and read again; how far the fuel goes is told', async ({ bram }) => {
  const { page } = bram;
  await bram.open('/hire/h-1001/walk/out?stop=stern');
  await bram.by('gauge-fuel-sight').click();
  await page.getByRole('button', { name: 'full', exact: true }).click();
  await bram.by('keep-reading').click();
  await goToStop(bram, 'helm');
  await bram.by('gauge-fuel-needle').click();
  await page.getByRole('button', { name: 'empty', exact: true }).click();
  for (let i = 0; i < 4; i += 1) await bram.by('higher').click();
  await bram.by('keep-reading').click();
  // Two that disagree: neither is set aside, and the check asks a manager.
  await expect(page.getByText(/third/).first()).toBeVisible();
  await bram.by('brim-petrol').click();
  await bram.by('brim-litres').fill('400');
  await expect(page.getByText('From 0 to 95.')).toBeVisible();
  await bram.by('brim-litres').fill('31,5');
  await bram.by('keep-brim').click();
  // With a third the odd one is named, and by how much.
  await expect(page.getByText(/Fuel needle.*\d+ L/).first()).toBeVisible();
  await bram.by('gauge-fuel-needle').click();
  await page.getByRole('button', { name: 'full', exact: true }).click();
  await bram.by('keep-reading').click();
  await expect(page.getByText(/Fuel needle.*below|Fuel needle.*under/)).toHaveCount(0);
  await expect(bram.by('fuel-plan-petrol')).toContainText('turn back after');
  await expect(bram.by('fuel-plan-petrol')).toContainText('planned need about 27 L');
});

test(
  'counters that went back are said at the field; the boat’s own wires offer a reading, and say when they are silent',
  PHONE,
  async ({ phoneOf }) => {
    const [bram, mina] = [await phoneOf(BRAM), await phoneOf(MANAGER)];
    await bram.open('/hire/h-1001/walk/out?stop=helm');
    await bram.by('gauge-hours').click();
    await bram.by('reading').fill('12');
    await expect(bram.page.getByText(/Lower than after the last hire/)).toBeVisible();
    await bram.page.keyboard.press('Escape');
    await bram.by('gauge-volts').click();
    await expect(bram.page.getByText('simulated sensor')).toBeVisible();
    await bram.by('take-wire').click();
    await expect(bram.by('reading')).toHaveValue(/^12\.\d$/);
    await bram.by('keep-reading').click();
    await bram.by('gauge-volts').click();
    await bram.by('reading').fill('9.4');
    await expect(bram.page.getByText('Outside what is usual for this boat: 12.4 to 12.9')).toBeVisible();
    await bram.page.keyboard.press('Escape');
    await mina.open('/settings');
    await mina.by('boatGateway-silent').click();
    await expect(mina.by('boatGateway-silent')).toBeChecked();
    await bram.page.reload();
    await bram.by('gauge-volts').click();
    await expect(bram.page.getByText('The boat’s own sensors do not answer.')).toBeVisible();
  },
);

test('a tank’s table is taken from a file, its faults named by line, or found by a fill', PHONE, async ({ phoneOf }) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  await mina.open('/fleet/class/canal-12');
  await page.getByText('Tanks', { exact: false }).first().click();
  await page.getByText('Diesel', { exact: true }).first().click();
  await mina.by('strapping-file').click();
  await mina.by('strapping-paste').fill('mm;L\n0;0\n100;30\n90;60\n430;900');
  await expect(page.getByText('Line 4: the first column must rise from line to line')).toBeVisible();
  await expect(page.getByText('Line 5: more than there can be')).toBeVisible();
  await mina.by('strapping-paste').fill('mm;L\n0;0\n100;30,5\n430;180');
  await mina.by('strapping-take').click();
  await expect(page.getByText('3 rows, from 0 L.')).toBeVisible();
  await mina.by('strapping-fill').click();
  for (const [pumped, shown] of [
    ['0', '0'],
    ['60', '170'],
    ['120', '290'],
    ['180', '430'],
  ] as const) {
    await mina.by('pumped').fill(pumped);
    await mina.by('shown').fill(shown);
    await mina.by('add-step').click();
  }
  await mina.by('pumped').fill('20');
  await expect(page.getByText('More than 180 L: the meter only counts up.')).toBeVisible();
  await mina.by('strapping-take').click();
  await expect(page.getByText('4 rows, from 0 L.')).toBeVisible();
});
