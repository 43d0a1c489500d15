// The web's half; a native build puts its own beside it as `overBody.native.tsx`.
export * from './overBody.web';
