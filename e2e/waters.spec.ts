import { expect, MANAGER, type Phone, test } from './quay';
import { patient } from './patience';

/** Presses places of the chart, as shares of its width and height. */
const pressAt = async (phone: Phone, places: readonly (readonly [number, number])[]) => {
  // In the middle of the page, clear of what is said at its foot.
  await phone.by('chart').evaluate((chart) => chart.scrollIntoView({ block: 'center' }));
  await phone.page.waitForTimeout(400);
  const box = (await phone.by('chart').boundingBox())!;
  for (const [x, y] of places) {
    await phone.page.mouse.move(box.x + box.width * x, box.y + box.height * y, { steps: 4 });
    await phone.page.mouse.click(box.x + box.width * x, box.y + box.height * y);
    // A second press too soon would be a double one.
    await phone.page.waitForTimeout(350);
  }
};

const openWaters = async (mina: Phone) => {
  await mina.open('/fleet/waters/lake-ossel');
  await expect(mina.by('draw-Polygon')).toBeVisible();
  await expect(mina.page.locator('.quay-chart')).toBeVisible();
};

test('a zone is drawn on the chart, its rule holds there at once, and it is moved and taken back', async ({ phoneOf }) => {
  test.slow();
  const mina = await phoneOf(MANAGER);
  await openWaters(mina);
  await mina.by('draw-Polygon').click();
  const corners = [
    [0.42, 0.42],
    [0.55, 0.42],
    [0.55, 0.58],
    [0.42, 0.58],
  ] as const;
  await pressAt(mina, [...corners, corners[0]]);
  // What it is, and its figures; without a name it is not kept.
  await expect(mina.by('field-called')).toBeVisible();
  await mina.by('keep-row').click();
  await expect(mina.page.getByText('This has to be there.').first()).toBeVisible();
  await mina.by('field-called').fill('Sailing school water');
  await mina.by('field-limitKmh').fill('8');
  await mina.by('keep-row').click();
  await expect(mina.by('field-called')).toHaveCount(0, { timeout: patient(20_000) });

  // Where it was drawn it holds, in words, and in the list.
  await pressAt(mina, [[0.485, 0.5]]);
  await expect(mina.by('open-sailing-school-water')).toBeVisible();
  await mina.open('/hire/h-1001/chart?place=gull-rock');
  await expect(mina.by('chart')).toBeVisible();
  await mina.by('open-speeds').click();
  await expect(mina.by('limit-8')).toContainText('Sailing school water');

  // Moved by a corner, and kept.
  await openWaters(mina);
  await pressAt(mina, [[0.485, 0.5]]);
  await mina.by('move-sailing-school-water').click();
  await mina.by('chart').evaluate((chart) => chart.scrollIntoView({ block: 'center' }));
  const corner = mina.page.locator('.marker-icon:not(.marker-icon-middle)').first();
  const at = (await corner.boundingBox())!;
  await mina.page.mouse.move(at.x + 12, at.y + 12);
  await mina.page.mouse.down();
  await mina.page.mouse.move(at.x + 2, at.y + 30, { steps: 6 });
  await mina.page.mouse.up();
  await mina.by('keep-shape').click();
  await expect(mina.page.getByText('Kept.', { exact: true }).first()).toBeVisible({ timeout: patient(20_000) });
  await mina.page.getByRole('button', { name: 'Undo' }).click();
  await expect(mina.page.getByText('Undone.').first()).toBeVisible({ timeout: patient(20_000) });
});

test('a file is laid over a water: what would change is seen first, and what is wrong is told by name', async ({ phoneOf }) => {
  const mina = await phoneOf(MANAGER);
  await openWaters(mina);
  const bring = (text: string) =>
    mina.page
      .locator('input[type="file"]')
      .setInputFiles({ name: 'x.geojson', mimeType: 'application/geo+json', buffer: Buffer.from(text) });
  await bring('{');
  await expect(mina.page.getByText('This file cannot be read: it is no JSON.')).toBeVisible();
  await mina.page.keyboard.press('Escape');
  const square = (lon: number) => [[[lon, 48], [lon + 0.002, 48], [lon + 0.002, 48.002], [lon, 48]]]; // prettier-ignore
  const one = (name: string, coordinates: unknown) => ({
    type: 'Feature',
    properties: { name },
    geometry: { type: 'Polygon', coordinates },
  });
  await bring(JSON.stringify({ type: 'FeatureCollection', features: [one('South reeds', square(-37.99)), one('Metres', [[[4e6, 5e6]]])] }));
  await expect(mina.page.getByText('South reeds: does not say what it is')).toBeVisible();
  await expect(mina.page.getByText('Metres: is not in degrees')).toBeVisible();
  await expect(mina.by('lay-go')).toBeDisabled();
  await mina.by('lay-kind-forbidden').click();
  await expect(mina.page.getByText('1 new')).toBeVisible();
  await mina.by('lay-go').click();
  await expect(mina.by('lay-go')).toHaveCount(0, { timeout: patient(20_000) });
  await mina.by('find-row').fill('reeds');
  await expect(mina.by('edit-south-reeds')).toBeVisible();
});
