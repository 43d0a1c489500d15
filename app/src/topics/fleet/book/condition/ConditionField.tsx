import { mdiDeleteOutline } from '@mdi/js';
import { tryCondition } from '@quay/contract/fleet';
import type { Condition } from '@quay/core/fleet/condition';
import { useQuery } from '@tanstack/react-query';
import { useContext, useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call } from '../../../../local/api';
import { Button, IconButton } from '../../../../ui/controls/button';
import { ChoiceChip } from '../../../../ui/controls/choiceChip';
import { ModalSheet } from '../../../../ui/controls/modalSheet';
import { TextField } from '../../../../ui/controls/textField';
import { useTones } from '../../../../ui/theme';
import { Bold, Small } from '../../../../ui/words';
import {
  ASKED,
  type ConditionDraft,
  factKind,
  factOptions,
  type GroupDraft,
  type LeafDraft,
  type PartDraft,
  readCondition,
} from './conditionDraft';
import { ConditionsOfBook } from './conditionsOfBook';
import { conditionWords, factName, valueName } from './conditionWords';

/** Deeper within each other nobody follows sentences any more. */
const DEEPEST = 4;
/** Somebody who types goes on within this, ms. */
const TYPING_MS = 500;

/** When something applies: sentences about facts, of which all or any have to hold, and sentences within them. */
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
  const read = readCondition(condition);
  const words = read.ok ? conditionWords(condition, t) : undefined;
  return (
    <View style={{ gap: 8 }} role="group" aria-label={label}>
      <Bold>{label}</Bold>
      {condition.parts.length === 0 ? <Small>{t('fleet.always')}</Small> : null}
      <Parts
        label={label}
        at={at}
        group={condition}
        named={named}
        depth={1}
        onSet={({ mode, parts }) => onSet({ ...condition, mode, parts })}
      />
      {fault ? (
        <Bold size={16} tone="dangerText" live>
          {fault}
        </Bold>
      ) : null}
      {words ? <Small>{words}</Small> : null}
      {read.ok && read.value !== undefined ? <Tried condition={read.value} at={at} /> : null}
    </View>
  );
};

/** On how many of the last hires it would have held; nothing where nobody can be asked now. */
const Tried = ({ condition, at }: { condition: Condition; at: string }) => {
  const { t } = useTranslation();
  const named = useContext(ConditionsOfBook);
  const text = JSON.stringify(condition);
  const [asked, setAsked] = useState<string>();
  useEffect(() => {
    const timer = setTimeout(() => setAsked(text), TYPING_MS);
    return () => clearTimeout(timer);
  }, [text]);
  const { data } = useQuery({
    queryKey: ['tried', asked, named],
    queryFn: () => call(tryCondition, { body: { condition: JSON.parse(asked!) as Condition, named } }),
    enabled: asked !== undefined,
    retry: false,
  });
  if (!data || asked !== text || data.of === 0) return null;
  return (
    <View testID={`${at}tried`}>
      <Small>
        {[t('fleet.tried', { holds: data.holds, of: data.of }), data.unknown > 0 ? t('fleet.triedUnknown', { count: data.unknown }) : '']
          .filter(Boolean)
          .join(' ')}
      </Small>
    </View>
  );
};

type PartsProps = {
  label: string;
  at: string;
  group: Pick<GroupDraft, 'mode' | 'parts'>;
  named: readonly string[];
  /** How deep within others. */
  depth: number;
  onSet: (group: Pick<GroupDraft, 'mode' | 'parts'>) => void;
};

/** Parts of which all or any have to hold. */
const Parts = ({ label, at, group: { mode, parts }, named, depth, onSet }: PartsProps) => {
  const { t } = useTranslation();
  const [adding, setAdding] = useState(false);
  const set = (next: readonly PartDraft[]) => onSet({ mode, parts: next });
  const add = (part: PartDraft) => {
    set([...parts, part]);
    setAdding(false);
  };
  return (
    <>
      {parts.length > 1 ? (
        <View style={{ flexDirection: 'row', gap: 6 }} role="radiogroup" aria-label={label}>
          {(['all', 'any'] as const).map((one) => (
            <ChoiceChip
              key={one}
              label={t(`fleet.mode.${one}`)}
              on={mode === one}
              onPress={() => onSet({ mode: one, parts })}
              testID={`${at}mode-${one}`}
            />
          ))}
        </View>
      ) : null}
      {parts.map((part, i) => {
        const replace = (next: PartDraft) => set(parts.map((same, other) => (other === i ? next : same)));
        const drop = () => set(parts.filter((_, other) => other !== i));
        if ('odd' in part || !('parts' in part))
          return 'odd' in part ? (
            <Framed key={i} name={t('fleet.odd')} part={part} at={at} index={i} onSet={replace} onDrop={drop}>
              <Small>{JSON.stringify(part.odd)}</Small>
            </Framed>
          ) : (
            <Leaf key={i} part={part} at={at} index={i} onSet={replace} onDrop={drop} />
          );
        return (
          <Framed key={i} name={t('fleet.together')} part={part} at={at} index={i} onSet={replace} onDrop={drop}>
            <Parts
              label={t('fleet.together')}
              at={`${at}${i}-`}
              group={part}
              named={named}
              depth={depth + 1}
              onSet={(next) => replace({ not: part.not, mode: next.mode, parts: next.parts })}
            />
          </Framed>
        );
      })}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Button mode="outlined" label={t('fleet.addFact')} onPress={() => setAdding(true)} testID={`${at}add-fact`} />
        {depth < DEEPEST && parts.length > 0 ? (
          <Button
            mode="outlined"
            label={t('fleet.addTogether')}
            onPress={() => add({ not: false, mode: mode === 'all' ? 'any' : 'all', parts: [] })}
            testID={`${at}add-together`}
          />
        ) : null}
      </View>
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
    </>
  );
};

type PartProps<P extends PartDraft> = { part: P; at: string; index: number; onSet: (part: P) => void; onDrop: () => void };

/** A part under its name, turned round or taken away. */
const Framed = <P extends PartDraft>({
  name,
  part,
  at,
  index,
  onSet,
  onDrop,
  children,
}: PartProps<P> & { name: string; children: React.ReactNode }) => {
  const { t } = useTranslation();
  const tones = useTones();
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
      {children}
    </View>
  );
};

/** One sentence: about what, and what it has to be. */
const Leaf = ({ part, at, index, onSet, onDrop }: PartProps<LeafDraft>) => {
  const { t } = useTranslation();
  const name = 'named' in part ? t('fleet.namedOne', { name: part.named }) : factName(part.fact, t);
  const kind = 'named' in part ? undefined : factKind(part.fact);
  return (
    <Framed name={name} part={part} at={at} index={index} onSet={onSet} onDrop={onDrop}>
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
    </Framed>
  );
};
