import { fingersOn } from './fingers';
import { idsFrom } from './ids';
import { mkdirSync } from 'node:fs';
import { expect, PHONE, test } from './quay';
import { goToStop } from './walking';
import { BY_CARD_MM, cardPicture, badPictures, blurredPicture, darkPicture, goodPicture } from './pictures';
import { patient } from './patience';

test('a picture that cannot be used is refused with the reason and the way out; the mark stays', PHONE, async ({ bram }, info) => {
  test.slow();
  const { page } = bram;
  mkdirSync(info.outputDir, { recursive: true });
  await bram.open('/hire/h-1001/walk/out');
  await goToStop(bram, 'bow');
  await bram.by('surface-bow-front').click();
  await bram.by('surface-drawing').click({ position: { x: 90, y: 40 } });
  await bram.by('kind-dent').click();
  for (const [file, said] of await badPictures(info.outputDir)) {
    const chooser = page.waitForEvent('filechooser');
    await bram.by('mark-photo-file').click();
    await (await chooser).setFiles(file);
    await expect(page.getByText(said)).toBeVisible({ timeout: patient(30_000) });
  }
  const chooser = page.waitForEvent('filechooser');
  await bram.by('mark-photo-file').click();
  await (await chooser).setFiles(await goodPicture());
  await expect(page.getByAltText(/Picture 1 of/)).toBeVisible();
  await bram.by('keep-mark').click();
  await expect(page.getByText(/1 · dent, 40 mm/)).toBeVisible();
  await bram.by('surface-seen').click();
  await bram.allSent();
  const { events } = (await (await bram.context.request.get(`${bram.quay.url}/api/hires/h-1001/events`)).json()) as {
    events: { event: { body: { kind: string; mark?: { photos: string[] } } } }[];
  };
  const photos = events.flatMap(({ event }) => event.body.mark?.photos ?? []);
  expect(photos).toHaveLength(1);
  const stored = await bram.context.request.get(`${bram.quay.url}/api/hires/h-1001/photos/${photos[0]}`);
  expect(stored.headers()['content-type']).toBe('image/jpeg');
});

test(
  'a blurred or dark picture is said to be one before it is accepted; it is taken again, or kept all the same',
  PHONE,
  async ({ bram }) => {
    const { page } = bram;
    await bram.open('/hire/h-1001/walk/out?stop=bow');
    await bram.by('surface-bow-front').click();
    const choose = async (press: string, file: Awaited<ReturnType<typeof goodPicture>>) => {
      const chooser = page.waitForEvent('filechooser');
      await bram.by(press).click();
      await (await chooser).setFiles(file);
    };
    await choose('surface-photo-file', await blurredPicture());
    await expect(page.getByText('It is blurred.')).toBeVisible();
    await expect(page.getByAltText(/Picture 1 of/)).toHaveCount(0);
    await choose('photo-again', await darkPicture());
    await expect(page.getByText('There is too little light.')).toBeVisible();
    await choose('photo-again', await goodPicture());
    await expect(page.getByAltText(/Picture 1 of/)).toBeVisible();
    await expect(bram.by('photo-again')).toHaveCount(0);
    await choose('surface-photo-file', await blurredPicture());
    await bram.by('photo-keep').click();
    await expect(page.getByAltText(/Picture 2 of/)).toBeVisible();
  },
);

test(
  'marks that came with her stand there pale and are confirmed, not entered again; one is measured by a card',
  PHONE,
  async ({ bram }) => {
    const { page } = bram;
    await bram.open('/hire/h-1001/walk/out?stop=gate');
    await expect(bram.by('surface-port-side')).toContainText('known marks to confirm');
    await bram.by('surface-port-side').click();
    const before = await page.locator(idsFrom('same-')).count();
    expect(before).toBeGreaterThan(0);
    await page.locator(idsFrom('gone-')).first().click();
    await expect(page.locator(idsFrom('same-'))).toHaveCount(before - 1);
    await bram.by('surface-drawing').click({ position: { x: 60, y: 40 } });
    const chooser = page.waitForEvent('filechooser');
    await bram.by('mark-photo-file').click();
    await (await chooser).setFiles(await cardPicture());
    await bram.by('measure-by-card').click();
    const said = bram.by('card-take');
    await expect(said).toHaveText(/^\d+ mm: take it$/);
    const first = await said.innerText();
    for (let i = 0; i < 12; i += 1) await bram.by('card-left').click();
    await expect(said).not.toHaveText(first);
    // Corners that are about right are put where the card's edges meet.
    await bram.by('card-seek').click();
    await expect(page.getByText('The corners stand where its edges meet.')).toBeVisible();
    const mm = Number(/\d+/.exec(await said.innerText())![0]);
    expect(Math.abs(mm / BY_CARD_MM - 1)).toBeLessThan(0.05);
    const taken = /\d+/.exec(await said.innerText())![0];
    await said.click();
    await expect(page.getByText(`${taken} mm`, { exact: true })).toBeVisible();
    await bram.by('keep-mark').click();
    await bram.by('surface-seen').click();
    await expect(bram.by('surface-port-side')).toContainText(`${before} marks · looked at`);
  },
);

test('a picture is taken through the last one of the same side; the drawing is looked at from near', PHONE, async ({ bram }) => {
  const { page } = bram;
  await bram.open('/hire/h-1001/walk/out?stop=gate');
  await bram.by('surface-port-side').click();
  await bram.by('surface-photo').click();
  await expect(bram.by('viewfinder')).toBeVisible();
  await expect(bram.by('camera-take')).toBeEnabled();
  await bram.by('camera-take').click();
  // What the pretended camera sees may be no good evidence; it is kept all the same.
  await expect(page.getByAltText(/Picture 1 of/).or(bram.by('photo-keep'))).toBeVisible();
  if (await bram.by('photo-keep').isVisible()) await bram.by('photo-keep').click();
  await expect(page.getByAltText(/Picture 1 of/)).toBeVisible();
  // From near a finger pushes the drawing and places nothing; a press still places a mark where it is pressed.
  for (let i = 0; i < 3; i += 1) await bram.by('nearer').click();
  const box = (await bram.by('zoomable').boundingBox())!;
  await page.mouse.move(box.x + 200, box.y + 60);
  await page.mouse.down();
  await page.mouse.move(box.x + 120, box.y + 50, { steps: 6 });
  await page.mouse.up();
  await expect(bram.by('keep-mark')).toHaveCount(0);
  // Two fingers bring it nearer, about the place between them, and take it back; neither presses anything.
  for (let i = 0; i < 3; i += 1) await bram.by('farther').click();
  await expect(bram.by('farther')).toBeDisabled();
  const fingers = await fingersOn(page);
  const spots = (...xs: number[]) => xs.map((x) => ({ x: box.x + x, y: box.y + 60 }));
  await fingers.down(...spots(110, 150));
  await fingers.move(spots(110, 150), spots(70, 190));
  await fingers.up();
  await expect(bram.by('farther')).toBeEnabled();
  await fingers.down(...spots(40, 220));
  await fingers.move(spots(40, 220), spots(125, 135));
  await fingers.up();
  await expect(bram.by('farther')).toBeDisabled();
  await expect(bram.by('keep-mark')).toHaveCount(0);
  await page.mouse.click(box.x + 90, box.y + 40);
  await expect(bram.by('keep-mark')).toBeVisible();
});
