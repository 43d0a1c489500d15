import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Browser, type BrowserContextOptions, chromium, type Page } from 'playwright-core';
import { buildAll } from '../cli/build';
import { CHROMIUM } from '../e2e/chromium';
import { MANAGER, QuayServer } from '../e2e/quay';
import makeTemplate, { TEMPLATE } from '../e2e/template';
import { Client } from '../server/src/testing/client';

/** Measures on a built quay with the demo's data of its own. @param prepare changes the data before it starts */
export const onServer = async <T>(
  measure: (quay: QuayServer) => Promise<T>,
  prepare: (data: string) => void = () => undefined,
): Promise<T> => {
  await buildAll();
  makeTemplate();
  const data = mkdtempSync(join(tmpdir(), 'quay-bench-'));
  cpSync(TEMPLATE, data, { recursive: true });
  prepare(data);
  const quay = new QuayServer(data);
  await quay.start();
  try {
    return await measure(quay);
  } finally {
    await quay.end();
    rmSync(data, { recursive: true, force: true });
  }
};

/** The same, in a browser. */
export const onQuay = <T>(
  measure: (quay: QuayServer, browser: Browser) => Promise<T>,
  prepare: (data: string) => void = () => undefined,
): Promise<T> =>
  onServer(async (quay) => {
    const browser = await chromium.launch(CHROMIUM);
    try {
      return await measure(quay, browser);
    } finally {
      await browser.close();
    }
  }, prepare);

/** A phone of the quay's on which a hand is signed in, and the name that the quay gave it. */
export const phoneOf = async (quay: QuayServer, who: { name: string; secret: string }): Promise<{ client: Client; device: string }> => {
  const manager = new Client(quay.url);
  await manager.signIn(MANAGER);
  const { code } = (await manager.send('POST', '/enrolments', {})).json;
  const client = new Client(quay.url);
  await client.send('POST', '/devices', { code, name: 'Bench phone' });
  const { status, json } = await client.signIn(who);
  if (status !== 200) throw new Error(`nobody could sign in: ${JSON.stringify(json)}`);
  return { client, device: (json.device as { id: string }).id };
};

/** A page on which a manager is signed in. */
export const signedIn = async (browser: Browser, quay: QuayServer, options: BrowserContextOptions): Promise<Page> => {
  const page = await (await browser.newContext(options)).newPage();
  await page.goto(quay.url);
  await page.getByTestId('name').fill(MANAGER.name);
  await page.getByTestId('secret').fill(MANAGER.secret);
  await page.getByTestId('sign-in').click();
  await page.getByTestId('nav-today').waitFor();
  return page;
};
