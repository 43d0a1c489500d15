import type { ComponentProps } from 'react';
import { TouchableRipple as PaperRipple } from 'react-native-paper';
import { useHandler } from './handler';

type Props = Omit<ComponentProps<typeof PaperRipple>, 'onPress'> & { onPress: () => void };

/** Paper's, and a press does what is seen, however quickly it comes after it was drawn. */
export const TouchableRipple = ({ onPress, ...rest }: Props) => <PaperRipple {...rest} onPress={useHandler(onPress)} />;
