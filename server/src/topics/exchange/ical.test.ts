import type { CalendarReading } from '@quay/core/booking/reading';
import { NoCalendar, readCalendar } from './ical';

const NOW = Date.parse('2026-06-13T10:00:00.000Z');
const reading: CalendarReading = {
  ...{ kind: 'calendar', base: 'quay', boat: null, boats: {}, adults: 2 },
  clocks: { from: '10:00', to: '17:00' },
};
const calendar = (...events: string[][]) =>
  [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:x',
    ...events.flatMap((lines) => ['BEGIN:VEVENT', ...lines, 'END:VEVENT']),
    'END:VCALENDAR',
    '',
  ].join('\r\n');
const read = (text: string) => readCalendar(text, reading, 'Europe/Paris', NOW);
const spans = (text: string) => read(text).rows.map(({ from, to }) => [from, to]);
const party = ['UID:a', 'SUMMARY:Orla', 'LOCATION:Heron'];

it('of several words about one event the newest counts, also when it calls it off', () => {
  const word = (sequence: number, hour: string, status: string) => [
    ...party,
    `SEQUENCE:${sequence}`,
    `DTSTART:20260620T${hour}0000Z`,
    'DURATION:PT2H',
    `STATUS:${status}`,
  ];
  expect(read(calendar(word(1, '12', 'CONFIRMED'), word(3, '14', 'CANCELLED'), word(2, '13', 'CONFIRMED'))).rows).toMatchObject([
    { key: 'a', sequence: 3, cancelled: true, from: '2026-06-20T14:00:00.000Z' },
  ]);
});

it('a calendar that calls off calls off all that it holds', () => {
  const text = calendar([...party, 'DTSTART:20260620T120000Z', 'DURATION:PT2H']).replace('PRODID:x', 'PRODID:x\r\nMETHOD:CANCEL');
  expect(read(text).rows).toMatchObject([{ cancelled: true }]);
});

it('one day of an event that recurs is moved, another called off, another left out', () => {
  const master = [
    ...party,
    'DTSTART;TZID=Europe/Paris:20260620T100000',
    'DTEND;TZID=Europe/Paris:20260620T120000',
    'RRULE:FREQ=WEEKLY;COUNT=4',
    'EXDATE;TZID=Europe/Paris:20260627T100000',
  ];
  const moved = [...party, 'RECURRENCE-ID;TZID=Europe/Paris:20260704T100000', 'DTSTART;TZID=Europe/Paris:20260705T150000', 'DURATION:PT1H'];
  const off = [
    ...party,
    'RECURRENCE-ID;TZID=Europe/Paris:20260711T100000',
    'DTSTART;TZID=Europe/Paris:20260711T100000',
    'DURATION:PT2H',
    'STATUS:CANCELLED',
  ];
  const { rows } = read(calendar(master, moved, off));
  expect(rows.map(({ from, cancelled }) => [from, cancelled])).toEqual([
    ['2026-06-20T08:00:00.000Z', false],
    ['2026-07-05T13:00:00.000Z', false],
    ['2026-07-11T08:00:00.000Z', true],
  ]);
  expect(new Set(rows.map(({ key }) => key)).size).toBe(3);
});

it('keeps the hour of the clock over the night on which it is changed', () => {
  expect(spans(calendar([...party, 'DTSTART;TZID=Europe/Paris:20261024T100000', 'DURATION:PT2H', 'RRULE:FREQ=DAILY;COUNT=2']))).toEqual([
    ['2026-10-24T08:00:00.000Z', '2026-10-24T10:00:00.000Z'],
    ['2026-10-25T09:00:00.000Z', '2026-10-25T11:00:00.000Z'],
  ]);
});

it('one without a zone is by the clocks of the base, and one by its days has the day’s hours', () => {
  expect(spans(calendar([...party, 'DTSTART:20260620T100000', 'DURATION:PT2H']))).toEqual([
    ['2026-06-20T08:00:00.000Z', '2026-06-20T10:00:00.000Z'],
  ]);
  expect(spans(calendar([...party, 'DTSTART;VALUE=DATE:20260620', 'DTEND;VALUE=DATE:20260622']))).toEqual([
    ['2026-06-20T08:00:00.000Z', '2026-06-21T15:00:00.000Z'],
  ]);
});

const zone = (tzid: string, offset: string) =>
  [
    'BEGIN:VTIMEZONE',
    `TZID:${tzid}`,
    'BEGIN:STANDARD',
    'DTSTART:19700101T000000',
    `TZOFFSETFROM:${offset}`,
    `TZOFFSETTO:${offset}`,
    'END:STANDARD',
    'END:VTIMEZONE',
  ].join('\r\n');
const withZone = (tzid: string, offset: string) =>
  calendar([...party, `DTSTART;TZID=${tzid}:20260620T100000`, 'DURATION:PT2H']).replace(
    'BEGIN:VEVENT',
    `${zone(tzid, offset)}\r\nBEGIN:VEVENT`,
  );

it('a zone of its own is believed, one that lies about a zone of the world’s is not, and that is said', () => {
  expect(spans(withZone('Quay Time', '+0500'))).toEqual([['2026-06-20T05:00:00.000Z', '2026-06-20T07:00:00.000Z']]);
  const lied = read(withZone('Europe/Paris', '+0900'));
  expect(lied.rows).toMatchObject([{ from: '2026-06-20T08:00:00.000Z' }]);
  expect(lied.faults).toEqual([{ at: 'a', is: 'zoneDiffers', text: 'Europe/Paris' }]);
  expect(read(calendar([...party, 'DTSTART;TZID=Nowhere at all:20260620T100000', 'DURATION:PT2H']))).toMatchObject({
    rows: [],
    faults: [{ at: 'a', is: 'noZone', text: 'Nowhere at all' }],
  });
});

it.each([
  ['recurs every second', 'RRULE:FREQ=SECONDLY', 'tooOften'],
  ['recurs by a rule that never comes', 'RRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30;COUNT=3', undefined],
  ['has a rule that is none', 'RRULE:FREQ=SOMETIMES', 'unreadable'],
  ['has no end', 'STATUS:CONFIRMED', 'noEnd'],
  ['lasts a hundred thousand years', 'DURATION:P36500000D', 'noEnd'],
])('one that %s stops no other', (_, line, is) => {
  const bad = ['UID:bad', 'SUMMARY:Bad', 'DTSTART:20260620T120000Z', line, ...(is === 'noEnd' ? [] : ['DURATION:PT1H'])];
  const { rows, faults } = read(calendar(bad, [...party, 'DTSTART:20260620T120000Z', 'DURATION:PT2H']));
  expect(rows.filter(({ key }) => key === 'a')).toHaveLength(1);
  expect(faults.map((fault) => fault.is)).toEqual(is === undefined ? [] : [is]);
});

it('one that recurs for ever is taken as far as one looks ahead, one that began long ago as well', () => {
  const { rows } = read(calendar([...party, 'DTSTART:20100101T080000Z', 'DURATION:PT1H', 'RRULE:FREQ=WEEKLY']));
  expect(rows.length).toBeGreaterThan(50);
  expect(rows.length).toBeLessThan(62);
});

it('what is no calendar is said to be none', () => {
  for (const text of [
    'BEGIN:VCARD\r\nVERSION:4.0\r\nFN:x\r\nEND:VCARD\r\n',
    'BEGIN:VCALENDAR\r\nBEGIN:VEVENT',
    '<html>',
    'BEGIN:VEVENT\r\n'.repeat(5000),
  ])
    expect(() => read(text)).toThrow(NoCalendar);
});
