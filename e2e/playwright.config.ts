import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './chromium';
import { patient } from './patience';

/** Journeys in a real browser, on a phone and on a desk. Each has a quay of its own, with the demo operator's data. */
export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  globalSetup: './template.ts',
  timeout: patient(120_000),
  expect: { timeout: patient(12_000) },
  fullyParallel: true,
  workers: 3,
  // On a busy machine a browser may be late once; what fails twice fails.
  retries: process.env.CI === undefined ? 0 : 1,
  forbidOnly: process.env.CI !== undefined,
  reporter: [['line'], ['json', { outputFile: '../.build/journeys.json' }]],
  use: {
    launchOptions: CHROMIUM,
    // Tracing every journey would cost a third of their time; one that is tried again is traced.
    trace: 'on-first-retry',
    actionTimeout: patient(12_000),
    locale: 'en-GB',
    timezoneId: 'Europe/Dublin',
  },
  projects: [
    // One dot to a pixel: what is seen is judged by eye, at two; painting four times as many takes a sixth of all processor time.
    { name: 'phone', use: { viewport: { width: 390, height: 844 }, deviceScaleFactor: 1, hasTouch: true } },
    { name: 'wide', grepInvert: /@phone/, use: { viewport: { width: 1280, height: 800 } } },
  ],
});
