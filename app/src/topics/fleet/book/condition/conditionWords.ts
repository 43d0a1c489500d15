import type { TFunction } from 'i18next';
import { type ConditionDraft, factKind, type GroupDraft, type LeafDraft, type PartDraft } from './conditionDraft';
import { optionName } from '../optionName';

/** A condition in words, as it is put together. */

/** What a fact is called, as the beginning of a sentence about it. */
export const factName = (fact: string, t: TFunction): string =>
  fact.startsWith('policy.')
    ? t(`fleet.field.${fact.slice('policy.'.length)}` as 'fleet.field.trees')
    : t(`fleet.fact.${fact.replace('.', '_')}` as 'fleet.fact.party_children');

export const valueName = (fact: string, value: string, t: TFunction): string => {
  if (fact.startsWith('policy.')) return optionName(fact.slice('policy.'.length), value, t);
  if (fact === 'hire.month')
    return new Intl.DateTimeFormat('en-GB', { month: 'short', timeZone: 'UTC' }).format(Date.UTC(2026, Number(value) - 1, 15));
  return t(`fleet.${fact === 'waters.kind' ? 'waters' : 'option'}.${value}` as 'fleet.option.must');
};

/** As it stands within a sentence. */
const within = (name: string): string => (/^[A-Z][a-z]/.test(name) ? name.charAt(0).toLowerCase() + name.slice(1) : name);

const leafWords = (part: LeafDraft, t: TFunction): string => {
  if ('named' in part) return t('fleet.namedOne', { name: part.named });
  const { fact, values, atLeast, atMost } = part;
  const name = within(factName(fact, t));
  switch (factKind(fact)) {
    case 'number': {
      const bounds = [atLeast === '' ? '' : `${t('fleet.atLeast')} ${atLeast}`, atMost === '' ? '' : `${t('fleet.atMost')} ${atMost}`];
      return `${name}: ${bounds.filter(Boolean).join(', ')}`;
    }
    case 'flag':
      return values[0] === 'false' ? t('fleet.notSo', { what: name }) : name;
    case 'name':
      return `${name} ${values.join(t('fleet.orWord'))}`;
    default:
      return `${name} ${values.map((value) => valueName(fact, value, t)).join(t('fleet.orWord'))}`;
  }
};

const partWords = (part: PartDraft, t: TFunction): string => {
  const words = 'odd' in part ? JSON.stringify(part.odd) : 'parts' in part ? `(${groupWords(part, t)})` : leafWords(part, t);
  return part.not ? t('fleet.notSo', { what: words }) : words;
};

const groupWords = ({ mode, parts }: Pick<GroupDraft, 'mode' | 'parts'>, t: TFunction): string =>
  parts.map((part) => partWords(part, t)).join(t(mode === 'all' ? 'fleet.andWord' : 'fleet.orWord'));

/** The whole of it in one sentence; nothing where it always applies. */
export const conditionWords = (draft: ConditionDraft, t: TFunction): string | undefined =>
  draft.parts.length === 0 ? undefined : t('fleet.whenSo', { what: groupWords(draft, t) });
