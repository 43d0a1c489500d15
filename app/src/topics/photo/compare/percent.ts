/** A share as whole per cent, as it is said on screen. */
export const percentOf = (share: number): number => Math.round(share * 100);
