// The web's half; a native build puts its own beside it as `back.native.ts`.
export * from './back.web';
