import { judgeBlur } from '@quay/core/photo/madeUp';
import { measureByCards, within5 } from '@quay/core/photo/madeUpCards';
import { qualityOf } from '@quay/core/photo/quality';
import { readdirSync } from 'node:fs';
import sharp from 'sharp';
import { type Figure, figure, figureAtLeast } from '../figure';
import { onQuay } from '../quay';

const THREADS = 'app/dist/_expo/static/js/web';
const PICTURES = 400;
const CARDS = 150;

/** A made-up picture of twelve megapixels with as much in it as a real one: grain and shapes that a decoder has to work for. */
const twelveMegapixels = async (): Promise<string> => {
  const [width, height] = [4000, 3000];
  const grain = Buffer.alloc(width * height);
  let a = 7;
  for (let i = 0; i < grain.length; i += 1) {
    a = (Math.imul(a, 1664525) + 1013904223) >>> 0;
    grain[i] = 96 + ((((i % width) >> 6) ^ ((i / width) >> 6)) % 64) + (a >>> 27);
  }
  const jpeg = await sharp(grain, { raw: { width, height, channels: 1 } })
    .toColourspace('srgb')
    .jpeg({ quality: 90 })
    .toBuffer();
  return jpeg.toString('base64');
};

/** The check of photographs: how often it is right about blur, and how long it takes in the thread that the app starts. */
export const capture = async (): Promise<Figure[]> => {
  const agreed = judgeBlur(PICTURES, 20260613, (pixels) => qualityOf(pixels).doubts.includes('blurred'));
  // Corners by a thumb, ends under the magnifier, which shows a pixel of the photograph as one of the screen.
  const cards = measureByCards(CARDS, 20261126, { thumbPx: 6, endPx: 0.7, edges: true });
  const byEdges = cards.flatMap(({ truthMm, byEdgesMm }) => (byEdgesMm === undefined ? [] : [{ truthMm, mm: byEdgesMm }]));
  return onQuay(async (quay, browser) => {
    const thread = readdirSync(THREADS).find((file) => /^thread-photo-.*\.js$/.test(file));
    if (thread === undefined) throw new Error(`there is no thread for photographs in ${THREADS}`);
    const page = await browser.newPage();
    await page.goto(quay.url);
    const times = await page.evaluate(
      async ([address, base64]) => {
        const bytes = Uint8Array.from(atob(base64!), (letter) => letter.charCodeAt(0));
        const blob = new Blob([bytes], { type: 'image/jpeg' });
        const worker = new Worker(address!);
        const judge = (id: number) =>
          new Promise<number>((resolve, reject) => {
            const began = performance.now();
            worker.onmessage = ({ data: said }: MessageEvent<{ ok: boolean; why?: string }>) =>
              said.ok ? resolve(performance.now() - began) : reject(new Error(said.why));
            worker.onerror = ({ message }) => reject(new Error(message));
            worker.postMessage({ id, blob, ask: 'quality' });
          });
        const all: number[] = [];
        for (let i = 0; i < 9; i += 1) all.push(await judge(i));
        return all.slice(1);
      },
      [`/_expo/static/js/web/${thread}`, await twelveMegapixels()],
    );
    return [
      figureAtLeast(`blur agrees with what is known, ${PICTURES} pictures`, agreed * 100, '%', 99),
      figureAtLeast(`a card’s edges found, ${CARDS} pictures`, (byEdges.length / CARDS) * 100, '%', 95),
      figureAtLeast('size by a card within 5 %, corners by its edges', within5(byEdges) * 100, '%', 98),
      figureAtLeast(
        'the same with corners by thumb only',
        within5(cards.map(({ truthMm, byThumbMm }) => ({ truthMm, mm: byThumbMm }))) * 100,
        '%',
        0,
      ),
      figure('a 12-megapixel picture judged in its thread', Math.max(...times), 'ms', 700),
    ];
  });
};
