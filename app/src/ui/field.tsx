import { type ComponentProps, useState } from 'react';
import { TextInput, View } from 'react-native';
import { FACE, useTones } from './theme';
import { Bold, Small } from './words';

type Props = {
  label: string;
  value: string;
  onChange: (value: string) => void;
  fault?: string | undefined;
  secret?: boolean;
  numeric?: boolean;
  lines?: number;
  autoComplete?: ComponentProps<typeof TextInput>['autoComplete'];
  onEnter?: () => void;
  testID?: string;
  unit?: string;
  autoFocus?: boolean;
  /** Characters at most; how many there are is said when it gets tight. */
  most?: number;
};

/** Characters of a remark: more the quay refuses, and a seal over what it refuses is never closed. */
const MOST = 500;

/** A labelled field; what is wrong with it is said right under it. */
export const Field = ({
  label,
  value,
  onChange,
  fault,
  secret = false,
  numeric = false,
  lines,
  autoComplete,
  onEnter,
  testID,
  unit,
  autoFocus = false,
  most = MOST,
}: Props) => {
  const tones = useTones();
  const [on, setOn] = useState(false);
  return (
    <View style={{ gap: 4 }}>
      <Small>{label}</Small>
      <View
        style={{
          flexDirection: 'row',
          alignItems: 'center',
          gap: 8,
          minHeight: 58,
          borderRadius: 13,
          borderWidth: 2,
          borderColor: fault ? tones.lead : on ? tones.weed : tones.soft,
          backgroundColor: tones.card,
          paddingHorizontal: 14,
        }}
      >
        <TextInput
          aria-label={label}
          aria-invalid={fault !== undefined}
          value={value}
          onChangeText={onChange}
          secureTextEntry={secret}
          autoFocus={autoFocus}
          maxLength={most}
          autoCapitalize="none"
          inputMode={numeric ? 'decimal' : 'text'}
          {...(lines ? { multiline: true, numberOfLines: lines } : {})}
          {...(autoComplete ? { autoComplete } : {})}
          onFocus={() => setOn(true)}
          onBlur={() => setOn(false)}
          onSubmitEditing={onEnter}
          testID={testID}
          style={[
            {
              flex: 1,
              minWidth: 0,
              minHeight: 54,
              paddingVertical: lines ? 12 : 0,
              color: tones.ink,
              fontFamily: numeric ? FACE.slabBold : FACE.text,
              fontSize: numeric ? 30 : 19,
              fontVariant: ['lining-nums', 'tabular-nums'],
            },
            NO_OUTLINE,
          ]}
        />
        {unit ? <Bold tone="soft">{unit}</Bold> : null}
      </View>
      {value.length >= most * 0.9 ? <Small>{`${value.length} / ${most}`}</Small> : null}
      {fault ? (
        <Bold size={16} tone="leadText" live>
          {fault}
        </Bold>
      ) : null}
    </View>
  );
};

/** The frame shows the focus; not among the styles a phone knows. */
const NO_OUTLINE = { outlineStyle: 'none' } as object;
