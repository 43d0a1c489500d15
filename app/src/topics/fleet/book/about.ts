import { type Base, WEEKDAYS } from '@quay/core/fleet/base';
import { BOAT_KINDS, type BoatBook, type ClassBook } from '@quay/core/fleet/book';
import { type RowEdit, setSingle } from '@quay/core/fleet/edit';
import { HULL_RANGES } from '@quay/core/fleet/hullRanges';
import type { Single, Singles, SinglesFrom } from '@quay/core/fleet/merge';
import { type PolicyTopic, POLICY_TOPICS, POLICIES } from '@quay/core/policy/policy';
import type { FieldSpec } from './fields/fieldSpec';

/** What a book says once, as rows of a list that is neither sorted nor added to. */

type Layer = BoatBook | ClassBook;
/** The layers of a book as the quay lays them. */
export type MergedSingles = { value: Singles; below: Singles; from: SinglesFrom };
export type About<B> = {
  id: string;
  fields: readonly FieldSpec[];
  /** What stands there now, by field. */
  read: (book: B) => Readonly<Record<string, unknown>>;
  /** The book with what was typed. */
  write: (book: B, edit: RowEdit) => B;
};

/** What is given, without what is not; nothing where nothing is. */
const given = (edit: RowEdit): Record<string, unknown> | undefined => {
  const entries = Object.entries(edit).filter(([, value]) => value !== undefined);
  return entries.length > 0 ? Object.fromEntries(entries) : undefined;
};

const measured = (field: keyof typeof HULL_RANGES, unit: string): FieldSpec => ({
  field,
  is: 'number',
  min: HULL_RANGES[field][0],
  max: HULL_RANGES[field][1],
  unit,
});
const CALLED: FieldSpec = { field: 'called', is: 'text', needed: true };
const SINGLE_FIELDS: Readonly<Record<Single, readonly FieldSpec[]>> = {
  kind: [{ field: 'kind', is: 'choice', options: BOAT_KINDS }],
  plan: [
    { field: 'lengthM', is: 'number', needed: true, min: 1.1, max: 60, unit: 'm' },
    { field: 'beamM', is: 'number', needed: true, min: 0.6, max: 12, unit: 'm' },
    { field: 'strokes', is: 'strokes', needed: true },
  ],
  plate: [
    { field: 'people', is: 'number', needed: true, min: 1, max: 60, whole: true },
    { field: 'loadKg', is: 'number', needed: true, min: 1, unit: 'kg' },
  ],
  engine: [
    { field: 'kind', is: 'choice', options: ['outboard', 'inboardDiesel', 'inboardPetrol', 'electric'], needed: true },
    { field: 'count', is: 'number', min: 1, max: 4, whole: true },
    { field: 'burnLPerHour', is: 'number', min: 0.01, unit: 'L/h' },
    { field: 'idleRpm', is: 'number', min: 1 },
    { field: 'fullRpm', is: 'number', min: 1 },
    { field: 'warmC', is: 'range', unit: '°C' },
    {
      field: 'speeds',
      is: 'list',
      plain: true,
      most: 20,
      of: [
        { field: 'rpm', is: 'number', min: 1, max: 12_000 },
        { field: 'kmh', is: 'number', needed: true, min: 0.1, max: 120, unit: 'km/h' },
        { field: 'lPerHour', is: 'number', min: 0.01, max: 500, unit: 'L/h' },
      ],
    },
    { field: 'avoidRpm', is: 'range' },
  ],
  hull: [
    measured('massKg', 'kg'),
    measured('draftM', 'm'),
    measured('airAreaM2', 'm²'),
    measured('lateralAreaM2', 'm²'),
    measured('dragK', 'N'),
    measured('thrustAheadN', 'N'),
    measured('thrustAsternN', 'N'),
    measured('thrusterN', 'N'),
    measured('delayS', 's'),
    { field: 'steers', is: 'choice', options: ['rudder', 'drive'] },
    { field: 'walks', is: 'choice', options: ['port', 'starboard', 'none'] },
    { field: 'tiller', is: 'flag' },
    { field: 'trials', is: 'trials' },
  ],
  looks: [{ field: 'looks', is: 'wording', lines: 2 }],
  callSign: [{ field: 'callSign', is: 'text' }],
  windLimitMs: [{ field: 'windLimitMs', is: 'number', min: 0.1, max: 40, unit: 'm/s' }],
  anchor: [
    { field: 'lineM', is: 'number', needed: true, min: 1, max: 300, unit: 'm' },
    { field: 'bowM', is: 'number', needed: true, min: 0, max: 10, unit: 'm' },
    { field: 'sounderM', is: 'number', min: -10, max: 10, unit: 'm' },
  ],
};
/** Singles that are made of several fields, and those that are one value. */
const WHOLE: readonly Single[] = ['plan', 'plate', 'engine', 'hull', 'anchor'];

const singleOf = <B extends Layer>(id: Single, { value, below }: MergedSingles): About<B> => ({
  id,
  fields: SINGLE_FIELDS[id],
  read: () => (WHOLE.includes(id) ? ((value[id] ?? {}) as Record<string, unknown>) : { [id]: value[id] }),
  // Fields of the file that no form asks for stay as they are.
  write: (book, edit) =>
    setSingle(book, id, WHOLE.includes(id) ? given({ ...(value[id] as object | undefined), ...edit }) : edit[id], below[id]),
});

/** A boat is of the kind her class is; looks, call sign and plate may be her own. */
const BOAT_SINGLES = ['looks', 'callSign', 'windLimitMs', 'plate', 'engine', 'hull', 'anchor', 'plan'] as const;
export const aboutBoat = (resolved: MergedSingles): About<BoatBook>[] => [
  {
    id: 'named',
    fields: [CALLED, { field: 'hullNumber', is: 'text', needed: true }],
    read: ({ name, hullNumber }) => ({ called: name, hullNumber }),
    write: (book, { called, hullNumber }) => ({ ...book, name: called as string, hullNumber: hullNumber as string }),
  },
  ...BOAT_SINGLES.map((id) => singleOf<BoatBook>(id, resolved)),
];

export const aboutClass = (resolved: MergedSingles): About<ClassBook>[] => [
  {
    id: 'named',
    fields: [CALLED],
    read: ({ name }) => ({ called: name }),
    write: (book, { called }) => ({ ...book, name: called as string }),
  },
  ...(['kind', ...BOAT_SINGLES] as const).map((id) => singleOf<ClassBook>(id, resolved)),
];

/** Sets or leaves out a field of a base book. */
const withField = <F extends keyof Base>(base: Base, field: F, value: Base[F] | undefined): Base => {
  const { [field]: _, ...rest } = base;
  return (value === undefined ? rest : { ...rest, [field]: value }) as Base;
};
export const ABOUT_BASE: readonly About<Base>[] = [
  {
    id: 'named',
    fields: [CALLED, { field: 'phone', is: 'text' }, { field: 'radio', is: 'text' }, { field: 'position', is: 'range', names: 'position' }],
    read: ({ name, phone, radio, position }) => ({ called: name, phone, radio, position }),
    write: (base, { called, phone, radio, position }) =>
      withField(
        withField(
          withField({ ...base, name: called as string }, 'phone', phone as string | undefined),
          'radio',
          radio as string | undefined,
        ),
        'position',
        position as Base['position'],
      ),
  },
  {
    id: 'keySafe',
    fields: [
      { field: 'where', is: 'wording', lines: 2 },
      { field: 'minutesBefore', is: 'number', min: 0, max: 1440, whole: true, unit: 'min' },
    ],
    read: ({ keySafe }) => ({ ...keySafe }),
    write: (base, edit) => withField(base, 'keySafe', given(edit) as Base['keySafe']),
  },
  {
    id: 'hours',
    fields: [
      {
        field: 'hours',
        is: 'list',
        plain: true,
        most: 14,
        of: [
          { field: 'days', is: 'several', options: WEEKDAYS, needed: true, names: 'weekday', label: 'weekdays' },
          { field: 'from', is: 'clock', needed: true, label: 'opens' },
          { field: 'to', is: 'clock', needed: true, label: 'closes' },
        ],
      },
      {
        field: 'closed',
        is: 'list',
        plain: true,
        most: 100,
        of: [
          { field: 'from', is: 'day', needed: true, label: 'firstDay' },
          { field: 'to', is: 'day', needed: true, label: 'lastDay' },
        ],
      },
    ],
    read: ({ hours, closed }) => ({ hours, closed }),
    write: (base, { hours, closed }) => withField(withField(base, 'hours', hours as Base['hours']), 'closed', closed as Base['closed']),
  },
  {
    id: 'policies',
    fields: POLICY_TOPICS.map((matter): FieldSpec => ({ field: matter, is: 'choice', options: POLICIES[matter] })),
    read: ({ policies }) => ({ ...policies }),
    write: (base, edit) => withField(base, 'policies', given(edit) as Base['policies']),
  },
];

export const isMatter = (field: string): field is PolicyTopic => (POLICY_TOPICS as readonly string[]).includes(field);
