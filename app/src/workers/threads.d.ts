/** Where the thread in `docking.ts` lies, bundled. */
declare module 'worker:docking' {
  export const address: string;
}

declare module 'worker:drill' {
  export const address: string;
}

declare module 'worker:photo' {
  export const address: string;
}

declare module 'worker:reach' {
  export const address: string;
}

declare module 'style:chart' {
  export const address: string;
}
