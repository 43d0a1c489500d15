import { keepLogo } from '@quay/contract/operator';
import { usualUnits } from '@quay/core/number/units';
import { type Language, LANGUAGES } from '@quay/core/words/words';
import { useRouter } from 'expo-router';
import { type ReactNode, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call, Refused } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import { useSetUp } from '../../local/session';
import { isPicture, readFragment, regionHere } from '../../platform/browser';
import { Card, Notice, TitledCard } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { FormField, useSchemaForm } from '../../ui/controls/form';
import { useSnack } from '../../ui/controls/snack';
import { UnitChoices } from '../staff/operator/UnitChoices';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { Body, Bold, Small } from '../../ui/words';
import { LogoChoice } from '../staff/operator/LogoChoice';
import { setUpForm } from './setUpForm';

/** Nobody knows this quay yet: who hires out, in which money and languages, and who is the first to run it. */
export const SetUp = () => {
  const { t } = useTranslation();
  const router = useRouter();
  const errorWords = useErrorWords();
  const setUp = useSetUp();
  const { wide } = useRoom();
  const [code] = useState(readFragment);
  const [fault, setFault] = useState<string>();
  const [isDone, setDone] = useState(false);
  const [logo, setLogo] = useState<File>();
  const [noPicture, setNoPicture] = useState<string>();
  const snack = useSnack();
  const weak = t('phones.secretRule.manager');
  const schema = useMemo(() => setUpForm(weak), [weak]);
  const form = useSchemaForm(schema, {
    operator: '',
    address: '',
    phone: '',
    currency: 'EUR',
    tax: '20',
    units: usualUnits(regionHere()),
    languages: ['en'] as Language[],
    manager: '',
    password: '',
  });
  const [languages, units] = form.watch(['languages', 'units']);
  const choose = async (file: File) => {
    const fine = await isPicture(file);
    setLogo(fine ? file : undefined);
    setNoPicture(fine ? undefined : t('operator.noPicture'));
  };
  const go = form.handleSubmit(async ({ tax, ...entered }) => {
    setFault(undefined);
    try {
      await setUp({ code, ...entered, taxBp: Math.round(tax * 100) });
      // Without a logo one can hire out just as well; it is chosen again in the settings.
      if (logo) await call(keepLogo, { bytes: logo }).catch((error: Error) => snack({ text: errorWords(error) }));
      router.replace('/first-hire');
    } catch (error) {
      if (error instanceof Refused && error.problem.code === 'setUpDone') setDone(true);
      else setFault(error instanceof Refused ? errorWords(error) : t('signIn.noAnswer'));
    }
  });
  if (isDone || code === '')
    return (
      <Screen title={t('setUp.title')} measure={560}>
        <View style={{ padding: 16 }}>
          <Notice
            kind="ask"
            title={t(isDone ? 'setUp.done' : 'setUp.noCode')}
            action={<Button mode="outlined" label={t('signIn.title')} onPress={() => router.replace('/')} testID="to-sign-in" />}
          >
            {isDone ? null : <Body>{t('setUp.noCodeWhy')}</Body>}
          </Notice>
        </View>
      </Screen>
    );
  const press = (one: Language) =>
    form.setValue('languages', languages.includes(one) ? languages.filter((other) => other !== one) : [...languages, one], {
      shouldValidate: true,
    });
  return (
    <Screen
      title={t('setUp.title')}
      measure={1240}
      footer={
        <View style={{ gap: 8 }}>
          {fault ? <Notice kind="stop" title={fault} /> : null}
          <Button mode="contained" label={t('setUp.go')} onPress={() => void go()} busy={form.formState.isSubmitting} testID="set-up" />
        </View>
      }
    >
      <View style={{ padding: 12, gap: 12 }}>
        <Small>{t('setUp.why')}</Small>
        <View style={{ gap: 12, flexDirection: wide ? 'row' : 'column', alignItems: wide ? 'flex-start' : 'stretch' }}>
          <Column>
            <TitledCard title={t('setUp.who')}>
              <FormField form={form} name="operator" label={t('setUp.operator')} most={80} autoFocus testID="operator" />
              <FormField form={form} name="address" label={t('setUp.address')} most={200} testID="address" />
              <FormField form={form} name="phone" label={t('setUp.phone')} most={40} autoComplete="tel" testID="phone" />
              <LogoChoice logo={logo} fault={noPicture} onChoose={(file) => void choose(file)} onDrop={() => setLogo(undefined)} />
            </TitledCard>
          </Column>
          <Column>
            <TitledCard title={t('setUp.money')}>
              <FormField form={form} name="currency" label={t('setUp.currency')} most={3} testID="currency" />
              <FormField form={form} name="tax" label={t('setUp.tax')} most={5} numeric unit="%" testID="tax" />
              <Small>{t('setUp.languages')}</Small>
              <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="group" aria-label={t('setUp.languages')}>
                {LANGUAGES.map((one) => (
                  <ChoiceChip
                    key={one}
                    label={t(`newHire.languages.${one}`)}
                    on={languages.includes(one)}
                    onPress={() => press(one)}
                    several
                    testID={`language-${one}`}
                  />
                ))}
              </View>
              {form.formState.errors.languages ? (
                <Bold size={16} tone="dangerText" live>
                  {t('setUp.languageWanted')}
                </Bold>
              ) : null}
            </TitledCard>
          </Column>
          <Column>
            <TitledCard title={t('setUp.manager')}>
              <FormField form={form} name="manager" label={t('setUp.managerName')} most={80} autoComplete="username" testID="manager" />
              <FormField
                form={form}
                name="password"
                label={`${t('setUp.password')} · ${weak}`}
                secret
                autoComplete="new-password"
                most={200}
                testID="password"
                onEnter={() => void go()}
              />
            </TitledCard>
            <Card style={{ gap: 10 }}>
              <UnitChoices units={units} onChange={(next) => form.setValue('units', next, { shouldDirty: true })} />
            </Card>
          </Column>
        </View>
      </View>
    </Screen>
  );
};

/** Cards that stand under each other, a third of a desk wide. */
const Column = ({ children }: { children: ReactNode }) => {
  const { wide } = useRoom();
  return <View style={wide ? { flex: 1, gap: 12 } : { gap: 12 }}>{children}</View>;
};
