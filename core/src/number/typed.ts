/** Digits, with spaces between them for thousands, and at most one comma or point. */
const FIGURE = /^[+-]?(\d[\d\s\u00a0\u202f]*)?([.,]\d*)?$/;

/**
 * A number as people type it: with a comma or a point, with gaps between thousands, with blanks round it.
 * @returns NaN for nothing, for words, and for what only programs write (`0x10`, `1e3`)
 */
export const typedNumber = (text: string): number => {
  const bare = text.trim();
  if (!/\d/.test(bare) || !FIGURE.test(bare)) return Number.NaN;
  return Number(bare.replace(/[\s\u00a0\u202f]/g, '').replace(',', '.'));
};
