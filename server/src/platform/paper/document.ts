import { createRequire } from 'node:module';
import pdfmake from 'pdfmake';
import type { Content, StyleDictionary } from 'pdfmake/interfaces';

const find = createRequire(import.meta.url);
const FONT_FILES = {
  slab: find.resolve('@expo-google-fonts/zilla-slab/600SemiBold/ZillaSlab_600SemiBold.ttf'),
  text: find.resolve('@expo-google-fonts/atkinson-hyperlegible/400Regular/AtkinsonHyperlegible_400Regular.ttf'),
  bold: find.resolve('@expo-google-fonts/atkinson-hyperlegible/700Bold/AtkinsonHyperlegible_700Bold.ttf'),
};
pdfmake.setFonts({
  slab: { normal: FONT_FILES.slab },
  text: { normal: FONT_FILES.text, bold: FONT_FILES.bold },
});
// Pictures are handed over as bytes: nothing that stands in a record makes this server open an address or a file.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => Object.values(FONT_FILES).includes(path));

export const INK = '#17211E';
export const SOFT = '#51605B';
export const WEED = '#0E5E52';
export const LEAD = '#A8201A';

/** Room beside a page, and what is left between for writing, in points of an A4 page. */
const [SIDE, TOP, BOTTOM] = [54, 54, 62];
export const WIDTH = 595 - 2 * SIDE;

const STYLES: StyleDictionary = {
  operator: { font: 'slab', fontSize: 22 },
  title: { font: 'slab', fontSize: 16, margin: [0, 8, 0, 2] },
  part: { font: 'slab', fontSize: 17, margin: [0, 16, 0, 4] },
  section: { font: 'slab', fontSize: 12, color: WEED, margin: [0, 8, 0, 2] },
  sum: { font: 'slab', fontSize: 14 },
  soft: { fontSize: 9.5, color: SOFT },
  small: { fontSize: 8.5, color: SOFT },
  loud: { bold: true, fontSize: 10, color: LEAD },
};

/** The fonts' no-break spaces have no outline that the PDF library can read; on paper lines break where they must. */
export const onPaper = (text: string): string => text.replace(/[\u00A0\u2007\u202F]/g, ' ');

/** A rule across the page. */
export const rule = (width: number, color = INK): Content => ({
  canvas: [{ type: 'line', x1: 0, y1: 0, x2: WIDTH, y2: 0, lineWidth: width, lineColor: color }],
  margin: [0, 4, 0, 6],
});

/** An instant as people at the base read it: the day in their words, the hour by the base's clocks. @param locale of the reader, BCP 47 */
export const dayAndHour = (at: string, zone: string, locale: string): string =>
  new Intl.DateTimeFormat(locale, { dateStyle: 'long', timeStyle: 'short', timeZone: zone }).format(new Date(at));

/** A photograph as the PDF library takes it. @param jpeg upright, of the size that paper shows */
export const pictureOnPaper = (jpeg: Uint8Array): string => `data:image/jpeg;base64,${Buffer.from(jpeg).toString('base64')}`;

/** The most a logo takes at the head of a paper, points. */
const LOGO: [number, number] = [180, 64];

/** @param jpeg the operator's logo, as paper takes it */
export const logoOnPaper = (jpeg: Uint8Array): Content => ({ image: pictureOnPaper(jpeg), fit: LOGO, margin: [0, 0, 0, 8] });

export type Head = { title: string; author: string; language: string; madeAt: Date };

/** An A4 document with its title and the number of each page at the foot. */
export const printed = (head: Head, content: Content[]): Promise<Buffer> =>
  pdfmake
    .createPdf({
      pageSize: 'A4',
      pageMargins: [SIDE, TOP, SIDE, BOTTOM],
      info: { title: head.title, author: head.author, creationDate: head.madeAt, modDate: head.madeAt },
      language: head.language,
      defaultStyle: { font: 'text', fontSize: 11, color: INK, lineHeight: 1.12 },
      styles: STYLES,
      content,
      footer: (page, pages) => ({
        columns: [
          { text: onPaper(`${head.author} · ${head.title}`), style: 'small' },
          { text: `${page} / ${pages}`, style: 'small', alignment: 'right', width: 60 },
        ],
        margin: [SIDE, 24, SIDE, 0],
      }),
    })
    .getBuffer();
