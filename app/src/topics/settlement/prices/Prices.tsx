import { changePrices, getPrices } from '@quay/contract/prices';
import type { ReplyOf } from '@quay/contract/endpoint';
import { say } from '@quay/core/words/words';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call, NoAnswer, Refused } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import { Card, Notice, Tag } from '../../ui/board';
import { useNow } from '../../ui/clock';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { FormField, useSchemaForm } from '../../ui/controls/form';
import { Search } from '../../ui/controls/search';
import { useSnack } from '../../ui/controls/snack';
import { whenOf } from '../../ui/format';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { useTones } from '../../ui/theme';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { DAMAGES, FUEL_SCHEMES, pricesChanged, pricesForm, pricesTyped } from './pricesForm';
import { SumField } from './SumField';

type Answer = ReplyOf<typeof getPrices>;

/** The price list: what things cost, and how fuel, lateness and damage are charged. */
export const Prices = () => {
  const { t } = useTranslation();
  const errorWords = useErrorWords();
  const { data, error, refetch } = useQuery({ queryKey: ['prices'], queryFn: () => call(getPrices) });
  if (data) return <PriceTable key={data.list.version} answer={data} onMeanwhile={() => void refetch()} />;
  return (
    <Screen title={t('nav.prices')} measure={1100}>
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

const PriceTable = ({ answer: { list, usedBy, madeAt, madeBy }, onMeanwhile }: { answer: Answer; onMeanwhile: () => void }) => {
  const { t, i18n } = useTranslation();
  const errorWords = useErrorWords();
  const client = useQueryClient();
  const snack = useSnack();
  const tones = useTones();
  const now = useNow(60_000);
  const { wide } = useRoom();
  const { currency } = list;
  const schema = useMemo(() => pricesForm(currency), [currency]);
  const form = useSchemaForm(schema, pricesTyped(list));
  const [fault, setFault] = useState<string>();
  const [find, setFind] = useState('');
  const open = list.prices.filter(({ code, amountMinor }) => amountMinor === 0 && usedBy[code]);
  const [onlyOpen, setOnlyOpen] = useState(open.length > 0);
  const [fuelScheme, damage] = form.watch(['fuelScheme', 'damage']);
  const wanted = find.trim().toLowerCase();
  const shown = list.prices.filter(
    ({ code, name }) =>
      (!onlyOpen || open.some((one) => one.code === code)) && `${code} ${say(name, i18n.language)}`.toLowerCase().includes(wanted),
  );
  const go = form.handleSubmit(
    async (read) => {
      setFault(undefined);
      try {
        const next = await call(changePrices, { body: pricesChanged(read, list), headers: { 'if-match': `"${list.version}"` } });
        client.setQueryData(['prices'], next);
        await client.invalidateQueries({ queryKey: ['readiness'] });
        snack({ text: t('prices.kept') });
      } catch (error) {
        setFault(error instanceof Refused ? errorWords(error) : t('signIn.noAnswer'));
        if (error instanceof Refused) onMeanwhile();
      }
    },
    () => setFault(t('prices.badSum')),
  );
  const terms = (
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
    </Card>
  );
  return (
    <Screen
      title={t('nav.prices')}
      {...(madeAt !== null && madeBy !== null
        ? { sub: t('prices.since', { when: whenOf(madeAt, 'UTC', now, i18n.language), who: madeBy }) }
        : {})}
      measure={1100}
      footer={
        <View style={{ gap: 8 }}>
          {fault ? <Notice kind="stop" title={fault} /> : null}
          <Button
            mode="contained"
            label={t(form.formState.isDirty ? 'prices.keep' : 'prices.asIs')}
            onPress={() => void go()}
            busy={form.formState.isSubmitting}
            testID="keep-prices"
          />
        </View>
      }
    >
      <View style={{ padding: 12, gap: 12, flexDirection: wide ? 'row' : 'column', alignItems: wide ? 'flex-start' : 'stretch' }}>
        <View style={wide ? { flex: 3, gap: 12 } : { gap: 12 }}>
          <Small>{t('prices.why')}</Small>
          <Tag kind={open.length > 0 ? 'ask' : 'ok'}>
            {open.length > 0 ? t('prices.open', { count: open.length }) : t('prices.allPriced')}
          </Tag>
          <Search label={t('prices.find')} value={find} onChange={setFind} testID="find-price" />
          <View style={{ flexDirection: 'row', gap: 8 }} role="radiogroup" aria-label={t('prices.find')}>
            <ChoiceChip label={t('prices.onlyOpen')} on={onlyOpen} onPress={() => setOnlyOpen(true)} testID="only-open" />
            <ChoiceChip label={t('prices.all')} on={!onlyOpen} onPress={() => setOnlyOpen(false)} testID="all-prices" />
          </View>
          <Card style={{ gap: 2 }}>
            {shown.length === 0 ? <Body>{t('prices.none')}</Body> : null}
            {shown.map(({ code, name, per }) => (
              <View
                key={code}
                style={{
                  flexDirection: 'row',
                  alignItems: 'center',
                  gap: 10,
                  borderBottomWidth: 1,
                  borderBottomColor: tones.line,
                  paddingVertical: 6,
                }}
              >
                <View style={{ flex: 1, gap: 2 }}>
                  <Bold>{say(name, i18n.language)}</Bold>
                  <Small size={14}>{`${t(`prices.per.${per}`)} · ${usedBy[code]?.join(', ') ?? t('prices.nobody')}`}</Small>
                </View>
                <View style={{ width: 160 }}>
                  <SumField
                    form={form}
                    name={`amounts.${code}`}
                    label={`${say(name, i18n.language)}, ${t(`prices.per.${per}`)}`}
                    beside
                    currency={currency}
                    testID={`price-${code}`}
                  />
                </View>
              </View>
            ))}
          </Card>
        </View>
        <View style={wide ? { flex: 2 } : {}}>{terms}</View>
      </View>
    </Screen>
  );
};
