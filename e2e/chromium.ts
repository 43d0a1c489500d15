/** Debian's Chromium, kept from looking anything up by itself. */
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
  ],
};
