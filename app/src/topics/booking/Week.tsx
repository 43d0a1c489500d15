import type { DayHire } from '@quay/core/day/board';
import { dateOf } from '@quay/core/time/zone';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { TouchableRipple } from '../../ui/controls/touchableRipple';
import { localeOf } from '../../i18n';
import { useTones } from '../../ui/theme';
import { Bold, Slab, Small } from '../../ui/words';

/** Seven days, each with how many boats leave on it; one of them is open. */
export const Week = ({
  days,
  day,
  today,
  zone,
  hires,
  wide,
  onDay,
}: {
  days: readonly string[];
  day: string;
  today: string;
  zone: string;
  hires: readonly DayHire[];
  wide: boolean;
  onDay: (day: string) => void;
}) => {
  const { t, i18n } = useTranslation();
  const tones = useTones();
  const name = new Intl.DateTimeFormat(localeOf(i18n.language), { weekday: 'short', timeZone: 'UTC' });
  const whole = new Intl.DateTimeFormat(localeOf(i18n.language), { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' });
  return (
    <View style={{ flexDirection: 'row', gap: wide ? 10 : 5 }} role="radiogroup" aria-label={t('bookings.week')}>
      {days.map((one) => {
        const at = Date.parse(`${one}T12:00:00Z`);
        const on = one === day;
        const leaving = hires.filter(({ from }) => dateOf(from, zone) === one).length;
        return (
          <TouchableRipple
            key={one}
            role="radio"
            aria-checked={on}
            aria-label={`${whole.format(at)}, ${t('bookings.count', { count: leaving })}`}
            onPress={() => onDay(one)}
            testID={`day-${one}`}
            style={{
              flex: 1,
              minHeight: 66,
              borderRadius: 13,
              borderWidth: 2,
              borderColor: on ? tones.primary : one === today ? tones.ink : tones.line,
              backgroundColor: on ? tones.primary : tones.card,
              justifyContent: 'center',
              alignItems: 'center',
            }}
          >
            <View style={{ alignItems: 'center', gap: 1, paddingVertical: 4 }}>
              <Small size={13.5} tone={on ? 'onPrimary' : 'soft'}>
                {name.format(at)}
              </Small>
              <Slab size={20} tone={on ? 'onPrimary' : 'ink'}>
                {String(Number(one.slice(8)))}
              </Slab>
              <Bold size={13} tone={on ? 'onPrimary' : 'soft'}>
                {leaving > 0 ? (wide ? t('bookings.count', { count: leaving }) : String(leaving)) : '·'}
              </Bold>
            </View>
          </TouchableRipple>
        );
      })}
    </View>
  );
};
