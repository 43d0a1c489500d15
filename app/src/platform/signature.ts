// The web's half; a native build puts its own beside it as `signature.native.tsx`.
export * from './signature.web';
