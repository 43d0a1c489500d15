import { typedNumber } from '@quay/core/number/typed';
import { type ComponentProps, useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';
import { measures } from '../units';
import { FACE, useTones } from '../theme';
import { Bold, Small } from '../words';

type Props = {
  label: string;
  /** The label stands beside it already, and is only said to whoever listens. */
  beside?: boolean;
  value: string;
  onChange: (value: string) => void;
  fault?: string | undefined;
  secret?: boolean;
  numeric?: boolean;
  lines?: number;
  autoComplete?: ComponentProps<typeof TextInput>['autoComplete'];
  onEnter?: () => void;
  onBlur?: () => void;
  testID?: string;
  /** Of what is kept: shown and typed in the operator's own where that is another. */
  unit?: string | undefined;
  autoFocus?: boolean;
  /** A sign in the field, for another way to fill it. */
  action?: { icon: string; label: string; onPress: () => void; testID: string };
  /** Characters at most; how many there are is said when it gets tight. */
  most?: number;
};

/** Characters of a remark: more the quay refuses, and a seal over what it refuses is never closed. */
const MOST = 500;

/** From so many on they are counted; of a shorter field one sees how full it is. */
const COUNTED = 100;

/**
 * A figure is kept in a unit of ours and typed in the operator's. What is typed stays as it was typed; what is no figure is
 * handed on as it is, for whoever asked to say what is wrong.
 * @param unit of what is kept; one that nobody converts, or none, leaves everything as it is
 */
const useOutside = (value: string, onChange: (value: string) => void, unit: string | undefined) => {
  const { converts, inside, shown, name } = measures();
  const [typed, setTyped] = useState<{ text: string; kept: string }>();
  if (unit === undefined || !converts(unit)) return { text: value, type: onChange, unit };
  const kept = typedNumber(value);
  const text = typed?.kept === value ? typed.text : Number.isNaN(kept) ? value : String(shown(kept, unit));
  const type = (next: string) => {
    const figure = typedNumber(next);
    const keep = Number.isNaN(figure) ? next : String(inside(figure, unit));
    setTyped({ text: next, kept: keep });
    onChange(keep);
  };
  return { text, type, unit: name(unit) };
};

/** A labelled field; what is wrong with it is said right under it. */
export const TextField = ({
  label,
  beside = false,
  value,
  onChange,
  fault,
  secret = false,
  numeric = false,
  lines,
  autoComplete,
  onEnter,
  onBlur,
  testID,
  unit,
  autoFocus = false,
  most = MOST,
  action,
}: Props) => {
  const tones = useTones();
  const outside = useOutside(value, onChange, unit);
  return (
    <View style={{ gap: 4 }}>
      {beside ? null : <Small>{label}</Small>}
      <TextInput
        mode="outlined"
        aria-label={label}
        aria-invalid={fault !== undefined}
        value={outside.text}
        onChangeText={outside.type}
        error={fault !== undefined}
        secureTextEntry={secret}
        autoFocus={autoFocus}
        maxLength={most}
        autoCapitalize="none"
        inputMode={numeric ? 'decimal' : 'text'}
        {...(lines ? { multiline: true, numberOfLines: lines } : {})}
        {...(autoComplete ? { autoComplete } : {})}
        {...(onEnter ? { onSubmitEditing: onEnter } : {})}
        {...(onBlur ? { onBlur } : {})}
        {...(testID === undefined ? {} : { testID })}
        {...(unit
          ? { right: <TextInput.Affix text={outside.unit} textStyle={{ fontFamily: FACE.bold, fontSize: 17, color: tones.soft }} /> }
          : {})}
        {...(action
          ? {
              right: (
                <TextInput.Icon
                  icon={action.icon}
                  accessibilityLabel={action.label}
                  onPress={action.onPress}
                  forceTextInputFocus={false}
                  color={tones.ink}
                  testID={action.testID}
                />
              ),
            }
          : {})}
        outlineColor={tones.soft}
        outlineStyle={{ borderRadius: 13, borderWidth: 2 }}
        contentStyle={{
          fontFamily: numeric ? FACE.slabBold : FACE.text,
          fontVariant: ['lining-nums', 'tabular-nums'],
          ...(lines ? { paddingVertical: 12 } : {}),
        }}
        style={{ backgroundColor: tones.card, fontSize: numeric ? 30 : 19, ...(lines ? {} : { height: 58 }) }}
      />
      {most >= COUNTED && value.length >= most * 0.9 ? <Small>{`${value.length} / ${most}`}</Small> : null}
      {fault ? (
        <Bold size={16} tone="dangerText" live>
          {fault}
        </Bold>
      ) : null}
    </View>
  );
};
