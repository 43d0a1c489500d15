import type { Book } from '@quay/core/fleet/book';
import { type Language, type Wording } from '@quay/core/words/words';
import { useTranslation } from 'react-i18next';
import { useWindowDimensions, View } from 'react-native';
import { Tag } from '../../../ui/board';
import { TextField } from '../../../ui/controls/textField';
import { ChoiceChip } from '../../../ui/controls/choiceChip';
import { Plan } from '../../../ui/drawn/plan';
import { CheckboxRow } from '../../../ui/controls/checkboxRow';
import { Small } from '../../../ui/words';
import { type Draft } from './draft';
import type { FieldSpec } from './fields';
import { optionName } from './optionName';

export type Named = { id: string; name: Wording };

export type Texts = Partial<Record<Language, string>>;

export const OneField = ({
  spec,
  typed,
  language,
  fault,
  stations,
  tanks,
  plan,
  onSet,
}: {
  spec: FieldSpec;
  typed: Draft[string];
  language: Language;
  fault: string | undefined;
  stations: readonly (Named & { at: readonly [number, number] })[];
  tanks: readonly Named[];
  plan: Book['plan'] | undefined;
  onSet: (value: Draft[string]) => void;
}) => {
  const { t } = useTranslation();
  const { width } = useWindowDimensions();
  const label = t(`fleet.field.${spec.field}` as 'fleet.field.name');
  const text = typeof typed === 'string' ? typed : '';
  const choose = (options: readonly { id: string; name: string }[]) => (
    <View style={{ gap: 4 }}>
      <Small>{label}</Small>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }} role="radiogroup" aria-label={label}>
        {options.map(({ id, name }) => (
          // Pressed once more, a choice that may be left out is none.
          <ChoiceChip
            key={id}
            label={name}
            on={text === id}
            onPress={() => onSet(text === id && !('needed' in spec && spec.needed) && !(spec.is === 'station' && !spec.optional) ? '' : id)}
            testID={`${spec.field}-${id}`}
          />
        ))}
      </View>
      {fault ? <Tag kind="stop">{fault}</Tag> : null}
    </View>
  );
  switch (spec.is) {
    case 'wording': {
      const texts = (typed ?? {}) as Texts;
      return (
        <TextField
          label={`${label} (${language})`}
          value={texts[language] ?? ''}
          lines={spec.lines ?? (spec.field === 'name' ? 1 : 2)}
          onChange={(next) => onSet({ ...texts, [language]: next })}
          fault={fault}
          most={2000}
          testID={`text-${spec.field}`}
        />
      );
    }
    case 'flag':
      return <CheckboxRow label={label} on={typed === true} onChange={onSet} testID={`flag-${spec.field}`} />;
    case 'choice':
      return choose(spec.options.map((id) => ({ id, name: optionName(spec.field, id, t) })));
    case 'station':
      return choose(stations.map(({ id, name }) => ({ id, name: name.en })));
    case 'tank':
      return tanks.length === 0 ? null : choose(tanks.map(({ id, name }) => ({ id, name: name.en })));
    case 'spot': {
      const spot = typed as readonly [number, number] | undefined;
      if (!plan) return null;
      const size = Math.min(width, 640) - 36;
      return (
        <View style={{ gap: 4 }}>
          <Small>{label}</Small>
          <Plan
            plan={plan}
            stations={spot ? [{ id: 'here', name: { en: '' }, at: [...spot] }] : []}
            stops={spot ? [{ id: 'here', name: '', label: '', state: 'now' }] : []}
            width={size}
            height={Math.round(size * 0.5)}
            onPlace={{ label, at: onSet }}
          />
          {spot ? <Small>{`${spot[0]} m · ${spot[1]} m`}</Small> : null}
        </View>
      );
    }
    case 'asInFile':
      return (
        <TextField
          label={label}
          value={text}
          lines={text === '' ? 1 : 5}
          onChange={onSet}
          fault={fault}
          most={AS_IN_FILE}
          testID={`file-${spec.field}`}
        />
      );
    default:
      return (
        <TextField
          label={label}
          value={text}
          numeric={spec.is === 'number'}
          {...(spec.is === 'number' && spec.unit ? { unit: spec.unit } : {})}
          onChange={onSet}
          fault={fault}
          testID={`field-${spec.field}`}
        />
      );
  }
};

/** Characters of what is written as it stands in a file, JSON for one. */
const AS_IN_FILE = 40_000;
