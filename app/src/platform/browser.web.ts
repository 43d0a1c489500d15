/** What only a browser has, behind names that a native build could fill in. */

/** Without a secure context there is no service worker, no key and no lock: the app says so and starts no walk. */
export const canWorkOffline = (): boolean => window.isSecureContext && 'serviceWorker' in navigator;

/** Asks that what is kept here is not thrown away when the disk runs low. @returns whether it was granted */
export const askToPersist = async (): Promise<boolean> =>
  'storage' in navigator && 'persist' in navigator.storage ? navigator.storage.persist() : false;

/** Does work that no other tab does meanwhile, where the browser can tell. */
export const oneAtATime = (name: string, work: () => Promise<void>): Promise<void> =>
  'locks' in navigator ? navigator.locks.request(name, work) : (work as () => Promise<void>)();

/** Calls back when there may be a way through again. @returns how to stop */
export const onWayThrough = (listener: () => void): (() => void) => {
  const visible = () => {
    if (document.visibilityState === 'visible') listener();
  };
  window.addEventListener('online', listener);
  document.addEventListener('visibilitychange', visible);
  return () => {
    window.removeEventListener('online', listener);
    document.removeEventListener('visibilitychange', visible);
  };
};

/** Keys for everything frequent. @returns how to stop */
export const onKey = (listener: (key: string) => boolean): (() => void) => {
  const press = (event: KeyboardEvent) => {
    const target = event.target as HTMLElement | null;
    if (event.ctrlKey || event.metaKey || event.altKey || target?.closest('input, textarea, [contenteditable]')) return;
    if (listener(event.key)) event.preventDefault();
  };
  window.addEventListener('keydown', press);
  return () => window.removeEventListener('keydown', press);
};

export const readFragment = (): string => decodeURIComponent(window.location.hash.slice(1));

/** Installs the service worker of the staff's face. A new version takes over by itself once no walk is open. */
export const startServiceWorker = async (): Promise<void> => {
  if (!canWorkOffline() || process.env.NODE_ENV === 'development') return;
  await navigator.serviceWorker.register('/sw.js', { scope: '/' });
};

export const openInNewTab = (address: string): void => {
  window.open(address, '_blank', 'noopener');
};

export const copyText = (text: string): Promise<void> => navigator.clipboard.writeText(text);

export const prefersDusk = (): boolean => window.matchMedia('(prefers-color-scheme: dark)').matches;
