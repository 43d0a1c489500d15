import { BRAM, expect, MANAGER, PHONE, test } from './quay';
import { linkOf, renterPhone } from './renter';
import { patient } from './patience';

test('a fill and a fault entered without signal are at the quay once there is one', async ({ phoneOf, browser, quay }) => {
  test.slow();
  const mina = await phoneOf(MANAGER);
  const link = await linkOf(mina, 'h-1004');
  const renter = await renterPhone(browser, quay, 'fr-FR');
  await renter.open(link);
  await renter.by('speak-fr').click();
  await renter.by('open-spent').click();
  await expect(renter.page.getByText('Rien encore.', { exact: false })).toBeVisible();
  await renter.page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await renter.cut();
  await renter.by('spent-fuel').click();
  await renter.by('keep-spent').click();
  await expect(renter.page.getByText(/Entre 0 et/)).toBeVisible();
  await renter.by('spent-litres').fill('900');
  await expect(renter.page.getByText(/Entre 0 et/)).toBeVisible();
  await renter.by('spent-litres').fill('31,5');
  await renter.by('spent-sum').fill('drei');
  await renter.by('keep-spent').click();
  await expect(renter.page.getByText('Une somme, comme 42,50')).toBeVisible();
  await renter.by('spent-sum').fill('64,60');
  await renter.by('spent-brim').click();
  await renter.by('keep-spent').click();
  await expect(renter.page.getByText(/31[.,]5.*64,60/)).toBeVisible();
  // Entered twice by mistake, and taken back.
  await renter.by('spent-other').click();
  await renter.by('spent-sum').fill('12');
  await renter.by('spent-text').fill('Glace à la digue');
  await renter.by('keep-spent').click();
  await expect(renter.page.getByText(/Glace à la digue, 12/)).toBeVisible();
  await renter.page.getByRole('button', { name: 'Retirer' }).first().click();
  await expect(renter.page.getByText(/Glace à la digue, 12/)).toHaveCount(0);
  // Shut and opened again without signal: it is still there.
  await renter.page.reload();
  await expect(renter.page.getByText(/31[.,]5.*64,60/)).toBeVisible({ timeout: patient(20_000) });
  await renter.by('back').click();
  await renter.by('open-report').click();
  await renter.by('report-note').fill('Le frigo est tiède');
  await renter.by('keep-report').click();
  await renter.mend();

  // In the inbox of whoever looks after the day, and from there where it is dealt with.
  await mina.open('/attention');
  await mina.page.getByText('1 report from afloat').click({ timeout: patient(45_000) });
  await expect(mina.page.getByText(/Le frigo est tiède/).first()).toBeVisible();
  await mina.open('/hire/h-1004');
  // On a desk the record stands beside the hire.
  if (test.info().project.name === 'phone') await mina.by('see-record').click();
  await expect(mina.page.getByText('Filled on the way: 31.5 L')).toBeVisible({ timeout: patient(20_000) });
  await renter.close();
});

test('water and waste count again from when they were filled and pumped out', PHONE, async ({ phoneOf, browser, quay }) => {
  const bram = await phoneOf(BRAM);
  const link = await linkOf(bram, 'h-1003');
  const renter = await renterPhone(browser, quay, 'en-GB');
  await renter.open(link);
  await renter.by('speak-en').click();
  await renter.by('open-levels').click();
  await expect(renter.page.getByText('Waste ends first, before your time is over')).toBeVisible();
  await renter.open('/r/spent');
  await renter.by('spent-pumpOut').click();
  await renter.by('keep-spent').click();
  await expect(renter.page.getByText(/pumped out$/)).toBeVisible();
  await renter.by('spent-water').click();
  await renter.by('keep-spent').click();
  await expect(renter.page.getByText(/: full$/)).toBeVisible();
  await renter.open('/r/levels');
  await expect(renter.page.getByText('ends first', { exact: false })).toHaveCount(0);
  await renter.close();
});

test('an anchor line that is too short says so, and where it would do; the chart says how much room there is', async ({ phoneOf }) => {
  const bram = await phoneOf(BRAM);
  await bram.open('/hire/h-1003/chart?at=-37.96000,48.00000');
  // Until the place is reckoned what stands below it moves.
  await expect(bram.by('wish')).toBeVisible();
  await bram.by('open-anchor').click();
  await expect(bram.page).toHaveURL(/anchor\?at=-37\.96000/);
  await bram.by('anchor-shown').fill('seven');
  await expect(bram.page.getByText(/Between 0\.1 and 80/)).toBeVisible();
  await bram.by('anchor-shown').fill('7');
  await bram.by('anchor-bottom-mud').click();
  // 8.1 m from the bed to the bow, five times by day.
  await expect(bram.by('anchor-give')).toContainText('41 m');
  await bram.by('anchor-stay-night').click();
  await bram.by('anchor-bottom-stones').click();
  await expect(bram.page.getByText(/Too short by \d+ m: do not anchor here/)).toBeVisible();
  // A forecast that comes meanwhile changes what would do: what is said then is taken.
  await expect(async () => {
    const short = bram.page.getByText(/shows no more than/);
    const said = /shows no more than (\d+(?:\.\d)?) m/.exec((await short.allInnerTexts()).join());
    if (said) await bram.by('anchor-shown').fill(said[1]!);
    await expect(bram.page.getByText(/Too short/)).toHaveCount(0, { timeout: 500 });
  }).toPass({ timeout: patient(20_000) });
  // Too near the shore for the circle.
  await bram.by('anchor-room').fill('20');
  await expect(bram.page.getByText('There is only 20 m: lie farther off.')).toBeVisible();
});

test(
  'a round is told in figures: what is beyond the usual says so at once, and reaches the quay',
  PHONE,
  async ({ phoneOf, browser, quay }) => {
    const mina = await phoneOf(MANAGER);
    const link = await linkOf(mina, 'h-1003');
    const renter = await renterPhone(browser, quay, 'fr-FR');
    await renter.open(link);
    await renter.by('speak-fr').click();
    await renter.open('/r/round/morning');
    await renter.by('figure-battery').fill('douze');
    await renter.by('keep-round').click();
    await expect(renter.page.getByText(/Entre 0 et/)).toBeVisible();
    await renter.by('figure-battery').fill('12,6');
    await expect(renter.by('unusual-battery')).toHaveCount(0);
    await renter.by('figure-battery').fill('11,8');
    await expect(renter.by('unusual-battery')).toContainText('Moins que d’habitude (12.2 V)');
    await renter.by('item-water').click();
    await renter.by('keep-round').click();
    await mina.open('/attention');
    await expect(mina.page.getByText('1 round on board that is not as usual')).toBeVisible({ timeout: patient(45_000) });
    await renter.close();
  },
);

test('where the water rises and falls the line is for high water and the keel for low', PHONE, async ({ phoneOf, browser, quay }) => {
  const mina = await phoneOf(MANAGER);
  const link = await linkOf(mina, 'h-1011');
  const renter = await renterPhone(browser, quay, 'de-DE');
  await renter.open(link);
  await renter.by('speak-de').click();
  await renter.open('/r/anchor');
  await renter.by('anchor-shown').fill('3');
  await expect(renter.page.getByText(/Das Wasser steigt noch|ganzen Hub/)).toBeVisible();
  await expect(renter.by('anchor-give')).toContainText('Hochwasser');
  // On this water somebody listens by radio: the words to say, with who and how many.
  await renter.open('/r/help');
  await renter.by('nature-aground').click();
  await expect(renter.by('radio-words')).toContainText('Pan-pan');
  await renter.by('nature-fire').click();
  await expect(renter.by('radio-words')).toContainText('Mayday Brisk Otter Papa Sierra');
  await expect(renter.by('radio-words')).toContainText('Personen an Bord');
  await renter.close();
});

/** A fix a second along legs about the Anvil, metres east and north of it: slowly past its ring, then fast over the open lake. */
const trackFile = (legs: readonly { from: [number, number]; to: [number, number]; ms: number }[]): string => {
  const anvil = { lon: -37.99234, lat: 47.99299 };
  let at = Date.parse('2026-06-13T09:10:00Z');
  const points = legs.flatMap(({ from, to, ms }) => {
    const steps = Math.floor(Math.hypot(to[0] - from[0], to[1] - from[1]) / ms);
    return Array.from({ length: steps }, (_, i) => {
      const share = i / steps;
      const [x, y] = [from[0] + share * (to[0] - from[0]), from[1] + share * (to[1] - from[1])];
      at += 1000;
      const [lat, lon] = [anvil.lat + y / 111_200, anvil.lon + x / 74_600];
      return `<trkpt lat="${lat.toFixed(7)}" lon="${lon.toFixed(7)}"><time>${new Date(at).toISOString()}</time></trkpt>`;
    });
  });
  return `<?xml version="1.0"?><gpx version="1.1" creator="plotter"><trk><trkseg>${points.join('')}</trkseg></trk></gpx>`;
};

test('a track shows what is beyond doubt and what is doubtful, and is deleted', async ({ phoneOf }) => {
  const mina = await phoneOf(MANAGER);
  await mina.open('/hire/h-1002');
  await mina.by('open-track').click();
  await expect(mina.page.getByText('No track of this hire yet')).toBeVisible();
  const bring = (name: string, text: string) =>
    mina.page.locator('input[type="file"]').setInputFiles({ name, mimeType: 'application/gpx+xml', buffer: Buffer.from(text) });
  mina.cut = true;
  await bring('holiday.gpx', '<kml/>');
  await expect(mina.page.getByText(/no track file \(GPX\) that can be read: kml/)).toBeVisible();
  await bring(
    'plotter.gpx',
    trackFile([
      { from: [-800, 94], to: [800, 94], ms: 5 },
      { from: [800, 94], to: [800, 600], ms: 5 },
      { from: [800, 600], to: [-800, 600], ms: 11 },
    ]),
  );
  await expect(mina.page.getByText('1 place to ask about')).toBeVisible({ timeout: patient(30_000) });
  await expect(mina.by('breach-open-water')).toContainText(/39\.\d km\/h where 30 km\/h are allowed/);
  await expect(mina.by('breach-anvil')).toContainText('doubtful');
  await expect(mina.page.getByText(/never a charge by itself/)).toBeVisible();
  await expect(mina.page).toHaveURL(/track=/);
  // Along the track by its clock: at what is pressed, and by the slider.
  await mina.by('breach-open-water').click();
  await expect(mina.by('track-now')).toContainText(/39\.\d km\/h/);
  await mina.by('track-slider').focus();
  await mina.page.keyboard.press('Home');
  await expect(mina.by('track-now')).toContainText('10:10');
  await mina.by('drop-track').click();
  await mina.by('drop-track').click();
  await expect(mina.page.getByText('No track of this hire yet')).toBeVisible();
});
