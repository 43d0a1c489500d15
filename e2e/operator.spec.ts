import { execFileSync } from 'node:child_process';
import { expect, MANAGER, PHONE, test } from './quay';
import { ROOT } from './template';

test(
  'a manager says how they work: what a policy changes is shown before it is kept, silly input is said at its field',
  PHONE,
  async ({ phoneOf }) => {
    const mina = await phoneOf(MANAGER);
    const { page } = mina;
    await mina.goTo('settings');
    await mina.by('open-operator').click();
    await expect(mina.by('keep-operator')).toBeDisabled();
    await mina.by('turnaround').fill('soon');
    await mina.by('keep-operator').click();
    await expect(page.getByText('Whole minutes, from 0 to 1440.')).toBeVisible();
    await mina.by('turnaround').fill('45');
    // Of a matter that books speak of, what is said then; of one that is computed with, what is done.
    const other = page.locator('[data-testid^="policy-trees-"][aria-checked="false"]');
    await other.click();
    await expect(page.getByText(/^(Said then|No longer said):$/).first()).toBeVisible();
    await page.locator('[data-testid^="policy-night-"][aria-checked="false"]').first().click();
    await expect(page.getByText(/The cast-off check asks about hires that end in the dark/)).toBeVisible();
    await mina.by('level-wind-hold').click();
    await mina.by('keep-operator').click();
    await expect(page.getByText('Kept. It holds from the next look at a hire on.')).toBeVisible();
    await page.reload();
    await expect(mina.by('turnaround')).toHaveValue('45');
    await expect(mina.by('level-wind-hold')).toHaveAttribute('aria-checked', 'true');
  },
);

test(
  'a manager who lost the password is let in again from the server, and whoever sat there under the old one is out',
  PHONE,
  async ({ phoneOf, quay }) => {
    const mina = await phoneOf(MANAGER);
    const { page } = mina;
    const said = execFileSync(process.execPath, ['server/dist/tool.mjs', 'manager', '--data', quay.data, '--name', MANAGER.name], {
      cwd: ROOT,
      encoding: 'utf8',
    });
    const [, secret] = /with the password (\S{20})\./.exec(said)!;
    // The browser notes each answer that nobody is signed in.
    mina.cut = true;
    await page.reload();
    await mina.enter(MANAGER);
    await expect(page.getByText(/That is not right/)).toBeVisible();
    await mina.by('secret').fill(secret!);
    await mina.by('sign-in').click();
    await expect(mina.by('nav-today')).toBeVisible();
  },
);
