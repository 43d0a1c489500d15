import { backInService, type Calendar, takeOutOfService } from '@quay/contract/calendar';
import { writeDay } from '@quay/core/time/typedDay';
import { clockOf, dateOf, instantOf } from '@quay/core/time/zone';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import * as z from 'zod/mini';
import { call, NoAnswer } from '../../../local/api';
import { useErrorWords } from '../../../local/errorWords';
import { Notice } from '../../../ui/board';
import { useNow } from '../../../ui/clock';
import { Button } from '../../../ui/controls/button';
import { CheckboxRow } from '../../../ui/controls/checkboxRow';
import { FormField, useSchemaForm } from '../../../ui/controls/form';
import { ModalSheet } from '../../../ui/controls/modalSheet';
import * as typed from '../../../ui/controls/typed';
import { ClockField, DayField } from '../../../ui/controls/when';
import { whenOf } from '../../../ui/format';
import { Body, Bold } from '../../../ui/words';

const serviceForm = z.object({
  fromDate: typed.day('change.badDay'),
  fromClock: typed.clock('change.badClock'),
  toDate: typed.day('change.badDay'),
  toClock: typed.clock('change.badClock'),
  why: typed.words(200, 'problem.whyMissing'),
});

const DAY_MS = 86_400_000;

/** When a boat cannot be hired, and why; and that she can be again. Hires in that time are named: somebody has to ring. */
export const ServiceSheet = ({
  boat,
  zone,
  away,
  onOpen,
  onClose,
}: {
  boat: Calendar['boats'][number];
  zone: string;
  away: Calendar['outOfService'];
  onOpen: (hire: string) => void;
  onClose: () => void;
}) => {
  const { t, i18n } = useTranslation();
  const errorWords = useErrorWords();
  const client = useQueryClient();
  const now = useNow();
  const when = (at: string) => whenOf(at, zone, now, i18n.language);
  const [id] = useState(() => `o-${uuidv7()}`);
  const [open, setOpen] = useState(true);
  const [present] = useState(() => new Date(now).toISOString());
  const tomorrow = new Date(now + DAY_MS).toISOString();
  const form = useSchemaForm(serviceForm, {
    ...{ fromDate: writeDay(dateOf(present, zone)), fromClock: clockOf(present, zone) },
    ...{ toDate: writeDay(dateOf(tomorrow, zone)), toClock: clockOf(present, zone), why: '' },
  });
  const again = () => Promise.all(['calendar', 'choices'].map((key) => client.invalidateQueries({ queryKey: [key] })));
  const take = useMutation({
    mutationFn: (entered: z.output<typeof serviceForm>) => {
      const from = instantOf(`${entered.fromDate}T${entered.fromClock}`, zone);
      const to = open ? null : instantOf(`${entered.toDate}T${entered.toClock}`, zone);
      return call(takeOutOfService, { params: { boatId: boat.id }, body: { id, from, to, why: entered.why } });
    },
    onSuccess: again,
  });
  const back = useMutation({ mutationFn: (one: string) => call(backInService, { params: { id: one } }), onSuccess: again });
  const error = take.error ?? back.error;
  return (
    <ModalSheet
      title={t('calendar.service', { boat: boat.name })}
      closeLabel={t('common.close')}
      onClose={onClose}
      {...(take.data
        ? {}
        : {
            footer: (
              <Button
                mode="contained"
                label={t('calendar.take')}
                busy={take.isPending}
                onPress={() => void form.handleSubmit((entered) => take.mutate(entered))()}
                testID="take-out"
              />
            ),
          })}
    >
      {error ? <Notice kind="stop" title={error instanceof NoAnswer ? t('change.offline') : errorWords(error)} /> : null}
      {take.data ? (
        <Notice kind={take.data.hires.length > 0 ? 'ask' : 'ok'} title={t('calendar.taken_', { count: take.data.hires.length })}>
          {take.data.hires.map((hire) => (
            <Button
              key={hire.id}
              mode="outlined"
              label={`${hire.renter}, ${when(hire.from)}`}
              onPress={() => onOpen(hire.id)}
              testID={`touched-${hire.id}`}
            />
          ))}
        </Notice>
      ) : (
        <>
          <FormField form={form} name="why" label={t('calendar.why')} most={200} testID="service-why" />
          <View style={{ flexDirection: 'row', gap: 12 }}>
            <View style={{ flex: 3 }}>
              <DayField form={form} name="fromDate" label={t('calendar.from')} testID="service-from-date" />
            </View>
            <View style={{ flex: 2 }}>
              <ClockField form={form} name="fromClock" label={t('change.clock')} testID="service-from-clock" />
            </View>
          </View>
          <CheckboxRow label={t('calendar.open')} on={open} onChange={setOpen} testID="service-open" />
          {open ? null : (
            <View style={{ flexDirection: 'row', gap: 12 }}>
              <View style={{ flex: 3 }}>
                <DayField form={form} name="toDate" label={t('calendar.to')} testID="service-to-date" />
              </View>
              <View style={{ flex: 2 }}>
                <ClockField form={form} name="toClock" label={t('change.clock')} testID="service-to-clock" />
              </View>
            </View>
          )}
        </>
      )}
      {away.map((one) => (
        <View key={one.id} style={{ gap: 4 }}>
          <Bold>{one.why}</Bold>
          <Body>{one.to === null ? t('calendar.since', { from: when(one.from) }) : `${when(one.from)} – ${when(one.to)}`}</Body>
          <Button
            mode="outlined"
            label={t('calendar.back')}
            busy={back.isPending}
            onPress={() => back.mutate(one.id)}
            style={{ alignSelf: 'flex-start' }}
            testID={`back-${one.id}`}
          />
        </View>
      ))}
    </ModalSheet>
  );
};
