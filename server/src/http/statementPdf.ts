import type { Writable } from 'node:stream';
import { finished } from 'node:stream/promises';
import PDFDocument from 'pdfkit';
import { LANGUAGES, say } from '@quay/core/fleet/words';
import { showMinor } from '@quay/core/money/minor';
import { languageOf } from '@quay/core/record/handing';
import { slot } from '@quay/core/record/project';
import { spoken } from '@quay/core/record/seal';
import type { Line } from '@quay/core/settlement/statement';
import { clockOf, dateOf } from '@quay/core/time/zone';
import { INK, LEAD, onPaper, paperFonts, SOFT, WEED } from '../paper';
import type { StatementBody } from '../store/closing';
import type { Store } from '../store/open';
import { fileOf, photoRow } from '../store/photo';
import { wholeRecord } from '../store/record';
import type { Operator } from '../store/setting';
import { filled, STATEMENT_WORDS, type StatementWords } from './statementWords';

/** What the line is about, beside the price list's own name for it. */
const about = ({ finding }: Line, words: StatementWords, language: string): string => {
  const told = finding.told === undefined ? '' : ` · ${finding.told ? words.told : words.notTold}`;
  const is = (found: string) => (words.is as Readonly<Record<string, string>>)[found] ?? found;
  switch (finding.topic) {
    case 'mark': {
      const kind = finding.in?.kind;
      return [
        kind ? words.mark[kind] : '',
        finding.surface ? say(finding.surface.name, language) : '',
        `${Math.round(finding.in?.sizeMm ?? 0)} mm`,
        is(finding.is),
      ]
        .filter(Boolean)
        .join(', ');
    }
    case 'count':
      return filled(words.count, { name: say(finding.fitting.name, language), out: finding.out ?? '–', in: finding.in ?? '–' }) + told;
    case 'propeller':
      return `${say(finding.propeller.name, language)}: ${is(finding.is)}${told}`;
    case 'fuel': {
      const used = finding.fuel?.used;
      return finding.meteredL !== undefined
        ? words.metered
        : used
          ? filled(words.used, { low: Math.round(used.low), high: Math.round(used.high) })
          : words.fuel;
    }
    case 'late':
      return filled(words.late, { n: finding.minutes });
    default:
      return '';
  }
};

/** Writes the statement as a one- or two-page A4 PDF with the signatures of both walks, in the language the renter is spoken to in. */
export const statementPdf = async (
  to: Writable,
  body: StatementBody,
  operator: Operator,
  zone: string,
  store: Store,
  hireId: string,
  booked: string,
): Promise<void> => {
  const { record } = await wholeRecord(store.db, hireId);
  const language = LANGUAGES.find((one) => one === languageOf(record, { language: booked })) ?? 'en';
  const words = STATEMENT_WORDS[language];
  const doc = new PDFDocument({
    size: 'A4',
    margin: 54,
    info: { Title: body.number === null ? words.draft : filled(words.statement, { n: body.number }), Author: operator.name },
  });
  const done = finished(doc.pipe(to));
  // Whoever asked may be gone before the fonts are read; that is noticed below, where it is waited for.
  done.catch(() => undefined);
  for (const [name, font] of await paperFonts()) doc.registerFont(name, font);
  const money = (minor: number) => showMinor(minor, body.statement.currency, words.locale);
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
  doc
    .moveDown(0.6)
    .font('slab')
    .fontSize(16)
    .fillColor(INK)
    .text(body.number === null ? words.draft : filled(words.statement, { n: body.number }));
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
  const { statement } = body;
  if (statement.lines.length === 0) doc.font('text').fontSize(11).fillColor(INK).text(words.nothing).moveDown(0.5);
  for (const line of statement.lines) {
    const quantity = line.quantity === 1 ? '' : `${line.quantity} × ${line.price ? money(line.price.amountMinor) : ''}`;
    row(
      `${line.price ? say(line.price.name, language) : words.toQuote}${quantity ? `  (${quantity})` : ''}`,
      line.amountMinor === undefined ? words.open : line.state === 'waived' ? money(0) : money(line.amountMinor),
      'bold',
    );
    doc
      .font('text')
      .fontSize(9.5)
      .fillColor(SOFT)
      .text(onPaper(`${about(line, words, language)} · ${words.state[line.state]}`), left)
      .moveDown(0.5);
  }
  rule(INK, 1.5);
  row(words.total, money(statement.totalMinor), 'slab', 14);
  for (const tax of statement.taxes) row(filled(words.tax, { p: tax.taxBp / 100 }), money(tax.taxMinor), 'text', 9.5);
  doc.moveDown(0.6);
  row(words.deposit, money(statement.deposit.heldMinor));
  row(words.captured, money(statement.deposit.capturedMinor));
  if (statement.deposit.stillHeldMinor > 0) row(words.stillHeld, money(statement.deposit.stillHeldMinor));
  row(words.released, money(statement.deposit.releasedMinor), 'bold');
  if (statement.balanceMinor > 0) row(words.balance, money(statement.balanceMinor), 'bold');
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
        .text(`${as === 'renter' ? body.renter : words.forQuay} · ${signed ? when(signed.by.event.at) : words.notSigned}`, x, y + 53, {
          width: 180,
        });
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
