import Papa from 'papaparse';
import { guessColumns, guessDays, readRow } from '@quay/core/booking/table';
import type { Raw, ReadFault } from '@quay/core/booking/reading';
import { decode, type ReadReply, type ReadTask } from '../../platform/incoming';
import { NoCalendar, readCalendar } from './ical';

/** Bytes of a table or calendar as bookings. Run in a thread of its own: whoever sends it may mean ill. */

/** More lines than any season has. */
const MOST_ROWS = 50_000;
const MOST_COLUMNS = 200;
const SAMPLES = 3;

type Table = { heads: string[]; rows: { line: number; cells: string[] }[] };

const tableOf = (text: string): Table | 'tooMany' => {
  const { data } = Papa.parse<string[]>(text, { skipEmptyLines: false, preview: MOST_ROWS + 2 });
  if (data.length > MOST_ROWS + 1) return 'tooMany';
  const [first = [], ...rest] = data;
  const seen = new Map<string, number>();
  // Two columns of one name are told apart by their number.
  const heads = first.slice(0, MOST_COLUMNS).map((head) => {
    const name = head.trim().slice(0, 180);
    const times = (seen.get(name) ?? 0) + 1;
    seen.set(name, times);
    return times === 1 ? name : `${name} (${times})`;
  });
  let line = 1 + first.reduce((sum, cell) => sum + (cell.match(/\n/g)?.length ?? 0), 0);
  const rows = rest.flatMap((cells) => {
    line += 1;
    const mine = line;
    line += cells.reduce((sum, cell) => sum + (cell.match(/\n/g)?.length ?? 0), 0);
    return cells.every((cell) => cell.trim() === '') ? [] : [{ line: mine, cells }];
  });
  return { heads, rows };
};

const looked = (text: string): ReadReply => {
  if (/^\s*BEGIN:VCALENDAR/i.test(text)) {
    const name = /^X-WR-CALNAME[^:\r\n]*:(.{0,80})/im.exec(text)?.[1]?.trim() ?? '';
    return { looked: { kind: 'calendar', name, events: text.match(/^BEGIN:VEVENT/gim)?.length ?? 0 } };
  }
  const table = tableOf(text);
  if (table === 'tooMany') return { refused: 'tooMany', why: String(MOST_ROWS) };
  const { heads, rows } = table;
  if (rows.length === 0) return { refused: 'empty', why: '' };
  const columns = guessColumns(heads);
  const days = [columns.from, columns.to].flatMap((head) =>
    head === undefined ? [] : rows.map(({ cells }) => cells[heads.indexOf(head)] ?? ''),
  );
  const samples = rows.slice(0, SAMPLES).map(({ cells }) => heads.map((_, i) => (cells[i] ?? '').slice(0, 60)));
  return { looked: { kind: 'table', heads, samples, rows: rows.length, columns, days: guessDays(days) ?? null } };
};

/** What the file holds, or why it is none of ours. */
export const readFile = (task: ReadTask): ReadReply => {
  const text = decode(task.bytes).replace(/^\uFEFF/, '');
  // A picture, a program: nothing that anybody wrote.
  if (text.includes('\0')) return { refused: 'notText', why: '' };
  if (text.trim() === '') return { refused: 'empty', why: '' };
  if ('look' in task) return looked(text);
  const { reading, zone, currency, now } = task;
  if (reading.kind === 'calendar') {
    try {
      return readCalendar(text, reading, zone, now);
    } catch (error) {
      if (error instanceof NoCalendar) return { refused: 'noCalendar', why: error.message };
      throw error;
    }
  }
  const table = tableOf(text);
  if (table === 'tooMany') return { refused: 'tooMany', why: String(MOST_ROWS) };
  const faults: ReadFault[] = [];
  const found: Raw[] = [];
  const at = new Map(table.heads.map((head, i) => [head, i]));
  const seen = new Set<string>();
  for (const { line, cells } of table.rows) {
    if (cells.length > table.heads.length && cells.slice(table.heads.length).some((cell) => cell.trim() !== '')) {
      faults.push({ at: `line ${line}`, is: 'ragged', text: `${cells.length}` });
      continue;
    }
    const read = readRow({ line, get: (column) => cells[at.get(column) ?? -1] ?? '' }, reading, zone, currency);
    if (Array.isArray(read)) faults.push(...read);
    else if (seen.has(read.key)) faults.push({ at: read.at, is: 'twice', text: read.key.slice(0, 120) });
    else {
      seen.add(read.key);
      found.push(read);
    }
  }
  return { rows: found, faults };
};
