import { PHOTO_LIMIT_BYTES, PHOTO_LIMIT_PIXELS, PHOTO_LIMIT_SIDE } from '@quay/contract/record';

export type PhotoFault = 'tooLarge' | 'tooManyPixels' | 'heic' | 'noImage' | 'truncated';

export type PhotoSource = 'camera' | 'file';

/** Lets somebody take a photograph, or choose one that is there. @returns undefined when they changed their mind */
export const pickPhoto = (source: PhotoSource): Promise<File | undefined> =>
  new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = 'image/*';
    if (source === 'camera') input.setAttribute('capture', 'environment');
    input.style.display = 'none';
    const done = (file: File | undefined) => {
      input.remove();
      resolve(file);
    };
    input.addEventListener('change', () => done(input.files?.[0]));
    input.addEventListener('cancel', () => done(undefined));
    document.body.append(input);
    input.click();
  });

const lastIndexOf = (bytes: Uint8Array, marker: number): number => {
  for (let i = bytes.length - 2; i >= 0; i -= 1) if (bytes[i] === 0xff && bytes[i + 1] === marker) return i;
  return -1;
};
const text = (bytes: Uint8Array, from: number, length: number) => String.fromCharCode(...bytes.subarray(from, from + length));

type Kind = 'jpeg' | 'png' | 'webp' | 'heic' | undefined;
const kindOf = (bytes: Uint8Array): Kind => {
  if (bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff) return 'jpeg';
  if (text(bytes, 1, 3) === 'PNG') return 'png';
  if (text(bytes, 0, 4) === 'RIFF' && text(bytes, 8, 4) === 'WEBP') return 'webp';
  if (text(bytes, 4, 4) === 'ftyp' && /^(hei|hev|mif|msf)/.test(text(bytes, 8, 4))) return 'heic';
  return undefined;
};

/** Whether the end is missing. In a JPEG the last end-of-image lies behind the last start-of-scan; compressed data cannot fake either. */
const isTruncated = (bytes: Uint8Array, kind: Kind): boolean => {
  if (kind === 'jpeg') return lastIndexOf(bytes, 0xd9) < lastIndexOf(bytes, 0xda);
  if (kind === 'png') return !text(bytes, bytes.length - 12, 12).includes('IEND');
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  return view.getUint32(4, true) + 8 > bytes.length;
};

/** Checks a file before it is kept. The server checks again; this is so that it is said where it can be mended. */
export const checkPhoto = async (file: Blob): Promise<PhotoFault | undefined> => {
  if (file.size > PHOTO_LIMIT_BYTES) return 'tooLarge';
  const bytes = new Uint8Array(await file.arrayBuffer());
  const kind = kindOf(bytes);
  if (kind === 'heic') return 'heic';
  if (kind === undefined) return 'noImage';
  if (isTruncated(bytes, kind)) return 'truncated';
  try {
    const image = await createImageBitmap(file);
    const { width, height } = image;
    image.close();
    return width * height > PHOTO_LIMIT_PIXELS || Math.max(width, height) > PHOTO_LIMIT_SIDE ? 'tooManyPixels' : undefined;
  } catch {
    return 'noImage';
  }
};
