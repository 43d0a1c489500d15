import { mdiChevronDown } from '@mdi/js';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Icon } from 'react-native-paper';
import { useTones } from './theme';
import { Body, Bold, Small } from './words';
import { ModalSheet } from './controls/modalSheet';
import { TouchableRipple } from './controls/touchableRipple';

/** A choice among many, made on a sheet: what is chosen stands in the field. */
export const PickField = ({
  label,
  options,
  value,
  none,
  onChange,
  testID,
}: {
  label: string;
  options: readonly { id: string; name: string; more?: string }[];
  value: string | undefined;
  /** What it says while nothing is chosen, and what chooses nothing. */
  none: string;
  onChange: (value: string | undefined) => void;
  testID: string;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  const [open, setOpen] = useState(false);
  const chosen = options.find(({ id }) => id === value);
  const take = (id: string | undefined) => {
    setOpen(false);
    onChange(id);
  };
  const row = (id: string | undefined, name: string, more?: string) => (
    <TouchableRipple
      key={id ?? ''}
      role="radio"
      aria-checked={id === value}
      aria-label={name}
      onPress={() => take(id)}
      testID={`${testID}-${id ?? 'none'}`}
      style={{
        minHeight: 52,
        justifyContent: 'center',
        borderRadius: 12,
        paddingHorizontal: 14,
        backgroundColor: id === value ? tones.primaryPale : 'transparent',
      }}
    >
      <View>
        <Bold tone={id === value ? 'primaryText' : 'ink'}>{name}</Bold>
        {more ? <Small>{more}</Small> : null}
      </View>
    </TouchableRipple>
  );
  return (
    <>
      <TouchableRipple
        role="button"
        aria-label={`${label}: ${chosen?.name ?? none}`}
        onPress={() => setOpen(true)}
        testID={testID}
        style={{
          minHeight: 52,
          borderWidth: 1.5,
          borderColor: tones.line,
          borderRadius: 12,
          paddingHorizontal: 14,
          justifyContent: 'center',
        }}
      >
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <View style={{ flex: 1 }}>
            <Small>{label}</Small>
            <Body tone={chosen ? 'ink' : 'soft'}>{chosen?.name ?? none}</Body>
          </View>
          <Icon source={mdiChevronDown} size={24} color={tones.soft} />
        </View>
      </TouchableRipple>
      {open ? (
        <ModalSheet title={label} closeLabel={t('common.close')} onClose={() => setOpen(false)}>
          <View role="radiogroup" aria-label={label} style={{ gap: 2 }}>
            {row(undefined, none)}
            {options.map(({ id, name, more }) => row(id, name, more))}
          </View>
        </ModalSheet>
      ) : null}
    </>
  );
};
