import sharp from 'sharp';
import { type Figure, figure, figureAtLeast } from '../figure';
import { onQuay, signedIn } from '../quay';

const PHOTOS = 40;

/** A made-up picture, each another. */
const picture = (i: number): Promise<Buffer> => {
  const [width, height] = [1600, 1200];
  const grain = Buffer.alloc(width * height * 3);
  let a = i + 1;
  for (let at = 0; at < grain.length; at += 1) {
    a = (Math.imul(a, 1664525) + 1013904223) >>> 0;
    grain[at] = 90 + (a >>> 26);
  }
  return sharp(grain, { raw: { width, height, channels: 3 } })
    .jpeg({ quality: 92 })
    .toBuffer();
};

/** A departure with forty photographs, the signal cut in the middle of their delivery: none lost, no byte of any sent twice. */
export const delivery = async (): Promise<Figure[]> => {
  return onQuay(async (quay, browser) => {
    const page = await signedIn(browser, quay, { viewport: { width: 390, height: 844 } });
    const context = page.context();
    await page.goto(`${quay.url}/hire/h-1001/walk/out`);
    await page.getByTestId('complete-station').waitFor();
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await context.setOffline(true);
    const take = async (press: string, i: number) => {
      const chooser = page.waitForEvent('filechooser');
      await page.getByTestId(press).click();
      await (await chooser).setFiles({ name: `${i}.jpg`, mimeType: 'image/jpeg', buffer: await picture(i) });
      await page.getByTestId(press).and(page.locator(':not([aria-disabled="true"])')).waitFor();
      const keep = page.getByTestId('photo-keep');
      if (await keep.isVisible()) await keep.click();
    };
    const each = PHOTOS / 4;
    for (const [stop, surface, first] of [
      ['bow', 'bow-front', 0],
      ['helm', 'console', 1],
      ['gate', 'port-side', 2],
    ] as const) {
      await page.getByTestId(`stop-${stop}`).click();
      await page.getByTestId(`surface-${surface}`).click();
      for (let i = 0; i < each; i += 1) await take('surface-photo-file', first * each + i);
      await page.keyboard.press('Escape');
    }
    await page.getByTestId('stop-engine').click();
    await page.getByTestId('prop-sound').click();
    for (let i = 0; i < each; i += 1) await take('propeller-photo-file', 3 * each + i);
    const kept = () =>
      page.evaluate(
        () =>
          new Promise<{ sha: string; state: string; bytes: number }[]>((resolve, reject) => {
            const opening = indexedDB.open('jolly-quay');
            opening.onerror = () => reject(new Error('the phone’s store cannot be opened'));
            opening.onsuccess = () => {
              const all = opening.result.transaction('photos').objectStore('photos').getAll() as IDBRequest<
                { sha: string; state: string; bytes: number }[]
              >;
              all.onsuccess = () => resolve(all.result.map(({ sha, state, bytes }) => ({ sha, state, bytes })));
            };
          }),
      );
    const before = await kept();
    if (before.length !== PHOTOS) throw new Error(`${before.length} photographs were kept, not ${PHOTOS}`);
    // Every piece that goes out, by photograph: where it began and how long it was.
    const sent = new Map<string, [from: number, bytes: number][]>();
    page.on('requestfinished', (request) => {
      const match = /\/photos\/([0-9a-f]{64})\?offset=(\d+)&size=\d+/.exec(request.url());
      if (request.method() !== 'PATCH' || !match) return;
      sent.set(match[1]!, [...(sent.get(match[1]!) ?? []), [Number(match[2]), Number(request.headers()['content-length'] ?? 0)]]);
    });
    await context.setOffline(false);
    await page.waitForTimeout(1500);
    // In the middle of it the signal is gone, and comes back.
    await context.setOffline(true);
    await page.waitForTimeout(2500);
    await context.setOffline(false);
    const until = Date.now() + 240_000;
    let held = 0;
    while (held < before.length && Date.now() < until) {
      await page.waitForTimeout(500);
      held = (await kept()).filter(({ state }) => state === 'synced').length;
    }
    let there = 0;
    for (const { sha, bytes } of before) {
      const answer = await context.request.get(`${quay.url}/api/hires/h-1001/photos/${sha}`);
      there += Number(answer.ok() && (await answer.body()).length === bytes);
    }
    // A piece that began before where the last one ended was sent a second time.
    const twice = [...sent.values()].filter((pieces) => {
      const inOrder = [...pieces].sort(([a], [b]) => a - b);
      return inOrder.some(([from], i) => i > 0 && from === inOrder[i - 1]![0]);
    }).length;
    console.error(`  ${before.length} photographs, ${(before.reduce((sum, { bytes }) => sum + bytes, 0) / 1e6).toFixed(0)} MB`);
    return [
      figureAtLeast('photographs at the quay after a cut', there, '', PHOTOS),
      figure('photographs of which a piece was taken twice', twice, '', 0),
    ];
  });
};
