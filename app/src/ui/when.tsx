import { mdiCalendar, mdiClockOutline } from '@mdi/js';
import { readClock, readDay, writeDay } from '@quay/core/time/typedDay';
import { useState } from 'react';
import { Controller, type FieldPath, type FieldValues } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Calendar, de, enGB, es, fr, registerTranslation, TimePicker } from 'react-native-paper-dates';
import { TextField } from './textField';
import { type Form, useFaultWords } from './form';
import { Button } from './button';
import { ModalSheet } from './modalSheet';

for (const [language, words] of Object.entries({ en: enGB, de, es, fr })) registerTranslation(language, words);

/** Height of a month, px. */
const CALENDAR = 400;

/** A day of the calendar as the picker's own Date, and back: it thinks in the device's midnights. */
const toDate = (day: string): Date => new Date(`${day}T00:00:00`);
const toDay = (date: Date): string =>
  [date.getFullYear(), String(date.getMonth() + 1).padStart(2, '0'), String(date.getDate()).padStart(2, '0')].join('-');

/** A calendar to choose a day from. */
export const DayPicker = ({
  day,
  title,
  take,
  onPick,
}: {
  /** `YYYY-MM-DD`, where one is chosen already. */
  day: string | undefined;
  title: string;
  /** What is done with the day. */
  take: string;
  /** With nothing when it was closed without a choice. */
  onPick: (day: string | undefined) => void;
}) => {
  const { t, i18n } = useTranslation();
  const [chosen, setChosen] = useState(day);
  return (
    <ModalSheet
      title={title}
      closeLabel={t('common.close')}
      onClose={() => onPick(undefined)}
      footer={<Button mode="contained" label={take} disabled={chosen === undefined} onPress={() => onPick(chosen)} testID="take-day" />}
    >
      <View style={{ height: CALENDAR }}>
        <Calendar
          locale={i18n.language}
          mode="single"
          date={chosen === undefined ? undefined : toDate(chosen)}
          startWeekOnMonday
          onChange={({ date }) => setChosen(date && toDay(date))}
        />
      </View>
    </ModalSheet>
  );
};

/** The face of a clock to set an hour on. @param clock `HH:MM` */
const ClockPicker = ({ clock, title, onPick }: { clock: string; title: string; onPick: (clock: string | undefined) => void }) => {
  const { t, i18n } = useTranslation();
  const [hand, setHand] = useState<'hours' | 'minutes'>('hours');
  const [[hours, minutes], setTime] = useState(() => clock.split(':').map(Number) as [number, number]);
  return (
    <ModalSheet
      title={title}
      closeLabel={t('common.close')}
      onClose={() => onPick(undefined)}
      footer={
        <Button
          mode="contained"
          label={t('when.take')}
          onPress={() => onPick([hours, minutes].map((n) => String(n).padStart(2, '0')).join(':'))}
          testID="take-clock"
        />
      }
    >
      <View style={{ alignItems: 'center' }}>
        <TimePicker
          locale={i18n.language}
          use24HourClock
          inputType="picker"
          focused={hand}
          hours={hours}
          minutes={minutes}
          onFocusInput={setHand}
          onChange={(next) => {
            setTime([next.hours, next.minutes]);
            // The hour is set; its minutes come next.
            if (next.focused !== undefined) setHand(next.focused);
          }}
        />
      </View>
    </ModalSheet>
  );
};

type WhenProps<In extends FieldValues, Out> = {
  form: Form<In, Out>;
  name: FieldPath<In>;
  label: string;
  fault?: string | undefined;
  testID: string;
};

/** A day that is typed (`13/06/2026`) or chosen from a calendar. What is typed is text until the form's schema has read it. */
export const DayField = <In extends FieldValues, Out>({ form, name, label, fault, testID }: WhenProps<In, Out>) => {
  const { t } = useTranslation();
  const words = useFaultWords();
  const [picking, setPicking] = useState(false);
  return (
    <Controller
      control={form.control}
      name={name}
      render={({ field, fieldState }) => (
        <>
          <TextField
            label={label}
            value={String(field.value ?? '')}
            onChange={field.onChange}
            onBlur={field.onBlur}
            fault={fault ?? words(fieldState.error)}
            most={10}
            action={{ icon: mdiCalendar, label: t('when.pickDay'), onPress: () => setPicking(true), testID: `${testID}-pick` }}
            testID={testID}
          />
          {picking ? (
            <DayPicker
              day={readDay(String(field.value ?? ''))}
              title={label}
              take={t('when.take')}
              onPick={(day) => {
                setPicking(false);
                if (day !== undefined) field.onChange(writeDay(day));
              }}
            />
          ) : null}
        </>
      )}
    />
  );
};

/** An hour that is typed (`17:30`) or set on a clock's face. */
export const ClockField = <In extends FieldValues, Out>({ form, name, label, fault, testID }: WhenProps<In, Out>) => {
  const { t } = useTranslation();
  const words = useFaultWords();
  const [picking, setPicking] = useState(false);
  return (
    <Controller
      control={form.control}
      name={name}
      render={({ field, fieldState }) => (
        <>
          <TextField
            label={label}
            value={String(field.value ?? '')}
            onChange={field.onChange}
            onBlur={field.onBlur}
            fault={fault ?? words(fieldState.error)}
            most={5}
            action={{ icon: mdiClockOutline, label: t('when.pickClock'), onPress: () => setPicking(true), testID: `${testID}-pick` }}
            testID={testID}
          />
          {picking ? (
            <ClockPicker
              clock={readClock(String(field.value ?? '')) ?? '12:00'}
              title={label}
              onPick={(clock) => {
                setPicking(false);
                if (clock !== undefined) field.onChange(clock);
              }}
            />
          ) : null}
        </>
      )}
    />
  );
};
