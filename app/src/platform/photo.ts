// The web's half; a native build puts its own beside it as `photo.native.ts`.
export * from './photo.web';
