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
    // An address that is not localhost, so that a page on it has no secure context.
    '--host-resolver-rules=MAP quay.test 127.0.0.1',
  ],
};
