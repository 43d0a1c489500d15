import { type StyleProp, type TextStyle, View, type ViewStyle } from 'react-native';
import { Button as PaperButton, IconButton as PaperIconButton } from 'react-native-paper';
import { useHandler } from './handler';
import { useTones } from '../theme';
import { Bold } from '../words';

type ButtonProps = {
  mode: 'contained' | 'outlined';
  label: string;
  onPress: () => void;
  disabled?: boolean;
  busy?: boolean;
  tone?: 'primary' | 'danger' | 'warning';
  style?: StyleProp<ViewStyle>;
  testID?: string;
  hint?: string;
};

/** Ground and ink of a filled control, by what it says. */
export const solid = { primary: ['primary', 'onPrimary'], danger: ['danger', 'onDanger'], warning: ['warning', 'onWarning'] } as const;

/** Paper cuts a label short after a line; a word in another language, or twice as large, takes a second one. */
const WRAPS = { whiteSpace: 'pre-line', overflowWrap: 'anywhere', textAlign: 'center' } as unknown as TextStyle;

/**
 * A button: `contained` is the one main action of a screen, `outlined` a second way to go that never competes with it.
 * A hint stands under the word of a main action; beside a second one it is the key that does the same.
 */
export const Button = ({ mode, label, onPress, disabled = false, busy = false, tone = 'primary', style, testID, hint }: ButtonProps) => {
  const tones = useTones();
  const press = useHandler(onPress);
  const [ground, ink] = solid[tone];
  const main = mode === 'contained';
  return (
    <PaperButton
      mode={mode}
      textColor={main ? tones[ink] : tones.ink}
      disabled={disabled || busy}
      loading={busy}
      onPress={press}
      {...(main ? { buttonColor: tones[ground] } : {})}
      style={[
        main
          ? { borderRadius: 16 }
          : { borderRadius: 15, borderWidth: 2, borderColor: disabled ? tones.line : tones.ink, backgroundColor: tones.card },
        style,
      ]}
      contentStyle={main ? { minHeight: 62, paddingVertical: 4 } : { minHeight: 50, paddingVertical: 2 }}
      labelStyle={[WRAPS, { marginVertical: 4, marginHorizontal: 12, ...(main ? { fontSize: 22, lineHeight: 25 } : {}) }]}
      {...(testID === undefined ? {} : { testID })}
    >
      {label}
      {hint && main && !busy ? (
        <Bold size={14} tone={disabled ? 'soft' : ink}>
          {`\n${hint}`}
        </Bold>
      ) : null}
      {hint && !main ? <KeyHint label={hint} /> : null}
    </PaperButton>
  );
};

/** The key that does the same, shown where there is a keyboard. */
const KeyHint = ({ label }: { label: string }) => {
  const tones = useTones();
  return (
    <View style={{ borderWidth: 1.5, borderColor: tones.soft, borderRadius: 5, paddingHorizontal: 6, marginLeft: 8 }} aria-hidden>
      <Bold size={13} tone="soft">
        {label}
      </Bold>
    </View>
  );
};

/** A square target with one drawn sign. `path` is on a 24 px grid. */
export const IconButton = ({
  path,
  label,
  onPress,
  disabled = false,
  testID,
  plain = false,
}: {
  path: string;
  label: string;
  onPress: () => void;
  disabled?: boolean;
  testID?: string;
  plain?: boolean;
}) => {
  const tones = useTones();
  const press = useHandler(onPress);
  return (
    <PaperIconButton
      icon={path}
      size={26}
      accessibilityLabel={label}
      onPress={press}
      disabled={disabled}
      iconColor={tones.ink}
      {...(plain ? {} : { mode: 'outlined' as const, containerColor: tones.card })}
      style={{ width: 52, height: 52, margin: 0, borderRadius: 13, ...(plain ? {} : { borderWidth: 2, borderColor: tones.line }) }}
      {...(testID === undefined ? {} : { testID })}
    />
  );
};
