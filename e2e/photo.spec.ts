import { mkdirSync } from 'node:fs';
import { expect, test } from './quay';
import { badPictures, goodPicture } from './pictures';

test('a picture that cannot be used is refused with the reason and the way out; the mark stays', async ({ bram }, info) => {
  test.slow();
  const { page } = bram;
  mkdirSync(info.outputDir, { recursive: true });
  await bram.open('/hire/h-1001/walk/out');
  await bram.by('knot-bow').click();
  await bram.by('surface-bow-front').click();
  await bram.by('surface-drawing').click({ position: { x: 90, y: 40 } });
  await bram.by('kind-dent').click();
  for (const [file, said] of await badPictures(info.outputDir)) {
    const chooser = page.waitForEvent('filechooser');
    await bram.by('mark-photo-file').click();
    await (await chooser).setFiles(file);
    await expect(page.getByText(said)).toBeVisible({ timeout: 30_000 });
  }
  const chooser = page.waitForEvent('filechooser');
  await bram.by('mark-photo-file').click();
  await (await chooser).setFiles(await goodPicture());
  await expect(page.getByAltText(/Picture 1 of/)).toBeVisible();
  await bram.by('keep-mark').click();
  await expect(page.getByText(/1 · dent, 40 mm/)).toBeVisible();
  await bram.by('looked').click();
  await bram.allSent();
  const { events } = (await (await bram.context.request.get(`${bram.quay.url}/api/hires/h-1001/events`)).json()) as {
    events: { event: { body: { kind: string; mark?: { photos: string[] } } } }[];
  };
  const photos = events.flatMap(({ event }) => event.body.mark?.photos ?? []);
  expect(photos).toHaveLength(1);
  const stored = await bram.context.request.get(`${bram.quay.url}/api/hires/h-1001/photos/${photos[0]}`);
  expect(stored.headers()['content-type']).toBe('image/jpeg');
});
