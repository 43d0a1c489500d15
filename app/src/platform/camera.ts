// The web's half; a native build puts its own beside it as `camera.native.tsx`.
export * from './camera.web';
