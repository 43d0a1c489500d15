import { Pressable, View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { useTones } from './theme';
import { Body } from './words';

/** The box itself: empty, or with a drawn tick. */
export const Tick = ({ on }: { on: boolean }) => {
  const tones = useTones();
  return (
    <View
      style={{
        width: 30,
        height: 30,
        borderRadius: 8,
        borderWidth: 2,
        borderColor: tones.weed,
        backgroundColor: on ? tones.weed : tones.card,
        alignItems: 'center',
        justifyContent: 'center',
      }}
    >
      {on ? (
        <Svg width={20} height={20}>
          <Path d="M4 10l4.5 5.5L17 4.5" stroke={tones.onWeed} strokeWidth={3} fill="none" />
        </Svg>
      ) : null}
    </View>
  );
};

/** A box to tick with the thumb, the whole row wide. */
export const Toggle = ({
  label,
  on,
  onChange,
  testID,
}: {
  label: string;
  on: boolean;
  onChange: (on: boolean) => void;
  testID?: string;
}) => {
  return (
    <Pressable
      role="checkbox"
      aria-checked={on}
      aria-label={label}
      testID={testID}
      onPress={() => onChange(!on)}
      style={{ flexDirection: 'row', alignItems: 'center', gap: 12, minHeight: 52 }}
    >
      <Tick on={on} />
      <View style={{ flex: 1 }}>
        <Body>{label}</Body>
      </View>
    </Pressable>
  );
};
