import { defineConfig } from '@playwright/test';

/** The same program in the other engine that phones have: few journeys, one at a time, driven as any browser can be. */
export default defineConfig({
  testDir: './webkit',
  testMatch: '*.webkit.ts',
  outputDir: '../test-results',
  globalSetup: './template.ts',
  timeout: 480_000,
  workers: 1,
  retries: process.env.CI === undefined ? 0 : 2,
  forbidOnly: process.env.CI !== undefined,
  reporter: [['line'], ['json', { outputFile: '../.build/webkit.json' }]],
});
