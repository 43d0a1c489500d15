require('fake-indexeddb/auto');

// One tab in a test; an open channel would keep the runner from ending.
delete globalThis.BroadcastChannel;
globalThis.navigator ??= {};

// The simulated page has no size of its own; here it is a phone's. What needs no page runs without one.
if (globalThis.document)
  Object.defineProperties(document.documentElement, {
    clientWidth: { value: 390, configurable: true },
    clientHeight: { value: 844, configurable: true },
  });

// Node copies a Blob into something without its methods; browsers do not.
const copy = globalThis.structuredClone;
globalThis.structuredClone = (value) => (typeof value === 'object' && value !== null && 'blob' in value ? { ...value } : copy(value));
