import { idsFrom } from './ids';
import sharp from 'sharp';
import { expect, MANAGER, PHONE, type Phone, test } from './quay';
import { decideAll, sign, stopCount, completeAsItWas } from './walking';
import { patient } from './patience';

/** The same picture once more, taken from a hand's breadth aside and with a scratch in it that was not there. */
const again = async (departure: Buffer): Promise<Buffer> => {
  const { width = 900, height = 600 } = await sharp(departure).metadata();
  const scratch = Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><path d="M300 330L345 372L392 380" stroke="#EDE7D8" stroke-width="6" fill="none" stroke-linecap="round"/></svg>`,
  );
  const scratched = await sharp(departure)
    .composite([{ input: scratch }])
    .toBuffer();
  return sharp(scratched)
    .rotate(1.2, { background: '#9DBFC6' })
    .extract({ left: 14, top: 12, width: width - 20, height: height - 20 })
    .linear(0.92, 4)
    .jpeg({ quality: 88 })
    .toBuffer();
};

/** Takes the same side's picture once more, with a scratch on it. @returns the surface */
const photographAgain = async (bram: Phone, hire = 'h-1009'): Promise<string> => {
  const { page, quay } = bram;
  const api = bram.context.request;
  const { book } = (await (await api.get(`${quay.url}/api/hires/${hire}`)).json()) as {
    book: { surfaces: { id: string; station: string }[] };
  };
  const { id, station } = book.surfaces[0]!;
  await bram.open(`/hire/${hire}/walk/in?stop=${station}`);
  const surface = bram.by(`surface-${id}`);
  const { events } = (await (await api.get(`${quay.url}/api/hires/${hire}/events`)).json()) as {
    events: { event: { body: { kind: string; walk?: string; surface?: string; photos?: string[] } } }[];
  };
  const out = events
    .map(({ event: { body } }) => body)
    .find((body) => body.kind === 'surfaceSeen' && body.walk === 'out' && body.surface === id)!
    .photos!.at(-1)!;
  const buffer = await again(await (await api.get(`${quay.url}/api/hires/${hire}/photos/${out}`)).body());
  await surface.click();
  const chooser = page.waitForEvent('filechooser');
  await bram.by('surface-photo-file').click();
  await (await chooser).setFiles({ name: 'port.jpg', mimeType: 'image/jpeg', buffer });
  if (await bram.by('photo-keep').isVisible()) await bram.by('photo-keep').click();
  return id;
};

test('a scratch that came while she was out is boxed by the machine; a person takes it for a mark, and puts aside what is none', async ({
  bram,
}) => {
  test.slow();
  const { page } = bram;
  const surface = await photographAgain(bram);
  await bram.by('pair-open').click({ timeout: patient(45_000) });
  await expect(page.getByText(/The machine sees \d difference/)).toBeVisible({ timeout: patient(45_000) });
  await expect(bram.by('box-1')).toBeVisible();
  for (const way of ['blink', 'heat', 'slider']) await bram.by(`show-${way}`).click();
  await bram.by('pair-share').fill('80');
  // What is boxed and is none is put aside, and comes back when that is undone.
  await bram.by('box-1').click();
  await bram.by('box-dismiss').click();
  await expect(page.getByText('All that the machine saw here has been judged.')).toBeVisible();
  await bram.by('box-back').click();
  // Seen is kept; a page that is left before that has undone nothing.
  await expect(page.getByText('All that the machine saw here has been judged.')).toBeHidden();
  // Whoever walks may also leave it to the desk: what nobody has judged stands above the findings.
  await bram.open('/hire/h-1009/compare');
  await bram.by(`judge-${surface}`).click({ timeout: patient(20_000) });
  await bram.by('pair-open').click();
  await bram.by('box-1').click();
  await bram.by('box-mark').click();
  await bram.by('keep-mark').click();
  await expect(page.getByText(/^\d · scratch, \d+ mm$/).last()).toBeVisible();
  await bram.by('pair-open').last().click();
  await expect(page.getByText('All that the machine saw here has been judged.')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await expect(bram.by(`judge-${surface}`)).toHaveCount(0);
});

test('a scratch found by the machine is accepted, priced, disputed, and settled in part', PHONE, async ({ phoneOf }) => {
  test.slow();
  const mina = await phoneOf(MANAGER);
  const { page } = mina;
  await mina.open('/hire/h-1004');
  await mina.by('hire-next').click();
  await mina.by('came-in').click();
  await expect(mina.by('complete-station')).toBeVisible();
  const stops = await stopCount(mina);
  await photographAgain(mina, 'h-1004');
  await mina.by('pair-open').click({ timeout: patient(45_000) });
  await mina.by('box-1').click({ timeout: patient(45_000) });
  await mina.by('box-mark').click();
  await mina.by('keep-mark').click();
  await expect(page.getByText(/^\d · scratch, \d+ mm$/).last()).toBeVisible();
  await page.keyboard.press('Escape');
  await mina.open('/hire/h-1004/walk/in');
  for (let i = 0; i < stops; i += 1) await completeAsItWas(mina);
  await sign(mina);
  await expect(page.getByRole('heading', { name: 'Compare' })).toBeVisible();
  await decideAll(mina);
  await mina.allSent();
  await mina.by('open-statement').click();

  const line = page.locator(idsFrom('evidence-mark'));
  await expect(line).toContainText('new');
  await expect(mina.by('close-hire')).toHaveCount(0);
  // So long a one is on no list: a manager names what it comes to.
  await line.click();
  await page.locator(idsFrom('quote-mark')).click();
  await mina.by('quote-sum').fill('90');
  await mina.by('quote-why').fill('By the yard’s offer');
  await mina.by('quote-go').click();
  await expect(line).toContainText('€90.00');
  await expect(line).toContainText('proposed');
  await page.locator(idsFrom('dispute-mark')).click();
  await mina.by('word').fill('That was the lock gate of last week.');
  await mina.by('word-go').click();
  await expect(page.getByText('Still held, disputed')).toBeVisible();
  await mina.by('close-hire').click();
  await expect(page.getByRole('heading', { name: /Statement \d+/ })).toBeVisible();
  await expect(line).toContainText('not agreed');

  await mina.open('/attention');
  await mina.by('dispute-h-1004').click();
  await page.locator(idsFrom('decide-mark')).click();
  await expect(page.getByText('“That was the lock gate of last week.”').last()).toBeVisible();
  await page.locator(idsFrom('shall-')).nth(1).click();
  await mina.by('correct-why').fill('Half of it');
  await mina.by('correct-go').click();
  await expect(page.getByText(/Statement \d+ · Half of it/)).toBeVisible();
  await expect(line).toContainText('charged');
  await expect(page.getByText('Still held', { exact: true })).toHaveCount(0);
});

test('a comparison whose quay was killed half-way is taken up again and finished', PHONE, async ({ bram, quay }) => {
  test.slow();
  const { page } = bram;
  const surface = await photographAgain(bram);
  const stateNow = async () => {
    const answer = await bram.context.request.get(`${quay.url}/api/hires/h-1009/comparisons`);
    const { comparisons } = (await answer.json()) as { comparisons: { state: string }[] };
    return comparisons.map(({ state }) => state);
  };
  await expect.poll(stateNow, { timeout: patient(40_000), intervals: [100] }).toContain('running');
  bram.cut = true;
  await quay.end('SIGKILL');
  await quay.start();
  // Once its lease has ended it is taken up, and nobody asks for it again.
  await expect.poll(stateNow, { timeout: patient(100_000) }).toContain('done');
  await page.reload();
  await bram.by(`surface-${surface}`).click();
  await bram.by('pair-open').click({ timeout: patient(45_000) });
  await expect(page.getByText(/The machine sees \d difference/)).toBeVisible();
});

test(
  'pictures that came in while no quay compared are compared once somebody looks, and a finger draws the line between them',
  PHONE,
  async ({ bram }) => {
    test.slow();
    const { page } = bram;
    await bram.open('/hire/h-1006/compare');
    await page.locator(idsFrom('finding-mark')).first().click();
    await bram.by('pair-open').click();
    await expect(page.getByText('All that the machine saw here has been judged.')).toBeVisible({ timeout: patient(60_000) });
    const pair = (await bram.by('pair-view').boundingBox())!;
    const share = async () => Number(await bram.by('pair-share').inputValue());
    await page.mouse.move(pair.x + pair.width * 0.5, pair.y + pair.height * 0.9);
    await page.mouse.down();
    await page.mouse.move(pair.x + pair.width * 0.2, pair.y + pair.height * 0.9, { steps: 4 });
    expect(Math.abs((await share()) - 20)).toBeLessThanOrEqual(1);
    // Beyond the edge it stops there, and once let go it stays.
    await page.mouse.move(pair.x + pair.width + 40, pair.y + pair.height * 0.9, { steps: 30 });
    await page.mouse.up();
    await page.mouse.move(pair.x + pair.width * 0.5, pair.y + pair.height * 0.9);
    expect(await share()).toBe(100);
  },
);
