import { idsFrom } from './ids';
import { boatIsBack } from './alone';
import AxeBuilder from '@axe-core/playwright';
import { enterParty, linkOf } from './renter';
import { BRAM, expect, MANAGER, PHONE, type Phone, test } from './quay';
import { goToStop } from './walking';
import { patient } from './patience';

/** Nothing serious on a view. The light changes its colours and nothing else, at any width: on a phone those are judged in the dusk as well. */
const look = async ({ page }: Phone, name: string) => {
  await page.waitForTimeout(250);
  const found = async (rules?: string[]) => {
    // What passes is not wanted in full, and there are no frames of other sites: both would cost most of the time.
    const axe = new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).setLegacyMode();
    const { violations } = await (rules ? axe.withRules(rules) : axe).analyze();
    return violations
      .filter(({ impact }) => impact === 'serious' || impact === 'critical')
      .map(
        ({ id, nodes }) => `${id}: ${nodes.map(({ html, failureSummary }) => `${html.slice(0, 160)} ${failureSummary ?? ''}`).join(' | ')}`,
      );
  };
  expect(await found(), name).toEqual([]);
  if (page.viewportSize()!.width >= 1000) return;
  const ground = () =>
    page.evaluate(() =>
      [...document.querySelectorAll('#root *')]
        .map((one) => getComputedStyle(one).backgroundColor)
        .find((one) => one !== 'rgba(0, 0, 0, 0)'),
    );
  const sun = await ground();
  await page.emulateMedia({ colorScheme: 'dark' });
  await expect.poll(ground).not.toBe(sun);
  expect(await found(['color-contrast']), `${name}, dusk`).toEqual([]);
  await page.emulateMedia({ colorScheme: 'light' });
};

test('the walk: axe finds nothing serious, sun or dusk', async ({ phoneOf }, info) => {
  test.slow();
  const desk = await phoneOf(MANAGER);
  const { page } = desk;
  await desk.open('/hire/h-1001/walk/out');
  await expect(desk.by('complete-station')).toBeVisible();
  const knots = await page.locator(idsFrom('stop-')).evaluateAll((all) => all.map((one) => one.getAttribute('data-testid')!));
  // The stops are made of the same parts: each is looked at once, on a phone; elsewhere two say enough.
  for (const knot of info.project.name === 'phone' ? knots : knots.slice(2, 4)) {
    await desk.by(knot).click();
    await look(desk, `walk out, ${knot}`);
  }
  await goToStop(desk, 'helm');
  await desk.by('gauge-fuel-needle').click();
  await look(desk, 'gauge');
  await page.keyboard.press('Escape');
  await desk.by('surface-console').click();
  await look(desk, 'surface');
  await desk.by('surface-drawing').click({ position: { x: 60, y: 60 } });
  await look(desk, 'mark');
  await page.keyboard.press('Escape');
  await desk.by('hold').click();
  await look(desk, 'hold');
  await page.keyboard.press('Escape');
  await desk.by('complete-station').click();
  await look(desk, 'skip');
  await page.keyboard.press('Escape');
});

test('every other view of staff: axe finds nothing serious, sun or dusk', async ({ phoneOf }) => {
  test.slow();
  const desk = await phoneOf(MANAGER);
  const { page } = desk;
  await desk.open('/settings');
  await expect(desk.by('theme-sun')).toBeVisible();
  await look(desk, 'me');
  await desk.open('/');
  await expect(desk.by('hire-h-1001').first()).toBeVisible();
  await look(desk, 'day');
  await desk.open('/hire/h-1003');
  await expect(desk.by('hire-next')).toBeVisible();
  await look(desk, 'hire');
  await desk.open('/hire/h-1001/sign/out');
  await expect(desk.by('signature').first()).toBeVisible();
  await look(desk, 'sign');
  await desk.open('/hire/h-1004/walk/in');
  await expect(desk.by('came-in')).toBeVisible();
  await look(desk, 'come in');
  await desk.open('/hire/h-1009/walk/in');
  await expect(desk.by('complete-station')).toBeVisible();
  await look(desk, 'walk in');
  await desk.open('/hire/h-1006/compare');
  await expect(page.getByRole('heading', { name: 'Compare' })).toBeVisible();
  await look(desk, 'compare');
  await desk
    .by('finding-count/paddle')
    .or(page.locator(idsFrom('finding-')).first())
    .first()
    .click();
  await look(desk, 'finding');
  await desk.open('/hire/h-1005/statement');
  await expect(page.getByRole('heading', { name: /Statement/ })).toBeVisible();
  await look(desk, 'statement');
  await desk.open('/hire/h-1001/fit');
  await expect(desk.by('keep-party')).toBeVisible();
  await look(desk, 'party');
  await enterParty(page, [
    { name: 'Ines', age: '36', mass: '64', is: 'drives' },
    ...['7', '8', '9', '7', '8'].map((age) => ({ name: '', age })),
  ]);
  await expect(page.getByText(/jackets that suit/)).toBeVisible();
  // What is just said comes and fades away: half there it has no contrast to judge.
  await expect(page.getByText('Undo')).toBeVisible();
  await expect(page.getByText('Undo')).toHaveCount(0, { timeout: patient(15_000) });
  await look(desk, 'fit');
  await desk.open('/fleet');
  await expect(desk.by('boat-tuppenny-bun')).toBeVisible();
  await look(desk, 'fleet');
  await desk.by('boat-tuppenny-bun').click();
  await desk.by('edit-lever').click();
  await look(desk, 'point');
  await page.keyboard.press('Escape');
  await look(desk, 'boat book');
  await desk.open('/fleet/class/electric-5');
  await expect(desk.by('list-stations')).toBeVisible();
  await desk.by('list-stations').click();
  await look(desk, 'class book');
  await desk.by('edit-helm').click();
  await look(desk, 'station of a class');
  await page.keyboard.press('Escape');
  await desk.open('/fleet/base/ossel-quay');
  await expect(desk.by('list-berths')).toBeVisible();
  await look(desk, 'base book');
  await desk.open('/hire/h-1014');
  await desk.by('key').click();
  await expect(desk.by('key-code')).toBeVisible();
  await look(desk, 'key safe');
  await page.keyboard.press('Escape');
  await desk.open('/hire/h-1013/drill/canal-diesel');
  await expect(desk.by('drill-hint')).toBeVisible();
  await look(desk, 'drill');
  await desk.by('mode-own').click();
  for (const move of ['isolator', 'key-run', 'key-start']) await desk.by(`move-${move}`).click();
  await expect(desk.by('lesson-clutch-in')).toBeVisible();
  await look(desk, 'lesson of a drill');
  await desk.open('/hire/h-1001/docking');
  await expect(desk.by('plan-head')).toBeVisible();
  await look(desk, 'plan of docking');
  await desk.by('change-wind').click();
  await look(desk, 'wind by hand');
  await page.keyboard.press('Escape');
  await desk.by('practise').click();
  await desk.by('task-stop').click();
  await expect(desk.by('practice-begin')).toBeVisible();
  await look(desk, 'task of docking');
  await desk.by('practice-begin').click();
  await desk.by('practice-pause').waitFor();
  await look(desk, 'practising');
  await desk.open('/staff');
  await desk.by('make-code').click();
  await expect(page.getByText(/Good once/)).toBeVisible();
  await look(desk, 'phones');
  await desk.open('/attention');
  await look(desk, 'attention');
  await desk.open('/nowhere/at/all');
  await expect(page.getByText('There is nothing here')).toBeVisible();
  await look(desk, 'not found');
  await desk.open('/hire/h-9999');
  desk.cut = true;
  await expect(page.getByText('This hire is not on this phone')).toBeVisible({ timeout: patient(20_000) });
  await look(desk, 'hire missing');
});

test('outside and the renter’s phone: axe finds nothing serious, sun or dusk', async ({ phoneOf, browser, quay, viewport }) => {
  test.slow();
  const desk = await phoneOf(MANAGER);
  const context = await browser.newContext({ viewport, colorScheme: 'light' });
  const stranger = Object.assign(Object.create(desk) as Phone, { page: await context.newPage() });
  await stranger.page.goto(quay.url);
  await expect(stranger.page.getByTestId('sign-in')).toBeVisible();
  await look(stranger, 'sign in');
  await stranger.page.goto(`${quay.url}/enrol`);
  await expect(stranger.page.getByTestId('scan')).toBeVisible();
  await look(stranger, 'enrol');
  const link = await linkOf(desk, 'h-1004');
  await look(desk, 'link');
  await stranger.page.goto(link);
  await expect(stranger.page.getByTestId('open-guide')).toBeVisible();
  await look(stranger, 'renter: start');
  for (const [at, there] of [
    ['guide', 'search'],
    ['card/toilet', 'way-kind'],
    ['help', 'locate'],
    ['round/evening', 'keep-round'],
    ['report', 'keep-report'],
    ['chart', 'locate'],
    ['paper', 'print'],
    ['spent', 'keep-spent'],
    ['brief', 'read-on'],
  ] as const) {
    await stranger.page.goto(`${quay.url}/r/${at}`);
    await expect(stranger.page.getByTestId(there)).toBeVisible();
    await look(stranger, `renter: ${at}`);
  }
  // Somebody who takes her over alone.
  await stranger.page.goto('about:blank');
  await stranger.page.goto(await linkOf(desk, 'h-1014'));
  await expect(stranger.page.getByTestId('open-alone')).toBeVisible();
  await look(stranger, 'renter: start, alone');
  await stranger.page.goto(`${quay.url}/r/alone`);
  await expect(stranger.page.getByTestId('alone-next')).toBeVisible();
  await look(stranger, 'renter: alone');
  boatIsBack(quay, 'h-1014');
  await stranger.page.goto(`${quay.url}/r/alone/walk/out`);
  await expect(stranger.page.getByTestId('complete-station')).toBeVisible();
  await look(stranger, 'renter: walk alone');
  await stranger.page.goto(`${quay.url}/r/alone/sign/out`);
  await expect(stranger.page.getByTestId('signature')).toBeVisible();
  await look(stranger, 'renter: sign alone');
  await stranger.page.goto(`${quay.url}/r/drill`);
  await expect(stranger.page.getByTestId('drill-electric-start')).toBeVisible();
  await look(stranger, 'renter: drills');
  await context.close();
});

test('an address is a place: a reload, a link and the back key lead where one was; signing in again too', PHONE, async ({ phoneOf }) => {
  const bram = await phoneOf(BRAM);
  const { page } = bram;
  await bram.open('/hire/h-1003');
  await expect(page.getByRole('heading', { name: 'Slow Custard' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Slow Custard' })).toBeVisible();
  // The session ends under one's hands: after signing in one is still here.
  await bram.context.clearCookies({ name: 'quay_session' });
  bram.cut = true;
  await page.reload();
  await bram.enter(BRAM);
  await expect(page.getByRole('heading', { name: 'Slow Custard' })).toBeVisible();
  await bram.by('back').click();
  await expect(bram.by('nav-today')).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('heading', { name: 'Slow Custard' })).toBeVisible();
});
