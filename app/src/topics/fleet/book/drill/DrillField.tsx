import { mdiDeleteOutline } from '@mdi/js';
import { useContext, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Tag } from '../../../../ui/board';
import { Button, IconButton } from '../../../../ui/controls/button';
import { ChoiceChip } from '../../../../ui/controls/choiceChip';
import { ModalSheet } from '../../../../ui/controls/modalSheet';
import { TextField } from '../../../../ui/controls/textField';
import { useTones } from '../../../../ui/theme';
import { Bold, Small } from '../../../../ui/words';
import { type Draft, type DraftValue, type ItemDraft, typedIn } from '../draft';
import type { FieldSpec } from '../fields/fieldSpec';
import { NO_WHEN, type WhenDraft } from './drillDraft';
import { DrillNamesNow } from './drillNames';
import { WhenField } from './WhenField';

type DrillSpec = Extract<FieldSpec, { is: 'drillWhen' | 'values' | 'springs' | 'ref' | 'position' | 'facts' }>;
const DRILL_KINDS: readonly FieldSpec['is'][] = ['drillWhen', 'values', 'springs', 'ref', 'position', 'facts'];
export const isOfDrill = (spec: FieldSpec): spec is DrillSpec => DRILL_KINDS.includes(spec.is);

type Option = { id: string; name: string };

/** Options under a word, one of which is pressed; pressed once more it is none where it may be. */
const Options = ({
  label,
  options,
  chosen,
  onSet,
  id,
  fixed = false,
}: {
  label: string;
  options: readonly Option[];
  chosen: string | undefined;
  onSet: (id: string | undefined) => void;
  id: string;
  fixed?: boolean;
}) => (
  <View style={{ gap: 4 }}>
    <Small>{label}</Small>
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }} role="radiogroup" aria-label={label}>
      {options.map((one) => (
        <ChoiceChip
          key={one.id}
          label={one.name}
          on={chosen === one.id}
          onPress={() => onSet(chosen === one.id && !fixed ? undefined : one.id)}
          testID={`${id}-${one.id}`}
        />
      ))}
    </View>
  </View>
);

/** A field that is about a drill's own parts, which are called as they are called in it now. */
export const DrillField = ({
  spec,
  typed,
  label,
  fault,
  faultAt,
  id,
  beside,
  onSet,
}: {
  spec: DrillSpec;
  typed: DraftValue;
  label: string;
  fault: string | undefined;
  faultAt: (way?: string) => string | undefined;
  id: string;
  /** The row that the field is of. */
  beside: Draft;
  onSet: (value: DraftValue) => void;
}) => {
  const { t } = useTranslation();
  const names = useContext(DrillNamesNow);
  const wrong = fault ? <Tag kind="stop">{fault}</Tag> : null;
  switch (spec.is) {
    case 'drillWhen':
      return <WhenField label={label} id={id} when={(typed ?? NO_WHEN) as WhenDraft} fault={fault} onSet={onSet} />;
    case 'ref':
      return (
        <View style={{ gap: 4 }}>
          <Options
            label={label}
            options={names[spec.of]}
            chosen={typeof typed === 'string' ? typed : undefined}
            onSet={(one) => onSet(one ?? '')}
            id={id}
            fixed={spec.needed === true}
          />
          {wrong}
        </View>
      );
    case 'position': {
      const control = names.controls.find((one) => one.id === beside[spec.of]);
      if (!control) return null;
      return (
        <View style={{ gap: 4 }}>
          <Options
            label={label}
            options={control.values}
            chosen={typeof typed === 'string' ? typed : undefined}
            onSet={(one) => onSet(one ?? '')}
            id={id}
            fixed={spec.needed === true}
          />
          {wrong}
        </View>
      );
    }
    case 'springs': {
      const control = names.controls.find((one) => one.id === beside.id);
      const springs = (typed ?? {}) as Readonly<Record<string, string>>;
      return (
        <View style={{ gap: 6 }}>
          <Bold size={15}>{label}</Bold>
          {(control?.values ?? []).map((held) => (
            <Options
              key={held.id}
              label={t('fleet.drill.goesTo', { name: held.name })}
              options={(control?.values ?? []).filter((one) => one.id !== held.id)}
              chosen={springs[held.id]}
              onSet={(to) => {
                const { [held.id]: _before, ...others } = springs;
                onSet(to === undefined ? others : { ...others, [held.id]: to });
              }}
              id={`${id}-${held.id}`}
            />
          ))}
        </View>
      );
    }
    case 'values':
      return (
        <Values spec={spec} values={(typed ?? {}) as Readonly<Record<string, string>>} label={label} id={id} wrong={wrong} onSet={onSet} />
      );
    case 'facts':
      return <Facts items={(typed ?? []) as readonly ItemDraft[]} label={label} id={id} faultAt={faultAt} onSet={onSet} />;
  }
};

/** What each control and fact is; of some, only those that are said. */
const Values = ({
  spec,
  values,
  label,
  id,
  wrong,
  onSet,
}: {
  spec: Extract<FieldSpec, { is: 'values' }>;
  values: Readonly<Record<string, string>>;
  label: string;
  id: string;
  wrong: React.ReactNode;
  onSet: (values: Readonly<Record<string, string>>) => void;
}) => {
  const { t } = useTranslation();
  const { controls, facts } = useContext(DrillNamesNow);
  const [adding, setAdding] = useState(false);
  const all = [...controls, ...facts];
  const shown = spec.some ? all.filter((one) => values[one.id] !== undefined) : all;
  const others = all.filter((one) => values[one.id] === undefined);
  return (
    <View style={{ gap: 8 }} role="group" aria-label={label}>
      <Bold>{label}</Bold>
      {shown.map((one) => (
        <Options
          key={one.id}
          label={one.name}
          options={one.values}
          chosen={values[one.id]}
          onSet={(value) => {
            const { [one.id]: _, ...rest } = values;
            onSet(value === undefined ? rest : { ...rest, [one.id]: value });
          }}
          id={`${id}-${one.id}`}
          fixed={!spec.some}
        />
      ))}
      {wrong}
      {spec.some && others.length > 0 ? (
        <Button
          mode="outlined"
          label={t('fleet.drill.sets')}
          onPress={() => setAdding(true)}
          style={{ alignSelf: 'flex-start' }}
          testID={`${id}-add`}
        />
      ) : null}
      {adding ? (
        <ModalSheet title={t('fleet.drill.sets')} closeLabel={t('common.close')} onClose={() => setAdding(false)}>
          {others.map((one) => (
            <Options
              key={one.id}
              label={one.name}
              options={one.values}
              chosen={undefined}
              onSet={(value) => {
                if (value !== undefined) onSet({ ...values, [one.id]: value });
                setAdding(false);
              }}
              id={`${id}-add-${one.id}`}
            />
          ))}
        </ModalSheet>
      ) : null}
    </View>
  );
};

/** What the boat knows and no hand moves, each under a name, with what it can be. */
const Facts = ({
  items,
  label,
  id,
  faultAt,
  onSet,
}: {
  items: readonly ItemDraft[];
  label: string;
  id: string;
  faultAt: (way?: string) => string | undefined;
  onSet: (items: readonly ItemDraft[]) => void;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  return (
    <View style={{ gap: 8 }} role="group" aria-label={label}>
      <Bold>{label}</Bold>
      {items.map((item, i) => {
        const set = (field: 'called' | 'values', text: string) =>
          onSet(items.map((same, at) => (at === i ? { ...same, [field]: text } : same)));
        return (
          <View key={item.id} style={{ gap: 6, borderLeftWidth: 4, borderLeftColor: tones.line, paddingLeft: 12 }}>
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: 6 }}>
              <View style={{ flex: 1 }}>
                <TextField
                  label={t('fleet.drill.fact')}
                  value={typedIn(item.called)}
                  most={48}
                  onChange={(text) => set('called', text)}
                  fault={faultAt(`${i}.called`)}
                  testID={`${id}-called-${i}`}
                />
              </View>
              <IconButton
                path={mdiDeleteOutline}
                label={t('fleet.takeAway', { what: t('fleet.drill.fact'), n: i + 1 })}
                onPress={() => onSet(items.filter((_, at) => at !== i))}
                plain
                testID={`drop-${id}-${i}`}
              />
            </View>
            <TextField
              label={t('fleet.drill.factValues')}
              value={typedIn(item.values)}
              most={200}
              onChange={(text) => set('values', text)}
              fault={faultAt(`${i}.values`)}
              testID={`${id}-values-${i}`}
            />
          </View>
        );
      })}
      <Button
        mode="outlined"
        label={t('fleet.oneMore', { what: t('fleet.drill.fact') })}
        onPress={() => onSet([...items, { id: `new-${items.length}`, called: '', values: '' }])}
        style={{ alignSelf: 'flex-start' }}
        testID={`more-${id}`}
      />
    </View>
  );
};
