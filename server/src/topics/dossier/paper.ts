import type { Content } from 'pdfmake/interfaces';
import type { Section } from './sections';
import { type Head, logoOnPaper, onPaper, pictureOnPaper, printed } from '../../platform/paper/document';

/** Of a picture, points; two stand beside each other. */
const [WIDE, TALL] = [228, 170];

type Shown = { picture: string; caption: string };

const pair = (row: readonly Shown[]): Content => ({
  unbreakable: true,
  columns: row.map(({ picture, caption }) => ({
    width: WIDE,
    stack: [
      { image: picture, fit: [WIDE, TALL] },
      { text: onPaper(caption), style: 'small', margin: [0, 3, 0, 6] },
    ],
  })),
  columnGap: 20,
  margin: [0, 4, 0, 0],
});

/** The record on paper, with its pictures; the same parts as on the page for a browser. @param bytesOf a picture as paper shows it; undefined where there is none */
export const recordPdf = async (
  head: Head & { lines: readonly string[]; logo: Uint8Array | undefined },
  sections: readonly Section[],
  bytesOf: (sha: string) => Promise<Uint8Array | undefined>,
): Promise<Uint8Array> => {
  const content: Content[] = [
    ...(head.logo ? [logoOnPaper(head.logo)] : []),
    { text: onPaper(head.title), style: 'operator' },
    ...head.lines.map((line): Content => ({ text: onPaper(line), style: 'soft' })),
  ];
  for (const { title, level, rows, pictures } of sections) {
    const shown: Shown[] = [];
    for (const { sha, caption } of pictures) {
      const bytes = await bytesOf(sha);
      if (bytes) shown.push({ picture: pictureOnPaper(bytes), caption });
    }
    const pairs: Content[] = [];
    for (let i = 0; i < shown.length; i += 2) pairs.push(pair(shown.slice(i, i + 2)));
    const lines = rows.map((row): Content => ({ text: onPaper(row), fontSize: 9.5 }));
    const heading: Content = { text: onPaper(title), style: level === 1 ? 'part' : 'section' };
    // A heading stands with what it is over, never alone at the foot of a page.
    const [first, ...rest] = [...lines, ...pairs];
    content.push(first ? { unbreakable: true, stack: [heading, first] } : heading, ...rest);
  }
  return new Uint8Array(await printed(head, content));
};
