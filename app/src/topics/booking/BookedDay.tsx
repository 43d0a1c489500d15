import type { DayHire } from '@quay/core/day/board';
import { bookedOn } from '@quay/core/day/bookings';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { whenOf } from '../../ui/format';
import { ListRow } from '../../ui/controls/listRow';
import { useTones } from '../../ui/theme';
import { Body, Slab, Small } from '../../ui/words';
import { HireState } from './HireState';

/** The hires of one day: who leaves on it, who is away all through it, who comes back. */
export const BookedDay = ({
  hires,
  day,
  zone,
  now,
  onOpen,
}: {
  hires: readonly DayHire[];
  day: string;
  zone: string;
  now: number;
  onOpen: (id: string) => void;
}) => {
  const { t } = useTranslation();
  const { leaving, returning, away } = bookedOn(hires, day, zone);
  const groups = [
    { title: t('bookings.leaving'), rows: leaving, at: 'from' as const },
    { title: t('bookings.returning'), rows: returning, at: 'to' as const },
    { title: t('bookings.onWater'), rows: away, at: 'to' as const },
  ].filter(({ rows }) => rows.length > 0);
  if (groups.length === 0) return <Body style={{ padding: 16 }}>{t('bookings.none')}</Body>;
  return (
    <View style={{ gap: 12, paddingTop: 6 }}>
      {groups.map(({ title, rows, at }) => (
        <View key={title}>
          <Slab size={18} heading={2} style={{ paddingHorizontal: 16, paddingBottom: 2 }}>
            {title}
          </Slab>
          {rows.map((hire) => (
            <Booked key={hire.id} hire={hire} at={hire[at]} zone={zone} now={now} onOpen={onOpen} />
          ))}
        </View>
      ))}
    </View>
  );
};

const Booked = ({
  hire,
  at,
  zone,
  now,
  onOpen,
}: {
  hire: DayHire;
  at: string;
  zone: string;
  now: number;
  onOpen: (id: string) => void;
}) => {
  const { t, i18n } = useTranslation();
  const tones = useTones();
  const clock = whenOf(at, zone, Date.parse(at), i18n.language);
  return (
    <ListRow
      label={`${clock}, ${hire.boat}, ${hire.renter}`}
      onPress={() => onOpen(hire.id)}
      testID={`booked-${hire.id}`}
      style={{ borderBottomWidth: 1, borderBottomColor: tones.line }}
    >
      <View style={{ flexDirection: 'row', gap: 8, paddingHorizontal: 16, paddingVertical: 10, alignItems: 'flex-start' }}>
        <Slab size={20} style={{ width: 62 }}>
          {clock}
        </Slab>
        <View style={{ flex: 1 }}>
          <Slab size={20}>{hire.boat}</Slab>
          <Small>
            {[hire.renter, t('day.aboard', { n: hire.party }), t('day.until', { time: whenOf(hire.to, zone, now, i18n.language) })].join(
              ' · ',
            )}
          </Small>
        </View>
        <HireState hire={hire} />
      </View>
    </ListRow>
  );
};
