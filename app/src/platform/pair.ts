// The web's half; a native build puts its own beside it.
export * from './pair.web';
