require('fake-indexeddb/auto');

// One tab in a test; an open channel would keep the runner from ending.
delete globalThis.BroadcastChannel;
globalThis.navigator ??= {};

// Node copies a Blob into something without its methods; browsers do not.
const copy = globalThis.structuredClone;
globalThis.structuredClone = (value) => (typeof value === 'object' && value !== null && 'blob' in value ? { ...value } : copy(value));
