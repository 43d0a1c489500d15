import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import serialize from 'canonicalize';

/** RFC 8785 canonical JSON of plain data. @throws TypeError for what JSON cannot hold */
export const canonical = (value: unknown): string => {
  const text = serialize(value);
  if (text === undefined) throw new TypeError('not JSON');
  return text;
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
