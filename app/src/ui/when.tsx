import { useTranslation } from 'react-i18next';
import { de, DatePickerModal, enGB, es, fr, registerTranslation } from 'react-native-paper-dates';

for (const [language, words] of Object.entries({ en: enGB, de, es, fr })) registerTranslation(language, words);

/** A day of the calendar as the picker's own Date, and back: it thinks in the device's midnights. */
const toDate = (day: string): Date => new Date(`${day}T00:00:00`);
const toDay = (date: Date): string =>
  [date.getFullYear(), String(date.getMonth() + 1).padStart(2, '0'), String(date.getDate()).padStart(2, '0')].join('-');

/** A calendar to choose a day from, or to type it into. @param day `YYYY-MM-DD` */
export const DayPicker = ({
  day,
  title,
  save,
  onPick,
}: {
  day: string;
  title: string;
  save: string;
  /** With nothing when it was closed without a choice. */
  onPick: (day: string | undefined) => void;
}) => {
  const { i18n } = useTranslation();
  return (
    <DatePickerModal
      locale={i18n.language}
      mode="single"
      visible
      date={toDate(day)}
      label={title}
      saveLabel={save}
      startWeekOnMonday
      onDismiss={() => onPick(undefined)}
      onConfirm={({ date }) => onPick(date && toDay(date))}
    />
  );
};
