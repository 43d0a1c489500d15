/** Debian's Chromium (`./quay` says which), kept from looking anything up by itself. */
export const CHROMIUM = {
  executablePath: process.env.QUAY_CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    // A camera that is none: a moving pattern, allowed without asking.
    '--use-fake-device-for-media-stream',
    '--use-fake-ui-for-media-stream',
    // An address that is not localhost, so that a page on it has no secure context.
    '--host-resolver-rules=MAP quay.test 127.0.0.1',
  ],
};
