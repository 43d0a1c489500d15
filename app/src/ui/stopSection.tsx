import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { TouchableRipple } from './controls/touchableRipple';
import { Tag } from './board';
import { useTones } from './theme';
import { Bold, Slab } from './words';

/** One of the things done at a stop: say, count, look, read. */
export const StopSection = ({ name, children, all }: { name: string; children: ReactNode; all?: ReactNode }) => {
  const tones = useTones();
  return (
    <View style={{ borderTopWidth: 1, borderTopColor: tones.line, paddingVertical: 10 }} role="group" aria-label={name}>
      <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', minHeight: 26 }}>
        <Slab size={17} tone="primaryText" heading={3}>
          {name}
        </Slab>
        {all}
      </View>
      {children}
    </View>
  );
};

/** A small press that does the whole lane at once. */
export const All = ({ label, onPress, testID }: { label: string; onPress: () => void; testID: string }) => {
  const tones = useTones();
  return (
    <TouchableRipple
      role="button"
      onPress={onPress}
      testID={testID}
      style={({ pressed }) => ({
        minHeight: 52,
        minWidth: 88,
        justifyContent: 'center',
        alignItems: 'center',
        borderRadius: 13,
        borderWidth: 2,
        borderColor: tones.primary,
        paddingHorizontal: 12,
        backgroundColor: pressed ? tones.primaryPale : tones.card,
      })}
    >
      <>
        <Bold size={16} tone="primaryText">
          {label}
        </Bold>
      </>
    </TouchableRipple>
  );
};

/** Two phones entered different values and neither has seen the other's. */
export const ConflictingValues = ({ values }: { values: readonly string[] }) => {
  const { t } = useTranslation();
  return <Tag kind="stop">{t('walk.conflict', { values: values.join(' / ') })}</Tag>;
};
