import { BRAM, expect, MANAGER, PHONE, test, TILLY } from './quay';
import { decideAll } from './walking';

test(
  'what a phone without signal decided before the closing arrives after it: late, beside the record, and a manager sees it',
  PHONE,
  async ({ phoneOf }) => {
    test.slow();
    const tilly = await phoneOf(TILLY);
    await tilly.open('/hire/h-1006/compare');
    await expect(tilly.page.getByRole('heading', { name: 'Compare' })).toBeVisible();
    await tilly.page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await tilly.cutNetwork();
    await expect(tilly.by('open-statement')).toBeVisible();
    if (await tilly.by('decide-wear').isHidden()) await tilly.by('open-statement').click();
    await tilly.by('decide-wear').click();
    await expect(tilly.by('pending-line')).toHaveAttribute('aria-label', /1 saved here, since/);

    const bram = await phoneOf(BRAM);
    await bram.open('/hire/h-1006/compare');
    await decideAll(bram);
    await bram.by('open-statement').click();
    await bram.by('close-hire').click();
    await expect(bram.page.getByRole('heading', { name: /Statement \d+/ })).toBeVisible();

    await tilly.mendNetwork();
    await tilly.allSent();
    const desk = await phoneOf(MANAGER);
    await desk.goTo('attention');
    await expect(desk.page.getByText('1 late')).toBeVisible();
    await desk.by('matter-late-h-1006').click();
    await expect(desk.page.getByText('1 late entry')).toBeVisible();
    // The statement is as it was closed.
    await expect(desk.page.getByText('closed', { exact: true })).toBeVisible();
  },
);
