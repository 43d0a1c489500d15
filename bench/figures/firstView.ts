import { createServer } from 'node:http';
import { readFileSync, statSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { basename, extname, join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { chromium } from 'playwright-core';
import { exportWeb } from '../../app/build';
import { buildAll } from '../../cli/build';
import { CHROMIUM } from '../../e2e/chromium';
import { type Figure, figure } from '../figure';

const SIZE_FILE = 'bench/empty-page/size.json';
type Size = { gzipBytes: number; command: string };
const TYPES: Record<string, string> = { '.html': 'text/html', '.js': 'text/javascript', '.css': 'text/css', '.svg': 'image/svg+xml' };

/** Opens an export in the browser and adds up the gzipped size of every script the page itself asks for. */
const scriptsOf = async (folder: string, seen: string, address = '/'): Promise<{ bytes: number; names: string[] }> => {
  const asked = new Set<string>();
  const server = createServer((req, res) => {
    const path = new URL(req.url ?? '/', 'http://x').pathname;
    const file = join(folder, path);
    // No worker here: it would fetch everything that is kept offline, which is not the first view.
    if (path.startsWith('/api/') || path.endsWith('/sw.js')) {
      res.writeHead(404).end();
      return;
    }
    if (path.endsWith('.js')) asked.add(file);
    const found = statSync(file, { throwIfNoEntry: false })?.isFile() ? file : join(folder, 'index.html');
    res.writeHead(200, { 'content-type': TYPES[extname(found)] ?? 'application/octet-stream' }).end(readFileSync(found));
  }).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const browser = await chromium.launch(CHROMIUM);
  try {
    const page = await browser.newPage();
    await page.goto(`http://localhost:${(server.address() as AddressInfo).port}${address}`);
    await page.getByText(seen, { exact: true }).first().waitFor();
    await page.waitForLoadState('networkidle');
  } finally {
    await browser.close();
    server.closeAllConnections();
    server.close();
  }
  return {
    bytes: [...asked].reduce((sum, file) => sum + gzipSync(readFileSync(file), { level: 9 }).length, 0),
    names: [...asked].map((file) => basename(file)),
  };
};

/** Builds the empty Paper + Router page with the same switches and writes its size beside it. */
export const measureEmptyPage = async (): Promise<Figure[]> => {
  await exportWeb('bench/empty-page', 'dist');
  const { bytes: gzipBytes } = await scriptsOf('bench/empty-page/dist', 'empty');
  const size: Size = { gzipBytes, command: './quay bench empty-page' };
  writeFileSync(SIZE_FILE, `${JSON.stringify(size, null, 2)}\n`);
  return [figure('empty Paper + Router page, gzipped', gzipBytes / 1000, 'kB', 460)];
};

/** What has to arrive before anything is seen, against the empty page. */
export const firstView = async (): Promise<Figure[]> => {
  await buildAll();
  const empty = (JSON.parse(readFileSync(SIZE_FILE, 'utf8')) as Size).gzipBytes;
  const staff = await scriptsOf('app/dist', 'Come aboard');
  const renter = await scriptsOf('app/dist', 'This link opens nothing', '/r');
  // A file of the staff's in the renter's first view is no figure but a mistake.
  const strangers = renter.names.filter((name) => /^(staffFace|inside)-/.test(name));
  if (strangers.length > 0) throw new Error(`the renter’s first view asks for ${strangers.join(', ')}`);
  for (const [name, { bytes }] of Object.entries({ staff, renter }))
    console.error(`  ${name} ${(bytes / 1000).toFixed(1)} kB, empty page ${(empty / 1000).toFixed(1)} kB, gzipped`);
  return [
    figure('first view / empty page', staff.bytes / empty, '×', 1.35),
    figure('renter’s first view / empty page', renter.bytes / empty, '×', 1.3),
  ];
};
