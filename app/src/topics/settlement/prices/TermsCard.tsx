import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card } from '../../../ui/board';
import { CheckboxRow } from '../../../ui/controls/checkboxRow';
import { ChoiceChip } from '../../../ui/controls/choiceChip';
import { type Form, FormField } from '../../../ui/controls/form';
import { SlabBold, Small } from '../../../ui/words';
import { SumField } from '../SumField';
import { DAMAGES, FUEL_SCHEMES, type PricesRead, type PricesTyped } from './pricesForm';

/** How fuel, lateness and damage are charged. */
export const TermsCard = ({ form, currency }: { form: Form<PricesTyped, PricesRead>; currency: string }) => {
  const { t } = useTranslation();
  const [fuelScheme, damage, waiver] = form.watch(['fuelScheme', 'damage', 'waiver']);
  return (
    <Card style={{ gap: 10 }}>
      <SlabBold size={22} heading={2}>
        {t('prices.terms')}
      </SlabBold>
      <Small>{t('prices.scheme')}</Small>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('prices.scheme')}>
        {FUEL_SCHEMES.map((one) => (
          <ChoiceChip
            key={one}
            label={t(`prices.schemes.${one}`)}
            on={fuelScheme === one}
            onPress={() => form.setValue('fuelScheme', one, { shouldDirty: true })}
            testID={`scheme-${one}`}
          />
        ))}
      </View>
      {fuelScheme === 'included' ? (
        <FormField form={form} name="fuelIncludedL" label={t('prices.included')} numeric unit="L" most={7} testID="included" />
      ) : null}
      <FormField form={form} name="lateGraceMin" label={t('prices.grace')} numeric unit="min" most={4} testID="grace" />
      <SumField form={form} name="depositSum" label={t('prices.deposit')} currency={currency} testID="usual-deposit" />
      <Small>{t('prices.damage')}</Small>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('prices.damage')}>
        {DAMAGES.map((one) => (
          <ChoiceChip
            key={one}
            label={t(`prices.damages.${one}`)}
            on={damage === one}
            onPress={() => form.setValue('damage', one, { shouldDirty: true })}
            testID={`damage-${one}`}
          />
        ))}
      </View>
      {damage === 'list' ? null : (
        <SumField
          form={form}
          name="damageSum"
          label={t(damage === 'cap' ? 'prices.cap' : 'prices.hold')}
          currency={currency}
          testID="damage-sum"
        />
      )}
      <CheckboxRow
        label={t('prices.waiver')}
        on={waiver}
        onChange={(on) => form.setValue('waiver', on, { shouldDirty: true })}
        testID="waiver"
      />
      {waiver ? (
        <>
          <Small>{t('prices.waiverWhy')}</Small>
          <SumField form={form} name="waiverSum" label={t('prices.waiverCap')} currency={currency} testID="waiver-sum" />
        </>
      ) : null}
    </Card>
  );
};
