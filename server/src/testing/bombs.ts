import { crc32, deflateSync } from 'node:zlib';

const chunk = (type: string, data: Buffer): Buffer => {
  const body = Buffer.concat([Buffer.from(type, 'latin1'), data]);
  const head = Buffer.alloc(4);
  head.writeUInt32BE(data.length);
  const check = Buffer.alloc(4);
  check.writeUInt32BE(crc32(body));
  return Buffer.concat([head, body, check]);
};

const CHANNELS: Readonly<Record<number, number>> = { 0: 1, 2: 3, 6: 4 };

/**
 * A picture of one colour that is small as a file and as large as one likes once it is opened (PNG, third edition).
 * @param colour 0 grey, 2 colours, 6 colours with transparency
 */
export const flatPng = (width: number, height: number, { depth = 8, colour = 0 as 0 | 2 | 6, seed = 0 } = {}): Buffer => {
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([depth, colour, 0, 0, 0], 8);
  const line = 1 + Math.ceil((width * (CHANNELS[colour] ?? 1) * depth) / 8);
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', head),
    // Something to tell one from the next by.
    chunk('tEXt', Buffer.from(`Comment\0${seed}`, 'latin1')),
    chunk('IDAT', deflateSync(Buffer.alloc(line * height), { level: 9 })),
    chunk('IEND', Buffer.alloc(0)),
  ]);
};
