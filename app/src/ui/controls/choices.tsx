import { View } from 'react-native';
import { ChoiceChip } from './choiceChip';

/** A choice among a few that stand side by side. @param testID in front of what each says */
export const Choices = <T extends string>({
  label,
  options,
  labelOf,
  value,
  onChange,
  testID,
}: {
  /** What is chosen, for whoever listens. */
  label: string;
  options: readonly T[];
  labelOf: (one: T) => string;
  value: T | undefined;
  onChange: (one: T) => void;
  testID: string;
}) => (
  <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={label}>
    {options.map((one) => (
      <ChoiceChip key={one} label={labelOf(one)} on={one === value} onPress={() => onChange(one)} testID={`${testID}-${one}`} />
    ))}
  </View>
);
