import { gunzipSync } from 'node:zlib';
import { MOST_FIXES, TRACK_LIMIT_BYTES } from '@quay/contract/track';
import type { Fixes } from '@quay/core/trip/track/fixes';
import { SaxesParser } from 'saxes';
import { decode } from '../../../platform/incoming';

/** Why a file is no track of ours, with what there is to say about it. */
export type NoTrack = { is: 'notGpx' | 'noFixes' | 'tooManyFixes' | 'tooLarge'; why: string };

/** Elements within elements; a track has five. */
const DEEPEST = 40;
/** Letters handed to the parser at once. */
const PIECE = 1 << 16;
/** Letters of an hour; longer ones are none. */
const HOUR_LETTERS = 40;

class Refused extends Error {
  constructor(readonly fault: NoTrack) {
    super(fault.is);
  }
}

const PACKED = [0x1f, 0x8b] as const;
const unpacked = (bytes: Uint8Array): Uint8Array => {
  if (bytes[0] !== PACKED[0] || bytes[1] !== PACKED[1]) return bytes;
  try {
    return gunzipSync(bytes, { maxOutputLength: TRACK_LIMIT_BYTES });
  } catch (cause) {
    const tooLarge = (cause as NodeJS.ErrnoException).code === 'ERR_BUFFER_TOO_LARGE';
    throw new Refused(tooLarge ? { is: 'tooLarge', why: String(TRACK_LIMIT_BYTES) } : { is: 'notGpx', why: 'gzip' });
  }
};

const degrees = (text: string | undefined, most: number): number => {
  const value = text === undefined || text.trim() === '' ? NaN : Number(text);
  return Math.abs(value) <= most ? value : NaN;
};

/**
 * Fixes of a GPX file's tracks, one after the other. Points without a place are left out; those without an hour, or with one
 * that is none, keep their place and say so by an hour that is no number. Nothing else of the file is kept: no names, no
 * links, no entities of its own.
 */
export const readGpx = (bytes: Uint8Array): Fixes | NoTrack => {
  try {
    return parse(decode(unpacked(bytes)));
  } catch (error) {
    if (error instanceof Refused) return error.fault;
    throw error;
  }
};

const parse = (text: string): Fixes => {
  const atMs: number[] = [];
  const lon: number[] = [];
  const lat: number[] = [];
  const parser = new SaxesParser();
  let depth = 0;
  let hour: string | undefined;
  let point: { lon: number; lat: number; at: number } | undefined;
  parser.on('error', (error) => {
    throw new Refused({ is: 'notGpx', why: error.message.slice(0, 200) });
  });
  // An entity of the file's own can be made of others without end; no track needs one.
  parser.on('doctype', () => {
    throw new Refused({ is: 'notGpx', why: 'DOCTYPE' });
  });
  parser.on('opentag', ({ name, attributes }) => {
    depth += 1;
    if (depth > DEEPEST) throw new Refused({ is: 'notGpx', why: 'depth' });
    const local = name.slice(name.indexOf(':') + 1);
    if (depth === 1 && local !== 'gpx') throw new Refused({ is: 'notGpx', why: name.slice(0, 40) });
    if (local === 'trkpt') {
      const given = attributes as Record<string, string | undefined>;
      point = { lon: degrees(given['lon'], 180), lat: degrees(given['lat'], 90), at: NaN };
    } else if (local === 'time' && point) hour = '';
  });
  parser.on('text', (piece) => {
    if (hour !== undefined && hour.length <= HOUR_LETTERS) hour += piece;
  });
  parser.on('closetag', ({ name }) => {
    depth -= 1;
    const local = name.slice(name.indexOf(':') + 1);
    if (local === 'time' && hour !== undefined && point) {
      point.at = hour.length <= HOUR_LETTERS ? Date.parse(hour.trim()) : NaN;
      hour = undefined;
    }
    if (local !== 'trkpt' || !point) return;
    if (Number.isFinite(point.lon) && Number.isFinite(point.lat)) {
      if (atMs.length >= MOST_FIXES) throw new Refused({ is: 'tooManyFixes', why: String(MOST_FIXES) });
      atMs.push(point.at);
      lon.push(point.lon);
      lat.push(point.lat);
    }
    point = undefined;
  });
  for (let i = 0; i < text.length; i += PIECE) parser.write(text.slice(i, i + PIECE));
  parser.close();
  if (atMs.length === 0) throw new Refused({ is: 'noFixes', why: '' });
  return { atMs: Float64Array.from(atMs), lon: Float64Array.from(lon), lat: Float64Array.from(lat) };
};
