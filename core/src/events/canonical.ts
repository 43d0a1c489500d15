import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';

/** Printable ASCII without quote and backslash stands for itself in JSON; most of what is written here is that. */
const PLAIN = /^[ !#-[\]-~]*$/;
const quote = (text: string): string => (PLAIN.test(text) ? `"${text}"` : JSON.stringify(text));

/**
 * RFC 8785 canonical JSON of plain data: members sorted by UTF-16 code units, numbers as ECMAScript writes them, absent
 * where undefined. Written here and not taken from a package because every event is put through it on its way in; the
 * package is its oracle in the tests. @throws TypeError for what JSON cannot hold
 */
export const canonical = (value: unknown): string => {
  switch (typeof value) {
    case 'string':
      return quote(value);
    case 'number':
      if (!Number.isFinite(value)) throw new TypeError('not JSON: a number that is not finite');
      return String(Object.is(value, -0) ? 0 : value);
    case 'boolean':
      return value ? 'true' : 'false';
    case 'object': {
      if (value === null) return 'null';
      if (Array.isArray(value)) return `[${value.map((one) => canonical(one === undefined ? null : one)).join(',')}]`;
      let text = '';
      for (const key of Object.keys(value).sort()) {
        const member = (value as Record<string, unknown>)[key];
        if (member !== undefined) text += `${text && ','}${quote(key)}:${canonical(member)}`;
      }
      return `{${text}}`;
    }
    default:
      throw new TypeError(`not JSON: ${typeof value}`);
  }
};

/** SHA-256, lower-case hex, of canonical JSON. */
export const digestOf = (value: unknown): string => bytesToHex(sha256(utf8ToBytes(canonical(value))));

/** SHA-256, lower-case hex, of bytes: the name of a photograph. */
export const nameOfBytes = (bytes: Uint8Array): string => bytesToHex(sha256(bytes));

/**
 * Commitment to a personal field: an event holds this, the field itself and its salt stand in a row of their own, so
 * that deleting the row erases the person and leaves every seal verifiable.
 */
export const commit = (salt: string, value: string): string => digestOf({ salt, value });
