// The web's half; a native build puts its own beside it as `browser.native.ts`.
export * from './browser.web';
