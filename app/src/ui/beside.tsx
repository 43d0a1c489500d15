import type { ReactNode } from 'react';
import { View } from 'react-native';
import { ListRow } from './controls/listRow';
import { Less } from './room';
import { Scroll } from './scroll';
import { useTones } from './theme';

/** Width of a list beside what is open in it, px. */
const LIST = 330;

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

/** A row of such a list; the one that is open beside it is marked. */
export const BesideRow = ({
  label,
  on,
  onPress,
  children,
  testID,
}: {
  label: string;
  on: boolean;
  onPress: () => void;
  children: ReactNode;
  testID: string;
}) => {
  const tones = useTones();
  return (
    <ListRow
      label={label}
      onPress={onPress}
      testID={testID}
      style={{
        backgroundColor: on ? tones.primaryPale : 'transparent',
        borderLeftWidth: 5,
        borderLeftColor: on ? tones.primary : 'transparent',
        borderBottomWidth: 1,
        borderBottomColor: tones.line,
      }}
    >
      <View style={{ paddingVertical: 8, paddingLeft: 9, paddingRight: 12, gap: 3 }}>{children}</View>
    </ListRow>
  );
};
