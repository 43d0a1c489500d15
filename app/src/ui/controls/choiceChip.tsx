import { TouchableRipple } from './touchableRipple';
import { solid } from './button';
import { useTones } from '../theme';
import { Bold } from '../words';

/** A choice among a few, one of them taken, or `several`: said as such to whoever listens, which Paper's own chip does not do in a browser. */
export const ChoiceChip = ({
  label,
  on,
  onPress,
  tone = 'primary',
  several = false,
  testID,
}: {
  label: string;
  on: boolean;
  onPress: () => void;
  tone?: 'primary' | 'danger' | 'warning';
  several?: boolean;
  testID?: string;
}) => {
  const tones = useTones();
  const [ground, ink] = solid[tone];
  return (
    <TouchableRipple
      role={several ? 'checkbox' : 'radio'}
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
