import type { CalendarView } from '@quay/core/booking/calendar';
import { dateOf, instantOf } from '@quay/core/time/zone';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { localeOf } from '../../../i18n';
import { useTones } from '../../../ui/theme';
import { Bold, Small } from '../../../ui/words';
import { type Grid, leftOf, NAMES } from './grid';

/** Where each day begins. */
const beginsAt = (day: string, grid: Grid): number => leftOf(Date.parse(instantOf(`${day}T00:00`, grid.zone)), grid);

/** Every third hour of a day. */
const HOURS = [0, 3, 6, 9, 12, 15, 18, 21];

/** The days across, or the hours of the one. */
export const CalendarHead = ({ view, grid, now }: { view: CalendarView; grid: Grid; now: number }) => {
  const { i18n } = useTranslation();
  const tones = useTones();
  const today = dateOf(new Date(now).toISOString(), grid.zone);
  const name = new Intl.DateTimeFormat(localeOf(i18n.language), {
    ...(view === 'month' ? {} : { weekday: 'short' }),
    day: 'numeric',
    timeZone: 'UTC',
  });
  const marks =
    view === 'day'
      ? HOURS.map((hour) => {
          const clock = `${String(hour).padStart(2, '0')}:00`;
          return { key: clock, text: clock, left: leftOf(Date.parse(instantOf(`${grid.days[0]!}T${clock}`, grid.zone)), grid), on: false };
        })
      : grid.days.map((day) => ({
          key: day,
          text: name.format(Date.parse(`${day}T12:00:00Z`)),
          left: beginsAt(day, grid),
          on: day === today,
        }));
  return (
    <View style={{ height: 34, marginLeft: NAMES, position: 'relative' }}>
      {marks.map(({ key, text, left, on }) => (
        <View
          key={key}
          style={{ position: 'absolute', left, top: 4, borderLeftWidth: 1, borderLeftColor: tones.line, paddingLeft: 4, height: 30 }}
        >
          {on ? (
            <Bold size={14.5} tone="primaryText">
              {text}
            </Bold>
          ) : (
            <Small size={14}>{text}</Small>
          )}
        </View>
      ))}
    </View>
  );
};
