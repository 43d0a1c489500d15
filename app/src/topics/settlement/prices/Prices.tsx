import { changePrices, getPrices, type Prices as Answer } from '@quay/contract/prices';
import { readDay, writeDay } from '@quay/core/time/typedDay';
import { say } from '@quay/core/words/words';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call, NoAnswer, Refused } from '../../../local/api';
import { useErrorWords } from '../../../local/errorWords';
import { Notice, Tag } from '../../../ui/board';
import { useNow } from '../../../ui/clock';
import { Button } from '../../../ui/controls/button';
import { ChoiceChip } from '../../../ui/controls/choiceChip';
import { useSchemaForm } from '../../../ui/controls/form';
import { Search } from '../../../ui/controls/search';
import { useSnack } from '../../../ui/controls/snack';
import { DayField } from '../../../ui/controls/when';
import { longDay, whenOf } from '../../../ui/format';
import { useRoom } from '../../../ui/room';
import { Screen } from '../../../ui/screen';
import { Body, Small } from '../../../ui/words';
import { PlannedCard } from './PlannedCard';
import { PriceRows } from './PriceRows';
import { listOn, pricesChanged, pricesForm, pricesTyped } from './pricesForm';
import { TableCard } from './TableCard';
import { TermsCard } from './TermsCard';

/** @param day `YYYY-MM-DD` */
const firstOfNextMonth = (day: string): string => {
  const [year = 0, month = 0] = day.split('-').map(Number);
  return new Date(Date.UTC(year, month, 1)).toISOString().slice(0, 10);
};

/** The price list: what things cost, and how fuel, lateness and damage are charged. */
export const Prices = () => {
  const { t } = useTranslation();
  const errorWords = useErrorWords();
  const { data, error, refetch } = useQuery({ queryKey: ['prices'], queryFn: () => call(getPrices) });
  if (data) return <PriceTable key={data.version} answer={data} onMeanwhile={() => void refetch()} />;
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

const PriceTable = ({ answer, onMeanwhile }: { answer: Answer; onMeanwhile: () => void }) => {
  const { t, i18n } = useTranslation();
  const errorWords = useErrorWords();
  const client = useQueryClient();
  const snack = useSnack();
  const now = useNow(60_000);
  const { wide } = useRoom();
  const { list, usedBy, madeAt, madeBy, planned } = answer;
  const { currency } = list;
  const schema = useMemo(() => pricesForm(currency), [currency]);
  const form = useSchemaForm(schema, pricesTyped(list));
  const [fault, setFault] = useState<string>();
  const [find, setFind] = useState('');
  const [planning, setPlanning] = useState(false);
  const fromDay = form.watch('fromDay');
  /** The day from which what is typed is to hold; from now on without one. */
  const from = planning ? readDay(fromDay) : undefined;
  const open = list.prices.filter(({ code, amountMinor }) => amountMinor === 0 && usedBy[code]);
  const [onlyOpen, setOnlyOpen] = useState(open.length > 0);
  const wanted = find.trim().toLowerCase();
  const shown = list.prices.filter(
    ({ code, name }) =>
      (!onlyOpen || open.some((one) => one.code === code)) && `${code} ${say(name, i18n.language)}`.toLowerCase().includes(wanted),
  );
  // What was typed stays typed; everything else is as it is on that day.
  useEffect(() => form.reset(pricesTyped(listOn(answer, from)), { keepDirtyValues: true }), [answer, form, from]);
  const plan = (day: string) => {
    setPlanning(true);
    setFault(undefined);
    form.setValue('fromDay', writeDay(day), { shouldDirty: true });
  };
  const go = form.handleSubmit(
    async (read) => {
      setFault(undefined);
      if (planning && (from === undefined || from <= answer.today)) {
        form.setError('fromDay', { type: 'custom', message: from === undefined ? 'change.badDay' : 'problem.dayPast' });
        return;
      }
      try {
        const body = { ...pricesChanged(read, listOn(answer, from)), ...(from === undefined ? {} : { from }) };
        const next = await call(changePrices, { body, headers: { 'if-match': `"${answer.version}"` } });
        client.setQueryData(['prices'], next);
        await client.invalidateQueries({ queryKey: ['readiness'] });
        snack({ text: from === undefined ? t('prices.kept') : t('prices.keptFrom', { day: longDay(from, i18n.language) }) });
      } catch (error) {
        setFault(error instanceof Refused ? errorWords(error) : t('signIn.noAnswer'));
        if (error instanceof Refused) onMeanwhile();
      }
    },
    () => setFault(t('prices.badSum')),
  );
  const when = (
    <View style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('prices.holds')}>
        <ChoiceChip label={t('prices.fromNow')} on={!planning} onPress={() => setPlanning(false)} testID="from-now" />
        <ChoiceChip
          label={t('prices.fromDay')}
          on={planning}
          onPress={() => plan(from ?? firstOfNextMonth(answer.today))}
          testID="from-day"
        />
      </View>
      {planning ? (
        <>
          <DayField form={form} name="fromDay" label={t('prices.day')} testID="prices-day" />
          <Small>{t('prices.fromWhy')}</Small>
        </>
      ) : null}
    </View>
  );
  const { dirtyFields } = form.formState;
  const [sums, terms] = [
    Object.values(dirtyFields.amounts ?? {}).some(Boolean),
    Object.keys(dirtyFields).some((field) => field !== 'amounts' && field !== 'fromDay'),
  ];
  const dirty = sums || (!planning && terms);
  const nothingYet = planning && !sums;
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
            label={
              !planning
                ? t(dirty ? 'prices.keep' : 'prices.asIs')
                : nothingYet
                  ? t('change.nothing')
                  : from === undefined
                    ? t('prices.keep')
                    : t('prices.keepFrom', { day: longDay(from, i18n.language) })
            }
            disabled={nothingYet}
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
          {when}
          <Tag kind={open.length > 0 ? 'ask' : 'ok'}>
            {open.length > 0 ? t('prices.open', { count: open.length }) : t('prices.allPriced')}
          </Tag>
          <Search label={t('prices.find')} value={find} onChange={setFind} testID="find-price" />
          <View style={{ flexDirection: 'row', gap: 8 }} role="radiogroup" aria-label={t('prices.find')}>
            <ChoiceChip label={t('prices.onlyOpen')} on={onlyOpen} onPress={() => setOnlyOpen(true)} testID="only-open" />
            <ChoiceChip label={t('prices.all')} on={!onlyOpen} onPress={() => setOnlyOpen(false)} testID="all-prices" />
          </View>
          <PriceRows form={form} prices={shown} usedBy={usedBy} currency={currency} />
        </View>
        <View style={wide ? { flex: 2, gap: 12 } : { gap: 12 }}>
          {planned.length > 0 ? <PlannedCard answer={answer} onChange={plan} /> : null}
          {!planning ? <TermsCard form={form} currency={currency} /> : null}
          <TableCard />
        </View>
      </View>
    </Screen>
  );
};
