// The web's half; a native build puts its own beside it as `scanner.native.tsx`.
export * from './scanner.web';
