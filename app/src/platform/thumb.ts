// The web's half; a native build puts its own beside it as `thumb.native.tsx`.
export * from './thumb.web';
