import { type ChildProcess, spawn } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Browser, type BrowserContext, test as base, type BrowserContextOptions, expect, type Page } from '@playwright/test';
import { makeTemplate, MOMENT, ROOT, TEMPLATE } from './template';
import { patient } from './patience';

export { expect };

export const MANAGER = { name: 'Mina Garrow', secret: 'lamp on the long pier' };
export const BRAM = { name: 'Bram Oduya', secret: '204618' };
export const TILLY = { name: 'Tilly Vance', secret: '731905' };

/** For journeys in which the width of the screen changes nothing: once is enough. */
export const PHONE = { tag: '@phone' };

/** A quay on a port and a copy of the demo's data of its own; it can be killed and started again. */
export class QuayServer {
  private child: ChildProcess | undefined;
  port = 0;
  /** Printed by one that nobody has set up. */
  setupCode: string | undefined;
  /** How far its clock is ahead of the real one; it stays so when it is started again. */
  private readonly aheadMs: number;
  /** @param data its folder @param moment when it is there as it begins, ISO instant */
  constructor(
    readonly data: string,
    moment = MOMENT,
  ) {
    this.aheadMs = Date.parse(moment) - Date.now();
  }

  /** The present by its clock, ms. */
  now(): number {
    return Date.now() + this.aheadMs;
  }

  /** What a device's own clock shows while this quay's shows a moment. */
  onDevice(moment: Date): Date {
    return new Date(moment.getTime() - this.aheadMs);
  }

  /** Of its process, while it runs. */
  get pid(): number {
    const pid = this.child?.pid;
    if (pid === undefined) throw new Error('the quay is not running');
    return pid;
  }

  get url(): string {
    return `http://localhost:${this.port}`;
  }

  start(): Promise<void> {
    return new Promise((resolve, reject) => {
      const child = spawn(
        process.execPath,
        [
          'server/dist/quay.mjs',
          ...['--data', this.data, '--web', 'app/dist', '--port', String(this.port), '--host', '127.0.0.1'],
          // Only a demonstration goes by another clock than the real one.
          ...(Math.abs(this.aheadMs) < 1000 ? [] : ['--clock-ahead-ms', String(this.aheadMs)]),
        ],
        { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] },
      );
      this.child = child;
      let said = '';
      child.stdout.on('data', (data: Buffer) => {
        said += data.toString();
        const port = /listening on port (\d+)/.exec(said)?.[1];
        if (port === undefined) return;
        this.port = Number(port);
        this.setupCode = /set up with code (\S+)/.exec(said)?.[1];
        resolve();
      });
      child.stderr.on('data', (data: Buffer) => process.stderr.write(data));
      child.once('exit', (code) => reject(new Error(`the quay ended with ${code}: ${said}`)));
    });
  }

  end(signal: 'SIGTERM' | 'SIGKILL' = 'SIGTERM'): Promise<void> {
    const { child } = this;
    if (!child || child.exitCode !== null || child.signalCode !== null) return Promise.resolve();
    return new Promise((resolve) => {
      child.once('exit', () => resolve());
      child.kill(signal);
    });
  }
}

/** A browser of somebody's, which notes everything its console complains about. */
export class Phone {
  readonly complaints: string[] = [];
  /** While the network is cut, the browser itself says that it could not load things; that is no fault of the page. */
  cut = false;
  constructor(
    readonly page: Page,
    readonly context: BrowserContext,
    readonly quay: QuayServer,
  ) {
    page.on('console', (message) => {
      if (message.type() !== 'error') return;
      if (this.cut && message.text().includes('Failed to load resource')) return;
      this.complaints.push(message.text());
    });
    page.on('pageerror', (error) => this.complaints.push(error.message));
  }

  by(testId: string) {
    return this.page.getByTestId(testId);
  }

  async cutNetwork(): Promise<void> {
    this.cut = true;
    await this.context.setOffline(true);
  }

  async mendNetwork(): Promise<void> {
    await this.context.setOffline(false);
  }

  async open(path: string): Promise<void> {
    await this.page.goto(`${this.quay.url}${path}`);
  }

  /** Says who one is, as the page asks for it: a name pressed or typed, then the PIN or password. */
  async enter(who: { name: string; secret: string }): Promise<void> {
    const listed = this.by(`who-${who.name}`);
    const typed = this.by('open-enrol');
    const chosen = this.by('not-me');
    await expect(listed.or(typed).or(chosen)).toBeVisible();
    if (await listed.isVisible()) await listed.click();
    else if (await typed.isVisible()) await this.by('name').fill(who.name);
    await this.by('secret').fill(who.secret);
    await this.by('sign-in').click();
  }

  async signIn(who: { name: string; secret: string }): Promise<void> {
    await this.enter(who);
    await expect(this.by('nav-today')).toBeVisible();
  }

  /** Goes to a place by its word: beside the page on a desk, at the foot of a phone or behind More. */
  async goTo(
    place: 'today' | 'bookings' | 'fleet' | 'attention' | 'figures' | 'staff' | 'prices' | 'firstHire' | 'handbook' | 'settings',
  ): Promise<void> {
    const here = this.by(`nav-${place}`);
    await expect(this.by('nav-today')).toBeVisible();
    if ((await here.count()) > 0) return here.click();
    await this.by('nav-more').click();
    await this.by(`open-${place}`).click();
  }

  /** Waits until nothing is left to be sent. */
  async allSent(): Promise<void> {
    // What was pressed a moment ago has to be kept before it can be sent.
    await this.page.waitForTimeout(500);
    // The line that says so may come late on a busy machine: what is kept is looked at itself.
    await expect.poll(() => entriesIn(this.page, 'pending'), { timeout: patient(40_000) }).toBe(0);
    await expect(this.by('pending-line')).toHaveCount(0, { timeout: patient(40_000) });
  }
}

/** How many entries of a browser's stand so: `kept` are those that the quay has not yet. @param store a renter's hires each have their own */
export const entriesIn = (page: Page, state: 'pending' | 'refused', store = 'jolly-quay'): Promise<number> =>
  page.evaluate(
    ([named, is]) =>
      new Promise<number>((resolve) => {
        const request = indexedDB.open(named);
        request.onsuccess = () => {
          const count = request.result.transaction('events').objectStore('events').index('state').count(is);
          count.onsuccess = () => {
            request.result.close();
            resolve(count.result);
          };
        };
      }),
    [store, state] as const,
  );

/** Which hires a browser has with all that is needed to walk them. */
export const keptPacks = (page: Page): Promise<IDBValidKey[]> =>
  page.evaluate(
    () =>
      new Promise<IDBValidKey[]>((resolve) => {
        const request = indexedDB.open('jolly-quay');
        request.onsuccess = () => {
          const keys = request.result.transaction('packs').objectStore('packs').getAllKeys();
          keys.onsuccess = () => resolve(keys.result);
        };
      }),
  );

type Fixtures = {
  /** When the journey begins, by the clock of its quay; ISO instant. */
  moment: string;
  quay: QuayServer;
  /** A browser of its own, enrolled through a manager, with somebody signed in. */
  phoneOf: (who: { name: string; secret: string }) => Promise<Phone>;
  bram: Phone;
};

const enrol = async (browser: Browser, context: BrowserContext, url: string): Promise<void> => {
  const desk = await browser.newContext();
  const signedIn = await desk.request.post(`${url}/api/session`, { data: MANAGER });
  expect(signedIn.ok()).toBe(true);
  const made = (await (await desk.request.post(`${url}/api/enrolments`, { data: {} })).json()) as { code: string };
  expect((await context.request.post(`${url}/api/devices`, { data: { code: made.code, name: 'Quay phone' } })).ok()).toBe(true);
  await desk.close();
};

export const test = base.extend<Fixtures>({
  moment: [MOMENT, { option: true }],
  quay: async ({ moment }, use) => {
    const data = mkdtempSync(join(tmpdir(), 'quay-journey-'));
    if (moment === MOMENT) cpSync(TEMPLATE, data, { recursive: true });
    else makeTemplate(data, moment);
    const quay = new QuayServer(data, moment);
    await quay.start();
    await use(quay);
    await quay.end();
    rmSync(data, { recursive: true, force: true });
  },
  phoneOf: async ({ browser, quay, viewport, deviceScaleFactor, hasTouch, locale, timezoneId }, use) => {
    const phones: Phone[] = [];
    await use(async (who) => {
      const options: BrowserContextOptions = { viewport, hasTouch: hasTouch ?? false, reducedMotion: 'reduce' };
      if (deviceScaleFactor !== undefined) options.deviceScaleFactor = deviceScaleFactor;
      if (locale !== undefined) options.locale = locale;
      if (timezoneId !== undefined) options.timezoneId = timezoneId;
      const context = await browser.newContext(options);
      if (who !== MANAGER) await enrol(browser, context, quay.url);
      const phone = new Phone(await context.newPage(), context, quay);
      await phone.open('/');
      await phone.signIn(who);
      phones.push(phone);
      return phone;
    });
    for (const phone of phones) {
      expect(phone.complaints, 'nothing in the console').toEqual([]);
      await phone.context.close();
    }
  },
  bram: async ({ phoneOf }, use) => use(await phoneOf(BRAM)),
});
