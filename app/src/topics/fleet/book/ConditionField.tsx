import { mdiDeleteOutline } from '@mdi/js';
import { useState } from 'react';
import type { TFunction } from 'i18next';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Button, IconButton } from '../../../ui/controls/button';
import { ChoiceChip } from '../../../ui/controls/choiceChip';
import { ModalSheet } from '../../../ui/controls/modalSheet';
import { TextField } from '../../../ui/controls/textField';
import { useTones } from '../../../ui/theme';
import { Bold, Small } from '../../../ui/words';
import { ASKED, type ConditionDraft, factKind, factOptions, type PartDraft } from './conditionDraft';
import { optionName } from './optionName';

/** What a fact is called, as the beginning of a sentence about it. */
const factName = (fact: string, t: TFunction): string =>
  fact.startsWith('policy.')
    ? t(`fleet.field.${fact.slice('policy.'.length)}` as 'fleet.field.trees')
    : t(`fleet.fact.${fact.replace('.', '_')}` as 'fleet.fact.party_children');

const valueName = (fact: string, value: string, t: TFunction): string => {
  if (fact.startsWith('policy.')) return optionName(fact.slice('policy.'.length), value, t);
  if (fact === 'hire.month')
    return new Intl.DateTimeFormat('en-GB', { month: 'short', timeZone: 'UTC' }).format(Date.UTC(2026, Number(value) - 1, 15));
  return t(`fleet.${fact === 'waters.kind' ? 'waters' : 'option'}.${value}` as 'fleet.option.must');
};

/** When something applies: sentences about facts, of which all or any have to hold. */
export const ConditionField = ({
  label,
  at,
  condition,
  named,
  fault,
  onSet,
}: {
  label: string;
  /** What stands before the names by which its parts are found. */
  at: string;
  condition: ConditionDraft;
  /** Conditions of the book that have a name. */
  named: readonly string[];
  fault: string | undefined;
  onSet: (condition: ConditionDraft) => void;
}) => {
  const { t } = useTranslation();
  const [adding, setAdding] = useState(false);
  if ('text' in condition)
    return (
      <TextField
        label={`${label} · ${t('fleet.nested')}`}
        value={condition.text}
        lines={5}
        onChange={(text) => onSet({ text })}
        fault={fault}
        most={40_000}
        testID={`file-${at}when`}
      />
    );
  const { mode, parts } = condition;
  const set = (next: readonly PartDraft[]) => onSet({ ...condition, parts: next });
  const add = (part: PartDraft) => {
    set([...parts, part]);
    setAdding(false);
  };
  return (
    <View style={{ gap: 8 }} role="group" aria-label={label}>
      <Bold>{label}</Bold>
      {parts.length === 0 ? <Small>{t('fleet.always')}</Small> : null}
      {parts.length > 1 ? (
        <View style={{ flexDirection: 'row', gap: 6 }} role="radiogroup" aria-label={label}>
          {(['all', 'any'] as const).map((one) => (
            <ChoiceChip
              key={one}
              label={t(`fleet.mode.${one}`)}
              on={mode === one}
              onPress={() => onSet({ ...condition, mode: one })}
              testID={`${at}mode-${one}`}
            />
          ))}
        </View>
      ) : null}
      {parts.map((part, i) => (
        <Part
          key={i}
          part={part}
          at={at}
          index={i}
          onSet={(next) => set(parts.map((same, at) => (at === i ? next : same)))}
          onDrop={() => set(parts.filter((_, at) => at !== i))}
        />
      ))}
      {fault ? (
        <Bold size={16} tone="dangerText" live>
          {fault}
        </Bold>
      ) : null}
      <Button
        mode="outlined"
        label={t('fleet.addFact')}
        onPress={() => setAdding(true)}
        style={{ alignSelf: 'flex-start' }}
        testID={`${at}add-fact`}
      />
      {adding ? (
        <ModalSheet title={t('fleet.addFact')} closeLabel={t('common.close')} onClose={() => setAdding(false)}>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="group" aria-label={t('fleet.addFact')}>
            {named.map((one) => (
              <ChoiceChip
                key={one}
                label={t('fleet.namedOne', { name: one })}
                on={false}
                onPress={() => add({ named: one, not: false })}
                testID={`named-${one}`}
              />
            ))}
            {ASKED.map((fact) => (
              <ChoiceChip
                key={fact}
                label={factName(fact, t)}
                on={false}
                onPress={() => add({ fact, not: false, values: factKind(fact) === 'flag' ? ['true'] : [], atLeast: '', atMost: '' })}
                testID={`fact-${fact}`}
              />
            ))}
          </View>
        </ModalSheet>
      ) : null}
    </View>
  );
};

/** One sentence: about what, and what it has to be. */
const Part = ({
  part,
  at,
  index,
  onSet,
  onDrop,
}: {
  part: PartDraft;
  at: string;
  index: number;
  onSet: (part: PartDraft) => void;
  onDrop: () => void;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  const name = 'named' in part ? t('fleet.namedOne', { name: part.named }) : factName(part.fact, t);
  const kind = 'named' in part ? undefined : factKind(part.fact);
  return (
    <View style={{ gap: 6, borderLeftWidth: 4, borderLeftColor: tones.primary, paddingLeft: 12 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 6 }}>
        <Bold style={{ flex: 1 }}>{name}</Bold>
        <ChoiceChip
          label={t('fleet.not')}
          on={part.not}
          onPress={() => onSet({ ...part, not: !part.not })}
          several
          testID={`${at}not-${index}`}
        />
        <IconButton
          path={mdiDeleteOutline}
          label={t('fleet.takeAwayFact', { name })}
          onPress={onDrop}
          plain
          testID={`${at}drop-fact-${index}`}
        />
      </View>
      {'named' in part ? null : kind === 'number' ? (
        <View style={{ flexDirection: 'row', gap: 10 }}>
          {(['atLeast', 'atMost'] as const).map((bound) => (
            <View key={bound} style={{ flex: 1 }}>
              <TextField
                label={t(`fleet.${bound}`)}
                value={part[bound]}
                numeric
                most={8}
                onChange={(text) => onSet({ ...part, [bound]: text })}
                testID={`${at}${bound}-${index}`}
              />
            </View>
          ))}
        </View>
      ) : kind === 'name' ? (
        <TextField
          label={t('fleet.byId')}
          value={part.values.join(', ')}
          most={400}
          onChange={(text) => onSet({ ...part, values: text.split(',').map((one) => one.trim()) })}
          testID={`${at}names-${index}`}
        />
      ) : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }} role="group" aria-label={name}>
          {(kind === 'flag' ? ['true', 'false'] : factOptions(part.fact)).map((value) => (
            <ChoiceChip
              key={value}
              label={kind === 'flag' ? t(value === 'true' ? 'fleet.yes' : 'fleet.no') : valueName(part.fact, value, t)}
              on={part.values.includes(value)}
              several={kind !== 'flag'}
              onPress={() =>
                onSet({
                  ...part,
                  values:
                    kind === 'flag'
                      ? [value]
                      : part.values.includes(value)
                        ? part.values.filter((one) => one !== value)
                        : [...part.values, value],
                })
              }
              testID={`${at}value-${index}-${value}`}
            />
          ))}
        </View>
      )}
    </View>
  );
};
