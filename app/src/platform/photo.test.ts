/** @jest-environment node */
import { checkPhoto } from './photo';

const bitmap = jest.fn<Promise<{ width: number; height: number; close(): void }>, [Blob]>();
(globalThis as { createImageBitmap?: unknown }).createImageBitmap = bitmap;
beforeEach(() => bitmap.mockResolvedValue({ width: 4000, height: 3000, close: () => undefined }));

const file = (...parts: (number[] | string)[]) => new Blob(parts.map((part) => (typeof part === 'string' ? part : new Uint8Array(part))));
const JPEG = [0xff, 0xd8, 0xff, 0xe0];
const SCAN = [0xff, 0xda, 1, 2, 3];
const END = [0xff, 0xd9];

it('takes a whole JPEG, PNG and WebP', async () => {
  expect(await checkPhoto(file(JPEG, SCAN, END))).toBeUndefined();
  expect(await checkPhoto(file([0x89], 'PNG\r\n\x1a\n', 'somewhat more', [0, 0, 0, 0], 'IEND', [0xae, 0x42, 0x60, 0x82]))).toBeUndefined();
  expect(await checkPhoto(file('RIFF', [8, 0, 0, 0], 'WEBP', [1, 2, 3, 4]))).toBeUndefined();
});

it('knows a JPEG whose end is missing, even when a small picture inside has one', async () => {
  expect(await checkPhoto(file(JPEG, SCAN, [9, 9, 9]))).toBe('truncated');
  // A preview inside the header ends with its own end-of-image, before the real scan begins.
  expect(await checkPhoto(file(JPEG, SCAN, END, SCAN, [9, 9]))).toBe('truncated');
  expect(await checkPhoto(file('RIFF', [99, 0, 0, 0], 'WEBP', [1, 2, 3, 4]))).toBe('truncated');
});

it('refuses HEIC, what is no picture, what is too large and what has too many pixels', async () => {
  expect(await checkPhoto(file([0, 0, 0, 24], 'ftypheic', new Array<number>(20).fill(0)))).toBe('heic');
  expect(await checkPhoto(file('%PDF-1.7 and so on'))).toBe('noImage');
  expect(await checkPhoto(file(new Array<number>(4).fill(0)))).toBe('noImage');
  expect(await checkPhoto({ size: 26 * 1024 * 1024 } as Blob)).toBe('tooLarge');
  bitmap.mockResolvedValue({ width: 9000, height: 6000, close: () => undefined });
  expect(await checkPhoto(file(JPEG, SCAN, END))).toBe('tooManyPixels');
  bitmap.mockRejectedValue(new Error('cannot be decoded'));
  expect(await checkPhoto(file(JPEG, SCAN, END))).toBe('noImage');
});
