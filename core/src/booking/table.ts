import { exponentOf } from '../money/minor';
import { isDay } from '../time/calendar';
import { readClock } from '../time/typedDay';
import { clockOf, instantOf, shiftDay } from '../time/zone';
import { LANGUAGES } from '../words/words';
import { COLUMN_FIELDS, type ColumnField, type DayOrder, type Raw, type ReadFault, type TableReading } from './reading';

/** Rows of a table as bookings: days, hours and sums as people and programs write them. */

/** What the columns of such tables are called, in the languages spoken here; small letters without marks. */
const HEADS: Readonly<Record<ColumnField, readonly string[]>> = {
  key: [
    'id',
    'booking id',
    'booking',
    'booking number',
    'reference',
    'ref',
    'uid',
    'reservation',
    'numero',
    'buchungsnummer',
    'referencia',
  ],
  boat: ['boat', 'boat name', 'vessel', 'unit', 'resource', 'bateau', 'boot', 'schiff', 'barco', 'embarcacion'],
  from: [
    'from',
    'start',
    'start date',
    'departure',
    'begin',
    'arrival',
    'date',
    'day',
    'debut',
    'depart',
    'du',
    'von',
    'beginn',
    'abfahrt',
    'desde',
    'inicio',
    'salida',
    'fecha',
  ],
  fromClock: ['start time', 'departure time', 'time', 'heure', 'heure de depart', 'uhrzeit', 'startzeit', 'hora', 'hora de salida'],
  to: ['to', 'end', 'end date', 'return', 'until', 'fin', 'retour', 'au', 'bis', 'ende', 'ruckkehr', 'hasta', 'regreso', 'vuelta'],
  toClock: ['end time', 'return time', 'heure de retour', 'endzeit', 'ruckgabezeit', 'hora de regreso', 'hora de vuelta'],
  hours: ['hours', 'duration', 'length', 'heures', 'duree', 'stunden', 'dauer', 'horas', 'duracion'],
  renter: [
    'renter',
    'name',
    'customer',
    'guest',
    'client',
    'full name',
    'nom',
    'locataire',
    'mieter',
    'kunde',
    'gast',
    'nombre',
    'cliente',
    'arrendatario',
  ],
  contact: ['contact', 'phone', 'telephone', 'mobile', 'email', 'e-mail', 'mail', 'telefon', 'telefono', 'correo', 'courriel'],
  adults: ['adults', 'adultes', 'erwachsene', 'adultos'],
  children: ['children', 'kids', 'enfants', 'kinder', 'ninos'],
  people: ['people', 'persons', 'guests', 'party', 'party size', 'personnes', 'personen', 'personas', 'pax'],
  deposit: ['deposit', 'caution', 'kaution', 'fianza', 'deposito'],
  notes: ['notes', 'note', 'remarks', 'comment', 'comments', 'remarques', 'bemerkungen', 'notizen', 'notas', 'observaciones'],
  language: ['language', 'langue', 'sprache', 'idioma'],
  state: ['status', 'state', 'etat', 'statut', 'zustand', 'estado'],
};

/** Small letters, without marks and what stands between. */
const folded = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[\s_.,;()/:-]+/g, ' ')
    .trim();

/** Which column is likely what, by its head. */
export const guessColumns = (heads: readonly string[]): TableReading['columns'] => {
  const free = new Set(heads.filter((head) => head.trim() !== ''));
  const found: TableReading['columns'] = {};
  for (const field of COLUMN_FIELDS) {
    const names = HEADS[field];
    const head = [...free].find((one) => names.includes(folded(one)));
    if (head === undefined) continue;
    found[field] = head;
    free.delete(head);
  }
  return found;
};

const DATE = /^(\d{1,4})[./\- ](\d{1,2})[./\- ](\d{1,4})$/;

/** Which order the days of a column are in, as far as any of them shows it. */
export const guessDays = (texts: readonly string[]): DayOrder | undefined => {
  for (const text of texts) {
    const [, first = '', second = ''] =
      DATE.exec(
        text
          .trim()
          .split(/[T,]|\s(?=\d{1,2}[:.h])/)[0]!
          .trim(),
      ) ?? [];
    if (first.length > 2) continue;
    if (Number(first) > 12) return 'dayFirst';
    if (Number(second) > 12) return 'monthFirst';
  }
  return undefined;
};

/** A day with its hour, as far as one is given. @returns nothing where the calendar or clock has no such thing */
export const readMoment = (text: string, order: DayOrder): { day: string; clock?: string } | undefined => {
  const whole = text.trim();
  const [, dayText = '', , rest] =
    /^(\d{1,4}[./\- ]\d{1,2}[./\- ]\d{1,4})(?:(T|,?\s+(?:at\s+|um\s+|à\s+|a\s+las\s+)?)(.+))?$/i.exec(whole) ?? [];
  const [, first = '', second = '', third = ''] = DATE.exec(dayText) ?? [];
  if (first === '') return undefined;
  const two = (n: string) => n.padStart(2, '0');
  const day =
    first.length === 4
      ? `${first}-${two(second)}-${two(third)}`
      : `${third.length === 2 ? `20${third}` : third}-${order === 'dayFirst' ? `${two(second)}-${two(first)}` : `${two(first)}-${two(second)}`}`;
  if (!isDay(day)) return undefined;
  if (rest === undefined) return { day };
  const clock = readHour(rest);
  return clock === undefined ? undefined : { day, clock };
};

/** An hour of a clock as tables write it: `14:30`, `2:30 pm`, `14h30`, `14:30:00`, `9 Uhr`. */
const readHour = (text: string): string | undefined => {
  const [, hour = '', minute = '00', half = ''] =
    /^(\d{1,2})(?:[:.h](\d{2})(?::\d{2}(?:\.\d+)?)?)?\s*([ap])?\.?m?\.?(?:\s*uhr|\s*h)?$/i.exec(text.trim()) ?? [];
  if (hour === '') return readClock(text);
  const late = half.toLowerCase() === 'p';
  if (half !== '' && (Number(hour) < 1 || Number(hour) > 12)) return undefined;
  return readClock(`${half === '' ? Number(hour) : (Number(hour) % 12) + (late ? 12 : 0)}:${minute}`);
};

/** A sum as tables write it: `250`, `€ 1.250,50`, `1,250.50`. @returns minor units */
export const readSum = (text: string, currency: string): number | undefined => {
  const bare = text.replace(/[\s\u00a0'’]|[A-Z]{3}|\p{Sc}/gu, '');
  if (!/^\d[\d.,]*$/.test(bare)) return undefined;
  const exponent = exponentOf(currency);
  const last = Math.max(bare.lastIndexOf('.'), bare.lastIndexOf(','));
  const behind = last < 0 ? 0 : bare.length - last - 1;
  const mark = bare[last];
  // The last mark parts off the decimals, unless it stands where thousands are parted.
  const isDecimal = last >= 0 && behind <= exponent && behind > 0 && bare.split(mark!).length === 2;
  const whole = (isDecimal ? bare.slice(0, last) : bare).replace(/[.,]/g, '');
  if (whole.length > 9 || whole === '') return undefined;
  return Number(whole + (isDecimal ? bare.slice(last + 1) : '').padEnd(exponent, '0'));
};

/** What says in the column of states that one does not take place. */
const CANCELLED = /^(cancel|annul|storn|abgesagt|cancelad|no show|nicht erschienen)/;

const languageOf = (text: string): string | undefined => LANGUAGES.find((one) => folded(text).startsWith(one));

/** No hire is longer, h, and no deposit larger, minor units. */
const [LONGEST_H, MOST_MINOR] = [24 * 366, 100_000_000];

type Row = { line: number; get: (column: string) => string };

/**
 * One row as a booking. @param zone in which its clocks are read @returns it, or everything that is wrong with it
 */
export const readRow = (row: Row, reading: TableReading, zone: string, currency: string): Raw | ReadFault[] => {
  const at = `line ${row.line}`;
  const faults: ReadFault[] = [];
  const no = (is: ReadFault['is'], text: string): undefined => void faults.push({ at, is, text: text.slice(0, 120) });
  const cell = (field: ColumnField): string => {
    const column = reading.columns[field];
    return column === undefined ? '' : row.get(column).trim();
  };
  const instant = (day: string, clock: string): string | undefined => {
    const found = instantOf(`${day}T${clock}`, zone);
    // In spring an hour is skipped: nobody leaves in it.
    return clockOf(found, zone) === clock ? found : no('skippedHour', `${day} ${clock}`);
  };
  const moment = (field: 'from' | 'to', clockField: 'fromClock' | 'toClock'): string | undefined => {
    const text = cell(field);
    const read = readMoment(text, reading.days);
    if (!read) return no('noDay', text);
    const written = cell(clockField);
    const clock = written === '' ? (read.clock ?? reading.clocks[field]) : readHour(written);
    return clock === undefined ? no('noClock', written) : instant(read.day, clock);
  };
  const count = (field: 'adults' | 'children' | 'people'): number | undefined => {
    const text = cell(field);
    if (text === '') return undefined;
    return /^\d{1,2}$/.test(text) && Number(text) <= 60 ? Number(text) : no('noPeople', text);
  };
  const from = moment('from', 'fromClock');
  const length = Number(
    cell('hours')
      .replace(',', '.')
      .replace(/\s*h.*$/i, ''),
  );
  const to =
    cell('to') !== ''
      ? moment('to', 'toClock')
      : length > 0 && length <= LONGEST_H && from !== undefined
        ? new Date(Date.parse(from) + length * 3_600_000).toISOString()
        : from === undefined
          ? undefined
          : cell('toClock') !== ''
            ? moment('from', 'toClock')
            : no('noEnd', cell('hours'));
  const renter = cell('renter').slice(0, 80);
  if (renter === '') no('noRenter', '');
  const [adults, children, people] = [count('adults'), count('children'), count('people')];
  const deposit = cell('deposit');
  const sum = readSum(deposit, currency);
  const depositMinor = deposit === '' ? undefined : sum !== undefined && sum <= MOST_MINOR ? sum : no('noSum', deposit);
  if (faults.length > 0 || from === undefined || to === undefined) return faults;
  const boat = cell('boat');
  return {
    key: (cell('key') || `${boat}/${from}/${folded(renter)}`).slice(0, 200),
    ...{ sequence: 0, stamp: '', at, boatIn: [boat], from, to, renter },
    cancelled: CANCELLED.test(folded(cell('state'))),
    contact: cell('contact').slice(0, 120),
    adults:
      adults === 0 && children === undefined
        ? undefined
        : (adults ?? (people === undefined ? undefined : Math.max(1, people - (children ?? 0)))),
    children,
    notes: cell('notes').slice(0, 2000),
    depositMinor,
    language: languageOf(cell('language')),
  };
};

/** The days from the first to the last, as hours of a clock. @param last the last day itself */
export const daysAsHours = (
  first: string,
  last: string,
  clocks: { from: string; to: string },
  zone: string,
): { from: string; to: string } => {
  const from = instantOf(`${first}T${clocks.from}`, zone);
  const to = instantOf(`${last}T${clocks.to}`, zone);
  // A night boat: it is back on the day after.
  return { from, to: to > from ? to : instantOf(`${shiftDay(last, 1)}T${clocks.to}`, zone) };
};

/** Which of our boats a text means: by the words that were said to mean one, else by the name that stands in it. */
export const boatOf = (
  texts: readonly string[],
  known: Readonly<Record<string, string>>,
  boats: readonly { id: string; name: string; hullNumber: string }[],
): string | undefined => {
  const meant = new Map(Object.entries(known).map(([name, id]) => [folded(name), id]));
  for (const text of texts.map(folded)) {
    if (text === '') continue;
    const found =
      meant.get(text) ?? boats.find(({ id, name, hullNumber }) => [id, name, hullNumber].some((one) => folded(one) === text))?.id;
    if (found !== undefined) return found;
  }
  // The longest name first: “Heron” stands in “Half Past Heron” as well.
  const names = [...meant, ...boats.map(({ id, name }) => [folded(name), id] as const)].sort(([a], [b]) => b.length - a.length);
  for (const text of texts.map((one) => ` ${folded(one)} `)) {
    const found = names.find(([name]) => name !== '' && text.includes(` ${name} `));
    if (found) return found[1];
  }
  return undefined;
};
