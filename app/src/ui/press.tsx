import { type ReactNode } from 'react';
import { ActivityIndicator, Pressable, type StyleProp, View, type ViewStyle } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { useTones } from './theme';
import { Bold, Slab } from './words';

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

/** The one main action of a screen. */
export const Go = ({ label, onPress, disabled = false, busy = false, tone = 'weed', style, testID, hint }: PressProps) => {
  const tones = useTones();
  const [ground, ink] = solid[tone];
  return (
    <Pressable
      role="button"
      aria-disabled={disabled || busy}
      disabled={disabled || busy}
      onPress={onPress}
      testID={testID}
      style={({ pressed }) => [
        {
          minHeight: 62,
          borderRadius: 16,
          paddingHorizontal: 18,
          paddingVertical: 8,
          alignItems: 'center',
          justifyContent: 'center',
          backgroundColor: disabled ? tones.line : tones[ground],
          opacity: pressed ? 0.85 : 1,
        },
        style,
      ]}
    >
      {busy ? (
        <ActivityIndicator color={tones[ink]} />
      ) : (
        <Slab size={22} tone={disabled ? 'soft' : ink} style={{ textAlign: 'center' }}>
          {label}
        </Slab>
      )}
      {hint && !busy ? (
        <Bold size={14} tone={disabled ? 'soft' : ink}>
          {hint}
        </Bold>
      ) : null}
    </Pressable>
  );
};

/** A second way to go: outlined, never competing with Go. */
export const Alt = ({ label, onPress, disabled = false, style, testID, hint }: PressProps) => {
  const tones = useTones();
  return (
    <Pressable
      role="button"
      aria-disabled={disabled}
      disabled={disabled}
      onPress={onPress}
      testID={testID}
      style={({ pressed }) => [
        {
          minHeight: 54,
          borderRadius: 15,
          borderWidth: 2,
          borderColor: disabled ? tones.line : tones.ink,
          backgroundColor: pressed ? tones.weedPale : tones.card,
          paddingHorizontal: 14,
          paddingVertical: 6,
          alignItems: 'center',
          justifyContent: 'center',
          flexDirection: 'row',
          gap: 8,
        },
        style,
      ]}
    >
      <Slab size={18} tone={disabled ? 'soft' : 'ink'} style={{ textAlign: 'center' }}>
        {label}
      </Slab>
      {hint ? <Key label={hint} /> : null}
    </Pressable>
  );
};

/** The key that does the same, shown where there is a keyboard. */
export const Key = ({ label }: { label: string }) => {
  const tones = useTones();
  return (
    <View style={{ borderWidth: 1.5, borderColor: tones.soft, borderRadius: 5, paddingHorizontal: 6 }} aria-hidden>
      <Bold size={13} tone="soft">
        {label}
      </Bold>
    </View>
  );
};

/** A choice among a few, one of them taken. */
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
    <Pressable
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
    </Pressable>
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
    <Pressable
      role="button"
      aria-label={label}
      aria-disabled={disabled}
      disabled={disabled}
      onPress={onPress}
      testID={testID}
      style={({ pressed }) => ({
        width: 52,
        height: 52,
        borderRadius: 13,
        borderWidth: plain ? 0 : 2,
        borderColor: tones.line,
        alignItems: 'center',
        justifyContent: 'center',
        backgroundColor: pressed ? tones.weedPale : plain ? 'transparent' : tones.card,
        opacity: disabled ? 0.45 : 1,
      })}
    >
      <Svg width={26} height={26} viewBox="0 0 24 24">
        <Path d={path} fill={tones.ink} />
      </Svg>
    </Pressable>
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
}) => {
  const tones = useTones();
  return (
    <Pressable
      role="button"
      aria-label={label}
      onPress={onPress}
      testID={testID}
      style={({ pressed }) => [{ minHeight: 56, backgroundColor: pressed ? tones.weedPale : 'transparent' }, style]}
    >
      {children}
    </Pressable>
  );
};
