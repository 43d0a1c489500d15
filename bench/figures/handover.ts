import { build } from 'esbuild';
import { chromium } from 'playwright-core';
import { CHROMIUM } from '../../e2e/chromium';
import { type Figure, figure, quantile } from '../figure';

/** Fit and composing in Chromium, where they run while a hand waits for them. */
export const handover = async (): Promise<Figure[]> => {
  const { outputFiles } = await build({
    entryPoints: ['bench/browser/handover.ts'],
    bundle: true,
    write: false,
    format: 'iife',
    globalName: 'bench',
    target: 'es2022',
    logLevel: 'warning',
  });
  const browser = await chromium.launch(CHROMIUM);
  try {
    const page = await browser.newPage();
    await page.addScriptTag({ content: outputFiles[0]!.text });
    const { fit, compose } = await page.evaluate<{ fit: number[]; compose: number[] }>('bench.measured');
    return [
      figure('fit 12 people × 30 jackets, 95th percentile', quantile(fit, 0.95), 'ms', 20),
      figure('compose from 150 points, 95th percentile', quantile(compose, 0.95), 'ms', 20),
    ];
  } finally {
    await browser.close();
  }
};
