import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test as base } from '@playwright/test';
import { expect, Phone, QuayServer } from './quay';
import { enterParty } from './renter';
import { doStop, sign, stopCount } from './walking';

/** What somebody who has done it before takes for a press and for a word, s. */
const [PRESS_S, WORD_S] = [1.5, 4];

type Counted = { presses: number; words: number };

/** An installation that nobody has set up, and a browser in which every press and word is counted. */
const test = base.extend<{ empty: QuayServer; desk: Phone; counted: Counted }>({
  empty: async ({}, use) => {
    const data = mkdtempSync(join(tmpdir(), 'quay-empty-'));
    const quay = new QuayServer(data, new Date().toISOString());
    await quay.start();
    await use(quay);
    await quay.end();
    rmSync(data, { recursive: true, force: true });
  },
  counted: async ({}, use) => use({ presses: 0, words: 0 }),
  desk: async ({ context, page, empty, counted }, use) => {
    const fields = new Map<string, number>();
    await context.exposeBinding('countInput', (_, what: { press: true } | { field: string; words: number }) => {
      if ('press' in what) counted.presses += 1;
      else {
        // Filled without a press: whoever types presses the field first.
        if (!fields.has(what.field)) counted.presses += 1;
        counted.words += what.words - (fields.get(what.field) ?? 0);
        fields.set(what.field, what.words);
      }
    });
    await context.addInitScript(() => {
      const count = (what: unknown) => void (window as unknown as { countInput: (what: unknown) => void }).countInput(what);
      window.addEventListener('click', ({ isTrusted }) => isTrusted && count({ press: true }), { capture: true });
      window.addEventListener(
        'input',
        ({ target }) => {
          const { value, dataset } = target as HTMLInputElement;
          count({ field: `${location.pathname} ${dataset.testid ?? ''}`, words: value.trim().split(/\s+/).filter(Boolean).length });
        },
        { capture: true },
      );
    });
    const phone = new Phone(page, context, empty);
    await use(phone);
    expect(phone.complaints, 'nothing in the console').toEqual([]);
  },
});

const setUp = async (desk: Phone) => {
  const { quay } = desk;
  await desk.open(`/setup#${quay.setupCode}`);
  await desk.by('operator').fill('Low Mere Boats');
  await desk.by('phone').fill('000 555 0140');
  await desk.by('manager').fill('Odda Penn');
  await desk.by('password').fill('rope over the rail');
  await desk.by('set-up').click();
  await expect(desk.by('step-base')).toBeVisible();
};

const addBase = async (desk: Phone) => {
  await desk.by('next-step').click();
  await desk.by('base-name').fill('Low Pier');
  await desk.by('base-water').fill('Low Mere');
  await desk.by('add-base').click();
  await expect(desk.by('step-base')).toContainText('done');
};

const minutes = ({ presses, words }: Counted) => (presses * PRESS_S + words * WORD_S) / 60;

test('from nothing to a signed departure of a boat that nobody had described, without a file', async ({ desk, counted }, info) => {
  test.setTimeout(240_000);
  const { page } = desk;
  // Until there is a base there is no day: the browser itself notes that answer.
  desk.cut = true;
  await setUp(desk);
  await addBase(desk);
  desk.cut = false;

  const before = { ...counted };
  await desk.by('next-step').click();
  await desk.by('starter-launch-5').click();
  await desk.by('boat-name').fill('Wren Two');
  await desk.by('boat-hullNumber').fill('LM 7');
  await desk.by('boat-lengthM').fill('5,2');
  await desk.by('boat-people').fill('4');
  await desk.by('boat-fuelL').fill('23');
  await desk.by('shows-sightLine').click();
  // One jacket fewer, the extinguisher lies under the benches, there is no anchor.
  await desk.by('aboard-jackets-adult-fewer').click();
  await desk.by('where-extinguisher').click();
  await desk.by('station-seats').click();
  await desk.by('expiry-extinguisher').fill('06/2031');
  await desk.by('has-anchor').click();
  await desk.by('make-boat').click();
  await expect(page.getByRole('heading', { name: 'Wren Two' }).first()).toBeVisible();
  const boat = { presses: counted.presses - before.presses, words: counted.words - before.words };

  await desk.open('/first-hire');
  await expect(desk.by('step-boat')).toContainText('done');
  await desk.by('next-step').click();
  await desk.by('hire-renter').fill('Orla Pinnock');
  await expect(desk.by('book-hire')).toContainText('Wren Two');
  await desk.by('book-hire').click();
  await expect(desk.by('make-link')).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();

  await desk.by('hire-next').click();
  await expect(desk.by('complete-station')).toBeVisible();
  // What was answered is what is walked.
  await expect(page.getByText('Anchor and line')).toHaveCount(0);
  const stops = await stopCount(desk);
  expect(stops).toBe(4);
  for (let i = 0; i < stops; i += 1) await doStop(desk);
  await expect(page.getByRole('heading', { name: 'Read back and sign' })).toBeVisible();
  await sign(desk);
  await desk.by('hire-next').click();
  await desk.by('open-noParty').click();
  await enterParty(page, [
    { name: 'Orla', age: '34', mass: '70', is: 'drives' },
    { name: 'Finn', age: '36', mass: '82', is: 'lookout' },
  ]);
  await desk.by('give-all').click();
  await expect(desk.by('open-walk')).toBeVisible();
  await desk.by('back').click();
  await desk.by('hire-next').click();
  await desk.by('cast-off').click();
  await desk.allSent();
  await desk.open('/');
  await expect(page.getByText(/Wren Two/).first()).toBeVisible();
  console.log(
    `${info.project.name}: from nothing to a signed departure ${counted.presses} presses, ${counted.words} words, ${minutes(counted).toFixed(1)} min; of it the boat ${boat.presses} presses, ${boat.words} words, ${minutes(boat).toFixed(1)} min`,
  );
  expect(minutes(counted)).toBeLessThan(25);
  expect(minutes(boat)).toBeLessThan(12);
});

test(
  'silly answers are said at their field; a boat half described outlives a reload; an address is good once',
  { tag: '@phone' },
  async ({ desk, browser }) => {
    const { page, quay } = desk;
    // The browser itself notes each refusal.
    desk.cut = true;
    await desk.open('/');
    await expect(page.getByText('Nobody has set this quay up yet')).toBeVisible();
    await desk.open('/setup');
    await expect(page.getByText('This address has no code in it')).toBeVisible();
    await desk.open(`/setup#${quay.setupCode}`);
    await page.reload();
    const choosing = page.waitForEvent('filechooser');
    await desk.by('choose-logo').click();
    await (await choosing).setFiles({ name: 'logo.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
    await expect(page.getByText(/This is no picture that can be read/)).toBeVisible();
    await desk.by('currency').fill('eu');
    await desk.by('tax').fill('120');
    await desk.by('language-en').click();
    await desk.by('set-up').click();
    for (const words of [
      'The business has a name.',
      'Three letters, such as',
      'A figure from 0 to 100.',
      'At least one.',
      'Somebody runs it.',
    ])
      await expect(page.getByText(words).first()).toBeVisible();
    await page.reload();
    await setUp(desk);
    const late = await browser.newContext();
    const other = new Phone(await late.newPage(), late, quay);
    other.cut = true;
    await other.open(`/setup#${quay.setupCode}`);
    await other.by('operator').fill('Somebody Else');
    await other.by('manager').fill('Somebody Else');
    await other.by('password').fill('rope over the rail');
    await other.by('set-up').click();
    await expect(other.page.getByText('This quay has been set up already')).toBeVisible();
    await late.close();

    await addBase(desk);
    await desk.by('step-base').click();
    await desk.by('base-name').fill('low pier');
    await desk.by('base-water').fill('Low Mere');
    await desk.by('add-base').click();
    await expect(page.getByText('There is a “low pier” already.')).toBeVisible();
    await desk.by('base-name').fill('High Pier');
    await desk.by('base-zone').fill('Low/Mere');
    await desk.by('add-base').click();
    await expect(page.getByText('There is no time zone “Low/Mere”.')).toBeVisible();

    await desk.open('/boats/new');
    await desk.by('starter-canal-12').click();
    await desk.by('boat-name').fill('Slow Worm');
    await desk.by('boat-lengthM').fill('a hundred');
    await desk.by('toilet-pedal').click();
    await desk.by('make-boat').click();
    await expect(page.getByText('A figure from 2 to 60.')).toBeVisible();
    await expect(page.getByText('By this number no two boats are taken for each other.')).toBeVisible();
    await page.waitForTimeout(600);
    await page.reload();
    await expect(desk.by('boat-name')).toHaveValue('Slow Worm');
    await expect(desk.by('toilet-pedal')).toHaveAttribute('aria-checked', 'true');
    await desk.by('boat-lengthM').fill('14');
    await desk.by('boat-hullNumber').fill('LM 8');
    await desk.by('make-boat').click();
    await expect(page.getByRole('heading', { name: 'Slow Worm' }).first()).toBeVisible();
    // A sister is built alike, under a number of its own.
    await desk.open('/boats/new');
    await desk.by('sister-slow-worm').click();
    await desk.by('sister-name').fill('Quick Worm');
    await desk.by('sister-hull').fill('lm 8');
    await desk.by('make-sister').click();
    await expect(page.getByText('This number is Slow Worm’s already.')).toBeVisible();
    await desk.by('sister-hull').fill('LM 9');
    await desk.by('make-sister').click();
    await expect(page.getByRole('heading', { name: 'Quick Worm' }).first()).toBeVisible();

    // Prices: what boats name and has none is put forward.
    await desk.open('/prices');
    await expect(page.getByText(/\d+ without a price/)).toBeVisible();
    await desk.by('price-jacket').fill('six');
    await desk.by('keep-prices').click();
    await expect(page.getByText('This is no sum.').first()).toBeVisible();
    await desk.by('price-jacket').fill('65,50');
    await desk.by('scheme-used').click();
    await desk.by('keep-prices').click();
    await expect(page.getByText('Kept. Hires booked from now on go by it.')).toBeVisible();
    await desk.by('all-prices').click();
    await expect(desk.by('price-jacket')).toHaveValue('65.50');
    await desk.open('/first-hire');
    await expect(desk.by('step-terms')).toContainText('done');

    // Somebody is taken on.
    await desk.open('/staff');
    await desk.by('open-add-person').click();
    await desk.by('person-name').fill('Bo Lund');
    await desk.by('person-secret').fill('12');
    await desk.by('add-person').click();
    await expect(page.getByText('Six to twelve digits.').last()).toBeVisible();
    await desk.by('person-secret').fill('482915');
    await desk.by('add-person').click();
    await expect(page.getByText('Bo Lund can sign in.')).toBeVisible();
  },
);
