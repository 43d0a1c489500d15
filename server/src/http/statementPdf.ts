import type { Writable } from 'node:stream';
import { finished } from 'node:stream/promises';
import PDFDocument from 'pdfkit';
import { LANGUAGES } from '@quay/core/fleet/words';
import { showMinor } from '@quay/core/money/minor';
import { languageOf } from '@quay/core/record/handing';
import { slot } from '@quay/core/record/project';
import { spoken } from '@quay/core/record/seal';
import type { Line } from '@quay/core/settlement/statement';
import { lineText } from '@quay/core/settlement/lineText';
import { filled, STATEMENT_WORDS } from '@quay/core/settlement/statementWords';
import { clockOf, dateOf } from '@quay/core/time/zone';
import { INK, LEAD, onPaper, paperFonts, SOFT, WEED } from '../paper';
import type { CorrectionBody, StatementBody } from '../store/statement';
import type { Store } from '../store/open';
import { fileOf, photoRow } from '../store/photo';
import { wholeRecord } from '../store/record';
import type { Operator } from '../store/setting';

/** Writes the statement as a one- or two-page A4 PDF with the signatures of both walks, in the language the renter is spoken to in. */
export const statementPdf = async (
  to: Writable,
  body: StatementBody | CorrectionBody,
  operator: Operator,
  zone: string,
  store: Store,
  hireId: string,
  booked: string,
): Promise<void> => {
  const { record } = await wholeRecord(store.db, hireId);
  const language = LANGUAGES.find((one) => one === languageOf(record, { language: booked })) ?? 'en';
  const words = STATEMENT_WORDS[language];
  const corrects = 'corrects' in body;
  const title = body.number === null ? words.draft : filled(corrects ? words.correction : words.statement, { n: body.number });
  const doc = new PDFDocument({
    size: 'A4',
    margin: 54,
    info: { Title: title, Author: operator.name },
  });
  const done = finished(doc.pipe(to));
  // Whoever asked may be gone before the fonts are read; that is noticed below, where it is waited for.
  done.catch(() => undefined);
  for (const [name, font] of await paperFonts()) doc.registerFont(name, font);
  const money = (minor: number) => showMinor(minor, corrects ? body.currency : body.statement.currency, words.locale);
  const when = (at: string) => `${dateOf(at, zone)} ${clockOf(at, zone)}`;
  const [left, right] = [doc.page.margins.left, doc.page.width - doc.page.margins.right];
  const rule = (color: string, width: number) =>
    doc.moveTo(left, doc.y).lineTo(right, doc.y).lineWidth(width).strokeColor(color).stroke().moveDown(0.5);
  const row = (text: string, amount: string, font: 'text' | 'bold' | 'slab' = 'text', size = 11) => {
    const y = doc.y;
    doc
      .font(font)
      .fontSize(size)
      .fillColor(INK)
      .text(onPaper(text), left, y, { width: right - left - 120 });
    const below = doc.y;
    doc.text(onPaper(amount), right - 120, y, { width: 120, align: 'right' });
    doc.y = Math.max(below, doc.y);
    doc.x = left;
  };

  doc.font('slab').fontSize(22).fillColor(INK).text(onPaper(operator.name));
  if (operator.simulated) doc.font('bold').fontSize(10).fillColor(LEAD).text(words.demonstration);
  doc.moveDown(0.6).font('slab').fontSize(16).fillColor(INK).text(title);
  doc
    .font('text')
    .fontSize(11)
    .fillColor(SOFT)
    .text(
      onPaper(`${body.boat} · ${body.renter}`) +
        `\n${filled(words.span, { from: when(body.from), to: when(body.to) })} · ${body.closedAt ? filled(words.closed, { at: when(body.closedAt) }) : words.notClosed}`,
    )
    .moveDown(0.8);
  rule(INK, 1.5);
  const lineOf = (line: Line, amount: string, state: string) => {
    const quantity = line.quantity === 1 || !line.price ? '' : `  (${line.quantity} × ${money(line.price.amountMinor)})`;
    const text = lineText(line, words, language, money);
    row(`${text.title}${quantity}`, amount, 'bold');
    doc
      .font('text')
      .fontSize(9.5)
      .fillColor(SOFT)
      .text(onPaper([...text.about, state].join(' · ')), left)
      .moveDown(0.5);
  };
  const taxRows = (taxes: readonly { taxBp: number; taxMinor: number }[]) => {
    for (const tax of taxes) row(filled(words.tax, { p: tax.taxBp / 100 }), money(tax.taxMinor), 'text', 9.5);
    doc.moveDown(0.6);
  };
  if (corrects) {
    doc
      .font('text')
      .fontSize(11)
      .fillColor(INK)
      .text(onPaper(`${filled(words.corrects, { n: body.corrects })}: ${body.why}`), left)
      .moveDown(0.8);
    for (const { line, amountMinor } of body.lines) lineOf(line, money(amountMinor), amountMinor < 0 ? words.credited : words.charged);
    rule(INK, 1.5);
    row(words.total, money(body.totalMinor), 'slab', 14);
    taxRows(body.taxes);
  } else {
    const { statement } = body;
    const empty = statement.lines.length === 0 ? words.nothing : '';
    const said = statement.open.length > 0 ? filled(words.undecided, { n: statement.open.length }) : empty;
    if (said !== '') doc.font('text').fontSize(11).fillColor(INK).text(said).moveDown(0.5);
    for (const line of statement.lines)
      lineOf(
        line,
        line.amountMinor === undefined ? words.open : line.state === 'waived' ? money(0) : money(line.amountMinor),
        words.state[line.state],
      );
    rule(INK, 1.5);
    row(words.total, money(statement.totalMinor), 'slab', 14);
    taxRows(statement.taxes);
    row(words.deposit, money(statement.deposit.heldMinor));
    row(words.captured, money(statement.deposit.capturedMinor));
    if (statement.deposit.stillHeldMinor > 0) row(words.stillHeld, money(statement.deposit.stillHeldMinor));
    row(words.released, money(statement.deposit.releasedMinor), 'bold');
    if (statement.balanceMinor > 0) row(words.balance, money(statement.balanceMinor), 'bold');
    if (statement.payOutMinor > 0) row(words.owed, money(statement.payOutMinor), 'bold');
  }
  doc.moveDown(1);

  for (const walk of ['out', 'in'] as const) {
    const sealed = slot(record, `${walk}/sealed`, 'sealed');
    if (!sealed) continue;
    if (doc.y > doc.page.height - 200) doc.addPage();
    doc
      .font('slab')
      .fontSize(12)
      .fillColor(WEED)
      .text(walk === 'out' ? words.out : words.in, left);
    const y = doc.y + 2;
    for (const [i, as] of (['renter', 'staff'] as const).entries()) {
      const signed = slot(record, `${walk}/signed/${as}`, 'signed');
      const refused = as === 'renter' ? slot(record, `${walk}/refused`, 'signRefused') : undefined;
      const x = left + i * 190;
      const stored = signed && (await photoRow(store, hireId, signed.value.drawing));
      if (signed && stored) doc.image(fileOf(store, signed.value.drawing), x, y, { fit: [170, 46] });
      doc
        .moveTo(x, y + 50)
        .lineTo(x + 170, y + 50)
        .lineWidth(0.7)
        .strokeColor(SOFT)
        .stroke();
      doc
        .font('text')
        .fontSize(9)
        .fillColor(SOFT)
        .text(
          `${as === 'renter' ? body.renter : words.forQuay} · ${signed ? when(signed.by.event.at) : refused ? filled(words.unsigned, { why: refused.value.why }) : words.notSigned}`,
          x,
          y + 53,
          {
            width: 180,
          },
        );
    }
    doc.x = left;
    doc.y = y + 70;
    doc
      .font('text')
      .fontSize(9)
      .fillColor(SOFT)
      .text(
        filled(words.seal, {
          root: spoken(sealed.value.root),
          entries: sealed.value.covers.length,
          pictures: sealed.value.photos.length,
          key: spoken(sealed.value.key),
        }),
        left,
      )
      .moveDown(0.8);
  }
  doc.end();
  await done;
};
