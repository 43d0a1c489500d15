import { mdiCheck } from '@mdi/js';
import { View } from 'react-native';
import { Icon } from 'react-native-paper';
import { TouchableRipple } from './touchableRipple';
import { useTones } from '../theme';
import { Body } from '../words';

/** The box itself: empty, or ticked. */
export const CheckboxMark = ({ on }: { on: boolean }) => {
  const tones = useTones();
  return (
    <View
      style={{
        width: 30,
        height: 30,
        borderRadius: 8,
        borderWidth: 2,
        borderColor: tones.primary,
        backgroundColor: on ? tones.primary : tones.card,
        alignItems: 'center',
        justifyContent: 'center',
      }}
    >
      {on ? <Icon source={mdiCheck} size={24} color={tones.onPrimary} /> : null}
    </View>
  );
};

const Sign = ({ path, on }: { path: string; on: boolean }) => {
  const tones = useTones();
  return <Icon source={path} size={30} color={on ? tones.primary : tones.soft} />;
};

/** A box to tick with the thumb, the whole row wide; ticked or not is said to whoever listens, which Paper's own is not in a browser. */
export const CheckboxRow = ({
  label,
  on,
  onChange,
  icon,
  testID,
}: {
  label: string;
  on: boolean;
  onChange: (on: boolean) => void;
  /** Its sign, where there is one. */
  icon?: string;
  testID?: string;
}) => (
  <TouchableRipple
    role="checkbox"
    aria-checked={on}
    aria-label={label}
    testID={testID}
    onPress={() => onChange(!on)}
    style={{ flexDirection: 'row', alignItems: 'center', gap: 12, minHeight: 52 }}
  >
    <>
      <CheckboxMark on={on} />
      {icon === undefined ? null : <Sign path={icon} on={on} />}
      <View style={{ flex: 1 }}>
        <Body>{label}</Body>
      </View>
    </>
  </TouchableRipple>
);
