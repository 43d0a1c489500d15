import type { ReactNode } from 'react';
import type { StyleProp, ViewStyle } from 'react-native';
import { TouchableRipple } from './touchableRipple';

/** A row that leads somewhere, as wide as its place. */
export const ListRow = ({
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
