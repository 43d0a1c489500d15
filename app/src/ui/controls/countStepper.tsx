import { mdiMinus, mdiPlus } from '@mdi/js';
import { View } from 'react-native';
import { IconButton } from './button';
import { Body, SlabBold } from '../words';

/** So many of something, one more or fewer at a press. */
export const CountStepper = ({
  label,
  fewer,
  more,
  value,
  least,
  most,
  onChange,
  testID,
}: {
  label: string;
  /** What the two signs are called by whoever listens. */
  fewer: string;
  more: string;
  value: number;
  least: number;
  most: number;
  onChange: (value: number) => void;
  testID: string;
}) => (
  <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10, flexGrow: 1 }}>
    <Body style={{ flex: 1 }}>{label}</Body>
    <IconButton
      path={mdiMinus}
      label={fewer}
      onPress={() => onChange(Math.max(least, value - 1))}
      disabled={value <= least}
      testID={`${testID}-fewer`}
    />
    <View style={{ minWidth: 38, alignItems: 'center' }} aria-live="polite" testID={testID}>
      <SlabBold size={26}>{String(value)}</SlabBold>
    </View>
    <IconButton
      path={mdiPlus}
      label={more}
      onPress={() => onChange(Math.min(most, value + 1))}
      disabled={value >= most}
      testID={`${testID}-more`}
    />
  </View>
);
