import type { TFunction } from 'i18next';
import { type Draft, type ItemDraft, type Texts, typedIn } from '../draft';
import type { FieldSpec } from '../fields/fieldSpec';
import { optionName } from '../optionName';
import type { WhenDraft } from './drillDraft';
import type { DrillNames } from './drillNames';

/** A part of a drill in a line: what it answers, asks, sets and teaches, by the names of the drill's own parts. */

const nameOf = (names: DrillNames, id: string): string =>
  [...names.controls, ...names.facts, ...names.timers, ...names.lessons].find((one) => one.id === id)?.name ?? id;
const valueOf = (names: DrillNames, name: string, value: string): string =>
  [...names.controls, ...names.facts].find((one) => one.id === name)?.values.find((one) => one.id === value)?.name ?? value;

const whenLine = ({ cases }: WhenDraft, names: DrillNames, t: TFunction): string =>
  cases
    .map((tests) =>
      tests
        .map(({ name, not, values, atLeast, below }) => {
          if (atLeast !== '' || below !== '')
            return `${nameOf(names, name)} ${t(`fleet.drill.${atLeast !== '' ? 'atLeast' : 'below'}`, { seconds: atLeast || below })}`;
          const words = `${nameOf(names, name)}: ${values.map((value) => valueOf(names, name, value)).join(t('fleet.orWord'))}`;
          return not ? t('fleet.notSo', { what: words }) : words;
        })
        .join(', '),
    )
    .join(t('fleet.orWord'));

const fieldLine = (spec: FieldSpec, item: Draft, names: DrillNames, t: TFunction): string => {
  const typed = item[spec.field];
  switch (spec.is) {
    case 'wording':
      return spec.field === 'say' || spec.field === 'name' ? ((typed as Texts | undefined)?.en ?? '') : '';
    case 'choice':
      return typeof typed === 'string' && typed !== '' ? optionName(spec.field, typed, t) : '';
    case 'group':
      return typed === undefined ? '' : itemLine(typed as Draft, spec.of, names, t);
    case 'ref':
      return typeof typed === 'string' && typed !== '' ? nameOf(names, typed) : '';
    case 'position':
      return typeof typed === 'string' && typed !== '' && spec.field === 'to' ? `→ ${valueOf(names, typedIn(item[spec.of]), typed)}` : '';
    case 'drillWhen': {
      const line = whenLine((typed ?? { cases: [] }) as WhenDraft, names, t);
      return line === '' ? '' : t('fleet.drill.when', { what: line });
    }
    case 'values':
      return Object.entries((typed ?? {}) as Record<string, string>)
        .map(([name, value]) => `${nameOf(names, name)} = ${valueOf(names, name, value)}`)
        .join(', ');
    case 'flag':
      return typed === true ? t(`fleet.field.${spec.field}` as 'fleet.field.refuse') : '';
    default:
      return '';
  }
};

export const itemLine = (item: ItemDraft | Draft, of: readonly FieldSpec[], names: DrillNames, t: TFunction): string =>
  of
    .map((spec) => fieldLine(spec, item, names, t))
    .filter(Boolean)
    .join(' · ')
    // A move is one thing: what, and where to.
    .replace(/ · →/g, ' →');
