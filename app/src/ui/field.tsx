import type { ComponentProps } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';
import { FACE, useTones } from './theme';
import { Bold } from './words';

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
};

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
}: Props) => {
  const tones = useTones();
  return (
    <View style={{ gap: 4 }}>
      <TextInput
        mode="outlined"
        label={label}
        aria-label={label}
        value={value}
        onChangeText={onChange}
        secureTextEntry={secret}
        autoFocus={autoFocus}
        {...(numeric ? { inputMode: 'decimal' as const } : {})}
        {...(lines ? { multiline: true, numberOfLines: lines } : {})}
        {...(autoComplete ? { autoComplete } : {})}
        autoCapitalize="none"
        error={fault !== undefined}
        onSubmitEditing={onEnter}
        testID={testID}
        textColor={tones.ink}
        outlineColor={tones.soft}
        activeOutlineColor={tones.weed}
        outlineStyle={{ borderRadius: 13, borderWidth: 2 }}
        style={{ backgroundColor: tones.card, fontFamily: FACE.text, fontSize: numeric ? 24 : 19, minHeight: 58 }}
        {...(unit ? { right: <TextInput.Affix text={unit} textStyle={{ color: tones.soft, fontFamily: FACE.text }} /> } : {})}
        theme={{ colors: { onSurfaceVariant: tones.soft, error: tones.lead, background: tones.card } }}
      />
      {fault ? (
        <Bold size={16} tone="leadText" live>
          {fault}
        </Bold>
      ) : null}
    </View>
  );
};
