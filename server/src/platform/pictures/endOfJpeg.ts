/** Markers that stand alone, without a length: TEM, the restarts, SOI. */
const standsAlone = (marker: number): boolean => marker === 0x01 || (marker >= 0xd0 && marker <= 0xd8);

/**
 * Whether a JPEG goes on to its own end-of-image marker (ITU T.81, annex B). Decoders are content with a picture that
 * lacks its last bytes; what is evidence has to be whole. Whatever a camera appends after the end does not matter.
 * @param bytes from the start of the file
 */
export const reachesEnd = (bytes: Uint8Array): boolean => {
  if (bytes[0] !== 0xff || bytes[1] !== 0xd8) return false;
  let at = 2;
  for (;;) {
    // In compressed data FF is followed by 00 or a restart; anything else is the next marker.
    at = bytes.indexOf(0xff, at);
    if (at < 0 || at + 1 >= bytes.length) return false;
    const marker = bytes[at + 1]!;
    if (marker === 0xd9) return true;
    if (marker === 0xff) at += 1;
    else if (marker === 0x00 || standsAlone(marker)) at += 2;
    else {
      if (at + 3 >= bytes.length) return false;
      // A segment has at least the two bytes of its own length, so that this always goes on.
      at += 2 + Math.max(2, bytes[at + 2]! * 256 + bytes[at + 3]!);
    }
  }
};
