import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';

export type File = { name: string; mimeType: string; buffer: Buffer };

/** A made-up photograph that is all right. */
export const goodPicture = async (name = 'scratch.jpg', width = 640, height = 480): Promise<File> => ({
  name,
  mimeType: 'image/jpeg',
  buffer: await sharp({ create: { width, height, channels: 3, background: '#37645c', noise: { type: 'gaussian', mean: 120, sigma: 30 } } })
    .jpeg()
    .toBuffer(),
});

/** Files that must be refused, with what is said of each; in a folder, since some are large. */
export const badPictures = async (folder: string): Promise<[file: string, said: RegExp][]> => {
  const { buffer } = await goodPicture();
  const file = (name: string, bytes: Buffer): string => {
    const path = join(folder, name);
    writeFileSync(path, bytes);
    return path;
  };
  return [
    [file('paper.jpg', Buffer.from('%PDF-1.7 this is no picture')), /no picture that can be read/],
    [file('cut.jpg', buffer.subarray(0, Math.floor(buffer.length * 0.5))), /end of the picture is missing/],
    [file('apple.heic', Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypheic'), Buffer.alloc(64)])), /HEIC/],
    [file('large.jpg', Buffer.concat([buffer, Buffer.alloc(25 * 1024 * 1024)])), /over 25 MB/],
    [file('wide.jpg', (await goodPicture('wide.jpg', 8200, 6200)).buffer), /more than 50 million pixels/],
  ];
};
