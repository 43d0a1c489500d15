import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Less } from './room';
import { Scroll } from './scroll';
import { useTones } from './theme';

/** Width of a list beside what is open in it, px. */
export const LIST = 330;

/** On a desk: a list at the left, what is open in it at the right, each scrolling by itself. */
export const Beside = ({ label, list, children }: { label: string; list: ReactNode; children: ReactNode }) => {
  const tones = useTones();
  return (
    <View style={{ flex: 1, flexDirection: 'row' }}>
      <Scroll
        role="region"
        aria-label={label}
        style={{ flexGrow: 0, width: LIST, backgroundColor: tones.card, borderRightWidth: 1, borderRightColor: tones.line }}
        contentContainerStyle={{ paddingBottom: 20 }}
      >
        {list}
      </Scroll>
      <View style={{ flex: 1 }}>
        <Less width={LIST}>
          <View style={{ flex: 1 }}>{children}</View>
        </Less>
      </View>
    </View>
  );
};
