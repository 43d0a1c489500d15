import type { Measures } from '../number/units';
import { say } from '../words/words';
import type { Basis } from './charges';
import type { Line } from './statement';
import { filled, type StatementWords } from './statementWords';

/** A line of the statement in words: what it is for, what it rests on, and why it comes to what it comes to. */
export type LineText = { title: string; about: string[] };

const known = (words: StatementWords, is: string): string => (words.is as Readonly<Record<string, string>>)[is] ?? is;

const titleOf = ({ finding, price, key }: Line, words: StatementWords, language: string): string => {
  if (price) return say(price.name, language);
  if (finding.topic === 'receipt') return words.more[finding.is];
  if (finding.topic === 'fuel' && key.endsWith('/credit')) return words.more.fuelBack;
  if (finding.topic === 'extra') return finding.is === 'other' ? words.more.extraOther : words.more[finding.is];
  return words.toQuote;
};

const foundText = ({ finding, key, price }: Line, words: StatementWords, language: string, measures: Measures): string => {
  switch (finding.topic) {
    case 'mark': {
      const mark = finding.in;
      return [
        mark ? words.mark[mark.kind] : '',
        finding.surface ? say(finding.surface.name, language) : '',
        measures.small(mark?.sizeMm ?? 0),
        known(words, finding.is),
      ]
        .filter(Boolean)
        .join(', ');
    }
    case 'count':
      return filled(words.count, { name: say(finding.fitting.name, language), out: finding.out ?? '–', in: finding.in ?? '–' });
    case 'propeller':
      return `${say(finding.propeller.name, language)}: ${known(words, finding.is)}`;
    case 'fuel': {
      const used = finding.fuel?.used;
      if (key.endsWith('/credit')) return filled(words.more.fuelCredit, { n: measures.litres(finding.paid.litres, 1) });
      if (price?.per === 'day') return words.more.fuelDay;
      if (finding.meteredL !== undefined) return words.metered;
      return used ? filled(words.used, { low: measures.litres(used.low), high: measures.litres(used.high) }) : words.fuel;
    }
    case 'late':
      return filled(words.late, { n: finding.minutes });
    case 'check':
      return filled(words.more.check, {
        name: say(finding.check.name, language),
        way: finding.way ? say(finding.way.name, language) : '–',
      });
    case 'tank':
      return filled(words.more.tank, {
        name: say(finding.tank.name, language),
        out: finding.outL === undefined ? '–' : measures.litres(finding.outL),
        in: measures.litres(finding.inL),
      });
    case 'receipt':
      return filled(words.more.receipt, { text: finding.text });
    case 'extra':
      return filled(words.more.extra, { text: finding.text });
    default:
      return '';
  }
};

const basisText = (basis: Basis, words: StatementWords, money: (minor: number) => string): string[] => {
  switch (basis.is) {
    case 'age':
      return [filled(words.basis.age, { months: basis.months, full: money(basis.fullMinor) })];
    case 'mended':
      return [filled(words.basis.mended, { instead: money(basis.insteadMinor) })];
    case 'capped':
      return [filled(words.basis.capped, { cap: money(basis.capMinor), full: money(basis.fullMinor) })];
    case 'quoted':
      return [
        filled(words.basis.quoted, { why: basis.why }),
        ...(basis.listedMinor === undefined ? [] : [filled(words.basis.listed, { listed: money(basis.listedMinor) })]),
      ];
    case 'quoteLater':
      return [filled(words.basis.quoteLater, { hold: money(basis.holdMinor) })];
    default:
      return [words.basis[basis.is]];
  }
};

/** Who reads a statement, and how figures are said to them. */
export type Reader = {
  words: StatementWords;
  language: string;
  /** Shows minor units of the statement's currency in the reader's language. */
  money: (minor: number) => string;
  measures: Measures;
};

export const lineText = (line: Line, { words, language, money, measures }: Reader): LineText => {
  const { briefed } = line.finding;
  return {
    title: titleOf(line, words, language),
    about: [
      foundText(line, words, language, measures),
      briefed === undefined ? '' : words.howTold[briefed],
      // Statements closed before there were such reasons have none.
      ...line.basis.flatMap((basis) => basisText(basis, words, money)),
      line.remark ? filled(words.remark, { text: line.remark }) : '',
    ].filter(Boolean),
  };
};
