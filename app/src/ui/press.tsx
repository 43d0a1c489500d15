import { type ReactNode } from 'react';
import { type StyleProp, type TextStyle, View, type ViewStyle } from 'react-native';
import { Button, IconButton, TouchableRipple } from 'react-native-paper';
import { useTones } from './theme';
import { Bold } from './words';

type PressProps = {
  label: string;
  onPress: () => void;
  disabled?: boolean;
  busy?: boolean;
  tone?: 'weed' | 'lead' | 'mari';
  style?: StyleProp<ViewStyle>;
  testID?: string;
  hint?: string;
};

const solid = { weed: ['weed', 'onWeed'], lead: ['lead', 'onLead'], mari: ['mari', 'onMari'] } as const;

/** Paper cuts a label short after a line; a word in another language, or twice as large, takes a second one. */
const WRAPS = { whiteSpace: 'pre-line', overflowWrap: 'anywhere', textAlign: 'center' } as unknown as TextStyle;

/** The one main action of a screen. */
export const Go = ({ label, onPress, disabled = false, busy = false, tone = 'weed', style, testID, hint }: PressProps) => {
  const tones = useTones();
  const [ground, ink] = solid[tone];
  return (
    <Button
      mode="contained"
      buttonColor={tones[ground]}
      textColor={tones[ink]}
      disabled={disabled || busy}
      loading={busy}
      onPress={onPress}
      style={[{ borderRadius: 16 }, style]}
      contentStyle={{ minHeight: 62, paddingVertical: 4 }}
      labelStyle={[WRAPS, { fontSize: 22, lineHeight: 25, marginVertical: 4, marginHorizontal: 8 }]}
      {...(testID === undefined ? {} : { testID })}
    >
      {label}
      {hint && !busy ? (
        <Bold size={14} tone={disabled ? 'soft' : ink}>
          {`\n${hint}`}
        </Bold>
      ) : null}
    </Button>
  );
};

/** A second way to go: outlined, never competing with Go. */
export const Alt = ({ label, onPress, disabled = false, style, testID, hint }: PressProps) => {
  const tones = useTones();
  return (
    <Button
      mode="outlined"
      textColor={tones.ink}
      disabled={disabled}
      onPress={onPress}
      style={[{ borderRadius: 15, borderWidth: 2, borderColor: disabled ? tones.line : tones.ink, backgroundColor: tones.card }, style]}
      contentStyle={{ minHeight: 50, paddingVertical: 2 }}
      labelStyle={[WRAPS, { marginVertical: 4, marginHorizontal: 8 }]}
      {...(testID === undefined ? {} : { testID })}
    >
      {label}
      {hint ? <Key label={hint} /> : null}
    </Button>
  );
};

/** The key that does the same, shown where there is a keyboard. */
export const Key = ({ label }: { label: string }) => {
  const tones = useTones();
  return (
    <View style={{ borderWidth: 1.5, borderColor: tones.soft, borderRadius: 5, paddingHorizontal: 6, marginLeft: 8 }} aria-hidden>
      <Bold size={13} tone="soft">
        {label}
      </Bold>
    </View>
  );
};

/** A choice among a few, one of them taken: said as such to whoever listens, which Paper's own chip does not do in a browser. */
export const Chip = ({
  label,
  on,
  onPress,
  tone = 'weed',
  testID,
}: {
  label: string;
  on: boolean;
  onPress: () => void;
  tone?: 'weed' | 'lead' | 'mari';
  testID?: string;
}) => {
  const tones = useTones();
  const [ground, ink] = solid[tone];
  return (
    <TouchableRipple
      role="radio"
      aria-checked={on}
      onPress={onPress}
      testID={testID}
      style={{
        minHeight: 52,
        minWidth: 52,
        borderRadius: 13,
        borderWidth: 2,
        borderColor: on ? tones[ground] : tones.line,
        backgroundColor: on ? tones[ground] : tones.card,
        paddingHorizontal: 13,
        justifyContent: 'center',
        alignItems: 'center',
      }}
    >
      <Bold size={16} tone={on ? ink : 'ink'}>
        {label}
      </Bold>
    </TouchableRipple>
  );
};

/** A square target with one drawn sign. `path` is on a 24 px grid. */
export const Sign = ({
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
  return (
    <IconButton
      icon={path}
      size={26}
      accessibilityLabel={label}
      onPress={onPress}
      disabled={disabled}
      iconColor={tones.ink}
      {...(plain ? {} : { mode: 'outlined' as const, containerColor: tones.card })}
      style={{ width: 52, height: 52, margin: 0, borderRadius: 13, ...(plain ? {} : { borderWidth: 2, borderColor: tones.line }) }}
      {...(testID === undefined ? {} : { testID })}
    />
  );
};

/** A row that leads somewhere, as wide as its place. */
export const Row = ({
  label,
  onPress,
  children,
  style,
  testID,
}: {
  label: string;
  onPress: () => void;
  children: ReactNode;
  style?: StyleProp<ViewStyle>;
  testID?: string;
}) => (
  <TouchableRipple role="button" aria-label={label} onPress={onPress} testID={testID} style={[{ minHeight: 56 }, style]}>
    <>{children}</>
  </TouchableRipple>
);
