import type { Look } from '@quay/contract/exchange';
import { COLUMN_FIELDS, type ColumnField, type Reading } from '@quay/core/booking/reading';

/** A file that somebody is about to load, and how it is read. */

/** Without these there is no booking. */
const NEEDED: readonly ColumnField[] = ['from', 'renter'];

/** How it is read at first: as one of its kind was before, else as it looks. */
export const firstReading = ({ looked, source }: Look, base: string): Reading => {
  const shared = { base, boat: null, boats: {}, clocks: { from: '10:00', to: '17:00' }, adults: 2 };
  if (source && source.reading.kind === looked.kind) return source.reading;
  return looked.kind === 'calendar'
    ? { ...shared, kind: 'calendar' }
    : { ...shared, kind: 'table', columns: looked.columns, days: looked.days ?? 'dayFirst' };
};

/** Columns that are still to be named. */
export const missingColumns = (reading: Reading): ColumnField[] =>
  reading.kind === 'calendar'
    ? []
    : [
        ...NEEDED.filter((field) => reading.columns[field] === undefined),
        ...(reading.boat === null && reading.columns.boat === undefined ? (['boat'] as const) : []),
        ...((['to', 'hours', 'toClock'] as const).every((field) => reading.columns[field] === undefined) ? (['to'] as const) : []),
      ];

/** The same with a field taken from a column, or from none; a column is one thing at a time. */
export const withColumn = (reading: Reading, field: ColumnField, head: string | undefined): Reading => {
  if (reading.kind === 'calendar') return reading;
  const columns = Object.fromEntries(
    COLUMN_FIELDS.flatMap((one) => {
      const held = one === field ? head : reading.columns[one];
      return held === undefined || (one !== field && held === head) ? [] : [[one, held]];
    }),
  );
  return { ...reading, columns };
};

/** The same, with what somebody calls a boat there. */
export const withBoat = (reading: Reading, name: string, boat: string | undefined): Reading => {
  const { [name]: _before, ...boats } = reading.boats;
  return { ...reading, boats: boat === undefined ? boats : { ...boats, [name]: boat } };
};
