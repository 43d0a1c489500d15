/** Where the thread in `docking.ts` lies, bundled. */
declare module 'thread:docking' {
  export const address: string;
}

declare module 'thread:photo' {
  export const address: string;
}
