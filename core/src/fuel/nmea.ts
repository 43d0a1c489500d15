/**
 * Sentences of NMEA 0183 that a boat's gateway sends: `$` or `!`, fields by commas, `*` and the exclusive or of all
 * characters between as two hexadecimal digits. Transducers come as `XDR` in groups of four: type, value, unit, name.
 */

export type Sentence =
  /** One transducer: what it is called aboard, and what it measures. */
  | { is: 'transducer'; name: string; value: number; unit: string }
  /** Degrees, east and north positive; instant of the fix as the receiver says it. */
  | { is: 'position'; latitude: number; longitude: number };

export type BadSentence = { is: 'bad'; reason: 'shape' | 'checksum' | 'value' };

export const checksum = (body: string): string => {
  let sum = 0;
  for (let i = 0; i < body.length; i += 1) sum ^= body.charCodeAt(i);
  return sum.toString(16).toUpperCase().padStart(2, '0');
};

/** `4807.038`, `N` → 48.1173: degrees and minutes run together. */
const degrees = (text: string, side: string): number => {
  const match = /^(\d{2,3})(\d\d(?:\.\d+)?)$/.exec(text);
  if (!match || !/^[NSEW]$/.test(side)) return NaN;
  const value = Number(match[1]) + Number(match[2]) / 60;
  return side === 'S' || side === 'W' ? -value : value;
};

/** What one line says; nothing for sentences of other kinds, and why when it cannot be believed. */
export const sentenceOf = (line: string): (Sentence | BadSentence)[] => {
  const match = /^[$!]([A-Z]{2})([A-Z]{3}),([^*]*)\*([0-9A-Fa-f]{2})\s*$/.exec(line);
  if (!match) return [{ is: 'bad', reason: 'shape' }];
  const [, talker = '', kind = '', rest = '', sum = ''] = match;
  if (checksum(`${talker}${kind},${rest}`) !== sum.toUpperCase()) return [{ is: 'bad', reason: 'checksum' }];
  const fields = rest.split(',');
  if (kind === 'XDR') {
    const found: (Sentence | BadSentence)[] = [];
    for (let i = 0; i + 3 < fields.length; i += 4) {
      const [, value = '', unit = '', name = ''] = fields.slice(i, i + 4);
      const number = value.trim() === '' ? NaN : Number(value);
      found.push(Number.isFinite(number) && name !== '' ? { is: 'transducer', name, value: number, unit } : { is: 'bad', reason: 'value' });
    }
    return found;
  }
  if (kind === 'GLL') {
    const [lat = '', ns = '', lon = '', ew = '', , valid = ''] = fields;
    const [latitude, longitude] = [degrees(lat, ns), degrees(lon, ew)];
    // A receiver that has no fix says so with a V.
    if (valid !== 'A' || Number.isNaN(latitude) || Number.isNaN(longitude)) return [{ is: 'bad', reason: 'value' }];
    return [{ is: 'position', latitude, longitude }];
  }
  return [];
};
