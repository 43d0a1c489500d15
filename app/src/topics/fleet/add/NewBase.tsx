import { addBase, listStarters } from '@quay/contract/newBoat';
import { say } from '@quay/core/words/words';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { RadioButton } from 'react-native-paper';
import * as z from 'zod/mini';
import { call, Refused } from '../../../local/api';
import { useErrorWords } from '../../../local/errorWords';
import { Card, Notice } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { FormField, useSchemaForm } from '../../../ui/controls/form';
import { useSnack } from '../../../ui/controls/snack';
import * as typed from '../../../ui/controls/typed';
import { useRoom } from '../../../ui/room';
import { Screen } from '../../../ui/screen';
import { FACE, useTones } from '../../../ui/theme';
import { Body, SlabBold, Small } from '../../../ui/words';

const newBaseForm = z.object({
  name: typed.words(80, 'newBase.nameWanted'),
  zone: typed.words(60, 'newBase.zoneWanted'),
  phone: z.string().check(z.maxLength(40)),
  water: typed.words(80, 'newBase.waterWanted'),
  emergencyNumber: z.string().check(z.maxLength(20)),
  /** Empty: the first there is. */
  rules: z.string(),
});

/** A new base: where boats lie, the water in front of it, and which rules hold there. */
export const NewBase = () => {
  const { t, i18n } = useTranslation();
  const router = useRouter();
  const client = useQueryClient();
  const snack = useSnack();
  const tones = useTones();
  const { wide } = useRoom();
  const errorWords = useErrorWords();
  const [fault, setFault] = useState<string>();
  const { data, error, refetch } = useQuery({ queryKey: ['starters'], queryFn: () => call(listStarters) });
  const form = useSchemaForm(newBaseForm, {
    name: '',
    zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    phone: '',
    water: '',
    emergencyNumber: '112',
    rules: '',
  });
  const [name, rules] = form.watch(['name', 'rules']);
  const chosen = rules === '' ? data?.rules[0]?.id : rules;
  const go = form.handleSubmit(async (entered) => {
    if (chosen === undefined) return;
    setFault(undefined);
    try {
      await call(addBase, { body: { ...entered, rules: chosen } });
    } catch (problem) {
      setFault(problem instanceof Refused ? errorWords(problem) : t('signIn.noAnswer'));
      return;
    }
    await Promise.all(
      ['starters', 'books', 'readiness', 'day', 'bookings', 'choices'].map((key) => client.invalidateQueries({ queryKey: [key] })),
    );
    snack({ text: t('newBase.added', { name: entered.name }) });
    router.replace('/first-hire');
  });
  return (
    <Screen
      title={t('newBase.title')}
      onBack={() => (router.canGoBack() ? router.back() : router.replace('/fleet'))}
      measure={1100}
      footer={
        <View style={{ gap: 8 }}>
          {fault ? <Notice kind="stop" title={fault} /> : null}
          <Button
            mode="contained"
            label={name.trim() === '' ? t('newBase.goUnnamed') : t('newBase.go', { name: name.trim() })}
            onPress={() => void go()}
            disabled={chosen === undefined}
            busy={form.formState.isSubmitting}
            testID="add-base"
          />
        </View>
      }
    >
      <View style={{ padding: 12, gap: 12, flexDirection: wide ? 'row' : 'column', alignItems: wide ? 'flex-start' : 'stretch' }}>
        <View style={wide ? { flex: 1 } : {}}>
          <Card style={{ gap: 10 }}>
            <FormField form={form} name="name" label={t('newBase.name')} most={80} autoFocus testID="base-name" />
            <FormField form={form} name="water" label={t('newBase.water')} most={80} testID="base-water" />
            <FormField form={form} name="phone" label={t('newBase.phone')} most={40} testID="base-phone" />
            <FormField form={form} name="emergencyNumber" label={t('newBase.emergency')} most={20} testID="base-emergency" />
            <FormField form={form} name="zone" label={t('newBase.zone')} most={60} testID="base-zone" />
          </Card>
        </View>
        <View style={wide ? { flex: 1 } : {}}>
          <Card style={{ gap: 8 }}>
            <SlabBold size={22} heading={2}>
              {t('newBase.rules')}
            </SlabBold>
            <Small>{t('newBase.rulesWhy')}</Small>
            {error && !data ? (
              <Notice
                kind="stop"
                title={errorWords(error)}
                action={<Button mode="outlined" label={t('common.again')} onPress={() => void refetch()} />}
              />
            ) : null}
            {data ? (
              <RadioButton.Group value={chosen ?? ''} onValueChange={(one) => form.setValue('rules', one)}>
                {data.rules.map((one) => (
                  <View key={one.id} style={{ paddingBottom: 8 }}>
                    <RadioButton.Item
                      mode="android"
                      position="leading"
                      label={say(one.name, i18n.language)}
                      value={one.id}
                      labelStyle={{ fontFamily: FACE.bold, fontSize: 17, textAlign: 'left', color: tones.ink }}
                      style={{ paddingHorizontal: 0, minHeight: 52 }}
                      testID={`rules-${one.id}`}
                    />
                    <Body style={{ paddingLeft: 36 }}>{say(one.about, i18n.language)}</Body>
                  </View>
                ))}
              </RadioButton.Group>
            ) : null}
          </Card>
        </View>
      </View>
    </Screen>
  );
};
