import { fingersOn } from './fingers';
import { BRAM, expect, MANAGER, PHONE, type Phone, test } from './quay';
import { linkOf, renterPhone } from './renter';
import { patient } from './patience';

const setWind = async (by: Phone['by'], fromDeg: number, windMs: string) => {
  await by('change-wind').click();
  await by(`wind-${fromDeg}`).click();
  await by('set-windMs').fill(windMs);
  await by('set-currentMs').fill('0');
  await by('keep-wind').click();
};

test('the plan changes sides when the wind turns, says wait when it is too much, and names what is estimated', async ({ phoneOf }) => {
  const bram = await phoneOf(BRAM);
  const by = (testId: string) => bram.by(testId);
  await bram.open('/hire/h-1001');
  await by('docking').click();
  // The mast is simulated, and says so.
  await expect(by('wind-now')).toContainText('simulated');
  await expect(by('berth-red-post')).toHaveAttribute('aria-checked', 'true');
  await setWind(by, 225, '5');
  await expect(by('plan-head')).toContainText('Against the wind, dock on the left (port)');
  await expect(by('step-swungRound')).toHaveCount(0);
  await setWind(by, 45, '5');
  await expect(by('plan-head')).toContainText('Against the wind, dock on the right (starboard)');
  await expect(by('step-swungRound')).toContainText('on the right (starboard)');
  await expect(by('line-1')).toContainText('Bow line');
  // Off the dock: steep, and the line amidships first.
  await setWind(by, 135, '4');
  await expect(by('line-1')).toContainText('Line amidships');
  await setWind(by, 135, '12');
  await expect(by('no-plan')).toContainText('Wait');
  // A figure that cannot be is refused where it is typed; one that is left out is estimated, and named.
  await by('change-wind').click();
  await by('set-windMs').fill('70');
  await expect(bram.page.getByText('From 0 to 40.')).toBeVisible();
  await by('keep-wind').click();
  await expect(by('set-windMs')).toBeVisible();
  await by('set-windMs').fill('');
  await by('keep-wind').click();
  await expect(by('estimated')).toContainText('wind');
  await expect(by('plan-head')).toBeVisible();
  // Where it is, stands in the address: it can be sent to somebody, and opened again.
  await by('berth-boathouse').click();
  await by('act-leave').click();
  await expect(bram.page).toHaveURL(/berth=boathouse/);
  await bram.page.reload();
  await expect(by('act-leave')).toHaveAttribute('aria-checked', 'true');
  await expect(by('step-asternSlow')).toBeVisible();
});

test('the mast falls silent, and is set by hand; a renter has the plan offline, in French', PHONE, async ({ phoneOf, browser, quay }) => {
  test.slow();
  const mina = await phoneOf(MANAGER);
  const link = await linkOf(mina, 'h-1001');
  const renter = await renterPhone(browser, quay);
  await renter.open(link);
  await renter.by('speak-fr').click();
  await renter.by('open-guide').click();
  await renter.by('card-docking').click();
  await expect(renter.by('wind-now')).toContainText('simulé');
  await renter.page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  // Everything that is kept offline has come.
  await expect
    .poll(
      () =>
        renter.page.evaluate(async () =>
          (await Promise.all((await caches.keys()).map(async (key) => (await (await caches.open(key)).keys()).length))).reduce(
            (a, b) => a + b,
            0,
          ),
        ),
      { timeout: patient(30_000) },
    )
    .toBeGreaterThan(20);
  await renter.cut();
  await renter.page.reload();
  await expect(renter.by('plan-head')).toBeVisible();
  await expect(renter.by('wind-now')).toContainText('Du mât');
  await renter.by('practise').click();
  await renter.by('task-stop').click();
  await renter.by('practice-begin').click();
  await expect(renter.by('practice-clock')).toContainText('2 s');
  await renter.mend();
  await renter.close();

  await mina.open('/settings');
  await mina.by('weatherMast-silent').click();
  await mina.open('/hire/h-1001/docking');
  await expect(mina.by('wind-now')).toContainText('The mast is silent');
  await expect(mina.by('estimated')).toContainText('wind');
  await setWind((testId) => mina.by(testId), 225, '3');
  await expect(mina.by('wind-now')).toContainText('Set by hand');
  await expect(mina.by('plan-head')).toContainText('on the left (port)');
});

/** Slow ahead for three seconds, then neutral, whatever comes of it. */
const script = async (phone: Phone) => {
  await phone.by('practice-begin').click();
  // The keys are the boat's once her clock stands there.
  await expect(phone.by('practice-clock')).toContainText('0 s');
  await phone.page.keyboard.press('ArrowUp');
  await expect(phone.by('practice-clock')).toContainText('3 s');
  await phone.page.keyboard.press('n');
  await expect(phone.by('lever')).toHaveAttribute('aria-valuetext', 'Neutral');
};

test(
  'the same hands touch softly in a calm, and hard in the wind; undone from a moment; what was passed is in the record',
  PHONE,
  async ({ phoneOf }) => {
    test.slow();
    const bram = await phoneOf(BRAM);
    const by = (testId: string) => bram.by(testId);
    await bram.open('/hire/h-1001/docking');
    await by('practise').click();
    await by('task-alongside').click();
    await by('weather-calm').click();
    await script(bram);
    await expect(by('touch-soft')).toBeVisible({ timeout: patient(60_000) });
    await by('practice-again').click();
    await by('weather-turned').click();
    await script(bram);
    await expect(by('touch-hard')).toBeVisible({ timeout: patient(60_000) });

    // Back to before it was hit, and on from there with way taken off.
    await by('practice-pause').click();
    for (let i = 0; i < 30 && (await by('touch-hard').isVisible()); i += 1) await by('earlier').click();
    await expect(by('touch-hard')).toHaveCount(0);
    await by('earlier').click();
    await by('from-here').click();
    await expect(by('practice-pause')).toBeVisible();
    await expect(by('touch-hard')).toHaveCount(0);

    // Off the dock in a calm: the lever by thumb, then by its own keys.
    await bram.open('/hire/h-1001/docking?task=leave');
    await by('weather-calm').click();
    await by('practice-begin').click();
    const lever = (await by('lever').boundingBox())!;
    await bram.page.mouse.click(lever.x + lever.width / 2, lever.y + 20);
    await expect(by('lever')).toHaveAttribute('aria-valuetext', 'Full ahead');
    await by('lever').press('ArrowDown');
    await expect(by('lever')).toHaveAttribute('aria-valuetext', 'Half ahead');
    // Two thumbs at once: one takes the lever along while the other holds the helm over.
    const helm = (await by('helm').boundingBox())!;
    const thumbs = await fingersOn(bram.page);
    const [onHelm, onLever] = [
      { x: helm.x + helm.width * 0.7, y: helm.y + helm.height / 2 },
      { x: lever.x + lever.width / 2, y: lever.y + lever.height / 2 },
    ];
    await thumbs.down(onHelm);
    await thumbs.down(onHelm, onLever);
    await expect(by('lever')).toHaveAttribute('aria-valuetext', 'Neutral');
    await thumbs.move([onHelm, onLever], [onHelm, { x: onLever.x, y: lever.y + 20 }]);
    await expect(by('lever')).toHaveAttribute('aria-valuetext', 'Full ahead');
    expect(Number(await by('helm').getAttribute('aria-valuenow'))).toBeGreaterThan(30);
    await thumbs.up();
    await by('centre').click();
    await expect(by('helm')).toHaveAttribute('aria-valuenow', '0');
    await expect(by('practice-passed')).toBeVisible({ timeout: patient(120_000) });
    await expect(bram.page.getByText('Kept in the record.')).toBeVisible();
    await by('practice-done').click();
    await bram.open('/hire/h-1001');
    await by('see-record').click();
    await expect(bram.page.getByText('Practised: Leave the dock, done')).toBeVisible();
  },
);
