import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Browser, type BrowserContextOptions, chromium, type Page } from 'playwright-core';
import { buildAll } from '../cli/build';
import { CHROMIUM } from '../e2e/chromium';
import { MANAGER, QuayServer } from '../e2e/quay';
import makeTemplate, { TEMPLATE } from '../e2e/template';

/** Measures on a built quay with the demo's data of its own, in a browser. @param prepare changes the data before it starts */
export const onQuay = async <T>(
  measure: (quay: QuayServer, browser: Browser) => Promise<T>,
  prepare: (data: string) => void = () => undefined,
): Promise<T> => {
  await buildAll();
  makeTemplate();
  const data = mkdtempSync(join(tmpdir(), 'quay-bench-'));
  cpSync(TEMPLATE, data, { recursive: true });
  prepare(data);
  const quay = new QuayServer(data);
  await quay.start();
  const browser = await chromium.launch(CHROMIUM);
  try {
    return await measure(quay, browser);
  } finally {
    await browser.close();
    await quay.end();
    rmSync(data, { recursive: true, force: true });
  }
};

/** A page on which a manager is signed in. */
export const signedIn = async (browser: Browser, quay: QuayServer, options: BrowserContextOptions): Promise<Page> => {
  const page = await (await browser.newContext(options)).newPage();
  await page.goto(quay.url);
  await page.getByTestId('name').fill(MANAGER.name);
  await page.getByTestId('secret').fill(MANAGER.secret);
  await page.getByTestId('sign-in').click();
  await page.getByTestId('to-me').waitFor();
  return page;
};
