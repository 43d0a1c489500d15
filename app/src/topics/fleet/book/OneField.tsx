import type { Book } from '@quay/core/fleet/book';
import { CARD_ENDS } from '@quay/core/fleet/cardEnds';
import { GaugeErrors } from '@quay/core/fleet/rows';
import { type Language, type Wording } from '@quay/core/words/words';
import { useTranslation } from 'react-i18next';
import { useWindowDimensions, View } from 'react-native';
import { Tag } from '../../../ui/board';
import { TextField } from '../../../ui/controls/textField';
import { ChoiceChip } from '../../../ui/controls/choiceChip';
import { Plan } from '../../../ui/drawn/plan';
import { CheckboxRow } from '../../../ui/controls/checkboxRow';
import { measures } from '../../../ui/units';
import { Body, Small } from '../../../ui/words';
import { Button } from '../../../ui/controls/button';
import { type ConditionDraft, NO_CONDITION } from './condition/conditionDraft';
import { ConditionField } from './condition/ConditionField';
import { type Draft, type DraftValue, draftOf, type ItemDraft, type Texts } from './draft';
import { DrillField, isOfDrill } from './drill/DrillField';
import type { FieldSpec } from './fields/fieldSpec';
import { ListField } from './ListField';
import { StrokesField } from './strokes/StrokesField';
import type { Stroke } from '@quay/core/fleet/drawing';
import { optionName } from './optionName';

/** A step by its first words, in a list of choices. */
const shortOf = (say: string): string => (say.length <= 30 ? say : `${say.slice(0, 30).replace(/[\s,.:;]+\S*$/, '')} …`);

export type Named = { id: string; name: Wording };

/** A field of a row, as what it is; fields within it are fields like it. */
export const OneField = ({
  spec,
  typed,
  language,
  faultAt,
  stations,
  tanks,
  plan,
  named = [],
  within = [],
  beside = {},
  at = '',
  onSet,
}: {
  spec: FieldSpec;
  typed: DraftValue;
  language: Language;
  /** What is wrong with it, or with a field within it. @param way to that field, from here */
  faultAt: (way?: string) => string | undefined;
  /** Conditions of the book that have a name. */
  named?: readonly string[];
  /** The rows of the list that it is in. */
  within?: readonly ItemDraft[];
  /** The row that it is a field of. */
  beside?: Draft;
  /** What stands before its name where it is found: the fields it is within. */
  at?: string;
  stations: readonly (Named & { at: readonly [number, number] })[];
  tanks: readonly Named[];
  plan: Book['plan'] | undefined;
  onSet: (value: DraftValue) => void;
}) => {
  const { t } = useTranslation();
  const { width } = useWindowDimensions();
  // Fields of one name in two places may be called differently.
  const label = t(`fleet.field.${('label' in spec && spec.label) || spec.field}` as 'fleet.field.name');
  const text = typeof typed === 'string' ? typed : '';
  const fault = faultAt();
  const id = `${at}${spec.field}`;
  /** Fields within this one. @param way to where they are, from here */
  const inner = (
    of: readonly FieldSpec[],
    draft: Draft,
    way: string,
    change: (draft: Draft) => void,
    rows: readonly ItemDraft[] = within,
  ) =>
    of.map((one) => (
      <OneField
        key={one.field}
        spec={one}
        typed={draft[one.field]}
        language={language}
        faultAt={(more) => faultAt([way, one.field, more].filter(Boolean).join('.'))}
        stations={stations}
        tanks={tanks}
        plan={plan}
        named={named}
        within={rows}
        beside={draft}
        at={`${id}-${way === '' ? '' : `${way}-`}`}
        onSet={(value) => change({ ...draft, [one.field]: value })}
      />
    ));
  const choose = (options: readonly { id: string; name: string }[]) => (
    <View style={{ gap: 4 }}>
      <Small>{label}</Small>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }} role="radiogroup" aria-label={label}>
        {options.map(({ id: one, name }) => (
          // Pressed once more, a choice that may be left out is none.
          <ChoiceChip
            key={one}
            label={name}
            on={text === one}
            onPress={() =>
              onSet(text === one && !('needed' in spec && spec.needed) && !(spec.is === 'station' && !spec.optional) ? '' : one)
            }
            testID={`${id}-${one}`}
          />
        ))}
      </View>
      {fault ? <Tag kind="stop">{fault}</Tag> : null}
    </View>
  );
  if (isOfDrill(spec))
    return <DrillField spec={spec} typed={typed} label={label} fault={fault} faultAt={faultAt} id={id} beside={beside} onSet={onSet} />;
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
          testID={`text-${id}`}
        />
      );
    }
    case 'flag':
      return <CheckboxRow label={label} on={typed === true} onChange={onSet} testID={`flag-${id}`} />;
    case 'choice':
      return choose(spec.options.map((id) => ({ id, name: optionName(spec.field, id, t) })));
    case 'figure':
      return choose(spec.options.map((one) => ({ id: String(one), name: String(one) })));
    case 'several': {
      const chosen = (typed ?? []) as readonly string[];
      // Whatever a row has is shown, also where it is not among the usual.
      const options = [...spec.options, ...chosen.filter((one) => !spec.options.includes(one))];
      return (
        <View style={{ gap: 4 }}>
          <Small>{label}</Small>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }} role="group" aria-label={label}>
            {options.map((one) => (
              <ChoiceChip
                key={one}
                label={spec.options.includes(one) ? t(`fleet.${spec.names}.${one}` as 'fleet.station.bow') : one}
                on={chosen.includes(one)}
                onPress={() => onSet(chosen.includes(one) ? chosen.filter((other) => other !== one) : [...chosen, one])}
                several
                testID={`${id}-${one}`}
              />
            ))}
          </View>
          {fault ? <Tag kind="stop">{fault}</Tag> : null}
        </View>
      );
    }
    case 'range': {
      const ends = (typed ?? ['', '']) as readonly [string, string];
      const position = spec.names === 'position';
      return (
        <View style={{ gap: 4 }}>
          <View style={{ flexDirection: 'row', gap: 10 }} role="group" aria-label={label}>
            {([0, 1] as const).map((i) => (
              <View key={i} style={{ flex: 1 }}>
                <TextField
                  label={`${label}, ${t(position ? (i === 0 ? 'fleet.east' : 'fleet.north') : i === 0 ? 'fleet.lowEnd' : 'fleet.highEnd')}`}
                  value={ends[i]}
                  numeric
                  most={14}
                  {...(spec.unit ? { unit: spec.unit } : {})}
                  onChange={(next) => onSet(i === 0 ? [next, ends[1]] : [ends[0], next])}
                  testID={`range-${id}-${i}`}
                />
              </View>
            ))}
          </View>
          {fault ? <Tag kind="stop">{fault}</Tag> : null}
        </View>
      );
    }
    case 'condition':
      return (
        <ConditionField
          label={label}
          at={at}
          condition={(typed ?? NO_CONDITION) as ConditionDraft}
          named={named}
          fault={fault}
          onSet={onSet}
        />
      );
    case 'group':
      return (
        <View style={{ gap: 8 }}>
          <CheckboxRow
            label={label}
            on={typed !== undefined}
            onChange={(on) => onSet(on ? draftOf({}, spec.of) : undefined)}
            testID={`group-${id}`}
          />
          {typed === undefined ? null : <View style={{ gap: 8, paddingLeft: 16 }}>{inner(spec.of, typed as Draft, '', onSet)}</View>}
        </View>
      );
    case 'list':
      return (
        <ListField
          spec={spec}
          id={id}
          label={label}
          items={(typed ?? []) as readonly ItemDraft[]}
          fault={fault}
          faultWithin={(i) => faultAt(String(i))}
          onSet={onSet}
        >
          {(item, i, change) =>
            inner(
              spec.of,
              item,
              String(i),
              (draft) => change({ ...draft, id: item.id }),
              // A step leads to steps of its own card; what lies within it does so, too.
              spec.plain || spec.bare ? within : ((typed ?? []) as readonly ItemDraft[]),
            )
          }
        </ListField>
      );
    case 'step':
      return choose([
        ...within.map((row, i) => ({ id: row.id, name: `${i + 1} · ${shortOf((row.say as Texts | undefined)?.en ?? '')}` })),
        ...CARD_ENDS.map((id) => ({ id, name: t(`fleet.end.${id}`) })),
      ]);
    case 'learnt': {
      const read = text === '' ? undefined : GaugeErrors.safeParse(JSON.parse(text));
      if (!read?.success) return null;
      const per = (share: number) => Math.round(share * 1000) / 10;
      const { bias, sd, fills } = read.data;
      return (
        <View style={{ gap: 4 }}>
          <Small>{label}</Small>
          <Body>{t('fleet.learntLine', { bias: per(bias), sd: per(sd), count: fills })}</Body>
          <Button
            mode="outlined"
            label={t('fleet.forgetLearnt')}
            onPress={() => onSet('')}
            style={{ alignSelf: 'flex-start' }}
            testID="forget-errors"
          />
        </View>
      );
    }
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
          {spot ? <Small>{`${measures().metres(spot[0], 2)} · ${measures().metres(spot[1], 2)}`}</Small> : null}
        </View>
      );
    }
    case 'strokes':
      return (
        <StrokesField label={label} strokes={(typed ?? []) as readonly Stroke[]} room={beside} plan={plan} fault={fault} onSet={onSet} />
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
          testID={`field-${id}`}
        />
      );
  }
};
