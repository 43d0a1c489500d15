import { type Browser, expect, type Page } from '@playwright/test';
import type { Phone, QuayServer } from './quay';

/** Makes the link of a hire as a hand does, and reads it off the sheet. */
export const linkOf = async (hand: Phone, hireId: string): Promise<string> => {
  await hand.open(`/hire/${hireId}`);
  await hand.by('link').click();
  await hand.by('make-link').click();
  const url = (await hand.by('link-url').innerText()).trim();
  await hand.page.keyboard.press('Escape');
  return url;
};

/** A renter's phone, in French unless said otherwise, that notes what its console complains about. */
export const renterPhone = async (browser: Browser, quay: QuayServer, locale = 'fr-FR') => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, locale, timezoneId: 'Europe/Dublin' });
  const page = await context.newPage();
  const complaints: string[] = [];
  const state = { cut: false };
  page.on('console', (message) => {
    if (message.type() !== 'error') return;
    if (state.cut && message.text().includes('Failed to load resource')) return;
    complaints.push(message.text());
  });
  page.on('pageerror', (error) => complaints.push(error.message));
  return {
    page,
    context,
    by: (testId: string) => page.getByTestId(testId),
    open: (path: string) => page.goto(path.includes(':') ? path : `${quay.url}${path}`),
    cut: async () => {
      state.cut = true;
      await context.setOffline(true);
    },
    mend: () => context.setOffline(false),
    /** Whatever the browser itself says of answers that were meant to be no. */
    expectNo: () => {
      state.cut = true;
    },
    close: async () => {
      expect(complaints, 'nothing in the renter’s console').toEqual([]);
      await context.close();
    },
  };
};

type Somebody = { name: string; age: string; mass?: string; swims?: 'weakly' | 'not'; is?: 'drives' | 'lookout' };

/** Fills in the party, one card after the other. */
export const enterParty = async (page: Page, people: readonly Somebody[]): Promise<void> => {
  await expect(page.getByTestId('keep-party')).toBeVisible();
  for (const [i, one] of people.entries()) {
    const id = `p${i + 1}`;
    if ((await page.getByTestId(`name-${id}`).count()) === 0) {
      if ((await page.getByTestId(`person-${id}`).count()) === 0) await page.getByTestId('add-person').click();
      else await page.getByTestId(`person-${id}`).click();
    }
    await page.getByTestId(`name-${id}`).fill(one.name);
    await page.getByTestId(`age-${id}`).fill(one.age);
    if (one.mass !== undefined) await page.getByTestId(`mass-${id}`).fill(one.mass);
    await page.getByTestId(`swims-${one.swims ?? 'well'}`).click();
    if (one.is) await page.getByTestId(`${one.is}-${id}`).click();
  }
  // What was wrong is said above the button, and goes once it is right.
  await expect(page.getByTestId('party-wrong')).toHaveCount(0);
  await page.getByTestId('keep-party').click();
};
