import { idsFrom } from './ids';
import { expect, type Phone } from './quay';
import { enterParty } from './renter';
import { patient } from './patience';

/** What each gauge of Tuppenny Bun shows, typed; a needle and a sight line are set by their presses. */
const SHOWN: Record<string, string> = { hours: '1240.4', volts: '12.6', bilge: '1' };
const SHOWN_IN: Record<string, string> = { hours: '1243.4', volts: '12.5', bilge: '2' };

/** Jobs left on the stop that is open, by their test ids. */
const openRows = async (phone: Phone, prefix: string, doneWord: RegExp): Promise<string[]> => {
  const rows = phone.page.locator(idsFrom(`${prefix}-`));
  const ids: string[] = [];
  for (const row of await rows.all()) {
    const label = (await row.getAttribute('aria-label')) ?? (await row.innerText());
    const id = await row.getAttribute('data-testid');
    if (id && !doneWord.test(label) && /^(surface|gauge)-[a-z-]+$/.test(id)) ids.push(id);
  }
  return ids;
};

export const briefAll = async (phone: Phone): Promise<void> => {
  const all = phone.by('all-said');
  if (await all.isVisible()) await all.click();
  else for (const box of await phone.page.locator('[role="checkbox"][aria-checked="false"]').all()) await box.click();
  await expect(phone.page.locator('[role="checkbox"][aria-checked="false"]')).toHaveCount(0);
};

export const countAll = async (phone: Phone): Promise<void> => {
  const all = phone.by('all-here');
  if (!(await all.isVisible())) return;
  await all.click();
  await expect(all).toHaveCount(0);
};

const lookAll = async (phone: Phone): Promise<void> => {
  for (const id of await openRows(phone, 'surface', /, looked at/)) {
    await phone.by(id).click();
    await phone.by('surface-seen').click();
    await expect(phone.by('surface-seen')).toHaveCount(0);
  }
};

const readAll = async (phone: Phone, walk: 'out' | 'in' = 'out'): Promise<void> => {
  for (const id of await openRows(phone, 'gauge', /^$/)) {
    await phone.by(id).click();
    const gauge = id.slice('gauge-'.length);
    if (await phone.by('reading').isVisible()) await phone.by('reading').fill((walk === 'out' ? SHOWN : SHOWN_IN)[gauge] ?? '1');
    else if (walk === 'out') await phone.page.getByRole('button', { name: 'full', exact: true }).click();
    else for (let i = 0; i < (gauge === 'fuel-sight' ? 30 : 5); i += 1) await phone.by('lower').click();
    await phone.by('keep-reading').click();
    await expect(phone.by('keep-reading')).toHaveCount(0);
  }
};

/** Says of everything that is looked for when she comes back that it is as it should be, one press each. */
const findAll = async (phone: Phone): Promise<void> => {
  for (const group of await phone.page.locator('[role="radiogroup"]:has([data-testid^="check-"])').all())
    await group.locator('[role="radio"]').first().click();
};

/** Goes to a stop of the walk, and waits until it is the one that is drawn: until then a press is one at the stop before. */
export const goToStop = async (phone: Phone, station: string): Promise<void> => {
  await phone.by(`stop-${station}`).click();
  await expect(phone.by(`stop-${station}`)).toHaveAttribute('aria-selected', 'true');
};

/** Completes the stop; a question that waits, perhaps since the last press, is passed over with a second press. */
const complete = async (phone: Phone, title: string): Promise<void> => {
  const passedOver = phone.by('complete-station').getByText('the question stays open');
  await phone.by('complete-station').click();
  await expect(passedOver.or(headingOf(phone).filter({ hasNotText: title })).first()).toBeVisible();
  if (await passedOver.isVisible()) await phone.by('complete-station').click();
};

/** The heading of the stop that is open. */
const headingOf = (phone: Phone) => phone.page.locator('h2, [role="heading"][aria-level="2"]').first();

/** Does all there is to do at the stop that is open, and completes it. */
export const doStop = async (phone: Phone, walk: 'out' | 'in' = 'out'): Promise<void> => {
  const title = await headingOf(phone).innerText();
  if (walk === 'out') await briefAll(phone);
  await countAll(phone);
  if (await phone.by('prop-sound').isVisible()) await phone.by('prop-sound').click();
  const asItWas = phone.by('look-as-it-was');
  if (walk === 'in' && (await asItWas.isVisible())) await asItWas.click();
  else await lookAll(phone);
  await readAll(phone, walk);
  if (walk === 'in') await findAll(phone);
  // What was pressed last has to be kept before the stop can be completed without a word.
  await expect(phone.by('complete-station')).not.toContainText('still open');
  await complete(phone, title);
  await expect(headingOf(phone)).not.toHaveText(title);
};

/** Completes the stop that is open as it was at departure; what cannot be told so is typed with a second press. */
export const completeAsItWas = async (phone: Phone): Promise<void> => {
  const heading = headingOf(phone);
  const title = await heading.innerText();
  await phone.by('complete-station').click();
  const rest = phone.by('rest-complete');
  await expect(rest.or(heading.filter({ hasNotText: title })).first()).toBeVisible();
  if (await rest.isVisible()) {
    if (await phone.by('rest-prop-sound').isVisible()) await phone.by('rest-prop-sound').click();
    for (const group of await phone.page.locator('[role="radiogroup"]:has([data-testid^="rest-check-"])').all())
      await group.locator('[role="radio"]').first().click();
    if ((await heading.innerText()) !== title) return;
    const fields = phone.page.locator('input[data-testid^="rest-"]');
    for (const field of await fields.all()) {
      // What it read at departure stands beside it.
      const was = Number(/(\d+(?:[.,]\d+)?)/.exec((await field.getAttribute('aria-label')) ?? '')?.[1] ?? '1');
      await field.fill(String(was));
    }
    if ((await fields.count()) > 0) await fields.last().press('Enter');
    else if (await rest.isVisible()) await rest.click();
  }
  await expect(heading).not.toHaveText(title);
};

/** The stops of the walk, as the rope knows them. */
export const stopCount = (phone: Phone): Promise<number> => phone.page.locator(idsFrom('stop-')).count();

export const sign = async (phone: Pick<Phone, 'page' | 'by'>): Promise<void> => {
  for (const field of await phone.by('signature').all()) {
    // What was entered last may still come in, and then the page is another and is signed anew.
    await expect(() => field.scrollIntoViewIfNeeded()).toPass({ timeout: patient(10_000) });
    const box = (await field.boundingBox())!;
    const { mouse } = phone.page;
    // A thumb that only touched it has not signed.
    await mouse.click(box.x + 30, box.y + 80);
    await expect(phone.by('seal')).toHaveCount(0);
    await mouse.move(box.x + 30, box.y + 80);
    await mouse.down();
    for (let i = 1; i <= 8; i += 1) await mouse.move(box.x + 30 + i * 22, box.y + 80 + (i % 2 ? -34 : 24), { steps: 2 });
    await mouse.up();
  }
  await expect(phone.by('seal')).toBeEnabled();
  await phone.by('seal').click();
  await expect(phone.by('seal')).toHaveCount(0);
};

/** Says of everything still open that it is the renter's. */
export const decideAll = async (phone: Phone): Promise<void> => {
  const left = phone.by('open-statement');
  await expect(left).toHaveText(/to decide|To the statement/);
  // What is found may still grow while the last entries come in.
  for (let said = await left.innerText(); said !== 'To the statement'; said = await left.innerText()) {
    if ((await phone.page.locator(idsFrom('decide-')).count()) === 0) {
      await left.click();
      const statement = phone.by('add-line');
      await expect(phone.page.locator(idsFrom('decide-')).or(statement).first()).toBeVisible();
      // What was read was decided by the time it was pressed: the press led to the statement.
      if (await statement.isVisible()) {
        await phone.page.goBack();
        return;
      }
    }
    // What nobody counted or looked at is nobody’s to pay.
    const renters = phone.by('decide-renters');
    await ((await renters.isVisible()) ? renters : phone.by('decide-found').or(phone.by('decide-known')).first()).click();
    await expect(left).not.toHaveText(said);
  }
};

/** Has the deposit held on a card, on the cast-off check that is open. */
export const holdDeposit = async (phone: Pick<Phone, 'page' | 'by'>): Promise<void> => {
  await phone.by('open-deposit/0').click();
  await phone.by('deposit-hold').click();
  await phone.by('deposit-done').click();
  await expect(phone.by('deposit-done')).toHaveCount(0);
  await expect(phone.by('open-deposit/0')).toHaveCount(0);
};

/** Names everybody who is booked and gives them their jackets, where nobody has yet; from the check, and back to it. */
const nameEverybody = async (phone: Pick<Phone, 'page' | 'by'>): Promise<void> => {
  const { page } = phone;
  await expect(phone.by('not-checked').or(phone.by('cast-off')).or(phone.by('settle-first')).first()).toBeVisible();
  if (await phone.by('matter-noParty').isVisible()) {
    await phone.by('open-noParty').click();
    await expect(phone.by('keep-party')).toBeVisible();
    const people = 1 + (await page.locator(idsFrom('person-')).count());
    await enterParty(
      page,
      Array.from({ length: people }, (_, i) => ({
        name: `Guest ${i + 1}`,
        age: '34',
        mass: '70',
        ...(i === 0 ? { is: 'drives' as const } : i === 1 ? { is: 'lookout' as const } : {}),
      })),
    );
    await phone.by('give-all').click();
    await expect(phone.by('open-walk')).toBeVisible();
    await phone.by('back').click();
    await phone.by('hire-next').click();
  }
};

/** From the card of a hire that is signed: through the check, and off; the day comes next. */
export const castOff = async (phone: Pick<Phone, 'page' | 'by'>, { deposit = true } = {}): Promise<void> => {
  await phone.by('hire-next').click();
  await nameEverybody(phone);
  if (deposit) await holdDeposit(phone);
  await phone.by('cast-off').click();
  await expect(phone.page.getByText('She is on her way', { exact: false }).or(phone.by('next')).first()).toBeVisible();
};
