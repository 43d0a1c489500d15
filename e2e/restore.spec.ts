import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import { expect, PHONE, test } from './quay';
import { countAll, briefAll } from './walking';
import { ROOT } from './template';
import { patient } from './patience';

const tool = (...args: string[]) => execFileSync(process.execPath, ['server/dist/tool.mjs', ...args], { cwd: ROOT, encoding: 'utf8' });

test('a backup taken and put back under a running quay: phones bring again what it lacks', PHONE, async ({ bram, quay }, info) => {
  const to = join(info.outputDir, 'backup');
  expect(tool('backup', '--data', quay.data, '--to', to)).toContain('backed up');
  await bram.open('/hire/h-1001/walk/out');
  await expect(bram.by('complete-station')).toBeVisible();
  await briefAll(bram);
  await countAll(bram);
  await bram.allSent();
  const held = async () =>
    ((await (await bram.context.request.get(`${quay.url}/api/hires/h-1001/events`)).json()) as { events: unknown[] }).events.length;
  const before = await held();
  expect(before).toBeGreaterThan(4);
  bram.cut = true;
  expect(tool('restore', '--data', quay.data, '--from', to)).toContain('Phones send again what the backup lacks');
  await expect.poll(held, { timeout: patient(40_000) }).toBe(before);
  await bram.allSent();
  // Nothing of it looks like a disagreement.
  await expect(bram.page.getByText(/Two phones disagree/)).toHaveCount(0);
});
