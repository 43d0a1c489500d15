import { mdiClose, mdiMagnify } from '@mdi/js';
import { Searchbar } from 'react-native-paper';
import { FACE, useTones } from '../theme';

/** A word to look for; what is found shows while one types. */
export const Search = ({
  label,
  value,
  onChange,
  testID,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  testID: string;
}) => {
  const tones = useTones();
  return (
    <Searchbar
      placeholder={label}
      aria-label={label}
      value={value}
      onChangeText={onChange}
      maxLength={100}
      icon={mdiMagnify}
      clearIcon={mdiClose}
      testID={testID}
      placeholderTextColor={tones.soft}
      style={{ backgroundColor: tones.card, borderWidth: 2, borderColor: tones.soft, borderRadius: 13, height: 54 }}
      inputStyle={{ fontFamily: FACE.text, fontSize: 17, minHeight: 50, color: tones.ink }}
    />
  );
};
