import type { BoatShelf } from '@quay/contract/fleet';
import { expect, MANAGER, PHONE, type Phone, test } from './quay';

const bookOf = async ({ context, quay }: Phone) =>
  (await (await context.request.get(`${quay.url}/api/boats/tuppenny-bun/book`)).json()) as BoatShelf;

test(
  'a book is written as JSON with its schema beside it: what is wrong is marked, kept once it is right, and undone',
  PHONE,
  async ({ phoneOf }) => {
    const mina = await phoneOf(MANAGER);
    const { page } = mina;
    await mina.open('/fleet/tuppenny-bun');
    await mina.by('as-json').click();
    const text = page.locator('.cm-content');
    await expect(text).toContainText('"hullNumber": "OS 104"');
    await expect(mina.by('keep-json')).toBeDisabled();
    // A name that is begun is offered, with what it means and what may stand there.
    await text.click();
    await page.keyboard.press('Control+Home');
    await page.keyboard.press('End');
    await page.keyboard.press('Enter');
    await page.keyboard.type('"windL', { delay: 30 });
    await expect(page.locator('.cm-completionInfo')).toContainText('a figure');
    await page.locator('.cm-tooltip-autocomplete li').first().click();
    await expect(text).toContainText('"windLimitMs": ');
    await page.keyboard.type('400,');
    await expect(page.getByText('1 thing is wrong')).toBeVisible();
    await expect(page.locator('.cm-lint-marker-error')).toHaveCount(1);
    await expect(mina.by('keep-json')).toBeDisabled();
    await page.keyboard.press('Backspace');
    await page.keyboard.press('Backspace');
    await page.keyboard.press('Backspace');
    await page.keyboard.press('Backspace');
    await page.keyboard.type('9,');
    await mina.by('keep-json').click();
    await expect(page.getByText(/^Kept as book/)).toBeVisible();
    await expect(mina.by('keep-json')).toHaveCount(0);
    await page.getByText('Undo').click();
    await expect.poll(async () => (await bookOf(mina)).boatBook.windLimitMs).toBeUndefined();
    await expect(page.getByText('Undone.')).toBeVisible();
    await mina.by('as-json').click();
    await expect(text).toContainText('"hullNumber": "OS 104"');
    await expect(text).not.toContainText('windLimitMs": 9');
  },
);

test('stations are pulled where they belong on the boat, kept together, and undone', PHONE, async ({ phoneOf }) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  await mina.open('/fleet/tuppenny-bun?part=stations');
  const board = mina.by('pin-board');
  const { x, y, width, height } = (await board.boundingBox())!;
  await expect(mina.by('keep-stations')).toHaveCount(0);
  // She is drawn in the middle of the board, bow to the right, half a metre round her.
  const { plan, stations } = (await bookOf(mina)).resolved;
  const scale = Math.min(width / (plan.lengthM + 1), height / (plan.beamM + 1));
  const at = ([along, aside]: [number, number]) => ({
    x: x + width / 2 + (along - plan.lengthM / 2) * scale,
    y: y + height / 2 + aside * scale,
  });
  const [from, to] = [at(stations[0]!.at), at([stations[0]!.at[0] - 0.5, stations[0]!.at[1] + 0.3])];
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(to.x, to.y, { steps: 6 });
  await page.mouse.up();
  await mina.by('keep-stations').click();
  await expect(page.getByText(/^Kept as book/)).toBeVisible();
  const kept = async () => (await bookOf(mina)).resolved.stations[0]!.at;
  const [along, aside] = await kept();
  expect(Math.hypot(along - (stations[0]!.at[0] - 0.5), aside - (stations[0]!.at[1] + 0.3))).toBeLessThan(0.12);
  await page.getByText('Undo').click();
  await expect.poll(kept).toEqual(stations[0]!.at);
});

test('a surface is made from the plan of the boat, from its side, and kept', PHONE, async ({ phoneOf }) => {
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  const sideOf = async () => (await bookOf(mina)).resolved.surfaces.find(({ id }) => id === 'port-side')!;
  await mina.open('/fleet/tuppenny-bun?part=surfaces');
  await mina.by('edit-port-side').click();
  await mina.by('draw').click();
  await mina.by('view-side').click();
  await mina.by('keep-drawing').click();
  await mina.by('keep-row').click();
  await expect(page.getByText(/^Kept as book/)).toBeVisible();
  const [hull] = (await sideOf()).strokes;
  expect(hull).toMatchObject({ draw: 'path', closed: true, tone: 'hull' });
});
