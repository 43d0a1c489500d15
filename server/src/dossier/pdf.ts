import PDFDocument from 'pdfkit';
import sharp from 'sharp';
import { INK, onPaper, paperFonts, SOFT, WEED } from '../paper';
import type { Section } from './sections';

/** Long enough an edge to see a scratch on paper, px. */
const ON_PAPER_PX = 900;
const [TALL, WIDE] = [170, 228];

/** The record on paper, with its pictures; the same parts as on the page for a browser. */
export const dossierPdf = async (
  head: { title: string; author: string; lines: readonly string[]; madeAt: Date },
  sections: readonly Section[],
  bytesOf: (sha: string) => Promise<Uint8Array | undefined>,
): Promise<Uint8Array> => {
  const doc = new PDFDocument({
    size: 'A4',
    margin: 54,
    info: { Title: head.title, Author: head.author, CreationDate: head.madeAt, ModDate: head.madeAt },
  });
  const pieces: Buffer[] = [];
  doc.on('data', (piece: Buffer) => pieces.push(piece));
  const done = new Promise<void>((resolve, reject) => {
    doc.on('end', resolve);
    doc.on('error', reject);
  });
  for (const [name, font] of await paperFonts()) doc.registerFont(name, font);
  const left = doc.page.margins.left;
  const bottom = () => doc.page.height - doc.page.margins.bottom;
  const room = (points: number) => {
    if (doc.y + points > bottom()) doc.addPage();
  };
  doc.font('slab').fontSize(22).fillColor(INK).text(onPaper(head.title));
  for (const line of head.lines) doc.font('text').fontSize(10).fillColor(SOFT).text(onPaper(line));
  for (const { title, level, rows, pictures } of sections) {
    room(60);
    doc.x = left;
    doc
      .moveDown(level === 1 ? 1.2 : 0.6)
      .font('slab')
      .fontSize(level === 1 ? 17 : 12)
      .fillColor(level === 1 ? INK : WEED)
      .text(onPaper(title), left);
    doc.font('text').fontSize(9.5).fillColor(INK);
    for (const row of rows) doc.text(onPaper(row), left);
    let column = 0;
    for (const { sha, caption } of pictures) {
      const bytes = await bytesOf(sha);
      if (!bytes) continue;
      // Small enough for paper, upright, and in a form that the PDF library reads.
      const small = await sharp(bytes)
        .rotate()
        .resize({ width: ON_PAPER_PX, height: ON_PAPER_PX, fit: 'inside', withoutEnlargement: true })
        .flatten({ background: '#ffffff' })
        .jpeg({ quality: 80 })
        .toBuffer();
      if (column === 0) room(TALL + 30);
      const [x, y] = [left + column * (WIDE + 20), doc.y + 4];
      doc.image(small, x, y, { fit: [WIDE, TALL] });
      doc
        .font('text')
        .fontSize(8.5)
        .fillColor(SOFT)
        .text(onPaper(caption), x, y + TALL + 3, { width: WIDE, height: 22, ellipsis: true });
      column = (column + 1) % 2;
      doc.x = left;
      doc.y = column === 0 ? y + TALL + 28 : y - 4;
    }
    if (column !== 0) doc.y += TALL + 32;
  }
  doc.end();
  await done;
  return Buffer.concat(pieces);
};
