import { expect, MANAGER, PHONE, test } from './quay';

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
    await mina.by('as-json').click();
    await expect(text).toContainText('"hullNumber": "OS 104"');
    await expect(text).not.toContainText('windLimitMs": 9');
  },
);
