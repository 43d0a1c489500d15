import { idsFrom } from './ids';
import { boatIsBack } from './alone';
import { BRAM, expect, PHONE, type Phone, test } from './quay';
import { linkOf, renterPhone } from './renter';
import { goToStop } from './walking';

type Where = Pick<Phone, 'by'>;
/** Presses one position after the other; what has to be held stays so until it is pressed once more. */
const press = async (phone: Where, ...moves: string[]) => {
  for (const move of moves) await phone.by(`move-${move}`).click();
};

test('a cold diesel is started wrongly, then rightly; until then she is held, and the record has the mistakes', async ({
  phoneOf,
  quay,
}) => {
  test.slow();
  boatIsBack(quay, 'h-1013');
  const bram = await phoneOf(BRAM);
  const { page } = bram;
  const by = (testId: string) => bram.by(testId);
  // The walk has begun: what has to be passed before casting off holds her.
  await bram.open('/hire/h-1013/walk/out');
  await goToStop(bram, 'helm');
  await expect(by('drill-canal-diesel')).toContainText('before casting off');
  const point = page.locator(idsFrom('point-')).first();
  await point.click();
  await expect(point).toHaveAttribute('aria-checked', 'true');
  await bram.open('/hire/h-1013');
  await by('open-check').click();
  await expect(page.getByText('Not passed yet: Start and stop the diesel')).toBeVisible();
  await by('open-drill/canal-diesel').click();
  await by('mode-own').click();
  await expect(by('drill-hint')).toHaveCount(0);

  // In gear; then cold and not preheated: she does what she would do on the water, and says why.
  await press(bram, 'isolator', 'key-run', 'key-start');
  await expect(by('lesson-clutch-in')).toBeVisible();
  await press(bram, 'key-start', 'clutch', 'stop', 'lever-a-little', 'key-start');
  await expect(by('shows-sound')).toContainText('turns over');
  await expect(by('lesson-not-preheated')).toContainText('White smoke');

  // Preheated, the wait shortened on request.
  await press(bram, 'key-start', 'key-off', 'key-heat');
  await expect(page.getByRole('timer')).toContainText('Preheat');
  await by('drill-skip').click();
  await press(bram, 'key-heat', 'key-run', 'key-start');
  await expect(by('shows-sound')).toContainText('a slow diesel beat');
  await press(bram, 'key-start');
  await expect(page.getByText('It stays on until the first rev.')).toHaveCount(0);
  await expect(by('shows-charge')).toHaveAttribute('aria-label', /dark/);
  await press(bram, 'look', 'lever-idle', 'clutch');
  await expect(by('goal-running')).toContainText('✓');
  // The key alone does not stop her.
  await press(bram, 'key-off');
  await expect(by('lesson-key-before-knob')).toContainText('What it costs');
  await press(bram, 'stop', 'stop');
  await expect(by('drill-passed')).toContainText('3 mistakes');
  await by('drill-done').click();

  await bram.open('/hire/h-1013');
  await expect(by('hire-next')).toBeVisible();
  await expect(page.getByText('Not passed yet', { exact: false })).toHaveCount(0);
  const log = by('see-record');
  if (await log.isVisible()) await log.click();
  await expect(page.getByText('Start and stop the diesel: passed alone').first()).toBeVisible();
});

test(
  'a generator drill passed by the renter at home, in German and without signal, is in the record',
  PHONE,
  async ({ phoneOf, browser, quay }) => {
    test.slow();
    const bram = await phoneOf(BRAM);
    const olu = await renterPhone(browser, quay, 'de-DE');
    const { page, by } = olu;
    await olu.open(await linkOf(bram, 'h-1003'));
    await by('open-drills').click();
    await expect(by('drill-generator')).toBeVisible();
    await olu.cut();
    await by('drill-generator').click();
    // With hints: what leads on is said, from wherever somebody has got to.
    await expect(by('drill-hint')).toContainText('Lüfter ein');
    await press(olu, 'blower');
    await expect(by('drill-hint')).toContainText('Vier Minuten');
    await by('drill-skip').click();
    await expect(by('drill-hint')).toContainText('Öffnen');
    await press(olu, 'smell', 'swimmers', 'loads', 'start-start');
    await expect(by('shows-sound')).toContainText('brummt');
    await press(olu, 'start-start');
    await by('drill-skip').click();
    await press(olu, 'main', 'loads');
    await expect(by('goal-running')).toContainText('✓');
    await press(olu, 'loads', 'main');
    await by('drill-skip').click();
    await press(olu, 'start-stop', 'start-stop');
    await expect(by('drill-passed')).toContainText('Ohne einen Fehler');
    await olu.mend();
    await by('drill-done').click();
    await expect(by('drill-generator')).toContainText('mit Hilfe bestanden');
    await expect(page.getByText(/liegen noch auf diesem Telefon|noch auf diesem/)).toHaveCount(0);
    await bram.open('/hire/h-1003');
    await bram.page.getByText('See every entry').click();
    await expect(bram.page.getByText('Start and stop the generator: passed with hints').first()).toBeVisible();
    // By the keyboard alone, as somebody does who cannot see the panel: held with a press, let go with another.
    await bram.open('/hire/h-1003/drill/generator');
    await bram.by('move-start-start').focus();
    await bram.page.keyboard.press('Enter');
    await expect(bram.by('lesson-vapour')).toContainText('that is how boats burn');
    await expect(bram.by('drill-more')).toBeVisible();
    await olu.close();
  },
);
