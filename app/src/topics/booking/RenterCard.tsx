import { writeMinor } from '@quay/core/money/minor';
import { POLICIES } from '@quay/core/policy/policy';
import type { Language } from '@quay/core/words/words';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card, Tag } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { FormField } from '../../ui/controls/form';
import { SlabBold, Small } from '../../ui/words';
import { SumField } from '../settlement/SumField';
import { FoundRenters } from './newHire/FoundRenters';
import type { NewHireForm } from './newHire/newHireForm';

/** Who hires, how to reach them and in which language; deposit, handover and notes behind a press. @param depositMinor of the boat's last hire @param languages the operator's, the usual one first */
export const RenterCard = ({
  form,
  currency,
  depositMinor,
  languages,
}: {
  form: NewHireForm;
  currency: string;
  depositMinor: number;
  languages: readonly Language[];
}) => {
  const { t } = useTranslation();
  const set = form.setValue;
  const [more, setMore] = useState(false);
  const [language, handover, name, known] = form.watch(['language', 'handover', 'renter', 'person']);
  return (
    <Card style={{ gap: 10 }}>
      <SlabBold size={22} heading={2}>
        {t('newHire.renter')}
      </SlabBold>
      <FormField form={form} name="renter" label={t('newHire.name')} most={80} autoComplete="off" testID="hire-renter" />
      {known === undefined ? (
        <FoundRenters
          name={name}
          onChoose={(one) => {
            set('person', one.id);
            set('renter', one.name, { shouldValidate: true });
            set('contact', one.contact, { shouldValidate: true });
            set('language', one.language, { shouldTouch: true });
          }}
        />
      ) : (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10, flexWrap: 'wrap' }}>
          <Tag kind="ok">{t('newHire.cameBefore')}</Tag>
          <Button mode="outlined" label={t('newHire.somebodyElse')} onPress={() => set('person', undefined)} testID="somebody-else" />
        </View>
      )}
      <FormField form={form} name="contact" label={t('newHire.contact')} most={120} autoComplete="off" testID="hire-contact" />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('newHire.language')}>
        {languages.map((one) => (
          <ChoiceChip
            key={one}
            label={t(`newHire.languages.${one}`)}
            on={language === one}
            onPress={() => set('language', one, { shouldTouch: true })}
            testID={`language-${one}`}
          />
        ))}
      </View>
      {more ? (
        <>
          <SumField
            form={form}
            name="deposit"
            label={t('newHire.deposit', { sum: writeMinor(depositMinor, currency) })}
            currency={currency}
            testID="hire-deposit"
          />
          <Small>{t('newHire.handover')}</Small>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('newHire.handover')}>
            {POLICIES.handover.map((one) => (
              <ChoiceChip
                key={one}
                label={t(`fleet.policy.handover.${one}`)}
                on={handover === one}
                onPress={() => set('handover', one, { shouldTouch: true })}
                testID={`handover-${one}`}
              />
            ))}
          </View>
          <FormField form={form} name="notes" label={t('hire.notes')} lines={3} most={2000} testID="hire-notes" />
        </>
      ) : (
        <Button
          mode="outlined"
          label={t('newHire.moreOfIt')}
          onPress={() => setMore(true)}
          style={{ alignSelf: 'flex-start' }}
          testID="hire-more"
        />
      )}
    </Card>
  );
};
