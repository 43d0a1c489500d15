import { type BaseList, BERTH_KINDS } from '@quay/core/fleet/base';
import type { ListName } from '@quay/core/fleet/book';
import { COMPUTED } from '@quay/core/fleet/points';
import { FITTING_KINDS, FITTING_PER, READINGS, TANK_FEEDS } from '@quay/core/fleet/rows';

/** What a row of each list is made of, for the editor: every field of a book can be changed. */
export type FieldSpec =
  | { field: string; is: 'wording'; needed?: true; lines?: number }
  | { field: string; is: 'text'; needed?: true }
  | { field: string; is: 'number'; needed?: true; min?: number; max?: number; whole?: true; unit?: string }
  | { field: string; is: 'choice'; options: readonly string[]; needed?: true }
  | { field: string; is: 'flag' }
  | { field: string; is: 'station'; optional?: true }
  | { field: string; is: 'tank' }
  | { field: string; is: 'spot' }
  /** A table of a tank: from a file, or by a fill. */
  | { field: 'needleTable' | 'strapping'; is: 'curve' }
  /** Trials on the water, which stand in the file as they are. */
  | { field: string; is: 'trials' }
  /** Written as it stands in the file: what is nested, and is seldom touched. */
  | { field: string; is: 'asInFile'; needed?: true };

const wording = (field: string, needed?: true): FieldSpec => ({ field, is: 'wording', ...(needed ? { needed } : {}) });
const NAME = wording('name', true);
const STATION: FieldSpec = { field: 'station', is: 'station' };
const PRICE: FieldSpec = { field: 'price', is: 'text' };
const file = (field: string): FieldSpec => ({ field, is: 'asInFile' });

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
  file('when'),
  file('again'),
  file('questions'),
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
    file('jacket'),
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
    file('band'),
    { field: 'flushesLeft', is: 'number', min: 0, max: 500, whole: true },
    { field: 'wire', is: 'text' },
    file('errors'),
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
    file('strokes'),
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
  checks: [STATION, NAME, file('ways')],
  tanks: [
    NAME,
    { field: 'holds', is: 'choice', options: ['petrol', 'diesel', 'fresh', 'waste', 'gas'], needed: true },
    { field: 'capacityL', is: 'number', needed: true, min: 0.1, max: 20_000, unit: 'L' },
    { field: 'feeds', is: 'choice', options: TANK_FEEDS },
    { field: 'unusableL', is: 'number', min: 0, unit: 'L' },
    { field: 'needleTable', is: 'curve' },
    { field: 'strapping', is: 'curve' },
    file('shape'),
  ],
  outlets: [NAME, { field: 'from', is: 'text', needed: true }, { field: 'into', is: 'text' }, wording('note')],
  places: [NAME, { field: 'people', is: 'number', min: 1, max: 60, whole: true }, file('never'), wording('why')],
  fixCards: [NAME, wording('words'), { field: 'urgent', is: 'flag' }, file('when'), file('cautions'), file('steps')],
  rounds: [NAME, file('items')],
  drills: [
    NAME,
    { field: 'station', is: 'station', optional: true },
    { field: 'intro', is: 'wording', needed: true, lines: 3 },
    wording('caution'),
    { field: 'needed', is: 'flag' },
    file('when'),
    file('controls'),
    file('facts'),
    file('timers'),
    file('start'),
    file('variants'),
    file('rules'),
    file('shows'),
    file('lessons'),
    file('goals'),
    file('unsafe'),
    file('rest'),
    file('over'),
    file('moves'),
  ],
};

const STEP: readonly FieldSpec[] = [{ field: 'say', is: 'wording', needed: true, lines: 3 }, wording('caution'), file('when')];
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
  store: [NAME, { field: 'count', is: 'number', needed: true, min: 0, max: 999, whole: true }, file('jacket')],
  points: [file('stations'), ...TELLING],
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
    { field: 'when', is: 'asInFile', needed: true },
  ] as readonly FieldSpec[],
  known: [{ field: 'when', is: 'asInFile', needed: true }] as readonly FieldSpec[],
};
