// The web's half; a native build puts its own beside it as `sortable.native.tsx`.
export * from './sortable.web';
