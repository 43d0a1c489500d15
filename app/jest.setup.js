require('fake-indexeddb/auto');

// One tab in a test; an open channel would keep the runner from ending.
delete globalThis.BroadcastChannel;
globalThis.navigator ??= {};
