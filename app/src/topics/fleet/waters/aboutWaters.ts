import type { RowEdit } from '@quay/core/fleet/edit';
import { type Feature, type Waters, WATERS_KINDS, ZONE_KINDS } from '@quay/core/waters/zone';
import type { About } from '../book/about';
import type { Edits } from '../book/BookEditor';
import type { AnyRow } from '../book/BookRow';
import type { FieldSpec } from '../book/fields/fieldSpec';

/** A stretch of water as lists of rows: what holds on all of it, and every feature of its chart. Shapes are drawn, not typed. */

/** Of a feature; `called` is its name, and `told` what is said of it there. */
export const FEATURE_FIELDS: readonly FieldSpec[] = [
  { field: 'called', is: 'text', needed: true },
  { field: 'zone', is: 'choice', options: ZONE_KINDS, needed: true },
  { field: 'limitKmh', is: 'number', min: 0.1, max: 200, unit: 'km/h' },
  { field: 'fromShoreM', is: 'number', min: 1, max: 5_000, unit: 'm' },
  { field: 'radiusM', is: 'number', min: 1, max: 5_000, unit: 'm' },
  { field: 'depthM', is: 'number', min: -15, max: 1_000, unit: 'm' },
  { field: 'directionDeg', is: 'number', min: 0, max: 360, unit: '°' },
  { field: 'opens', is: 'clock' },
  { field: 'closes', is: 'clock' },
  { field: 'shutFrom', is: 'day' },
  { field: 'shutTo', is: 'day' },
  { field: 'shelter', is: 'range', unit: '°' },
  { field: 'told', is: 'wording', lines: 2 },
  { field: 'comesFrom', is: 'text' },
  { field: 'checkedOn', is: 'day' },
];

export const rowOf = ({ id, properties }: Feature): AnyRow => {
  const { name, kind, hours, shut, say, source, checked, ...figures } = properties;
  return {
    id,
    name: { en: name },
    ...figures,
    called: name,
    zone: kind,
    opens: hours?.from,
    closes: hours?.to,
    shutFrom: shut?.from,
    shutTo: shut?.to,
    told: say,
    comesFrom: source,
    checkedOn: checked,
  };
};

/** Of what was typed: what is not given is left out; hours are both or none. */
export const propertiesOf = (edit: RowEdit): Feature['properties'] => {
  const {
    called,
    zone,
    opens,
    closes,
    shutFrom,
    shutTo,
    told,
    comesFrom,
    checkedOn,
    limitKmh,
    fromShoreM,
    radiusM,
    depthM,
    directionDeg,
    shelter,
  } = edit;
  const given = {
    ...{ limitKmh, fromShoreM, radiusM, depthM, directionDeg, shelter, say: told, source: comesFrom, checked: checkedOn },
    hours: opens !== undefined && closes !== undefined ? { from: opens, to: closes } : undefined,
    // A single day has one end.
    shut: shutFrom === undefined && shutTo === undefined ? undefined : { from: shutFrom ?? shutTo, to: shutTo ?? shutFrom },
  };
  const there = Object.fromEntries(Object.entries(given).filter(([, value]) => value !== undefined));
  return { kind: zone as Feature['properties']['kind'], name: called as string, ...there };
};

const withField = <F extends keyof Waters>(waters: Waters, field: F, value: Waters[F] | undefined): Waters => {
  const { [field]: _, ...rest } = waters;
  return (value === undefined ? rest : { ...rest, [field]: value }) as Waters;
};

export const ABOUT_WATERS: readonly About<Waters>[] = [
  {
    id: 'name',
    fields: [
      { field: 'called', is: 'text', needed: true },
      { field: 'water', is: 'choice', options: WATERS_KINDS },
      { field: 'curfew', is: 'clock' },
    ],
    read: ({ name, kind, curfew }) => ({ called: name, water: kind, curfew }),
    write: (waters, { called, water, curfew }) =>
      withField(withField({ ...waters, name: called as string }, 'kind', water as Waters['kind']), 'curfew', curfew as string | undefined),
  },
  {
    id: 'rescue',
    fields: [
      { field: 'emergencyNumber', is: 'text' },
      { field: 'rescueName', is: 'text' },
      { field: 'rescuePhone', is: 'text' },
      { field: 'rescueChannel', is: 'text' },
    ],
    read: ({ emergencyNumber, rescue }) => ({
      emergencyNumber,
      rescueName: rescue?.name,
      rescuePhone: rescue?.phone,
      rescueChannel: rescue?.channel,
    }),
    write: (waters, { emergencyNumber, rescueName, rescuePhone, rescueChannel }) =>
      withField(
        withField(waters, 'emergencyNumber', emergencyNumber as string | undefined),
        'rescue',
        rescueName === undefined
          ? undefined
          : {
              name: rescueName as string,
              ...(rescuePhone === undefined ? {} : { phone: rescuePhone as string }),
              ...(rescueChannel === undefined ? {} : { channel: rescueChannel as string }),
            },
      ),
  },
];

/** What is said to every renter on this water. */
export const SAYS_FIELDS: readonly FieldSpec[] = [
  { field: 'say', is: 'wording', needed: true, lines: 3 },
  { field: 'when', is: 'condition' },
];

/** The edits of a water: rows of the chart keep their shapes, all others are as they stand. */
export const watersEdits = (waters: Waters, rest: Edits, put: (next: Waters) => void): Edits => {
  const set = (features: Waters['features']) => put({ ...waters, features });
  return {
    ...rest,
    change: (list, row, edit) => {
      if (list !== 'features') rest.change(list, row, edit);
      else set(waters.features.map((one) => (one.id === row.id ? { ...one, properties: propertiesOf(edit) } : one)));
    },
    drop: (list, id) => {
      if (list !== 'features') rest.drop(list, id);
      else set(waters.features.filter((one) => one.id !== id));
    },
  };
};
