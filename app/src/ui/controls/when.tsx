import { mdiCalendar, mdiClockOutline } from '@mdi/js';
import { readClock, readDay, writeDay } from '@quay/core/time/typedDay';
import { type ReactNode, useState } from 'react';
import type { FieldPath, FieldValues, PathValue } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Calendar, de, enGB, es, fr, registerTranslation, TimePicker } from 'react-native-paper-dates';
import { type Form, FormField } from './form';
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

/** A field to type into, with a sign that opens another way to fill it. What is typed is text until the form's schema has read it. */
const PickedField = <In extends FieldValues, Out>({
  form,
  name,
  testID,
  most,
  icon,
  pick,
  picker,
  ...rest
}: WhenProps<In, Out> & {
  most: number;
  icon: string;
  /** What the sign does. */
  pick: string;
  /** @param typed as it stands in the field @param done with nothing when no choice was made */
  picker: (typed: string, done: (text: string | undefined) => void) => ReactNode;
}) => {
  const [picking, setPicking] = useState(false);
  const done = (text: string | undefined) => {
    setPicking(false);
    if (text !== undefined) form.setValue(name, text as PathValue<In, typeof name>, { shouldDirty: true, shouldValidate: true });
  };
  return (
    <>
      <FormField
        {...rest}
        form={form}
        name={name}
        most={most}
        action={{ icon, label: pick, onPress: () => setPicking(true), testID: `${testID}-pick` }}
        testID={testID}
      />
      {picking ? picker(String(form.getValues(name) ?? ''), done) : null}
    </>
  );
};

/** A day that is typed (`13/06/2026`) or chosen from a calendar. */
export const DayField = <In extends FieldValues, Out>(props: WhenProps<In, Out>) => {
  const { t } = useTranslation();
  return (
    <PickedField
      {...props}
      most={10}
      icon={mdiCalendar}
      pick={t('when.pickDay')}
      picker={(typed, done) => (
        <DayPicker
          day={readDay(typed)}
          title={props.label}
          take={t('when.take')}
          onPick={(day) => done(day === undefined ? undefined : writeDay(day))}
        />
      )}
    />
  );
};

/** An hour that is typed (`17:30`) or set on a clock's face. */
export const ClockField = <In extends FieldValues, Out>(props: WhenProps<In, Out>) => {
  const { t } = useTranslation();
  return (
    <PickedField
      {...props}
      most={5}
      icon={mdiClockOutline}
      pick={t('when.pickClock')}
      picker={(typed, done) => <ClockPicker clock={readClock(typed) ?? '12:00'} title={props.label} onPick={done} />}
    />
  );
};
