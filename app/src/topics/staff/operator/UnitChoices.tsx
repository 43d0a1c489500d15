import { QUANTITIES, type Quantity, type Units, UNITS } from '@quay/core/number/units';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Bold, Small } from '../../../ui/words';
import { Choices } from '../../../ui/controls/choices';

/** What figures are said and typed in, quantity by quantity. */
export const UnitChoices = ({ units, onChange }: { units: Units; onChange: (units: Units) => void }) => {
  const { t } = useTranslation();
  const row = <Q extends Quantity>(quantity: Q) => (
    <View key={quantity} style={{ gap: 4 }}>
      <Small>{t(`units.of.${quantity}`)}</Small>
      <Choices<Units[Quantity]>
        label={t(`units.of.${quantity}`)}
        options={UNITS[quantity]}
        labelOf={(one) => t(`units.${one}`)}
        value={units[quantity]}
        onChange={(one) => onChange({ ...units, [quantity]: one })}
        testID={`unit-${quantity}`}
      />
    </View>
  );
  return (
    <View style={{ gap: 10 }}>
      <Bold>{t('units.title')}</Bold>
      {QUANTITIES.map(row)}
    </View>
  );
};
