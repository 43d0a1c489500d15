import { execFile } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { expect, PHONE, test } from './quay';
import { linkOf, renterPhone } from './renter';
import { ROOT } from './template';
import { decideAll } from './walking';

/** What `./quay verify` says, and whether it found the file whole. */
const verify = (...args: string[]): Promise<{ whole: boolean; said: string }> =>
  new Promise((resolve) =>
    execFile(process.execPath, ['server/dist/tool.mjs', 'verify', ...args], { cwd: ROOT }, (error, out, err) =>
      resolve({ whole: error === null, said: out + err }),
    ),
  );

test('the dossier is taken, opened and verified; with one byte altered it is refused', async ({ bram, browser, quay }, info) => {
  await bram.open('/hire/h-1006');
  const coming = bram.page.waitForEvent('download');
  await bram.by('dossier-operator').click();
  const file = info.outputPath('dossier.zip');
  await (await coming).saveAs(file);
  const shown = await bram.page.getByText(/Signed with the quay’s key/).innerText();
  const whole = await verify(file);
  expect(whole.said).toContain('WHOLE');
  expect(whole.said).toContain('departure: signed by renter and staff, read in');
  expect(whole.whole).toBe(true);
  // The key as the phone shows it is the one the file is signed by.
  const key = /signed by key ([0-9a-f]{64})/.exec(whole.said)![1]!;
  expect(
    shown
      .replace(/[^0-9A-F]/g, '')
      .toLowerCase()
      .endsWith(key.slice(0, 16)),
  ).toBe(true);
  expect((await verify(file, '--key', key)).whole).toBe(true);
  expect((await verify(file, '--key', 'f'.repeat(64))).said).toContain('signed by another key');

  const bytes = readFileSync(file);
  bytes[Math.floor(bytes.length / 2)]! ^= 1;
  writeFileSync(file, bytes);
  const turned = await verify(file, '--key', key);
  expect(turned.whole).toBe(false);
  expect(turned.said).toContain('NOT WHOLE');

  // The renter takes their own copy, from their own phone.
  const theo = await renterPhone(browser, quay);
  await theo.open(await linkOf(bram, 'h-1006'));
  const theirs = theo.page.waitForEvent('download');
  await theo.by('dossier').click();
  const copy = info.outputPath('copy.zip');
  await (await theirs).saveAs(copy);
  const read = await verify(copy, '--key', key);
  expect(read.said).toContain('the renter’s copy');
  expect(read.whole).toBe(true);
});

test('the dossier of a closed hire holds its statement and verifies', PHONE, async ({ bram }, info) => {
  await bram.open('/hire/h-1006/compare');
  await decideAll(bram);
  await bram.by('open-statement').click();
  await bram.by('close-hire').click();
  await expect(bram.page.getByRole('heading', { name: /Statement \d+/ })).toBeVisible();
  await expect(bram.page.getByText('Where the money is')).toBeVisible();
  await bram.allSent();
  await bram.open('/hire/h-1006');
  const coming = bram.page.waitForEvent('download');
  await bram.by('dossier-operator').click();
  const file = info.outputPath('closed.zip');
  await (await coming).saveAs(file);
  const whole = await verify(file);
  expect(whole.said).toContain('WHOLE');
  expect(whole.whole).toBe(true);
});
