import { ScrollView, View } from 'react-native';
import { TouchableRipple } from './touchableRipple';
import { ChoiceChip } from './choiceChip';
import { useTones } from '../theme';
import { Bold, Small } from '../words';

type Section = { key: string; name: string; count?: number };

/** Parts of a page of which one is open: a row to push aside on a phone, a column beside the part on a desk. */
export const Sections = ({
  label,
  sections,
  open,
  onOpen,
  column,
}: {
  label: string;
  sections: readonly Section[];
  open: string;
  onOpen: (key: string) => void;
  column: boolean;
}) => {
  const tones = useTones();
  if (!column)
    return (
      <ScrollView horizontal showsHorizontalScrollIndicator={false} style={{ marginHorizontal: -12, flexGrow: 0 }}>
        <View style={{ flexDirection: 'row', gap: 6, paddingHorizontal: 12 }} role="radiogroup" aria-label={label}>
          {sections.map(({ key, name, count }) => (
            <ChoiceChip
              key={key}
              label={count === undefined ? name : `${name} ${count}`}
              on={key === open}
              onPress={() => onOpen(key)}
              testID={`list-${key}`}
            />
          ))}
        </View>
      </ScrollView>
    );
  return (
    <View style={{ gap: 2 }} role="radiogroup" aria-label={label}>
      {sections.map(({ key, name, count }) => {
        const on = key === open;
        return (
          <TouchableRipple
            key={key}
            role="radio"
            aria-checked={on}
            aria-label={count === undefined ? name : `${name} ${count}`}
            onPress={() => onOpen(key)}
            testID={`list-${key}`}
            style={{ borderRadius: 12, minHeight: 52, justifyContent: 'center', backgroundColor: on ? tones.primaryPale : 'transparent' }}
          >
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8, paddingHorizontal: 14 }}>
              <Bold size={16} tone={on ? 'primaryText' : 'ink'} style={{ flex: 1 }}>
                {name}
              </Bold>
              {count === undefined ? null : <Small>{String(count)}</Small>}
            </View>
          </TouchableRipple>
        );
      })}
    </View>
  );
};
