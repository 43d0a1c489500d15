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

/** By its mark, else as UTF-8, else as the old Windows letters, which any bytes are. */
export const decode = (bytes: Uint8Array): string => {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (a === 0xfe && b === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
};
