import { type BaseList, BERTH_KINDS } from '@quay/core/fleet/base';
import type { ListName } from '@quay/core/fleet/book';
import { MOST_FIGURE } from '@quay/core/events/parts';
import { COMPUTED, ROUND_UNITS } from '@quay/core/fleet/points';
import { JACKET_KINDS, JACKET_MAX_KG, NEWTONS } from '@quay/core/fleet/jacketKinds';
import { BOAT_STATES } from '@quay/core/fleet/places';
import { FITTING_KINDS, FITTING_PER, READINGS, TANK_FEEDS, TANK_SHAPES } from '@quay/core/fleet/rows';
import { DRILL_PARTS } from '../drill/drillFields';
import { type FieldSpec, NAME, PRICE, STATION, WHEN, wording } from './fieldSpec';

/** Whom a jacket fits and what it carries. */
const JACKET: FieldSpec = {
  field: 'jacket',
  is: 'group',
  of: [
    { field: 'kind', is: 'choice', options: JACKET_KINDS, needed: true },
    { field: 'fromKg', is: 'number', needed: true, min: 0, max: JACKET_MAX_KG, unit: 'kg' },
    { field: 'toKg', is: 'number', needed: true, min: 0.1, max: JACKET_MAX_KG, unit: 'kg' },
    { field: 'newtons', is: 'figure', options: NEWTONS, needed: true },
  ],
};
/** For somebody who was told before: after how many days anew, and what is then said more briefly. */
const AGAIN: FieldSpec = {
  field: 'again',
  is: 'group',
  of: [
    { field: 'days', is: 'number', needed: true, min: 1, max: 3650, whole: true },
    { field: 'seconds', is: 'number', min: 1, whole: true, unit: 's' },
    { field: 'say', is: 'wording', lines: 2 },
  ],
};
/** What is told with an item of a round, and what is usual. */
const FIGURE: FieldSpec = {
  field: 'figure',
  is: 'group',
  of: [
    { field: 'unit', is: 'choice', options: ROUND_UNITS, needed: true },
    { field: 'least', is: 'number', min: 0, max: MOST_FIGURE },
    { field: 'most', is: 'number', min: 0, max: MOST_FIGURE },
  ],
};
const QUESTIONS: FieldSpec = {
  field: 'questions',
  is: 'list',
  most: 12,
  of: [
    { field: 'ask', is: 'wording', needed: true, lines: 2 },
    {
      field: 'answers',
      is: 'list',
      needed: true,
      most: 4,
      of: [{ field: 'say', is: 'wording', needed: true }, { field: 'right', is: 'flag' }, wording('why')],
    },
  ],
};
/** Stations that boats have by these names; a point of a base is told at the first of those that a boat has. */
const STATIONS = [
  'bow',
  'forward',
  'helm',
  'seats',
  'gate',
  'cockpit',
  'cabin',
  'saloon',
  'galley',
  'heads',
  'aft',
  'canopy',
  'upper',
  'roof',
  'stern',
  'engine',
];

const TELLING: readonly FieldSpec[] = [
  { field: 'say', is: 'wording', needed: true, lines: 3 },
  wording('show'),
  wording('mistake'),
  wording('caution'),
  { field: 'weight', is: 'choice', options: ['must', 'should', 'spare'], needed: true },
  { field: 'seconds', is: 'number', needed: true, min: 1, max: 600, whole: true, unit: 's' },
  { field: 'value', is: 'number', min: 1, max: 100, whole: true },
  { field: 'handsOn', is: 'flag' },
  { field: 'tells', is: 'choice', options: COMPUTED },
  PRICE,
  WHEN,
  AGAIN,
  QUESTIONS,
];

export const FIELDS: Readonly<Record<ListName, readonly FieldSpec[]>> = {
  points: [STATION, ...TELLING],
  stations: [NAME, wording('hint'), { field: 'at', is: 'spot' }],
  fittings: [
    STATION,
    NAME,
    { field: 'kind', is: 'choice', options: FITTING_KINDS, needed: true },
    { field: 'count', is: 'number', needed: true, min: 0, max: 99, whole: true },
    { field: 'safety', is: 'flag' },
    { field: 'expiry', is: 'text' },
    { field: 'service', is: 'text' },
    { field: 'since', is: 'text' },
    { field: 'per', is: 'choice', options: FITTING_PER },
    PRICE,
    JACKET,
  ],
  gauges: [
    STATION,
    NAME,
    { field: 'reads', is: 'choice', options: READINGS, needed: true },
    { field: 'tank', is: 'tank' },
    { field: 'unit', is: 'text' },
    { field: 'min', is: 'number', needed: true },
    { field: 'max', is: 'number', needed: true },
    { field: 'step', is: 'number' },
    wording('normal'),
    { field: 'band', is: 'range' },
    { field: 'flushesLeft', is: 'number', min: 0, max: 500, whole: true },
    { field: 'wire', is: 'text' },
    { field: 'errors', is: 'learnt' },
    { field: 'picture', is: 'choice', options: ['always', 'alone'] },
  ],
  surfaces: [
    STATION,
    NAME,
    { field: 'widthM', is: 'number', needed: true, min: 0.01, max: 60, unit: 'm' },
    { field: 'heightM', is: 'number', needed: true, min: 0.01, max: 20, unit: 'm' },
    { field: 'bow', is: 'choice', options: ['left', 'right'] },
    {
      field: 'stuff',
      is: 'choice',
      options: ['gelcoat', 'aluminium', 'steel', 'wood', 'vinyl', 'canvas', 'glass', 'rubber'],
      needed: true,
    },
    { field: 'picture', is: 'choice', options: ['always', 'alone'] },
    { field: 'strokes', is: 'strokes' },
  ],
  propellers: [
    STATION,
    NAME,
    { field: 'evidence', is: 'choice', options: ['legUp', 'feltThroughHatch', 'vibrationAndRevs'], needed: true },
    wording('outWhen', true),
    wording('inWhen', true),
    { field: 'limitMm', is: 'number', needed: true, min: 0, max: 500, unit: 'mm' },
    { field: 'blades', is: 'number', min: 1, max: 7, whole: true },
    PRICE,
  ],
  checks: [STATION, NAME, { field: 'ways', is: 'list', needed: true, most: 6, of: [NAME, PRICE, { field: 'picture', is: 'flag' }] }],
  tanks: [
    NAME,
    { field: 'holds', is: 'choice', options: ['petrol', 'diesel', 'fresh', 'waste', 'gas'], needed: true },
    { field: 'capacityL', is: 'number', needed: true, min: 0.1, max: 20_000, unit: 'L' },
    { field: 'feeds', is: 'choice', options: TANK_FEEDS },
    { field: 'unusableL', is: 'number', min: 0, unit: 'L' },
    { field: 'litresADay', is: 'range', unit: 'L' },
    { field: 'needleTable', is: 'curve' },
    { field: 'strapping', is: 'curve' },
    {
      field: 'shape',
      is: 'group',
      of: [
        { field: 'is', is: 'choice', options: TANK_SHAPES, needed: true },
        { field: 'heightMm', is: 'number', needed: true, min: 1, max: 5000, unit: 'mm' },
      ],
    },
  ],
  outlets: [
    NAME,
    { field: 'from', is: 'text', needed: true },
    { field: 'into', is: 'text' },
    { field: 'litresPerPersonDay', is: 'range', unit: 'L' },
    wording('note'),
  ],
  places: [
    NAME,
    { field: 'people', is: 'number', min: 1, max: 60, whole: true },
    { field: 'never', is: 'several', options: BOAT_STATES, names: 'state' },
    wording('why'),
  ],
  fixCards: [
    NAME,
    wording('words'),
    { field: 'urgent', is: 'flag' },
    WHEN,
    { field: 'cautions', is: 'list', bare: true, most: 12, of: [{ field: 'say', is: 'wording', needed: true, lines: 2 }] },
    {
      field: 'steps',
      is: 'list',
      needed: true,
      most: 40,
      of: [
        { field: 'say', is: 'wording', needed: true, lines: 3 },
        WHEN,
        {
          field: 'answers',
          is: 'list',
          plain: true,
          most: 4,
          of: [
            { field: 'say', is: 'wording', needed: true },
            { field: 'to', is: 'step', needed: true },
          ],
        },
        { field: 'to', is: 'step' },
      ],
    },
  ],
  rounds: [
    NAME,
    {
      field: 'items',
      is: 'list',
      needed: true,
      most: 40,
      of: [{ field: 'say', is: 'wording', needed: true, lines: 2 }, WHEN, wording('caution'), { field: 'lookout', is: 'flag' }, FIGURE],
    },
  ],
  drills: [
    NAME,
    { field: 'station', is: 'station', optional: true },
    { field: 'intro', is: 'wording', needed: true, lines: 3 },
    wording('caution'),
    { field: 'needed', is: 'flag' },
    WHEN,
    ...DRILL_PARTS,
  ],
};

const STEP: readonly FieldSpec[] = [{ field: 'say', is: 'wording', needed: true, lines: 3 }, wording('caution'), WHEN];
export const BASE_FIELDS: Readonly<Record<BaseList, readonly FieldSpec[]>> = {
  berths: [
    NAME,
    { field: 'kind', is: 'choice', options: BERTH_KINDS, needed: true },
    { field: 'headingDeg', is: 'number', min: 0, max: 360, unit: '°' },
    { field: 'side', is: 'choice', options: ['port', 'starboard'] },
    { field: 'widthM', is: 'number', min: 0.5, max: 40, unit: 'm' },
    { field: 'depthM', is: 'number', min: 0.1, max: 50, unit: 'm' },
    { field: 'tidal', is: 'flag' },
    { field: 'rangeM', is: 'number', min: 0.1, max: 15, unit: 'm' },
  ],
  wayIn: STEP,
  returnCard: STEP,
  before: STEP,
  store: [NAME, { field: 'count', is: 'number', needed: true, min: 0, max: 999, whole: true }, JACKET],
  points: [{ field: 'stations', is: 'several', options: STATIONS, needed: true, names: 'station' }, ...TELLING],
};
/** What a row brings that is added, where the form does not ask for it. */
export const STARTS: Partial<Record<ListName | BaseList, Readonly<Record<string, unknown>>>> = {
  stations: { at: [1, 0] },
  surfaces: { strokes: [] },
};

/** A named condition: what it is called is written once, since points name it. */
export const CONDITION_FIELDS = {
  added: [
    { field: 'called', is: 'text', needed: true },
    { field: 'when', is: 'condition', needed: true },
  ] as readonly FieldSpec[],
  known: [{ field: 'when', is: 'condition', needed: true }] as readonly FieldSpec[],
};
