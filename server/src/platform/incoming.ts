import type { DayOrder, Raw, ReadFault, Reading, TableReading } from '@quay/core/booking/reading';

/** Tables and calendars of elsewhere, and whoever reads them. */

export type ReadTask = { bytes: Uint8Array } & ({ look: true } | { reading: Reading; zone: string; currency: string; now: number });

/** What a file is, before anybody has said how it is to be read. */
export type Looked =
  | { kind: 'table'; heads: string[]; samples: string[][]; rows: number; columns: TableReading['columns']; days: DayOrder | null }
  | { kind: 'calendar'; name: string; events: number };
export type ReadReply =
  { looked: Looked } | { rows: Raw[]; faults: ReadFault[] } | { refused: 'notText' | 'empty' | 'tooMany' | 'noCalendar'; why: string };

export type Reader = { read: (task: ReadTask) => Promise<ReadReply>; end: () => Promise<void> };
