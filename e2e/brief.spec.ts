import { BRAM, expect, MANAGER, PHONE, test } from './quay';
import { goToStop } from './walking';
import { enterParty, linkOf, renterPhone } from './renter';
import { patient } from './patience';

test('a party entered at home in French is fitted and briefed on the quay', PHONE, async ({ phoneOf, browser, quay }) => {
  test.slow();
  const bram = await phoneOf(BRAM);
  const ines = await renterPhone(browser, quay);
  await ines.open(await linkOf(bram, 'h-1001'));
  await expect(ines.by('open-party')).toBeVisible();
  await ines.by('speak-fr').click();
  // Words of another length move what is pressed next.
  await expect(ines.page.getByRole('heading', { name: 'Avant de venir' })).toBeVisible();
  await ines.by('open-party').click();
  await expect(ines.page.getByRole('heading', { name: 'Qui est à bord' })).toBeVisible();
  // What is wrong is said at the field, in French, and nothing else is lost.
  await ines.by('age-p1').fill('140');
  await ines.by('keep-party').click();
  await expect(ines.page.getByText('Un nombre entier de 0 à 120.')).toBeVisible();
  await enterParty(ines.page, [
    { name: 'Ines', age: '36', mass: '64', is: 'drives' },
    { name: 'Olu', age: '38', mass: '82', is: 'lookout' },
    { name: 'Ade', age: '41', mass: '90' },
    { name: 'Mo', age: '7', swims: 'weakly' },
    { name: 'Bea', age: '8' },
    { name: 'Kit', age: '9' },
  ]);
  await expect(ines.page.getByText('6 personnes inscrites')).toBeVisible();
  // She reads the first point at home.
  await ines.by('open-brief').click();
  await expect(ines.page.getByText(/Personne devant les garde-corps/)).toBeVisible();
  await ines.by('read-on').click();
  await expect(ines.page.getByText(/Personne devant les garde-corps/)).toHaveCount(0);
  await expect(ines.page.getByText(/gardés sur ce téléphone/)).toHaveCount(0);

  // Two child jackets are aboard; the third child's comes from the store.
  await bram.by('fit').click();
  await expect(bram.page.getByText('A jacket that fits for each of them.')).toBeVisible();
  await expect(bram.page.getByText(/Child jackets, 20 to 30 kg · fetch from the store, Ossel Quay/)).toBeVisible();
  await bram.by('give-all').click();
  await bram.by('open-walk').click();
  // At the bow: what was read at home is seen, and told all the same.
  await expect(bram.by('point-bow-rails')).toContainText(/read at home/);
  // The booking says English; she chose French, and the hand sees both.
  await expect(bram.by('point-bow-rails')).toContainText('Personne devant les garde-corps');
  await expect(bram.by('point-bow-rails')).toContainText('Nobody in front of the rails');
  await bram.by('all-said').click();
  await goToStop(bram, 'helm');
  await bram.by('all-said').click();
  await goToStop(bram, 'stern');
  // Some way after the telling a question comes; the wrong answer brings the point back, and then a different question.
  await bram.by('answer-rails-where-b').click();
  await expect(bram.page.getByText('That was not it. Say it again')).toBeVisible();
  await bram.by('tell-again-bow-rails').click();
  await bram.by('all-said').click();
  await goToStop(bram, 'engine');
  await bram.by('answer-rails-why-a').click();
  await expect(bram.by('answer-rails-why-a')).toHaveCount(0);
  await expect(bram.by('answer-rails-where-a')).toHaveCount(0);
  // The record says so.
  await bram.allSent();
  await bram.open('/hire/h-1001');
  await bram.by('see-record').click();
  await expect(bram.page.getByText(/^Not understood: Nobody in front of the rails/)).toBeVisible();
  await expect(bram.page.getByText(/^Understood: Nobody in front of the rails/)).toBeVisible();
  await expect(bram.page.getByText('6 people aboard')).toBeVisible();
  await expect(bram.page.getByText('The renter chose FR')).toBeVisible();
  // What she will sign is read back in her language; the hand may look at it in theirs.
  await bram.open('/hire/h-1001/sign/out');
  await expect(bram.page.getByText('Ce qu’on vous a dit')).toBeVisible();
  await expect(bram.page.getByText(/✓ Personne devant les garde-corps/)).toBeVisible();
  await bram.by('read-in-en').click();
  await expect(bram.page.getByText('What was explained to you')).toBeVisible();
  await ines.close();
});

test(
  'afloat without signal: the guide, a fix card, the way home, a call for help, and a knock kept until there is signal',
  PHONE,
  async ({ bram, browser, quay }) => {
    test.slow();
    const rosa = await renterPhone(browser, quay, 'de-DE');
    await rosa.open(await linkOf(bram, 'h-1004'));
    await expect(rosa.page.getByRole('heading', { name: 'Copper Kettle' })).toBeVisible();
    // The address holds the secret no longer.
    expect(rosa.page.url()).not.toContain('#');
    await rosa.page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await rosa.cut();
    await rosa.page.reload();
    await expect(rosa.page.getByText(/überfällig/)).toBeVisible();
    await rosa.by('open-guide').click();
    await rosa.by('search').fill('Toilette');
    await rosa.by('hits').getByTestId('card-toilet').click();
    await rosa.by('way-kind').click();
    await rosa.by('way-hand').click();
    await expect(rosa.page.getByText(/Hebel auf Spülen/)).toBeVisible();
    // It does not help: the card ends with the operator's number, and back leads to what was looked for.
    await rosa.by('next-step').click();
    await rosa.by('way-call').click();
    await rosa.by('next-step').click();
    await expect(rosa.by('card-ring')).toContainText(/Rufen Sie jetzt Ossel Boat Hire an/);
    await expect(rosa.by('card-dial')).toBeVisible();
    await rosa.by('back').click();
    await expect(rosa.by('search')).toHaveValue('Toilette');
    await rosa.by('search').fill('wie lege ich an');
    await expect(rosa.by('hits').getByTestId('card-docking')).toBeVisible();
    await rosa.open('/r/help');
    await rosa.by('nature-aground').click();
    await rosa.by('typed-position').fill('47.43');
    await expect(rosa.page.getByText(/Zwei Zahlen wie/)).toBeVisible();
    await rosa.by('typed-position').fill('47.43 -37.52');
    await expect(rosa.by('said-position')).toContainText('47.4300 N, 37.5200 W');
    await expect(rosa.by('said-position')).toContainText('47° 25.800′ N, 037° 31.200′ W');
    // Or by what is seen: half a kilometre west of the lock, since it lies due east.
    await rosa.by('typed-position').fill('');
    await rosa.by('landmark-lock-1').click();
    await rosa.by('bearing').fill('400');
    await expect(rosa.page.getByText('Von 0 bis 360.')).toBeVisible();
    await rosa.by('bearing').fill('90');
    await rosa.by('distance').fill('500');
    await expect(rosa.by('said-position')).toContainText('47.9946 N, 38.0667 W');
    await expect(rosa.by('said-sighting')).toHaveText('Wir sehen Cutler’s Lock in Peilung 90 Grad, etwa 500 Meter entfernt');
    await expect(rosa.by('said-people')).toContainText('3 Erwachsene, 1 Kind an Bord');
    await expect(rosa.page.getByText('Tango Charlie Kilo one two', { exact: true })).toBeVisible();
    await expect(rosa.by('radio-words')).toContainText('Pan-pan Copper Kettle Tango Charlie Kilo one two');
    await rosa.open('/r/return');
    // The canal’s own way home: nobody there passes the lake’s rock.
    await expect(rosa.page.getByText(/Von Cutler’s Lock anrufen/)).toBeVisible();
    await expect(rosa.page.getByText(/Gull Rock/)).toHaveCount(0);
    await rosa.open('/r/report');
    await rosa.by('keep-report').click();
    await expect(rosa.page.getByText('Bitte ein Wort dazu.')).toBeVisible();
    await rosa.by('report-note').fill('An der Schleuse angestoßen');
    await rosa.by('keep-report').click();
    await expect(rosa.page.getByText(/auf diesem Telefon/)).toBeVisible();
    await rosa.mend();
    await expect(rosa.page.getByText(/auf diesem Telefon, gesendet/)).toHaveCount(0, { timeout: patient(30_000) });
    await bram.open('/hire/h-1004');
    await bram.by('see-record').click();
    await expect(bram.page.getByText('Reported afloat: An der Schleuse angestoßen')).toBeVisible({ timeout: patient(20_000) });
    await rosa.close();
  },
);

test(
  'a link opens its own hire: a second one nothing of the first, a withdrawn or wrong one nothing at all',
  PHONE,
  async ({ bram, browser, quay }) => {
    const first = await linkOf(bram, 'h-1001');
    const second = await linkOf(bram, 'h-1002');
    const phone = await renterPhone(browser, quay, 'en-GB');
    await phone.open(first);
    await expect(phone.page.getByRole('heading', { name: 'Tuppenny Bun' })).toBeVisible();
    await phone.open('about:blank');
    await phone.open(second);
    await expect(phone.page.getByRole('heading', { name: 'Quiet Pickle' })).toBeVisible();
    await expect(phone.page.getByText('Tuppenny Bun')).toHaveCount(0);
    const other = await renterPhone(browser, quay, 'en-GB');
    phone.expectNo();
    await bram.open('/hire/h-1002');
    await bram.by('link').click();
    await bram.by('withdraw-links').click();
    await expect(bram.page.getByText('No link is out.')).toBeVisible();
    // Whoever has it open keeps what is on the phone, and is told that the quay answers no more.
    await expect(phone.page.getByText(/The quay answers this link no more/)).toBeVisible({ timeout: patient(20_000) });
    await expect(phone.page.getByRole('heading', { name: 'Quiet Pickle' })).toBeVisible();
    other.expectNo();
    await other.open(second);
    await expect(other.page.getByText('This link opens nothing')).toBeVisible();
    await expect(other.page.getByText('Quiet Pickle')).toHaveCount(0);
    await other.open('about:blank');
    await other.open(`${quay.url}/r/#AAAAAAAAAAAAAAAAAAAAAA`);
    await expect(other.page.getByText('This link opens nothing')).toBeVisible();
    await other.close();
    await phone.close();
  },
);

test(
  'a hire of several days has its evenings: the round is put forward before the curfew, and kept with what was left',
  PHONE,
  async ({ bram, browser, quay }) => {
    const rosa = await renterPhone(browser, quay, 'de-DE');
    const link = await linkOf(bram, 'h-1004');
    // Half past six in the evening of this day, by the clocks of the base; nobody moves after eight on the Tarn Cut.
    const today = new Intl.DateTimeFormat('sv-SE', { timeZone: 'Europe/Dublin' }).format(quay.now());
    const evening = [0, 1]
      .map((h) => new Date(`${today}T${18 - h}:30:00Z`))
      .find((at) => at.toLocaleTimeString('en-GB', { timeZone: 'Europe/Dublin' }).startsWith('18:30'))!;
    await rosa.page.clock.setFixedTime(quay.onDevice(evening));
    await rosa.open(link);
    await expect(rosa.page.getByText('Fest bis 20:00: noch 1 h 30')).toBeVisible();
    await expect(rosa.page.getByText('Abends fest bis 20:00')).toBeVisible();
    await rosa.by('evening-soon').click();
    await rosa.by('item-curfew').click();
    await rosa.by('item-gas').click();
    await rosa.by('keep-round').click();
    await expect(rosa.by('open-round-morning')).toBeVisible();
    await bram.open('/hire/h-1004');
    await bram.by('see-record').click();
    await expect(bram.page.getByText('Round: Each evening')).toBeVisible({ timeout: patient(20_000) });
    // The next morning begins with its own, until it is done.
    await rosa.page.clock.setFixedTime(quay.onDevice(new Date(evening.getTime() + 13 * 3_600_000)));
    await rosa.open('/r');
    await rosa.by('morning-soon').click();
    await rosa.by('keep-round').click();
    await expect(rosa.by('open-guide')).toBeVisible();
    await expect(rosa.by('morning-soon')).toHaveCount(0);
    await rosa.close();
  },
);

test('a manager overrides a class point for one hull, and the next renter sees it', PHONE, async ({ phoneOf, browser, quay }) => {
  const mina = await phoneOf(MANAGER);
  await mina.goTo('fleet');
  await mina.by('boat-tuppenny-bun').click();
  await mina.by('find-row').fill('lever');
  await expect(mina.by('edit-lever')).toContainText('from Every boat');
  await mina.by('edit-lever').click();
  await mina.by('text-say').fill('');
  await mina.by('keep-row').click();
  await expect(mina.page.getByText(/It has to be there in English/)).toBeVisible();
  await mina.by('text-say').fill('One lever, and hers is stiff: both hands, count two.');
  await mina.by('keep-row').click();
  await expect(mina.page.getByText(/Kept as book 2/)).toBeVisible();
  await expect(mina.by('edit-lever')).toContainText('changed here');
  await mina.by('versions').click();
  await mina.by('version-1').click();
  await expect(mina.by('differences')).toContainText('One lever: forward a notch');
  await expect(mina.by('differences')).toContainText('hers is stiff');
  await mina.page.keyboard.press('Escape');
  const greta = await renterPhone(browser, quay, 'en-GB');
  await greta.open(await linkOf(mina, 'h-1008'));
  await greta.by('open-guide').click();
  await greta.by('search').fill('stiff');
  await expect(greta.by('hits')).toContainText('hers is stiff');
  // Another boat keeps the words of the class, here in the language of its booking.
  const other = await renterPhone(browser, quay, 'en-GB');
  await other.open(await linkOf(mina, 'h-1011'));
  await other.by('open-guide').click();
  await other.by('search').fill('lever');
  await expect(other.by('hits')).toContainText('Ein Hebel: eine Raste vor');
  await greta.close();
  await other.close();
});
