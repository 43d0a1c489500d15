import type { Wording } from '@quay/core/words/words';
import type { TFunction } from 'i18next';
import type { AnyRow } from './BookRow';
import type { FieldSpec } from './fields/fieldSpec';
import { optionName } from './optionName';

/** What no line says: it is opened to be seen. */
const NESTED = new Set<FieldSpec['is']>([
  ...(['trials', 'condition', 'group', 'list', 'several', 'learnt', 'curve'] as const),
  ...(['drillWhen', 'values', 'springs', 'facts', 'strokes', 'words', 'figures'] as const),
]);

/** What it says in numbers and words, in a line. */
export const saidIn = (row: AnyRow, fields: readonly FieldSpec[], t: TFunction): string =>
  fields
    .flatMap((spec) => {
      const value = row[spec.field];
      if (value === undefined || NESTED.has(spec.is)) return [];
      if (spec.is === 'range')
        return `${t(`fleet.field.${spec.field}` as 'fleet.field.name')}: ${(value as number[]).join(' – ')}${spec.unit ? ` ${spec.unit}` : ''}`;
      const label = fields.length === 1 || spec.is === 'text' ? '' : `${t(`fleet.field.${spec.field}` as 'fleet.field.name')}: `;
      if (spec.is === 'wording') return `${label}${(value as Wording).en}`;
      if (spec.is === 'choice') return `${label}${optionName(spec.field, value as string, t)}`;
      if (typeof value === 'boolean') return `${label}${t(value ? 'fleet.yes' : 'fleet.no')}`;
      return `${label}${String(value as string | number)}${spec.is === 'number' && spec.unit ? ` ${spec.unit}` : ''}`;
    })
    .join(' · ');

/** A group put in order: its rows change places among themselves, all others stay where they are. */
export const orderWithin = (rows: readonly AnyRow[], group: readonly AnyRow[], ids: readonly string[]): string[] => {
  const places = new Set(group.map(({ id }) => id));
  const next = [...ids];
  return rows.map(({ id }) => (places.has(id) ? next.shift()! : id));
};
