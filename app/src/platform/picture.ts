// The web's half; a native build puts its own beside it as `picture.native.tsx`.
export * from './picture.web';
