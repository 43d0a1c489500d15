import { bookingsCsv, type CalendarAddress, listAddresses, makeAddress, withdrawAddress } from '@quay/contract/exchange';
import { dateOf, shiftDay } from '@quay/core/time/zone';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call, callForFile } from '../../../local/api';
import { useErrorWords } from '../../../local/errorWords';
import { copyText, saveFile } from '../../../platform/browser';
import { now as present } from '../../../platform/clock';
import { Card, Notice } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { CheckboxRow } from '../../../ui/controls/checkboxRow';
import { Choices } from '../../../ui/controls/choices';
import { PickField } from '../../../ui/pickField';
import { useSnack } from '../../../ui/controls/snack';
import { Body, Bold, SlabBold, Small } from '../../../ui/words';

/** A table holds so many days ahead, which is all that is asked for at once. */
const TABLE_DAYS = 62;

/** Bookings for elsewhere: a calendar behind an address of its own, a table. */
export const Outgoing = () => {
  const { t } = useTranslation();
  const client = useQueryClient();
  const snack = useSnack();
  const errorWords = useErrorWords();
  const { data, error } = useQuery({ queryKey: ['calendarAddresses'], queryFn: () => call(listAddresses) });
  const [chosen, setChosen] = useState<string>();
  const [boat, setBoat] = useState<string>();
  const [names, setNames] = useState(true);
  const again = () => client.invalidateQueries({ queryKey: ['calendarAddresses'] });
  const base = data?.bases.find(({ id }) => id === chosen) ?? data?.bases[0];
  const make = useMutation({
    mutationFn: () => call(makeAddress, { body: { base: base!.id, boat: boat ?? null, names } }),
    onSuccess: again,
  });
  const withdraw = useMutation({ mutationFn: (id: string) => call(withdrawAddress, { params: { id } }), onSuccess: again });
  const table = useMutation({
    mutationFn: async () => {
      const from = dateOf(new Date(present()).toISOString(), base!.zone);
      saveFile(await callForFile(bookingsCsv, { query: { base: base!.id, from, to: shiftDay(from, TABLE_DAYS) } }), 'bookings.csv');
    },
  });
  const failed = error ?? make.error ?? withdraw.error ?? table.error;
  const address = make.data ? `${location.origin}/api/calendars/${make.data.token}.ics` : undefined;
  const nameOf = (one: CalendarAddress) => {
    const at = data?.bases.find(({ id }) => id === one.base);
    return at?.boats.find(({ id }) => id === one.boat)?.name ?? at?.name ?? one.base;
  };
  if (!data || !base) return failed ? <Notice kind="stop" title={errorWords(failed)} /> : null;
  return (
    <Card style={{ gap: 10 }}>
      <SlabBold size={22} heading={2}>
        {t('exchange.out')}
      </SlabBold>
      <Body>{t('exchange.outWhy')}</Body>
      {failed ? <Notice kind="stop" title={errorWords(failed)} /> : null}
      {data.bases.length > 1 ? (
        <Choices
          label={t('exchange.base')}
          options={data.bases.map(({ id }) => id)}
          labelOf={(id) => data.bases.find((one) => one.id === id)?.name ?? id}
          value={base.id}
          onChange={(next) => {
            setChosen(next);
            setBoat(undefined);
          }}
          testID="out-base"
        />
      ) : null}
      <PickField
        label={t('exchange.whichBoat')}
        none={t('exchange.allBoats')}
        options={base.boats}
        value={boat}
        onChange={setBoat}
        testID="out-boat"
      />
      <CheckboxRow label={t('exchange.names')} on={names} onChange={setNames} testID="out-names" />
      <Button
        mode="contained"
        label={t('exchange.makeAddress')}
        busy={make.isPending}
        onPress={() => make.mutate()}
        testID="make-address"
      />
      {address === undefined ? null : (
        <Notice
          kind="ok"
          title={t('exchange.addressOnce')}
          action={
            <Button
              mode="outlined"
              label={t('exchange.copy')}
              onPress={() => void copyText(address).then(() => snack({ text: t('exchange.copied') }))}
              testID="copy-address"
            />
          }
        >
          <View testID="calendar-address">
            <Body>{address}</Body>
          </View>
        </Notice>
      )}
      {data.addresses.map((one) => (
        <View key={one.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 10 }}>
          <View style={{ flex: 1 }}>
            <Bold>{nameOf(one)}</Bold>
            <Small>
              {[
                t(one.names ? 'exchange.withNames' : 'exchange.withoutNames'),
                one.askedAt === null ? t('exchange.neverAsked') : t('exchange.askedAt', { at: new Date(one.askedAt).toLocaleString() }),
              ].join(' · ')}
            </Small>
          </View>
          <Button mode="outlined" label={t('exchange.withdraw')} onPress={() => withdraw.mutate(one.id)} testID="withdraw-address" />
        </View>
      ))}
      <Bold>{t('exchange.table')}</Bold>
      <Small>{t('exchange.tableWhy', { count: TABLE_DAYS })}</Small>
      <Button mode="outlined" label={t('exchange.takeTable')} busy={table.isPending} onPress={() => table.mutate()} testID="take-table" />
    </Card>
  );
};
