import type { WebElement } from 'selenium-webdriver';
import type { WebKitPhone } from './browser';

/** What each gauge of Tuppenny Bun shows, typed; a needle and a sight line are set by their presses. */
const SHOWN = { out: { hours: '1240.4', volts: '12.6', bilge: '1' }, in: { hours: '1243.4', volts: '12.5', bilge: '2' } } as const;
const LOWER = { 'fuel-sight': 30 } as Record<string, number>;

/** Everything to press whose test id begins so, with what it is called. */
export const labelled = async (phone: WebKitPhone, prefix: string): Promise<[id: string, label: string][]> =>
  phone.run<[string, string][]>(
    `return [...document.querySelectorAll('[data-testid^="' + arguments[0] + '"]')]
       .filter((one) => !/-(container|text|icon)$/.test(one.dataset.testid))
       .map((one) => [one.dataset.testid, one.getAttribute('aria-label') ?? one.innerText])`,
    prefix,
  );

const heading = (phone: WebKitPhone): Promise<string> =>
  phone.run<string>(`return document.querySelector('h2, [role="heading"][aria-level="2"]')?.innerText ?? ''`);

/** Goes to a stop, and waits until it is the one that is shown. */
export const pressKnot = async (phone: WebKitPhone, stop: string): Promise<void> => {
  const before = await heading(phone);
  await phone.press(`stop-${stop}`);
  await phone.until(`${stop} is shown`, async () => (await heading(phone)) !== before);
};

/** Presses each of those that are found now, once: what a press does may show a moment later. */
const pressEach = async (phone: WebKitPhone, css: string): Promise<void> => {
  for (const one of await phone.all(css)) await phone.insist(() => phone.pressOn(one));
};

/** Everything at the stop that is open, and its completion. */
export const doStop = async (phone: WebKitPhone, walk: 'out' | 'in'): Promise<void> => {
  await phone.see('complete-station');
  const title = await heading(phone);
  if (walk === 'out') {
    const unchecked = '[role="checkbox"][aria-checked="false"]';
    if (await phone.shown('all-said')) await phone.press('all-said');
    else await pressEach(phone, unchecked);
    await phone.until('all is said', async () => (await phone.all(unchecked)).length === 0);
  }
  if (await phone.shown('all-here')) {
    await phone.press('all-here');
    await phone.gone('all-here');
  }
  if (await phone.shown('prop-sound')) await phone.press('prop-sound');
  if (walk === 'in' && (await phone.shown('look-as-it-was'))) {
    await phone.press('look-as-it-was');
    await phone.gone('look-as-it-was');
  } else
    for (const [id, label] of await labelled(phone, 'surface-')) {
      if (!/^surface-[a-z-]+$/.test(id) || /, looked at/.test(label)) continue;
      await phone.pressFor(id, 'surface-seen');
      await phone.press('surface-seen');
      await phone.gone('surface-seen');
    }
  for (const [id] of await labelled(phone, 'gauge-')) {
    if (!/^gauge-[a-z-]+$/.test(id)) continue;
    const gauge = id.slice('gauge-'.length);
    await phone.pressFor(id, 'keep-reading');
    if (await phone.shown('reading')) await phone.fill('reading', (SHOWN[walk] as Record<string, string>)[gauge] ?? '1');
    else if (walk === 'out')
      await phone.run(`[...document.querySelectorAll('[role="button"], button')].find((one) => one.innerText.trim() === 'full').click()`);
    else for (let i = 0; i < (LOWER[gauge] ?? 5); i += 1) await phone.press('lower');
    await phone.press('keep-reading');
    await phone.gone('keep-reading');
  }
  if (walk === 'in') {
    const firsts = '[role="radiogroup"]:has([data-testid^="check-"]) [role="radio"]:first-of-type';
    const { length } = await phone.all(firsts);
    for (let i = 0; i < length; i += 1)
      await phone.insist(async () => {
        const one = (await phone.all(firsts))[i];
        if (one) await phone.pressOn(one);
      });
  }
  await phone.until('nothing is open', async () => !(await phone.text('complete-station')).includes('still open'));
  // A question that waits takes a second press; so does a press that a page just drawn anew did not hear.
  for (let left = 5; left > 0 && (await heading(phone)) === title; left -= 1) {
    await phone.press('complete-station');
    for (let i = 0; i < 40 && (await heading(phone)) === title; i += 1) await new Promise((resolve) => setTimeout(resolve, 100));
  }
  await phone.until(`${title} is left`, async () => (await heading(phone)) !== title);
};

const signOn = async (phone: WebKitPhone, field: WebElement): Promise<void> => {
  await phone.run('arguments[0].scrollIntoView({ block: "center" })', field);
  const { width } = await field.getRect();
  const hand = phone.driver
    .actions()
    .move({ origin: field, x: Math.round(30 - width / 2), y: 0 })
    .press();
  for (let i = 1; i <= 8; i += 1) hand.move({ origin: field, x: Math.round(30 + i * 22 - width / 2), y: i % 2 ? -34 : 24, duration: 20 });
  await hand.release().perform();
};

export const signAll = async (phone: WebKitPhone): Promise<void> => {
  await phone.see('signature');
  for (const field of await phone.all('[data-testid="signature"]')) await signOn(phone, field);
  await phone.press('seal');
  await phone.gone('seal');
};

/** The party, the jackets and the deposit on the check, and off. */
export const castOff = async (phone: WebKitPhone): Promise<void> => {
  await phone.press('hire-next');
  await phone.until(
    'the check is there',
    async () => (await phone.shown('not-checked')) || (await phone.shown('cast-off')) || (await phone.shown('settle-first')),
  );
  if (await phone.shown('matter-noParty')) {
    await phone.press('open-noParty');
    await phone.see('keep-party');
    const people = 1 + (await labelled(phone, 'person-')).length;
    for (let i = 1; i <= people; i += 1) {
      if (!(await phone.shown(`name-p${i}`))) await phone.press(`person-p${i}`);
      await phone.fill(`name-p${i}`, `Guest ${i}`);
      await phone.fill(`age-p${i}`, '34');
      await phone.fill(`mass-p${i}`, '70');
      await phone.press('swims-well');
      if (i === 1) await phone.press('drives-p1');
      if (i === 2) await phone.press('lookout-p2');
    }
    await phone.press('keep-party');
    await phone.press('give-all');
    await phone.see('open-walk');
    await phone.press('back');
    await phone.press('hire-next');
  }
  await phone.press('open-deposit/0');
  await phone.press('deposit-hold');
  await phone.press('deposit-done');
  await phone.gone('deposit-done');
  await phone.press('cast-off');
  await phone.until('the day is there again', async () => (await phone.shown('next')) || (await phone.shown('nav-today')));
};

/** Closes what is open above a page, when something is. */
export const backIn = async (phone: WebKitPhone, testId: string): Promise<void> => {
  const [close] = await phone.all('dialog [aria-label="Close"]');
  if (close) await phone.pressOn(close);
  await phone.see(testId);
};

/** Says of everything that is open that it is the renter’s, or was found. */
export const decideAll = async (phone: WebKitPhone): Promise<void> => {
  await phone.until('what is to decide is counted', async () => /to decide|To the statement/.test(await phone.text('open-statement')));
  for (let said = await phone.text('open-statement'); said !== 'To the statement'; said = await phone.text('open-statement')) {
    if ((await labelled(phone, 'decide-')).length === 0) await phone.press('open-statement');
    await phone.until('it can be decided', async () => (await labelled(phone, 'decide-')).length > 0);
    const ids = (await labelled(phone, 'decide-')).map(([id]) => id);
    const before = said;
    await phone.press(ids.find((id) => id === 'decide-renters') ?? ids.find((id) => /^decide-(found|known)$/.test(id)) ?? 'decide-renters');
    await phone.until('it is decided', async () => (await phone.text('open-statement')) !== before);
  }
};
