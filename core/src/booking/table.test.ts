import type { Raw, ReadFault, TableReading } from './reading';
import { boatOf, daysAsHours, guessColumns, guessDays, readMoment, readRow, readSum } from './table';

const reading = (part: Partial<TableReading> = {}): TableReading => ({
  kind: 'table',
  base: 'quay',
  boat: null,
  boats: {},
  clocks: { from: '10:00', to: '17:00' },
  adults: 2,
  days: 'dayFirst',
  columns: {
    boat: 'Boot',
    from: 'Von',
    to: 'Bis',
    renter: 'Name',
    deposit: 'Kaution',
    people: 'Personen',
    fromClock: 'Uhrzeit',
    hours: 'Dauer',
  },
  ...part,
});
const row = (cells: Record<string, string>, part: Partial<TableReading> = {}, zone = 'Europe/Paris') =>
  readRow({ line: 7, get: (column) => cells[column] ?? '' }, reading(part), zone, 'EUR');
const whole = { Boot: 'Heron', Von: '13.06.2026 09:30', Bis: '13.06.2026 12:00', Name: 'Orla Pinnock' };
const faultsOf = (read: Raw | ReadFault[]) => (Array.isArray(read) ? read.map(({ is, text }) => [is, text]) : []);

describe('columns', () => {
  it.each([
    [
      ['Booking ID', 'Boat', 'Start', 'End', 'Customer', 'Phone'],
      { key: 'Booking ID', boat: 'Boat', from: 'Start', to: 'End', renter: 'Customer', contact: 'Phone' },
    ],
    [['Boot', 'Von', 'Bis', 'Mieter', 'Personen'], { boat: 'Boot', from: 'Von', to: 'Bis', renter: 'Mieter', people: 'Personen' }],
    [['Bateau', 'Début', 'Heure', 'Durée', 'Nom'], { boat: 'Bateau', from: 'Début', fromClock: 'Heure', hours: 'Durée', renter: 'Nom' }],
    [['Embarcación', 'Fecha', 'Niños', 'nothing of ours'], { boat: 'Embarcación', from: 'Fecha', children: 'Niños' }],
  ])('are known by their heads: %j', (heads, found) => expect(guessColumns(heads)).toEqual(found));

  it('show which figure is the day, as soon as one of them can be nothing else', () => {
    expect(guessDays(['01/02/2026', '13/02/2026'])).toBe('dayFirst');
    expect(guessDays(['01/02/2026 10:00', '02/13/2026 10:00'])).toBe('monthFirst');
    expect(guessDays(['01/02/2026', '2026-02-13', ''])).toBeUndefined();
  });
});

describe('days, hours and sums', () => {
  it.each([
    ['2026-06-13T09:30', { day: '2026-06-13', clock: '09:30' }],
    ['2026-06-13 9:30:00', { day: '2026-06-13', clock: '09:30' }],
    ['13.6.2026', { day: '2026-06-13' }],
    ['13/06/26, 2:30 pm', { day: '2026-06-13', clock: '14:30' }],
    ['13-06-2026 12 am', { day: '2026-06-13', clock: '00:00' }],
    ['13.06.2026 um 14 Uhr', { day: '2026-06-13', clock: '14:00' }],
    ['13/06/2026 14h30', { day: '2026-06-13', clock: '14:30' }],
    ['31.02.2026', undefined],
    ['13.06.2026 25:00', undefined],
    ['tomorrow', undefined],
    ['', undefined],
  ])('%s', (text, moment) => expect(readMoment(text, 'dayFirst')).toEqual(moment));

  it('read the month first where that is said', () => expect(readMoment('06/13/2026', 'monthFirst')).toEqual({ day: '2026-06-13' }));

  it.each([
    ['250', 'EUR', 25_000],
    ['€ 1.250,50', 'EUR', 125_050],
    ['1,250.50 USD', 'USD', 125_050],
    ["1'250", 'EUR', 125_000],
    ['1.250', 'EUR', 125_000],
    ['12,5', 'EUR', 1250],
    ['1.250', 'KWD', 1250],
    ['1,500', 'JPY', 1500],
    ['1.2.3,4', 'EUR', 12_340],
    ['much', 'EUR', undefined],
    ['-5', 'EUR', undefined],
  ])('%s %s', (text, currency, minor) => expect(readSum(text, currency)).toBe(minor));

  it('of a hire by its days begin and end with the day’s hours; a night boat is back the day after', () => {
    expect(daysAsHours('2026-06-13', '2026-06-14', { from: '10:00', to: '17:00' }, 'UTC')).toEqual({
      from: '2026-06-13T10:00:00.000Z',
      to: '2026-06-14T17:00:00.000Z',
    });
    expect(daysAsHours('2026-06-13', '2026-06-13', { from: '20:00', to: '08:00' }, 'UTC').to).toBe('2026-06-14T08:00:00.000Z');
  });
});

describe('a row', () => {
  it('is a booking, by the clocks of the base', () => {
    expect(row({ ...whole, Kaution: '1.250,00 €', Personen: '4' })).toMatchObject({
      ...{ from: '2026-06-13T07:30:00.000Z', to: '2026-06-13T10:00:00.000Z', renter: 'Orla Pinnock', boatIn: ['Heron'] },
      ...{ depositMinor: 125_000, adults: 4, cancelled: false, at: 'line 7' },
    });
  });

  it('ends after its hours, or by a clock of its own, where no day of return is given', () => {
    expect(row({ ...whole, Bis: '', Dauer: '2,5 h' })).toMatchObject({ to: '2026-06-13T10:00:00.000Z' });
    expect(
      row({ Boot: 'Heron', Von: '13.06.2026', Name: 'O', Ende: '15:00' }, { columns: { ...reading().columns, toClock: 'Ende' } }),
    ).toMatchObject({
      ...{ from: '2026-06-13T08:00:00.000Z', to: '2026-06-13T13:00:00.000Z' },
    });
  });

  it('tells all that is wrong with it, each with what stands there', () => {
    expect(faultsOf(row({ ...whole, Von: '31.02.2026', Name: '', Personen: 'many', Kaution: 'much' }))).toEqual([
      ['noDay', '31.02.2026'],
      ['noRenter', ''],
      ['noPeople', 'many'],
      ['noSum', 'much'],
    ]);
    expect(faultsOf(row({ ...whole, Bis: '' }))).toEqual([['noEnd', '']]);
    expect(faultsOf(row({ ...whole, Bis: '', Dauer: '1e300' }))).toEqual([['noEnd', '1e300']]);
    expect(faultsOf(row({ ...whole, Kaution: '999 999 999' }))).toEqual([['noSum', '999 999 999']]);
    expect(faultsOf(row({ ...whole, Uhrzeit: 'noon' }))).toEqual([['noClock', 'noon']]);
  });

  it('does not begin in the hour that spring leaves out', () => {
    expect(faultsOf(row({ ...whole, Von: '29.03.2026 02:30', Bis: '29.03.2026 12:00' }))).toEqual([['skippedHour', '2026-03-29 02:30']]);
    expect(faultsOf(row({ ...whole, Von: '29.03.2026 02:30', Bis: '29.03.2026 12:00' }, {}, 'UTC'))).toEqual([]);
  });

  it('may say that it does not take place', () => {
    const columns = { ...reading().columns, state: 'Status' };
    for (const [text, off] of [
      ['Storniert', true],
      ['cancelled', true],
      ['confirmed', false],
    ] as const)
      expect(row({ ...whole, Status: text }, { columns })).toMatchObject({ cancelled: off });
  });
});

describe('a boat', () => {
  const boats = [
    { id: 'heron', name: 'Heron', hullNumber: 'OS 1' },
    { id: 'half-past-heron', name: 'Half Past Heron', hullNumber: 'OS 2' },
  ];
  it.each([
    [['heron'], 'heron'],
    [['HALF PAST HERON'], 'half-past-heron'],
    [['OS 2'], 'half-past-heron'],
    [['', 'Solway, Half Past Heron, 4 people'], 'half-past-heron'],
    [['the red one'], 'heron'],
    [['Herons of the lake'], undefined],
    [[''], undefined],
  ])('is meant by %j', (texts, id) => expect(boatOf(texts, { 'The red one': 'heron' }, boats)).toBe(id));
});
