import { moneyParts, showMinor } from '@quay/core/money/minor';
import { useTranslation } from 'react-i18next';
import { type StyleProp, type TextStyle, View } from 'react-native';
import { localeOf } from '../../i18n';
import type { Tones } from '../theme';
import { Bold, SlabBold } from '../words';

/** Sums in running text, in the reader's way of writing them. */
export const useMoney = (currency: string): ((minor: number) => string) => {
  const { i18n } = useTranslation();
  return (minor) => showMinor(minor, currency, localeOf(i18n.language));
};

/**
 * A sum that is read from afar. The sign of the currency stands in a box of its own: in one run with it the slab's
 * figures lose their lining forms.
 */
export const Money = ({
  minor,
  currency,
  size,
  tone = 'ink',
  style,
}: {
  minor: number;
  currency: string;
  size: number;
  tone?: keyof Tones;
  style?: StyleProp<TextStyle>;
}) => {
  const { i18n } = useTranslation();
  return (
    <View style={{ flexDirection: 'row', alignItems: 'baseline', gap: 2 }}>
      {moneyParts(minor, currency, localeOf(i18n.language)).map(({ text, sign }, i) =>
        sign ? (
          <Bold key={i} size={Math.round(size * 0.74)} tone={tone}>
            {text}
          </Bold>
        ) : (
          <SlabBold key={i} size={size} tone={tone} style={style}>
            {text.trim()}
          </SlabBold>
        ),
      )}
    </View>
  );
};
