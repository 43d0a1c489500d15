import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';

/** A side of a hull above the water, with a fresh scratch. */
const HULL = `<svg xmlns="http://www.w3.org/2000/svg" width="640" height="480"><rect width="640" height="480" fill="#9DBFC6"/>
<path d="M0 96Q340 60 640 132V372Q320 356 0 384Z" fill="#2E5A52"/><path d="M0 96Q340 60 640 132V158Q340 88 0 124Z" fill="#E9E0CB"/>
<path d="M0 384Q320 356 640 372V480H0Z" fill="#7FA7AE"/><path d="M210 236q90 26 190 14" stroke="#DAD5C4" stroke-width="7" fill="none" stroke-linecap="round"/>
<g stroke="#DCE9EA" stroke-opacity=".4" stroke-width="5"><path d="M30 420h160M260 446h200M420 410h120"/></g></svg>`;

export type File = { name: string; mimeType: string; buffer: Buffer };

/** No two photographs are the same, byte for byte; the very same one twice is named as that. */
let taken = 0;

/** A made-up photograph that is all right, another one each time. */
export const goodPicture = async (name = 'scratch.jpg', width = 640, height = 480): Promise<File> => ({
  name,
  mimeType: 'image/jpeg',
  buffer: await sharp(
    Buffer.from(
      HULL.replace('</svg>', `<circle cx="${20 + (((taken += 1) * 7) % 600)}" cy="${300 + (taken % 5) * 9}" r="4" fill="#DAD5C4"/></svg>`),
    ),
  )
    .resize(width, height, { fit: 'fill' })
    .jpeg({ quality: 88 })
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

/** A made-up photograph of somebody whose hand moved, or who did not wait for the lens. */
export const blurredPicture = async (): Promise<File> => ({
  name: 'blurred.jpg',
  mimeType: 'image/jpeg',
  buffer: await sharp(Buffer.from(HULL)).resize(1600, 1200, { fit: 'fill' }).blur(9).jpeg({ quality: 88 }).toBuffer(),
});

/** A made-up photograph of a flaw with a card beside it, seen straight: 400 px of the picture are {@link BY_CARD_MM}. */
export const cardPicture = async (): Promise<File> => ({
  name: 'card.jpg',
  mimeType: 'image/jpeg',
  buffer: await sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="1600" height="1200"><rect width="1600" height="1200" fill="#2E5A52"/>
<path d="M560 360H960" stroke="#DAD5C4" stroke-width="6"/><rect x="418" y="645" width="523" height="330" rx="19" fill="#E9E0CB"/>
<rect x="418" y="700" width="523" height="60" fill="#5A4632"/></svg>`,
    ),
  )
    .jpeg({ quality: 90 })
    .toBuffer(),
});
export const BY_CARD_MM = (400 / 523) * 85.6;

/** A made-up photograph taken under a dark roof. */
export const darkPicture = async (): Promise<File> => ({
  name: 'dark.jpg',
  mimeType: 'image/jpeg',
  buffer: await sharp(Buffer.from(HULL)).resize(1200, 900, { fit: 'fill' }).linear(0.14, 0).jpeg({ quality: 88 }).toBuffer(),
});
