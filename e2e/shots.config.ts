import { defineConfig } from '@playwright/test';
import usual from './playwright.config';

/** Pictures of each main view for the docs, from the demo data. */
export default defineConfig({ ...usual, testMatch: 'shots.ts', fullyParallel: false, workers: 1, reporter: [['line']] });
