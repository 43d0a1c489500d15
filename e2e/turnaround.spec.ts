import { idsFrom } from './ids';
import { goodPicture } from './pictures';
import { expect, test } from './quay';

test('what an earlier hire left holds her at the next departure until it is done and shown', async ({ bram }) => {
  const { page } = bram;
  await bram.open('/hire/h-1005');
  await bram.by('turnaround').click();
  const first = page.locator(idsFrom('judge-mark/')).first();
  await first.scrollIntoViewIfNeeded();
  await expect(first).toHaveText('Hold the boat until it is done');
  const key = (await first.getAttribute('data-testid'))!.replace('judge-', '');
  await first.click();
  await expect(page.getByText('1 thing holds the boat for the next party')).toBeVisible();
  await bram.open('/hire/h-1001/castoff');
  const held = page.locator(idsFrom('open-defect/h-1005'));
  await expect(held).toContainText('Not mended since an earlier hire');
  await held.click();
  await bram.by(`do-${key}`).click();
  await expect(bram.by('work-done')).toHaveText('Show it by a picture');
  await bram.by('work-note').fill('Rubbed down and filled');
  const chooser = page.waitForEvent('filechooser');
  await bram.by('work-photo-file').click();
  await (await chooser).setFiles(await goodPicture());
  await bram.by('work-done').click();
  await expect(page.getByText('Rubbed down and filled')).toBeVisible();
  await bram.allSent();
  await bram.open('/hire/h-1001/castoff');
  await expect(bram.by('matter-deposit/0')).toBeVisible();
  await expect(held).toHaveCount(0);
  // Not done after all: it holds her again.
  await bram.open('/hire/h-1005/turnaround');
  await bram.by(`again-${key}`).click();
  await expect(bram.by(`do-${key}`)).toBeVisible();
});

test('a note about the boat is left without signal, and read by whoever takes her next @phone', async ({ bram }) => {
  const { page } = bram;
  await bram.open('/hire/h-1001');
  await bram.by('notes').click();
  await expect(page.getByText('Nobody has left a note')).toBeVisible();
  await bram.cutNetwork();
  await bram.by('note-text').fill('Gate latch is stiff: lift, then swing');
  await bram.by('note-leave').click();
  await expect(page.getByText('Gate latch is stiff: lift, then swing')).toBeVisible();
  await expect(bram.by('note-text')).toHaveValue('');
  await bram.mendNetwork();
  await bram.allSent();
  await bram.open('/hire/h-1008/notes');
  await expect(page.getByText('Gate latch is stiff: lift, then swing')).toBeVisible();
  // A second thought is taken back, and is gone for everybody.
  await bram.by('note-text').fill('Not a note at all');
  await bram.by('note-leave').click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Not a note at all')).toHaveCount(0);
});
