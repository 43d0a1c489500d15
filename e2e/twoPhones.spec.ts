import { BRAM, expect, PHONE, type Phone, test, TILLY } from './quay';
import { countAll, briefAll, goToStop } from './walking';
import { patient } from './patience';

const openWalk = async (phone: Phone) => {
  await phone.by('hire-h-1001').first().click();
  await phone.by('hire-next').click();
  await expect(phone.by('complete-station')).toBeVisible();
};

test('two phones on one hire: a correction replaces, a conflict stays until somebody says what is right', PHONE, async ({ phoneOf }) => {
  test.slow();
  const [bram, tilly] = [await phoneOf(BRAM), await phoneOf(TILLY)];
  await openWalk(bram);
  await openWalk(tilly);
  for (const phone of [bram, tilly]) await goToStop(phone, 'forward');
  await briefAll(bram);
  await countAll(bram);
  await bram.allSent();

  // Tilly has seen Bram's count and puts it right: hers stands on both phones.
  const id = 'fenders';
  const line = tilly.by(`count-${id}`);
  await expect(line).toHaveAttribute('aria-label', / here$/, { timeout: patient(20_000) });
  const whole = Number(/(\d+) of/.exec((await line.getAttribute('aria-label'))!)![1]);
  await tilly.by(`fewer-${id}`).click();
  await expect(bram.by(`count-${id}`)).toHaveAttribute('aria-label', new RegExp(`: ${whole - 1} of`), { timeout: patient(20_000) });
  await expect(bram.page.getByText(/Two phones disagree/)).toHaveCount(0);
  await tilly.by(`more-${id}`).click();
  await tilly.allSent();
  await expect(bram.by(`count-${id}`)).toHaveAttribute('aria-label', new RegExp(`: ${whole} of`), { timeout: patient(20_000) });

  // Without signal neither sees the other: both values stand.
  await bram.cutNetwork();
  await tilly.cutNetwork();
  await bram.by(`fewer-${id}`).click();
  await tilly.by(`fewer-${id}`).click();
  await tilly.by(`fewer-${id}`).click();
  await bram.mendNetwork();
  await tilly.mendNetwork();
  await bram.allSent();
  await tilly.allSent();
  await expect(bram.page.getByText(/Two phones disagree: /)).toBeVisible({ timeout: patient(20_000) });
  await expect(tilly.page.getByText(/Two phones disagree: /)).toBeVisible({ timeout: patient(20_000) });

  // It holds the boat, and the hire says so, with both values to choose from.
  await bram.by('back').click();
  await bram.by('open-check').click();
  await bram.by('stands-1').first().click();
  await expect(bram.page.getByText(/Two phones disagree: /)).toHaveCount(0);
  await expect(tilly.page.getByText(/Two phones disagree: /)).toHaveCount(0, { timeout: patient(20_000) });
});
