import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import { chance as chanceFrom } from '@quay/core/number/chance';
import type { CalendarReading } from '@quay/core/booking/reading';
import { daysAsHours } from '@quay/core/booking/table';
import { readCalendar } from './ical';
import { type CalendarHire, writeCalendar } from './icalOut';

/** Calendars judged by a program that is not ours, both ways. */

const NOW = Date.parse('2026-06-13T10:00:00.000Z');
const reading: CalendarReading = {
  ...{ kind: 'calendar', base: 'quay', boat: null, boats: {}, adults: 2 },
  clocks: { from: '10:00', to: '17:00' },
};
const CALENDARS = 200;
const { next: chance, pick: among } = chanceFrom(20_261_130);
const upTo = (n: number) => Math.floor(chance() * n);

/** What names and notes are made of: signs that the format has a meaning for, long words, several letters and lines. */
const WORDS = ['Okonjo-Lind', 'Straker; twins', 'a, b', 'Å“quai”', 'back\\slash', 'line\nbreak', '船', 'x'.repeat(90), '"said"', ':colon'];
const words = () => Array.from({ length: 1 + upTo(3) }, () => among(WORDS)).join(' ');

const hire = (calendar: number, n: number): CalendarHire => {
  const from = NOW + upTo(600) * 3_600_000;
  return {
    ...{ id: `h-${calendar}-${n}`, version: 1 + upTo(5), boat: among(['Tuppenny Bun', 'Half, Past; Heron']), renter: words() },
    ...{ contact: among(['', 'orla@example.test', '+49 30 1234567']), adults: 1 + upTo(6), children: upTo(3), language: 'en' },
    ...{ from: new Date(from).toISOString(), to: new Date(from + (1 + upTo(99)) * 900_000).toISOString() },
    ...{ notes: among(['', words()]), cancelled: chance() < 0.2, changedAt: new Date(NOW).toISOString() },
  };
};

const ZONES = ['Europe/Paris', 'America/New_York', 'Australia/Lord_Howe', 'Asia/Kolkata'];
/** Days of the year in which no zone of these leaves an hour out at the clocks below. */
const day = (): string => new Date(NOW + (3 + upTo(120)) * 86_400_000).toISOString().slice(0, 10);
const event = (calendar: number, n: number) => {
  const begins = day();
  const clock = among(['08:00', '09:30', '12:15', '18:45']);
  const weekly = new Date(Date.parse(begins) + 7 * 86_400_000).toISOString().slice(0, 10);
  const rule = among([
    '',
    '',
    'FREQ=WEEKLY;COUNT=6',
    'FREQ=DAILY;INTERVAL=3;COUNT=9',
    'FREQ=WEEKLY;BYDAY=SA,SU;COUNT=8',
    'FREQ=MONTHLY;BYDAY=1SU',
    'FREQ=YEARLY',
  ]);
  return {
    ...{
      uid: `e-${calendar}-${n}@elsewhere`,
      sequence: upTo(4),
      renter: words().trim(),
      boat: 'Tuppenny Bun',
      notes: words(),
      cancelled: chance() < 0.2,
    },
    ...{ allDay: chance() < 0.25, day: begins, days: 1 + upTo(4), clock, minutes: 30 * (1 + upTo(20)), zone: among(ZONES) },
    utc: rule === '' && chance() < 0.4,
    rule,
    not: rule.startsWith('FREQ=WEEKLY;COUNT') ? [`${weekly}T${clock}:00`] : [],
  };
};

const ours = Array.from({ length: CALENDARS }, (_, c) => Array.from({ length: 1 + upTo(8) }, (_each, n) => hire(c, n)));
const theirs = Array.from({ length: CALENDARS }, (_, c) => Array.from({ length: 1 + upTo(6) }, (_each, n) => event(c, n)));
type Theirs = { renter: string; cancelled: boolean; notes: string; from?: string; to?: string; day?: string; days?: number };
let judged: { read: Record<string, unknown>[][]; write: { text: string; expected: Theirs[] }[] };
beforeAll(() => {
  const input = JSON.stringify({ read: ours.map((hires) => writeCalendar(hires, 'Ossel Quay', 'quay.test')), write: theirs });
  const said = execFileSync('/usr/bin/python3', [join(__dirname, 'judge.py')], { input, maxBuffer: 1 << 28, encoding: 'utf8' });
  judged = JSON.parse(said) as typeof judged;
});

it('what is written here is read there as it was meant, in 200 calendars', () => {
  const meant = ours.map((hires) =>
    hires.map(({ id, version, boat, renter, contact, from, to, notes, cancelled }) => ({
      ...{ uid: `${id}@quay.test`, sequence: version - 1, from, to, renter, boat, notes, contact, cancelled },
    })),
  );
  expect(judged.read).toEqual(meant);
});

it('what is written there is read here as it was meant, in 200 calendars: zones, whole days, what recurs and its exceptions', () => {
  let events = 0;
  for (const { text, expected } of judged.write) {
    const { rows, faults } = readCalendar(text, reading, 'Europe/Paris', NOW);
    expect(faults).toEqual([]);
    const since = new Date(NOW - 86_400_000).toISOString();
    const meant = expected
      .map(({ day: first, days, ...one }) => {
        if (first === undefined) return one;
        const last = new Date(Date.parse(first) + (days! - 1) * 86_400_000).toISOString().slice(0, 10);
        return { ...one, ...daysAsHours(first, last, reading.clocks, 'Europe/Paris') };
      })
      .filter(({ from }) => from! > since)
      .map(({ renter, notes, ...one }) => ({ ...one, renter: renter.slice(0, 80), notes }));
    const told = rows.map(({ renter, cancelled, notes, from, to }) => ({ cancelled, from, to, renter, notes }));
    const byTime = (a: { from?: string; renter: string; to?: string }, b: typeof a) =>
      `${a.from}${a.to}${a.renter}` < `${b.from}${b.to}${b.renter}` ? -1 : 1;
    expect(told.filter(({ from }) => from < '2027-07-17').sort(byTime)).toEqual(
      meant.filter(({ from }) => from! < '2027-07-17').sort(byTime),
    );
    events += told.length;
  }
  expect(events).toBeGreaterThan(CALENDARS * 3);
});
