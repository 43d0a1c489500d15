/** Everything to press whose test id begins so; Paper gives names of its own to what lies around and inside. */
export const idsFrom = (prefix: string): string =>
  `[data-testid^="${prefix}"]:not([data-testid$="-container"]):not([data-testid$="-text"]):not([data-testid$="-icon"])`;
