import Papa from 'papaparse';
import type { Fault } from './fault';

/** A row with the line it stands on, counted as an editor counts. */
export type CsvRow = { line: number; get(column: string): string };

/**
 * What begins like a formula is computed by whatever table program opens it. An apostrophe before it keeps it a word,
 * and is taken off again when it is read; so is one of several, so that every word comes back as it was.
 */
const FORMULA = /^'*[=+\-@\t\r]/;
const meant = (cell: string): string => (cell.startsWith("'") && FORMULA.test(cell) ? cell.slice(1) : cell);

/** Writes a CSV with a header, whose cells are words for whoever opens it. */
export const writeCsv = (columns: readonly string[], rows: readonly Readonly<Record<string, unknown>>[]): string => {
  const word = (value: unknown) => (typeof value === 'string' && FORMULA.test(value) ? `'${value}` : (value ?? ''));
  return `${Papa.unparse({ fields: [...columns], data: rows.map((row) => columns.map((column) => word(row[column]))) }, { newline: '\n' })}\n`;
};

/** Reads a CSV with a header. Missing columns, ragged rows and broken quotes are faults by line. */
export const readCsv = (file: string, text: string, columns: readonly string[], faults: Fault[]): CsvRow[] => {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: false });
  for (const { row, message } of parsed.errors) {
    // Papa also guesses at delimiters; a file of one column is no fault.
    if (!message.includes('auto-detect')) faults.push({ file, where: `line ${(row ?? 0) + 1}`, reason: message });
  }
  const [header = [], ...rows] = parsed.data;
  const at = new Map(header.map((name, i) => [name.trim(), i]));
  const missing = columns.filter((name) => !at.has(name));
  if (missing.length > 0) {
    faults.push({ file, where: 'line 1', reason: `column ${missing.join(', ')} is missing` });
    return [];
  }
  let line = 1;
  return rows.flatMap((cells): CsvRow[] => {
    line += 1;
    const mine = line;
    // A quoted cell may run over several lines.
    line += cells.reduce((sum, cell) => sum + (cell.match(/\n/g)?.length ?? 0), 0);
    if (cells.every((cell) => cell.trim() === '')) return [];
    if (cells.length !== header.length) {
      faults.push({ file, where: `line ${mine}`, reason: `has ${cells.length} cells, the header has ${header.length}` });
      return [];
    }
    // A column that may be left out is empty everywhere.
    return [{ line: mine, get: (column) => meant(cells[at.get(column) ?? -1]?.trim() ?? '') }];
  });
};
