// The web's half; a native build puts its own beside it as `dockingWorker.native.ts`.
export * from './dockingWorker.web';
