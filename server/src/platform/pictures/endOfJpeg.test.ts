import fc from 'fast-check';
import sharp from 'sharp';
import { reachesEnd } from './endOfJpeg';

const picture = (progressive: boolean) =>
  sharp({ create: { width: 90, height: 60, channels: 3, background: '#357' } })
    .composite([{ input: Buffer.from('<svg width="90" height="60"><circle cx="30" cy="30" r="20" fill="#fa0"/></svg>') }])
    .jpeg({ progressive, quality: 90 })
    .toBuffer();
/** Puts a segment right behind the start, as cameras do with a small picture of their own in it. */
const withSegment = (jpeg: Buffer, content: Buffer) => {
  const head = Buffer.from([0xff, 0xe1, 0, 0]);
  head.writeUInt16BE(content.length + 2, 2);
  return Buffer.concat([jpeg.subarray(0, 2), head, content, jpeg.subarray(2)]);
};

it.each([false, true])('finds the end of a whole picture, and of none that lacks a byte of it (progressive: %s)', async (progressive) => {
  const whole = await picture(progressive);
  expect(reachesEnd(whole)).toBe(true);
  for (let length = 0; length < whole.length; length += 1) expect(reachesEnd(whole.subarray(0, length))).toBe(false);
});

it('does not take the end of a picture within the picture for its own', async () => {
  const whole = withSegment(await picture(false), await picture(false));
  expect(reachesEnd(whole)).toBe(true);
  expect(reachesEnd(whole.subarray(0, -2))).toBe(false);
});

it('minds nothing that a camera appends', async () => {
  expect(reachesEnd(Buffer.concat([await picture(false), Buffer.from('a film of the moment before')]))).toBe(true);
});

it('comes to an answer over any bytes', () => {
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 400 }), (bytes) => {
      expect(typeof reachesEnd(Uint8Array.from([0xff, 0xd8, ...bytes]))).toBe('boolean');
    }),
  );
});
