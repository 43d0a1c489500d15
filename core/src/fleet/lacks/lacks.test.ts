import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { BoatBook, type Book, ClassBook } from '../book';
import { lineageOf, mergeBooks } from '../merge';
import { type Lack, type LackKind, LACKS, lacksOf, rowAt } from './lacks';

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

it.each([...books.keys()])('%s, as she is shipped, lacks nothing', (id) => expect(lacksOf(book(id), { prices })).toEqual([]));

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
    'conditionUnused',
    { ...pontoon, conditions: { ...pontoon.conditions, 'nobody-asks': { fact: 'party.children', atLeast: 1 } } },
    [['conditionUnused', 'conditions[nobody-asks]']],
  ],
  [
    'notInLanguage',
    { ...pontoon, stations: pontoon.stations.map((one, i) => (i === 0 ? { ...one, name: { en: one.name.en } } : one)) },
    [['notInLanguage', `stations[${station!.id}].name`]],
  ],
];

it.each(TAKEN)('%s is said where it is, and nothing else is', (_, changed, expected) => {
  expect(said(lacksOf(changed, { prices }))).toEqual(expected);
});

it('every kind of lack can be come to', () => expect(new Set(TAKEN.map(([is]) => is))).toEqual(new Set(LACKS)));

it('without a list nothing is said of prices', () => {
  const changed = { ...pontoon, propellers: pontoon.propellers.map((one) => ({ ...one, price: 'gold' })) };
  expect(lacksOf(changed)).toEqual([]);
});

it('only the languages that renters are spoken to in are missed', () => {
  const changed = { ...pontoon, stations: pontoon.stations.map((one) => ({ ...one, name: { en: one.name.en, fr: one.name.en } })) };
  expect(lacksOf(changed, { languages: ['en', 'fr'] })).toEqual([]);
  expect(new Set(lacksOf(changed, { languages: ['en', 'de'] }).map(({ about }) => about))).toEqual(new Set(['de']));
});

it('an operator’s own rows are known by their names, whatever their ids are', () => {
  const alarm = narrow.fittings.find(({ id }) => id.endsWith('-alarm'))!;
  const own = {
    ...narrow,
    fittings: [...without(narrow.fittings, /-alarm$/), { ...alarm, id: 'x1', name: { ...alarm.name, en: 'Alarm for carbon monoxide' } }],
  };
  expect(said(lacksOf(own, { prices }))).toEqual([]);
  const bottle = { ...pontoon.fittings[0]!, id: 'x2', name: { en: 'Bottle of gas', fr: 'x', de: 'x', es: 'x' } };
  expect(said(lacksOf({ ...pontoon, fittings: [...pontoon.fittings, bottle] }, { prices })).map(([is]) => is)).toEqual([
    'gasCard',
    'gasAlarm',
    'gasShut',
  ]);
});

it('a path names its list, and the row where there is one', () => {
  expect(rowAt('gauges[fuel-needle].tank')).toEqual({ list: 'gauges', id: 'fuel-needle' });
  expect(rowAt('fixCards')).toEqual({ list: 'fixCards' });
  expect(rowAt('plate.people')).toEqual({ list: 'plate' });
});
