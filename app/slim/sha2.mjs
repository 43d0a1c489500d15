// The one hash we use; the package's file holds its longer cousins as well.
export { sha256 } from '@noble/hashes/sha2.js';
