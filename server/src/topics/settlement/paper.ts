import { signRefused, signed } from '@quay/core/walk/events';
import { currentOf, type HireRecord } from '@quay/core/events/record';
import { sealed } from '@quay/core/record/events';
import type { Column, Content, TableCell } from 'pdfmake/interfaces';
import { measuresIn, type Units } from '@quay/core/number/units';
import { type Language, say, type Wording } from '@quay/core/words/words';
import { showMinor } from '@quay/core/money/minor';
import { spoken } from '@quay/core/events/seal';
import { type Evidence, evidenceOf, type Seen } from '@quay/core/settlement/evidence';
import { lineText } from '@quay/core/settlement/lineText';
import type { Line } from '@quay/core/settlement/statement';
import { numberText } from '@quay/core/number/statementNumber';
import { filled, STATEMENT_WORDS } from '@quay/core/settlement/statementWords';
import type { CorrectionBody, StatementBody } from '../record/statement';
import { dayAndHour, logoOnPaper, onPaper, pictureOnPaper, printed, rule, SOFT, WIDTH } from '../../platform/paper/document';

/** Who lets the boats, as their papers say it. */
export type Letterhead = {
  name: string;
  simulated: boolean;
  address: string | undefined;
  phone: string | undefined;
  logo?: Uint8Array | undefined;
};

export type StatementPaper = {
  body: StatementBody | CorrectionBody;
  record: HireRecord;
  letterhead: Letterhead;
  /** IANA, of the base. */
  zone: string;
  language: Language;
  /** What figures are said in. */
  units: Units;
  /** The operator's terms. */
  clauses: Wording | undefined;
  printedAt: Date;
  /** A photograph or signature as paper shows it; undefined where the quay has not got it. */
  pictureOf: (sha: string) => Promise<Uint8Array | undefined>;
};

/** Of what stands right of a line, points. */
const AMOUNT_WIDE = 104;
const EVIDENCE_WIDE = 178;
const EVIDENCE_TALL = 112;

const NO_LINES = {
  hLineWidth: () => 0,
  vLineWidth: () => 0,
  paddingLeft: () => 0,
  paddingRight: () => 0,
  paddingTop: () => 0,
  paddingBottom: () => 0,
};
/** Lines of a statement are parted by a hair, so that an amount is read with its own line. */
const HAIR = {
  ...NO_LINES,
  hLineWidth: (i: number) => (i === 0 ? 0 : 0.5),
  hLineColor: () => '#CFC8B6',
  paddingTop: () => 5,
  paddingBottom: () => 5,
};

/** Writes the statement as an A4 PDF with what its lines rest on and the signatures of both walks, in the renter's language. */
export const statementPdf = async ({
  body,
  record,
  letterhead,
  zone,
  language,
  units,
  clauses,
  printedAt,
  pictureOf,
}: StatementPaper): Promise<Buffer> => {
  const words = STATEMENT_WORDS[language];
  const corrects = 'corrects' in body;
  const title =
    body.number === null ? words.draft : filled(corrects ? words.correction : words.statement, { n: numberText(body.number, body.prefix) });
  const currency = corrects ? body.currency : body.statement.currency;
  const money = (minor: number) => showMinor(minor, currency, words.locale);
  const when = (at: string) => dayAndHour(at, zone, words.locale);
  const closed = body.closedAt !== null;
  const measures = measuresIn(units);

  /** A side of the boat is under many lines; each picture is read once. */
  const known = new Map<string, Promise<string | undefined>>();
  const picture = async (seen: Seen | undefined): Promise<string | undefined> => {
    if (!seen) return undefined;
    const make = async () => {
      const file = await pictureOf(seen.sha);
      return file === undefined ? undefined : pictureOnPaper(file);
    };
    const made = known.get(seen.sha) ?? make();
    known.set(seen.sha, made);
    return made;
  };
  const sideOf = async (line: Line, walk: 'out' | 'in', seen: Seen | undefined): Promise<Column> => {
    const { finding } = line;
    const mark = finding.topic === 'mark' ? finding[walk] : undefined;
    const nobody = finding.topic === 'mark' && finding.is === 'cannotTell' ? words.is.cannotTell : words.noMark;
    const what = mark ? `${words.mark[mark.kind]}, ${measures.small(mark.sizeMm)}` : finding.topic === 'mark' ? nobody : '';
    const shown = await picture(seen);
    return {
      width: EVIDENCE_WIDE,
      stack: [
        { text: onPaper([words[walk], what].filter(Boolean).join(': ')), style: 'small', bold: true },
        shown ? { image: shown, fit: [EVIDENCE_WIDE, EVIDENCE_TALL] } : { text: onPaper(words.noPicture), style: 'small' },
        ...(seen && shown ? [{ text: onPaper(when(seen.at)), style: 'small' }] : []),
      ],
    };
  };
  const besideEachOther = async (line: Line, evidence: Evidence | undefined): Promise<Content[]> =>
    evidence
      ? [
          {
            columns: [await sideOf(line, 'out', evidence.out), await sideOf(line, 'in', evidence.in)],
            columnGap: 10,
            margin: [0, 4, 0, 0],
          },
        ]
      : [];

  const rowOf = async (line: Line, amount: string, state: string): Promise<TableCell[]> => {
    const quantity = line.quantity === 1 || !line.price ? '' : `  (${line.quantity} × ${money(line.price.amountMinor)})`;
    const text = lineText(line, { words, language, money, measures });
    const about = [...text.about, state].filter(Boolean).join(' · ');
    return [
      {
        stack: [
          { text: onPaper(`${text.title}${quantity}`), bold: true },
          ...(about === '' ? [] : [{ text: onPaper(about), style: 'soft' }]),
          ...(await besideEachOther(line, line.amountMinor === 0 ? undefined : evidenceOf(record, line.finding))),
        ],
      },
      { text: onPaper(amount), bold: true, alignment: 'right' },
    ];
  };
  /** A closed statement proposes nothing any more. */
  const stateOf = ({ state, amountMinor }: Line): string => {
    if (!closed || state !== 'proposed') return words.state[state];
    return (amountMinor ?? 0) === 0 ? '' : (amountMinor ?? 0) < 0 ? words.credited : words.state.renters;
  };
  const lines = corrects
    ? body.lines.map(({ line, amountMinor }) => rowOf(line, money(amountMinor), amountMinor < 0 ? words.credited : words.charged))
    : body.statement.lines.map((line) =>
        rowOf(line, line.amountMinor === undefined ? words.open : money(line.state === 'waived' ? 0 : line.amountMinor), stateOf(line)),
      );

  const sum = (label: string, minor: number, style: { style?: string; bold?: boolean } = {}): TableCell[] => [
    { text: onPaper(label), ...style },
    { text: onPaper(money(minor)), alignment: 'right', ...style },
  ];
  const taxes = (corrects ? body.taxes : body.statement.taxes).map((tax) =>
    sum(filled(words.tax, { p: tax.taxBp / 100 }), tax.taxMinor, { style: 'soft' }),
  );
  const deposit = (): TableCell[][] => {
    if (corrects) return [];
    const { statement } = body;
    return [
      sum(words.deposit, statement.deposit.heldMinor),
      sum(words.captured, statement.deposit.capturedMinor),
      ...(statement.deposit.stillHeldMinor > 0 ? [sum(words.stillHeld, statement.deposit.stillHeldMinor)] : []),
      sum(words.released, statement.deposit.releasedMinor, { bold: true }),
      ...(statement.balanceMinor > 0 ? [sum(words.balance, statement.balanceMinor, { bold: true })] : []),
      ...(statement.payOutMinor > 0 ? [sum(words.owed, statement.payOutMinor, { bold: true })] : []),
    ];
  };
  const sums: TableCell[][] = [
    sum(words.total, corrects ? body.totalMinor : body.statement.totalMinor, { style: 'sum' }),
    ...taxes,
    ...deposit(),
  ];

  const signature = async (walk: 'out' | 'in', as: 'renter' | 'staff'): Promise<Column> => {
    const name = currentOf(record, [walk, 'signed', as], signed);
    const refused = as === 'renter' ? currentOf(record, [walk, 'refused'], signRefused) : undefined;
    const file = name && (await pictureOf(name.value.drawing));
    const said = name ? when(name.by.event.at) : refused ? filled(words.unsigned, { why: refused.value.why }) : words.notSigned;
    return {
      width: 190,
      stack: [
        file === undefined ? { text: ' ', margin: [0, 0, 0, 32] } : { image: pictureOnPaper(file), fit: [170, 46] },
        { canvas: [{ type: 'line', x1: 0, y1: 0, x2: 170, y2: 0, lineWidth: 0.7, lineColor: SOFT }] },
        { text: onPaper(`${as === 'renter' ? body.renter : words.forQuay} · ${said}`), style: 'small', margin: [0, 3, 10, 0] },
      ],
    };
  };
  const walks: Content[] = [];
  for (const walk of ['out', 'in'] as const) {
    const sealing = currentOf(record, [walk, 'sealed'], sealed);
    if (!sealing) continue;
    const seal = filled(words.seal, {
      root: spoken(sealing.value.root),
      entries: sealing.value.covers.length,
      pictures: sealing.value.photos.length,
      key: spoken(sealing.value.key),
    });
    walks.push({
      unbreakable: true,
      stack: [
        { text: onPaper(words[walk]), style: 'section' },
        { columns: [await signature(walk, 'renter'), await signature(walk, 'staff')] },
        { text: onPaper(seal), style: 'small', margin: [0, 4, 0, 0] },
      ],
    });
  }

  const empty = !corrects && body.statement.lines.length === 0 ? words.nothing : '';
  const undecided = !corrects && body.statement.open.length > 0 ? filled(words.undecided, { n: body.statement.open.length }) : '';
  const preface = corrects ? `${filled(words.corrects, { n: numberText(body.corrects, body.prefix) })}: ${body.why}` : undecided || empty;
  const rows: TableCell[][] = [];
  for (const line of lines) rows.push(await line);
  const reach = [letterhead.address, letterhead.phone && filled(words.phone, { n: letterhead.phone })].filter(Boolean).join(' · ');
  const table = (cells: TableCell[][], layout: object): Content => ({
    table: { widths: [WIDTH - AMOUNT_WIDE, AMOUNT_WIDE], body: cells, dontBreakRows: true },
    layout,
  });
  return printed({ title, author: letterhead.name, language: words.locale, madeAt: printedAt }, [
    ...(letterhead.logo ? [logoOnPaper(letterhead.logo)] : []),
    { text: onPaper(letterhead.name), style: 'operator' },
    ...(reach === '' ? [] : [{ text: onPaper(reach), style: 'soft' }]),
    ...(letterhead.simulated ? [{ text: onPaper(words.demonstration), style: 'loud', margin: [0, 2, 0, 0] } satisfies Content] : []),
    { text: onPaper(title), style: 'title' },
    {
      text: onPaper(
        [
          `${body.boat} · ${body.renter}`,
          filled(words.span, { from: when(body.from), to: when(body.to) }),
          body.closedAt === null ? words.notClosed : filled(words.closed, { at: when(body.closedAt) }),
          filled(words.printed, { at: when(printedAt.toISOString()) }),
        ].join('\n'),
      ),
      color: SOFT,
    },
    rule(1.5),
    ...(preface === '' ? [] : [{ text: onPaper(preface), margin: [0, 0, 0, 6] } satisfies Content]),
    ...(rows.length === 0 ? [] : [table(rows, HAIR)]),
    { unbreakable: true, stack: [rule(1.5), table(sums, { ...NO_LINES, paddingTop: () => 2 })], margin: [0, 4, 0, 8] },
    ...walks,
    ...(clauses
      ? [
          { text: onPaper(words.clauses), style: 'section' },
          { text: onPaper(say(clauses, language)), style: 'small' },
        ]
      : []),
  ]);
};
