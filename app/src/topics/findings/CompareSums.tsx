import type { Statement } from '@quay/core/settlement/statement';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Money } from '../../ui/controls/money';
import { useRoom } from '../../ui/room';
import { useTones } from '../../ui/theme';
import { Small } from '../../ui/words';

/** What is authorised, what is proposed to be charged, what goes back. */
export const CompareSums = ({ statement, currency }: { statement: Statement; currency: string }) => {
  const { t } = useTranslation();
  const tones = useTones();
  const { wide } = useRoom();
  const sums: [label: string, minor: number, tone: 'ink' | 'primaryText'][] = [
    [t('compare.sum.held'), statement.deposit.heldMinor, 'ink'],
    [t('compare.sum.proposed'), statement.totalMinor, 'ink'],
    [t('compare.sum.back'), statement.deposit.releasedMinor, 'primaryText'],
  ];
  return (
    <View
      style={{
        flexDirection: 'row',
        flexWrap: 'wrap',
        justifyContent: 'space-between',
        columnGap: 16,
        rowGap: 6,
        borderTopWidth: 3,
        borderTopColor: tones.ink,
        marginTop: 12,
        paddingTop: 10,
        marginHorizontal: 8,
      }}
    >
      {sums.map(([label, minor, tone]) => (
        <View key={label}>
          <Small size={14}>{label}</Small>
          <Money minor={minor} currency={currency} size={wide ? 25 : 22} tone={tone} />
        </View>
      ))}
    </View>
  );
};
