// The web's half; a native build puts its own beside it as `zoom.native.tsx`.
export * from './zoom.web';
