import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { BoatBook, type Book, ClassBook } from '../book';
import { lineageOf, mergeBooks } from '../merge';
import { type Lack, type LackKind, LACKS, lacksOf } from './lacks';

const DEMO = join(__dirname, '../../../../demo');
const CLASSES = join(__dirname, '../../../../starters/classes');
const json = (...path: string[]): unknown => JSON.parse(readFileSync(join(...path), 'utf8'));
const classes = new Map(
  readdirSync(CLASSES)
    .map((name) => ClassBook.parse(json(CLASSES, name)))
    .map((one) => [one.id, one]),
);
const prices = new Set(
  readFileSync(join(DEMO, 'prices.csv'), 'utf8')
    .split('\n')
    .map((line) => line.split(',')[0]!),
);
const books = new Map(
  readdirSync(join(DEMO, 'boats')).map((name) => {
    const boat = BoatBook.parse(json(DEMO, 'boats', name));
    const way = lineageOf(boat.class, classes);
    const resolved = way.ok ? mergeBooks(way.lineage, boat) : way;
    if (!resolved.ok) throw new Error(JSON.stringify(resolved));
    return [boat.id, resolved.book] as const;
  }),
);
const book = (id: string): Book => books.get(id)!;
const without = <R extends { id: string }>(rows: readonly R[], pattern: RegExp): R[] => rows.filter(({ id }) => !pattern.test(id));
const said = (found: readonly Lack[]) => found.map(({ is, path }) => [is, path]);

it.each([...books.keys()])('%s, as she is shipped, lacks nothing', (id) => expect(lacksOf(book(id), prices)).toEqual([]));

const pontoon = book('tuppenny-bun');
const houseboat = book('slow-custard');
const narrow = book('copper-kettle');
const [station] = pontoon.stations;
/** A book with something taken away, and what is then said, each with its place. */
const TAKEN: [LackKind, Book, [LackKind, string][]][] = [
  ['gasCard', { ...narrow, fixCards: without(narrow.fixCards, /gas/) }, [['gasCard', 'fixCards']]],
  [
    'gasAlarm',
    { ...narrow, fittings: without(narrow.fittings, /-alarm$/) },
    [
      ['gasAlarm', 'fittings'],
      ['fumesAlarm', 'fittings'],
    ],
  ],
  ['gasShut', { ...narrow, points: without(narrow.points, /gas/), drills: without(narrow.drills, /^gas/) }, [['gasShut', 'points']]],
  [
    'fumesAlarm',
    { ...houseboat, fittings: without(houseboat.fittings, /^co-alarm$/) },
    [
      ['gasAlarm', 'fittings'],
      ['fumesAlarm', 'fittings'],
    ],
  ],
  [
    'cordNotCounted',
    { ...pontoon, fittings: without(pontoon.fittings, /^kill-cord$/) },
    [['cordNotCounted', 'drills[outboard-start].controls']],
  ],
  [
    'gaugeWithoutTank',
    { ...pontoon, gauges: pontoon.gauges.map((one) => (one.id === 'fuel-sight' ? { ...one, tank: undefined } : one)) },
    [['gaugeWithoutTank', 'gauges[fuel-sight].tank']],
  ],
  ['tankUnread', { ...pontoon, gauges: without(pontoon.gauges, /^fuel/) }, [['tankUnread', 'tanks[petrol]']]],
  ['propellerUnjudged', { ...houseboat, propellers: houseboat.propellers.slice(1) }, [['propellerUnjudged', 'propellers']]],
  [
    'emptyStation',
    { ...pontoon, stations: [...pontoon.stations, { ...station!, id: 'nowhere' }] },
    [['emptyStation', 'stations[nowhere]']],
  ],
  [
    'noSuchPrice',
    { ...pontoon, propellers: pontoon.propellers.map((one) => ({ ...one, price: 'gold' })) },
    pontoon.propellers.map(({ id }) => ['noSuchPrice', `propellers[${id}].price`]),
  ],
  [
    'drillWithoutCaution',
    { ...pontoon, drills: pontoon.drills.map((one) => ({ ...one, caution: undefined })) },
    [
      ['drillWithoutCaution', 'drills[outboard-start].caution'],
      ['drillWithoutCaution', 'drills[over-restart].caution'],
    ],
  ],
  [
    'cardWithoutCaution',
    { ...pontoon, fixCards: pontoon.fixCards.map((one) => (one.id === 'fire' ? { ...one, urgent: true, cautions: [] } : one)) },
    [['cardWithoutCaution', 'fixCards[fire].cautions']],
  ],
  ['noExtinguisher', { ...pontoon, fittings: without(pontoon.fittings, /^extinguisher/) }, [['noExtinguisher', 'fittings']]],
  ['jacketsTooFew', { ...pontoon, plate: { ...pontoon.plate, people: 60 } }, [['jacketsTooFew', 'fittings']]],
  [
    'twoFigures',
    {
      ...houseboat,
      gauges: [
        ...houseboat.gauges,
        { ...houseboat.gauges.find(({ flushesLeft }) => flushesLeft !== undefined)!, id: 'lamp-too', flushesLeft: 99 },
      ],
    },
    [['twoFigures', 'gauges[lamp-too].flushesLeft']],
  ],
  [
    'notInLanguage',
    { ...pontoon, stations: pontoon.stations.map((one, i) => (i === 0 ? { ...one, name: { en: one.name.en } } : one)) },
    [['notInLanguage', `stations[${station!.id}].name`]],
  ],
];

it.each(TAKEN)('%s is said where it is, and nothing else is', (_, changed, expected) => {
  expect(said(lacksOf(changed, prices))).toEqual(expected);
});

it('every kind of lack can be come to', () => expect(new Set(TAKEN.map(([is]) => is))).toEqual(new Set(LACKS)));

it('without a list nothing is said of prices', () => {
  const changed = { ...pontoon, propellers: pontoon.propellers.map((one) => ({ ...one, price: 'gold' })) };
  expect(lacksOf(changed)).toEqual([]);
});
