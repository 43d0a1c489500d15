import type { CardTerminal } from '@quay/contract/deposit';

/** No terminal is connected: deposits are taken by hand and written down. */
export const noCardTerminal: CardTerminal = {
  simulated: false,
  waitMs: 0,
  hold: () => Promise.resolve({ is: 'none' }),
  state: () => Promise.resolve({ is: 'none' }),
  release: () => Promise.resolve({ is: 'none' }),
  pay: () => Promise.resolve({ is: 'none' }),
};
