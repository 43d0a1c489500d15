import type { Ref } from 'react';
import { ScrollView, type ScrollViewProps } from 'react-native';

/** What scrolls can be reached by keyboard, also where nothing in it can be pressed. */
export const Scroll = ({ scroll, ...rest }: ScrollViewProps & { scroll?: Ref<ScrollView> | undefined }) => (
  <ScrollView ref={scroll} tabIndex={0} {...rest} />
);
