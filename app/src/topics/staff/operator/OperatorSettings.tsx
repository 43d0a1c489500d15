import { changeOperator, getOperator } from '@quay/contract/operator';
import type { ReplyOf } from '@quay/contract/endpoint';
import { OUTSIDE_HOURS } from '@quay/core/fleet/handoverPolicy';
import { LEVELS, OVERRIDABLE, usualLevel } from '@quay/core/policy/castOff';
import { POLICY_TOPICS, type PolicyTopic } from '@quay/core/policy/policy';
import { numberText } from '@quay/core/number/statementNumber';
import { LANGUAGES } from '@quay/core/words/words';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useCallback, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call, NoAnswer, Refused } from '../../../local/api';
import { useErrorWords } from '../../../local/errorWords';
import { Card, Notice } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { CheckboxRow } from '../../../ui/controls/checkboxRow';
import { ChoiceChip } from '../../../ui/controls/choiceChip';
import { Choices } from '../../../ui/controls/choices';
import { FormField, useSchemaForm } from '../../../ui/controls/form';
import { useSnack } from '../../../ui/controls/snack';
import { UnitChoices } from './UnitChoices';
import { useRoom } from '../../../ui/room';
import { Screen } from '../../../ui/screen';
import { speakIn } from '../../../ui/units';
import { Body, Bold, SlabBold, Small } from '../../../ui/words';
import { SumField } from '../../settlement/SumField';
import { levelTaken, operatorChanged, operatorForm, operatorTyped, optionOf, policyTaken } from './operatorForm';
import { LogoField } from './LogoField';
import { PolicyRow } from './PolicyRow';

type Answer = ReplyOf<typeof getOperator>;

/** How the operator works: what holds at every base and on every boat unless one of them says otherwise. */
export const OperatorSettings = () => {
  const { t } = useTranslation();
  const router = useRouter();
  const errorWords = useErrorWords();
  const { data, error, refetch } = useQuery({ queryKey: ['operator'], queryFn: () => call(getOperator) });
  const back = () => router.replace('/settings');
  if (data) return <SettingsForm key={data.version} answer={data} onBack={back} onMeanwhile={() => void refetch()} />;
  return (
    <Screen title={t('operator.title')} onBack={back} measure={1100}>
      <View style={{ padding: 12 }}>
        {error ? (
          <Notice
            kind="stop"
            title={error instanceof NoAnswer ? t('signIn.noAnswer') : errorWords(error)}
            action={<Button mode="outlined" label={t('common.again')} onPress={() => void refetch()} />}
          />
        ) : (
          <Body>{t('common.loading')}</Body>
        )}
      </View>
    </Screen>
  );
};

const SettingsForm = ({ answer, onBack, onMeanwhile }: { answer: Answer; onBack: () => void; onMeanwhile: () => void }) => {
  const { t } = useTranslation();
  const errorWords = useErrorWords();
  const client = useQueryClient();
  const snack = useSnack();
  const { wide } = useRoom();
  const router = useRouter();
  const { name, currency, settings, version, texts } = answer;
  const schema = useMemo(() => operatorForm(currency), [currency]);
  const form = useSchemaForm(schema, operatorTyped(name, currency, settings));
  const [fault, setFault] = useState<string>();
  const { setValue, getValues } = form;
  const [units, statementPrefix, languages, understandingBy, demonstrationCounts, policies, castOff, outsideHours] = form.watch([
    'units',
    'statementPrefix',
    'languages',
    'understandingBy',
    'demonstrationCounts',
    'policies',
    'castOff',
    'outsideHours',
  ]);
  const choose = useCallback(
    (topic: PolicyTopic, option: string) => setValue('policies', policyTaken(getValues('policies'), topic, option), { shouldDirty: true }),
    [setValue, getValues],
  );
  const go = form.handleSubmit(
    async (read) => {
      setFault(undefined);
      try {
        const next = await call(changeOperator, { body: operatorChanged(read), headers: { 'if-match': `"${version}"` } });
        client.setQueryData(['operator'], next);
        speakIn(next.settings.units);
        await Promise.all(['prices', 'readiness', 'choices', 'hire'].map((key) => client.invalidateQueries({ queryKey: [key] })));
        snack({ text: t('operator.kept') });
      } catch (error) {
        setFault(error instanceof Refused ? errorWords(error) : t('signIn.noAnswer'));
        if (error instanceof Refused) onMeanwhile();
      }
    },
    () => setFault(t('operator.wrong')),
  );
  const business = (
    <Card style={{ gap: 10 }}>
      <SlabBold size={22} heading={2}>
        {t('operator.business')}
      </SlabBold>
      <FormField form={form} name="name" label={t('operator.name')} most={80} testID="operator-name" />
      <FormField form={form} name="address" label={t('operator.address')} lines={2} most={200} testID="operator-address" />
      <FormField form={form} name="phone" label={t('operator.phone')} most={40} testID="operator-phone" />
      <LogoField logo={answer.logo} />
      <FormField
        form={form}
        name="statementPrefix"
        label={t('operator.prefix')}
        most={12}
        fault={form.formState.errors.statementPrefix ? t('operator.badPrefix') : undefined}
        testID="statement-prefix"
      />
      <Small>{t('operator.prefixWhy', { n: numberText(118, statementPrefix) })}</Small>
      <Small>{t('operator.clauses')}</Small>
      <Button
        mode="outlined"
        label={t('operator.toClauses')}
        onPress={() => router.push('/fleet/everywhere?part=about')}
        testID="to-clauses"
      />
      <Bold>{t('operator.languages')}</Bold>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="group" aria-label={t('operator.languages')}>
        {LANGUAGES.map((one) => (
          <ChoiceChip
            key={one}
            several
            label={t(`newHire.languages.${one}`)}
            on={languages.includes(one)}
            onPress={() =>
              // Whichever is taken first is the usual one; one at least stays.
              setValue('languages', languages.includes(one) ? languages.filter((other) => other !== one) : [...languages, one], {
                shouldDirty: true,
                shouldValidate: true,
              })
            }
            testID={`operator-language-${one}`}
          />
        ))}
      </View>
      {languages[0] ? <Small>{t('operator.usual', { language: t(`newHire.languages.${languages[0]}`) })}</Small> : null}
      {languages.length === 0 ? <Notice kind="stop" title={t('operator.oneLanguage')} /> : null}
      <UnitChoices units={units} onChange={(next) => setValue('units', next, { shouldDirty: true })} />
    </Card>
  );
  const times = (
    <Card style={{ gap: 10 }}>
      <SlabBold size={22} heading={2}>
        {t('operator.times')}
      </SlabBold>
      <FormField form={form} name="turnaroundMinutes" label={t('operator.turnaround')} numeric unit="min" most={4} testID="turnaround" />
      <FormField form={form} name="briefingMinutes" label={t('operator.briefing')} numeric unit="min" most={3} testID="briefing-minutes" />
      <FormField form={form} name="underWayHoursADay" label={t('operator.underWay')} numeric unit="h" most={4} testID="under-way" />
      <Bold>{t('operator.outside')}</Bold>
      <Choices
        label={t('operator.outside')}
        options={OUTSIDE_HOURS}
        labelOf={(one) => t(`operator.outsides.${one}`)}
        value={outsideHours}
        onChange={(one) => setValue('outsideHours', one, { shouldDirty: true })}
        testID="outside"
      />
      <Bold>{t('operator.understanding')}</Bold>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="group" aria-label={t('operator.understanding')}>
        {(['driver', 'lookout'] as const).map((one) => (
          <ChoiceChip
            key={one}
            several
            label={t(`operator.by.${one}`)}
            on={understandingBy.includes(one)}
            onPress={() => {
              const next = understandingBy.includes(one) ? understandingBy.filter((other) => other !== one) : [...understandingBy, one];
              if (next.length > 0) setValue('understandingBy', next, { shouldDirty: true });
            }}
            testID={`understanding-${one}`}
          />
        ))}
      </View>
      <CheckboxRow
        label={t('operator.demonstration')}
        on={demonstrationCounts}
        onChange={(on) => setValue('demonstrationCounts', on, { shouldDirty: true })}
        testID="demonstration"
      />
      <SumField form={form} name="handFree" label={t('operator.handFree')} currency={currency} testID="hand-free" />
      <SumField form={form} name="askFrom" label={t('operator.askFrom')} currency={currency} testID="ask-from" />
    </Card>
  );
  const schools = (
    <Card style={{ gap: 6 }}>
      <SlabBold size={22} heading={2}>
        {t('operator.policies')}
      </SlabBold>
      <Body>{t('operator.policiesWhy')}</Body>
      {POLICY_TOPICS.map((topic) => (
        <PolicyRow
          key={topic}
          topic={topic}
          held={optionOf(settings.policies, topic)}
          chosen={optionOf(policies, topic)}
          texts={texts[topic]}
          onChoose={choose}
        />
      ))}
    </Card>
  );
  const check = (
    <Card style={{ gap: 10 }}>
      <SlabBold size={22} heading={2}>
        {t('castOff.title')}
      </SlabBold>
      <Body>{t('operator.castOffWhy')}</Body>
      {OVERRIDABLE.map((matter) => (
        <View key={matter} style={{ gap: 4 }}>
          <Bold size={16}>{t(`operator.castOff.${matter}`)}</Bold>
          <Choices
            label={t(`operator.castOff.${matter}`)}
            options={LEVELS}
            labelOf={(level) => t(`operator.level.${level}`)}
            value={castOff[matter] ?? usualLevel(matter, policies)}
            onChange={(level) => setValue('castOff', levelTaken(castOff, matter, level), { shouldDirty: true })}
            testID={`level-${matter}`}
          />
        </View>
      ))}
    </Card>
  );
  const footer = (
    <View style={{ gap: 8 }}>
      {fault ? <Notice kind="stop" title={fault} /> : null}
      <Button
        mode="contained"
        label={t(form.formState.isDirty ? 'operator.keep' : 'change.nothing')}
        disabled={!form.formState.isDirty}
        busy={form.formState.isSubmitting}
        onPress={() => void go()}
        testID="keep-operator"
      />
    </View>
  );
  return (
    <Screen title={t('operator.title')} sub={name} onBack={onBack} {...(wide ? { measure: 1100 } : {})} footer={footer}>
      <View style={{ padding: 12, gap: 12, flexDirection: wide ? 'row' : 'column', alignItems: wide ? 'flex-start' : 'stretch' }}>
        <View style={wide ? { flex: 1, gap: 12 } : { gap: 12 }}>
          {business}
          {times}
          {wide ? check : schools}
        </View>
        <View style={wide ? { flex: 1, gap: 12 } : { gap: 12 }}>{wide ? schools : check}</View>
      </View>
    </Screen>
  );
};
