/** What only a browser has, behind names that a native build could fill in. */

/** Without a secure context there is no service worker, no key and no lock: the app says so and starts no walk. */
export const canWorkOffline = (): boolean => window.isSecureContext && 'serviceWorker' in navigator;

/** The region this browser is set to, `US`; undefined where it names none. */
export const regionHere = (): string | undefined => {
  try {
    return new Intl.Locale(navigator.language).region;
  } catch {
    // A browser may be set to anything; what is no locale names no region.
    return undefined;
  }
};

/** Whether a file is a picture that this browser can show. */
export const isPicture = async (file: Blob): Promise<boolean> => {
  try {
    (await createImageBitmap(file)).close();
    return true;
  } catch {
    return false;
  }
};

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

/** Calls back when this page is left, and when it is shown again as it was. */
export const onLeaving = (leave: () => void, comeBack: () => void): void => {
  if (typeof window === 'undefined') return;
  window.addEventListener('pagehide', leave);
  window.addEventListener('pageshow', comeBack);
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

/** Calls back with what went wrong where nobody waited for it, so that it is said and not only written to the console. @returns how to stop */
export const onUnforeseen = (listener: (what: string) => void): (() => void) => {
  const rejected = ({ reason }: PromiseRejectionEvent) => listener(reason instanceof Error ? reason.message : String(reason));
  window.addEventListener('unhandledrejection', rejected);
  return () => window.removeEventListener('unhandledrejection', rejected);
};

export const readFragment = (): string => decodeURIComponent(window.location.hash.slice(1));

/** Installs the service worker of a face. A new version takes over by itself once no walk is open. */
export const startServiceWorker = async (face: 'staff' | 'renter'): Promise<void> => {
  if (!canWorkOffline() || process.env.NODE_ENV === 'development') return;
  await (face === 'staff'
    ? navigator.serviceWorker.register('/sw.js', { scope: '/' })
    : navigator.serviceWorker.register('/r/sw.js', { scope: '/r' }));
};

export type Fix = { lon: number; lat: number; withinM: number; at: number };
/** Where the phone is, with what it has: no signal is needed for it. @returns nothing when it does not say */
export const whereAmI = (): Promise<Fix | undefined> =>
  new Promise((resolve) => {
    if (!('geolocation' in navigator)) {
      resolve(undefined);
      return;
    }
    navigator.geolocation.getCurrentPosition(
      ({ coords, timestamp }) => resolve({ lon: coords.longitude, lat: coords.latitude, withinM: coords.accuracy, at: timestamp }),
      () => resolve(undefined),
      { enableHighAccuracy: true, timeout: 20_000, maximumAge: 30_000 },
    );
  });

/** Reads a text aloud. @returns whether this phone has a voice for the language */
export const readAloud = (text: string, language: string, onEnd: () => void): boolean => {
  if (!('speechSynthesis' in window)) return false;
  const voices = window.speechSynthesis.getVoices();
  const voice = voices.find(({ lang }) => lang.toLowerCase().startsWith(language));
  // Some browsers tell their voices late; then the browser chooses by the language alone.
  if (voices.length > 0 && !voice) return false;
  window.speechSynthesis.cancel();
  const said = new SpeechSynthesisUtterance(text);
  said.lang = language;
  if (voice) said.voice = voice;
  said.onend = onEnd;
  said.onerror = onEnd;
  window.speechSynthesis.speak(said);
  return true;
};
export const stopReading = (): void => {
  if ('speechSynthesis' in window) window.speechSynthesis.cancel();
};

/** A choice kept in this browser, for those who come back; only as long as the page where it keeps nothing. */
export const rememberedChoice = (name: string): string | undefined => globalThis.localStorage?.getItem(name) ?? undefined;
export const rememberChoice = (name: string, value: string): void => globalThis.localStorage?.setItem(name, value);
export const browserLanguage = (): string => navigator.language.slice(0, 2);
export const setPageLanguage = (language: string): void => {
  document.documentElement.lang = language;
};

export const openInNewTab = (address: string): void => {
  window.open(address, '_blank', 'noopener');
};

/** Brings what is to be looked at into the middle of the screen, and the keyboard to it where it takes one. */
export const bringIntoView = (testId: string): void => {
  const found = document.querySelector<HTMLElement>(`[data-testid="${CSS.escape(testId)}"]`);
  found?.scrollIntoView({ block: 'center' });
  found?.focus({ preventScroll: true });
};

/** Hands a message to whatever sends such messages here: `sms:` or `mailto:` and whom to. */
export const handOver = (address: string): void => {
  window.location.href = address;
};

/** Whether this device has a sheet of its own to send something on with. */
export const canShare = (): boolean => 'share' in navigator;
/** Opens it. Who closes it again has sent nothing, and that is no fault. */
export const share = async (what: { title: string; text: string; url: string }): Promise<void> => {
  try {
    await navigator.share(what);
  } catch (error) {
    if (!(error instanceof DOMException && error.name === 'AbortError')) throw error;
  }
};

/** Hands a number to the phone's dialler. */
export const dial = (number: string): void => {
  window.location.href = `tel:${number.replace(/[^+\d]/g, '')}`;
};

/** Hands the page to the printer, by its own dialog. */
export const printPage = (): void => window.print();

export const copyText = (text: string): Promise<void> => navigator.clipboard.writeText(text);

export const prefersDusk = (): boolean => window.matchMedia('(prefers-color-scheme: dark)').matches;

/** Gives somebody a file to keep, under a name. */
export const saveFile = (blob: Blob, name: string): void => {
  const address = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  document.body.append(link);
  link.click();
  link.remove();
  // The browser has begun to read it by then; it must not be kept for as long as the page is open.
  setTimeout(() => URL.revokeObjectURL(address), 60_000);
};

let shared: Promise<void> | undefined;
/** What the screens behind the first view share, fetched once before the first of them; tried again when it could not be had. */
export const loadShared = (): Promise<void> => {
  const address = document.documentElement.dataset.shared;
  if (address === undefined) return Promise.resolve();
  shared ??= new Promise<void>((resolve, reject) => {
    const script = document.createElement('script');
    script.src = address;
    script.onload = () => resolve();
    script.onerror = () => {
      shared = undefined;
      script.remove();
      reject(new Error('a part of the app could not be fetched'));
    };
    document.head.append(script);
  });
  return shared;
};

const styles = new Map<string, Promise<void>>();
/** Fetches a style sheet once, before what it styles is drawn; tried again when it could not be had. */
export const loadStyle = (address: string): Promise<void> => {
  const known = styles.get(address);
  if (known) return known;
  const coming = new Promise<void>((resolve, reject) => {
    const link = document.createElement('link');
    link.rel = 'stylesheet';
    link.href = address;
    link.onload = () => resolve();
    link.onerror = () => {
      styles.delete(address);
      link.remove();
      reject(new Error('a part of the app could not be fetched'));
    };
    document.head.append(link);
  });
  styles.set(address, coming);
  return coming;
};

/** What is drawn from a blob may still be on its way when its place is gone: its address stays good for so long, ms. */
const DRAWN_MS = 10_000;

/** Lets the address of a blob go, once nothing that was drawn from it can still be asking for it. */
export const letGoOf = (address: string): void => {
  setTimeout(() => URL.revokeObjectURL(address), DRAWN_MS);
};

/** Packed by gzip, where the browser can: a track is a tenth of itself then. */
export const packed = async (file: Blob): Promise<Blob> =>
  typeof CompressionStream === 'undefined' ? file : new Response(file.stream().pipeThrough(new CompressionStream('gzip'))).blob();
