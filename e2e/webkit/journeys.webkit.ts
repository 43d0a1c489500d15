import { test as base, expect } from '@playwright/test';
import { cpSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { goodPicture } from '../pictures';
import { BRAM, MANAGER, QuayServer } from '../quay';
import { TEMPLATE } from '../template';
import { WebKitPhone } from './browser';
import { backIn, castOff, decideAll, doStop, labelled, pressKnot, signAll } from './walking';

/** What a manager asks of the quay without a browser. */
const asManager = async (quay: QuayServer, path: string): Promise<Record<string, string>> => {
  const json = { 'content-type': 'application/json' };
  const signedIn = await fetch(`${quay.url}/api/session`, { method: 'POST', headers: json, body: JSON.stringify(MANAGER) });
  expect(signedIn.status).toBe(200);
  const cookie = signedIn.headers
    .getSetCookie()
    .map((one) => one.split(';')[0]!)
    .join('; ');
  const answer = await fetch(`${quay.url}/api${path}`, { method: 'POST', headers: { ...json, cookie }, body: '{}' });
  expect(answer.ok, `${path}: ${answer.status}`).toBe(true);
  return (await answer.json()) as Record<string, string>;
};

const test = base.extend<{ quay: QuayServer; phone: WebKitPhone; bram: WebKitPhone }>({
  quay: async ({}, use) => {
    const data = mkdtempSync(join(tmpdir(), 'quay-webkit-'));
    cpSync(TEMPLATE, data, { recursive: true });
    const quay = new QuayServer(data);
    await quay.start();
    await use(quay);
    await quay.end();
    rmSync(data, { recursive: true, force: true });
  },
  phone: async ({}, use, info) => {
    const phone = await WebKitPhone.open();
    await use(phone);
    // What it looked like when it went wrong says more than where.
    if (info.status !== info.expectedStatus)
      await info.attach('screen', { body: Buffer.from(await phone.driver.takeScreenshot(), 'base64'), contentType: 'image/png' });
    await phone.close();
  },
  /** Registered with a code, and a hand signed in. */
  bram: async ({ quay, phone }, use) => {
    const { code } = await asManager(quay, '/enrolments');
    await phone.driver.get(`${quay.url}/enrol#${code}`);
    await phone.press('enrol');
    await phone.press('enrolled');
    await phone.press(`who-${BRAM.name}`);
    await phone.fill('secret', BRAM.secret);
    await phone.press('sign-in');
    await phone.see('nav-today');
    await use(phone);
  },
});

test('a boat out and back: walked out, signed, cast off, walked in with a new flaw, compared, settled and closed', async ({
  bram,
  quay,
}, info) => {
  await bram.press('hire-h-1001');
  await bram.press('hire-next');
  await bram.see('complete-station');
  const stops = (await bram.all('[data-testid^="stop-"]:not([data-testid$="-container"])')).length;
  expect(stops).toBeGreaterThanOrEqual(8);
  for (let i = 0; i < stops; i += 1) await doStop(bram, 'out');
  await bram.says(/Read back and sign/);
  await signAll(bram);
  await castOff(bram);
  await bram.allSent();

  await bram.press('hire-h-1001');
  await bram.press('hire-next');
  await bram.press('came-in');
  await pressKnot(bram, 'gate');
  await bram.press('surface-port-side');
  await bram.pressAt('surface-drawing', 120, 60);
  await bram.press('kind-scratch');
  mkdirSync(info.outputDir, { recursive: true });
  const picture = join(info.outputDir, 'scratch.jpg');
  writeFileSync(picture, (await goodPicture()).buffer);
  // A window in which a file is chosen cannot be driven: the field it would fill takes the file.
  await bram.run('HTMLInputElement.prototype.click = () => undefined');
  await bram.press('mark-photo-file');
  await (await bram.all('input[type="file"]'))[0]!.sendKeys(picture);
  await bram.until('its picture is there', async () => (await bram.all('img[alt^="Picture 1 of Left side"]')).length > 0);
  await bram.press('keep-mark');
  await bram.press('surface-seen');
  await pressKnot(bram, 'bow');
  for (let i = 0; i < stops; i += 1) await doStop(bram, 'in');
  await bram.says(/Read back the return/);
  await signAll(bram);

  await bram.says(/scratch, Left side/);
  await bram.press('finding-fuel/petrol');
  await bram.press('fill');
  await bram.fill('fill-litres', '500');
  await bram.says(/More than 0, up to 95 L\./);
  await bram.fill('fill-litres', '42,5');
  await bram.press('keep-fill');
  await bram.says(/metered 42\.5 L from brim to brim/);
  await backIn(bram, 'open-statement');
  await decideAll(bram);
  await bram.press('open-statement');
  await bram.until('the mark is on the statement', async () => (await labelled(bram, 'accept-mark')).length > 0);
  await bram.press((await labelled(bram, 'accept-mark'))[0]![0]);
  await bram.press('close-hire');
  await bram.says(/Statement \d+/);
  await bram.allSent();
  const begins = await bram.driver.executeAsyncScript<string>(
    `const done = arguments[arguments.length - 1];
     fetch(arguments[0]).then((answer) => answer.text()).then((text) => done(text.slice(0, 5)));`,
    `${quay.url}/api/hires/h-1001/statement.pdf`,
  );
  expect(begins).toBe('%PDF-');
});

test('a renter’s start opens without signal after one visit, and a knock is kept until there is signal again', async ({ phone, quay }) => {
  const { url } = await asManager(quay, '/hires/h-1004/links');
  await phone.driver.get(url!.startsWith('http') ? url! : `${quay.url}${url!}`);
  await phone.says(/Copper Kettle/);
  expect(await phone.driver.getCurrentUrl()).not.toContain('#');
  await phone.allKept(20);
  await quay.end();
  await phone.driver.navigate().refresh();
  await phone.says(/Copper Kettle/);
  await phone.press('open-guide');
  await phone.see('card-docking');
});

test('a departure is practised to its end, with the lever under a finger', async ({ bram, quay }) => {
  await bram.driver.get(`${quay.url}/hire/h-1001/docking?task=leave`);
  await bram.press('weather-calm');
  await bram.press('practice-begin');
  await bram.until('the lever is ahead', async () => {
    await bram.pressAt('lever', 66, 20);
    return (await bram.attribute('lever', 'aria-valuetext')) === 'Full ahead';
  });
  await bram.see('practice-passed', 120_000);
  await bram.says(/Kept in the record\./);
  await bram.press('practice-done');
  await bram.allSent();
});
