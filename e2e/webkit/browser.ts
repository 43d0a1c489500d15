import { type ChildProcess, spawn } from 'node:child_process';
import { existsSync, readdirSync, statSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { Builder, By, Capabilities, error, type WebDriver, type WebElement } from 'selenium-webdriver';

/** Where Debian lays the browser that is driven: beside the library, by machine and version. @throws Error where it is not installed */
const browserHere = (): string => {
  const libraries = '/usr/lib';
  for (const machine of readdirSync(libraries)) {
    const folder = join(libraries, machine);
    if (!machine.includes('-linux-') || !statSync(folder).isDirectory()) continue;
    for (const name of readdirSync(folder).filter((one) => one.startsWith('webkit2gtk-'))) {
      const browser = join(folder, name, 'MiniBrowser');
      if (existsSync(browser)) return browser;
    }
  }
  throw new Error('WebKit is not here: install webkit2gtk-driver and xvfb');
};
const PATIENCE_MS = 20_000;
const AGAIN_MS = 60;

const freePort = (): Promise<number> =>
  new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const address = server.address();
      server.close(() => (address && typeof address === 'object' ? resolve(address.port) : reject(new Error('no port'))));
    });
  });

/** A program that runs beside the journeys. @throws Error when it ends before it is stopped by us */
const beside = (command: string, args: readonly string[], env: NodeJS.ProcessEnv): ChildProcess => {
  const child = spawn(command, args, { stdio: ['ignore', 'ignore', 'ignore'], env: { ...process.env, ...env } });
  child.once('error', (problem) => {
    throw problem;
  });
  return child;
};

const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** What a page that is being drawn anew may say of an element: asked again it is there. */
const PASSES = [
  error.StaleElementReferenceError,
  error.NoSuchElementError,
  error.ElementNotInteractableError,
  error.ElementClickInterceptedError,
  error.MoveTargetOutOfBoundsError,
];

/** WebKit as renters’ phones have it, on a screen nobody sees; a new one has never been anywhere. */
export class WebKitPhone {
  private constructor(
    readonly driver: WebDriver,
    private readonly programs: readonly ChildProcess[],
  ) {}

  static async open(): Promise<WebKitPhone> {
    const port = await freePort();
    // The display has the number of the port, so that no two get in each other’s way.
    const display = `:${port}`;
    const screen = beside('Xvfb', [display, '-screen', '0', '1280x1024x24', '-nolisten', 'tcp'], {});
    const programs = [
      screen,
      beside('WebKitWebDriver', [`--port=${port}`], { DISPLAY: display, LANG: 'en_GB.UTF-8', TZ: 'Europe/Dublin' }),
    ];
    const capabilities = new Capabilities({
      browserName: 'MiniBrowser',
      'webkitgtk:browserOptions': { binary: browserHere(), args: ['--automation'] },
    });
    for (let left = 50; ; left -= 1) {
      try {
        const driver = await new Builder().usingServer(`http://127.0.0.1:${port}`).withCapabilities(capabilities).build();
        await driver.manage().window().setRect({ width: 390, height: 844 });
        return new WebKitPhone(driver, programs);
      } catch (problem) {
        if (left === 0) {
          for (const program of programs) program.kill();
          throw problem;
        }
        await wait(200);
      }
    }
  }

  async close(): Promise<void> {
    await this.driver.quit().catch((problem: unknown) => {
      if (!(problem instanceof error.WebDriverError)) throw problem;
    });
    for (const program of this.programs) program.kill();
  }

  /** Does something until the page lets it, or patience is at its end. @throws the last reason why not */
  async insist<T>(does: () => Promise<T>, patience = PATIENCE_MS): Promise<T> {
    for (const end = Date.now() + patience; ; await wait(AGAIN_MS)) {
      try {
        return await does();
      } catch (problem) {
        if (Date.now() > end || !PASSES.some((kind) => problem instanceof kind)) throw problem;
      }
    }
  }

  private css(testId: string): By {
    return By.css(`[data-testid="${testId}"]`);
  }

  private one(testId: string): Promise<WebElement> {
    return this.driver.findElement(this.css(testId));
  }

  /** Whether something of this name can be seen. */
  shown(testId: string): Promise<boolean> {
    return this.insist(async () => {
      for (const one of await this.driver.findElements(this.css(testId))) if (await one.isDisplayed()) return true;
      return false;
    });
  }

  /** Waits for what a page comes to. @throws Error that says what was waited for */
  async until(what: string, holds: () => Promise<boolean>, patience = PATIENCE_MS): Promise<void> {
    for (const end = Date.now() + patience; !(await holds()); await wait(AGAIN_MS))
      if (Date.now() > end) throw new Error(`waited ${patience / 1000} s in vain: ${what}`);
  }

  see(testId: string, patience = PATIENCE_MS): Promise<void> {
    return this.until(`${testId} is seen`, () => this.shown(testId), patience);
  }

  gone(testId: string): Promise<void> {
    return this.until(`${testId} is gone`, async () => !(await this.shown(testId)));
  }

  async press(testId: string): Promise<void> {
    await this.see(testId);
    await this.insist(async () => this.pressOn(await this.one(testId)));
  }

  /**
   * Presses what leads to something else. Once more when a page that was just moving under it swallowed the press; not when
   * the press was said to have failed, yet was heard.
   */
  async pressFor(testId: string, comes: string): Promise<void> {
    const again = 4000;
    let pressed = -again;
    await this.until(`${testId} leads to ${comes}`, async () => {
      if (await this.shown(comes)) return true;
      if (Date.now() - pressed < again || !(await this.shown(testId))) return false;
      try {
        await this.pressOn(await this.one(testId));
        pressed = Date.now();
      } catch (problem) {
        if (!PASSES.some((kind) => problem instanceof kind)) throw problem;
      }
      return false;
    });
  }

  /** Into the middle, out from under what stands at the foot of a phone, and until it stays there: what is just being kept moves what is below. */
  private async bring(element: WebElement): Promise<void> {
    const stays = `const [element, done] = [arguments[0], arguments[arguments.length - 1]];
      element.scrollIntoView({ block: 'center' });
      const at = () => { const { x, y } = element.getBoundingClientRect(); return x + ' ' + y; };
      const before = at();
      setTimeout(() => requestAnimationFrame(() => done(element.isConnected && at() === before)), 120);`;
    await this.until('it stays where it is', () => this.driver.executeAsyncScript<boolean>(stays, element));
  }

  async pressOn(element: WebElement): Promise<void> {
    await this.bring(element);
    await element.click();
  }

  /** Presses a place on something, px from its left and top. */
  async pressAt(testId: string, x: number, y: number): Promise<void> {
    await this.see(testId);
    await this.insist(async () => {
      const element = await this.one(testId);
      await this.bring(element);
      const { width, height } = await element.getRect();
      await this.driver
        .actions()
        .move({ origin: element, x: Math.round(x - width / 2), y: Math.round(y - height / 2) })
        .press()
        .release()
        .perform();
    });
  }

  async fill(testId: string, text: string): Promise<void> {
    await this.see(testId);
    await this.insist(async () => {
      const field = await this.one(testId);
      await field.click();
      await this.run('arguments[0].select()', field);
      await field.sendKeys(text);
      if ((await field.getAttribute('value')) !== text) throw new error.StaleElementReferenceError('the field was drawn anew');
    });
  }

  text(testId: string): Promise<string> {
    return this.insist(async () => {
      const text = await this.run<string>('return arguments[0].innerText', await this.one(testId));
      // However it is spaced and broken into lines.
      return text.replace(/\s+/g, ' ').trim();
    });
  }

  attribute(testId: string, name: string): Promise<string | null> {
    return this.insist(async () => (await this.one(testId)).getAttribute(name));
  }

  all(css: string): Promise<WebElement[]> {
    return this.driver.findElements(By.css(css));
  }

  run<T>(script: string, ...args: unknown[]): Promise<T> {
    return this.driver.executeScript<T>(script, ...args);
  }

  async says(words: RegExp, patience = PATIENCE_MS): Promise<void> {
    await this.until(`${words} is read`, async () => words.test(await this.run<string>('return document.body.innerText')), patience);
  }

  /** Waits until nothing is left to be sent. */
  async allSent(): Promise<void> {
    const left = `const done = arguments[arguments.length - 1];
      const request = indexedDB.open('jolly-quay');
      request.onsuccess = () => {
        const count = request.result.transaction('events').objectStore('events').index('state').count('pending');
        count.onsuccess = () => { request.result.close(); done(count.result); };
      };`;
    await wait(500);
    await this.until('all is sent', async () => (await this.driver.executeAsyncScript<number>(left)) === 0, 40_000);
  }

  /** Waits until the worker has all that it keeps for when there is no signal. */
  async allKept(atLeast: number): Promise<void> {
    await this.until('the worker is in charge', () => this.run<boolean>('return !!navigator.serviceWorker.controller'), 60_000);
    const files = `const done = arguments[arguments.length - 1];
      caches.keys().then((names) => Promise.all(names.map((name) => caches.open(name).then((cache) => cache.keys()))))
        .then((all) => done(all.reduce((sum, keys) => sum + keys.length, 0)));`;
    await this.until('files are kept', async () => (await this.driver.executeAsyncScript<number>(files)) >= atLeast, 60_000);
  }
}
