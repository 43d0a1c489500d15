import Database from 'better-sqlite3';
import { createHash } from 'node:crypto';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { canonical } from '@quay/core/events/canonical';
import { MARK_KINDS } from '@quay/core/condition/marks';
import { type Figure, figureAtLeast } from '../../figure';
import { onQuay, signedIn } from '../../quay';
import { FRAME_MS, inTime, SLOWER, traced } from '../../frames';

const MARKS = 60;
const SECONDS = 12;

/** Sixty marks on one side, as a hand's phone would have delivered them. */
const markHer = (data: string): void => {
  const db = new Database(join(data, 'quay.sqlite'));
  const insert = db.prepare(
    'insert into event (id, hire, digest, content, actor, role, device, "receivedAt", "behindMs") values (?, ?, ?, ?, ?, ?, ?, ?, 0)',
  );
  for (let i = 0; i < MARKS; i += 1) {
    const at = new Date(Date.now() - 600_000 + i * 1000).toISOString();
    const id = `00000000-0000-7000-8000-${String(i + 1).padStart(12, '0')}`;
    const mark = {
      id: `bench-${i}`,
      surface: 'port-side',
      x: ((i * 37) % 97) / 97,
      y: ((i * 61) % 89) / 89,
      kind: MARK_KINDS[i % MARK_KINDS.length],
      sizeMm: 20 + ((i * 53) % 400),
      photos: [],
    };
    const event = {
      id,
      v: 1,
      stream: 'h-1001',
      device: 'bench',
      deviceSeq: i + 1,
      at,
      bookVersion: 1,
      replaces: [],
      body: { kind: 'markPlaced', walk: 'out', mark },
    };
    const content = canonical(event);
    insert.run(id, 'h-1001', createHash('sha256').update(content).digest('hex'), content, 'bram', 'hand', 'bench', at);
  }
  db.close();
};

/** A hand on the drawing all the time: pushed about from near, and come nearer and farther. */
const handle = async (page: Page): Promise<void> => {
  const box = (await page.getByTestId('zoomable').boundingBox())!;
  const [cx, cy] = [box.x + box.width / 2, box.y + box.height / 2];
  const until = Date.now() + SECONDS * 1000;
  for (let i = 0; Date.now() < until; i += 1) {
    await page.mouse.move(cx, cy);
    await page.mouse.down();
    for (let k = 1; k <= 20; k += 1) await page.mouse.move(cx + Math.sin((i + k) / 4) * 120, cy + Math.cos((i + k) / 5) * 60);
    await page.mouse.up();
    await page.keyboard.down('Control');
    for (let k = 0; k < 8; k += 1) await page.mouse.wheel(0, i % 2 === 0 ? -40 : 40);
    await page.keyboard.up('Control');
  }
};

/** Sixty marks on a drawing, pushed and zoomed on a phone four times slower than this machine. */
export const marksFrames = async (): Promise<Figure[]> => {
  return onQuay(async (quay, browser) => {
    const page = await signedIn(browser, quay, { viewport: { width: 390, height: 844 }, deviceScaleFactor: 2 });
    const context = page.context();
    await page.goto(`${quay.url}/hire/h-1001/walk/out?stop=gate`);
    await page.getByTestId('surface-port-side').click();
    await page.getByTestId(`mark-${MARKS}`).waitFor();
    await page.getByTestId('nearer').click();
    await page.getByTestId('nearer').click();
    const cdp = await context.newCDPSession(page);
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
    const frames = await traced(browser, page, () => handle(page));
    if (frames.length < SECONDS * 5) throw new Error(`only ${frames.length} frames were drawn`);
    return [figureAtLeast(`${MARKS} marks pushed and zoomed: frames under ${FRAME_MS} ms at ${SLOWER} ×`, inTime(frames), '%', 95)];
  }, markHer);
};
