import { mdiCalendarSearch, mdiChevronLeft, mdiChevronRight } from '@mdi/js';
import { mondayOf, PHASES, phaseOf } from '@quay/core/day/bookings';
import { dateOf, shiftDay } from '@quay/core/time/zone';
import { isDay } from '@quay/core/time/calendar';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { bookingsQuery } from '../../local/bookings';
import { useErrorWords } from '../../local/errorWords';
import { localeOf } from '../../i18n';
import { Notice, Tag } from '../../ui/board';
import { useNow } from '../../ui/clock';
import { Button, IconButton } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { Search } from '../../ui/controls/search';
import { Body } from '../../ui/words';
import { DayPicker } from '../../ui/controls/when';
import { BookedDay } from './BookedDay';
import { BookedTable } from './BookedTable';
import { Week } from './Week';

/** Which hires a desk shows. */
const ONLY = ['all', ...PHASES] as const;
type Only = (typeof ONLY)[number];

/** What is booked at a base: a day at a time on a phone, a week as a table on a desk. Which day and base, the address says. */
export const Bookings = () => {
  const { t, i18n } = useTranslation();
  const said = useErrorWords();
  const router = useRouter();
  const now = useNow(60_000);
  const { wide } = useRoom();
  const asked = useLocalSearchParams<{ day?: string; base?: string }>();
  const [find, setFind] = useState('');
  const [only, setOnly] = useState<Only>('all');
  const [picking, setPicking] = useState(false);
  // Until the base has said where it lies, today is the day of this device.
  const [zone, setZone] = useState(() => Intl.DateTimeFormat().resolvedOptions().timeZone);
  const today = dateOf(new Date(now).toISOString(), zone);
  const day = asked.day !== undefined && isDay(asked.day) ? asked.day : today;
  const monday = mondayOf(day);
  const { data, error, refetch, isPending } = useQuery({
    ...bookingsQuery(asked.base, { from: monday, to: shiftDay(monday, 7) }),
    placeholderData: keepPreviousData,
  });
  if (data && data.base.zone !== zone) setZone(data.base.zone);
  const go = (params: { day?: string; base?: string }) => router.setParams(params);
  const open = (id: string) => router.push(`/hire/${id}`);
  const days = Array.from({ length: 7 }, (_, i) => shiftDay(monday, i));
  const month = new Intl.DateTimeFormat(localeOf(i18n.language), { month: 'long', year: 'numeric', timeZone: 'UTC' }).format(
    Date.parse(`${day}T12:00:00Z`),
  );
  const turn = (
    <View style={{ flexDirection: 'row', gap: 2 }}>
      <IconButton
        path={mdiChevronLeft}
        label={t('bookings.earlier')}
        onPress={() => go({ day: shiftDay(day, -7) })}
        plain
        testID="earlier"
      />
      <IconButton path={mdiCalendarSearch} label={t('bookings.pick')} onPress={() => setPicking(true)} plain testID="pick-day" />
      <IconButton path={mdiChevronRight} label={t('bookings.later')} onPress={() => go({ day: shiftDay(day, 7) })} plain testID="later" />
    </View>
  );
  const newHire = (
    <Button
      mode="contained"
      label={t('newHire.open')}
      onPress={() => router.push(`/bookings/new?day=${day}${data ? `&base=${data.base.id}` : ''}`)}
      testID="new-hire"
      {...(wide ? { style: { minWidth: 200 } } : {})}
    />
  );
  const stale = data && now - data.keptAt > 180_000;
  const top = (
    <View style={{ paddingHorizontal: wide ? 16 : 12, gap: 10, paddingBottom: 8 }}>
      {data && data.bases.length > 1 ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('day.bases')}>
          {data.bases.map(({ id, name }) => (
            <ChoiceChip key={id} label={name} on={id === data.base.id} onPress={() => go({ base: id })} testID={`base-${id}`} />
          ))}
        </View>
      ) : null}
      <Week days={days} day={day} today={today} zone={zone} hires={data?.hires ?? []} wide={wide} onDay={(next) => go({ day: next })} />
      {wide ? (
        <View style={{ flexDirection: 'row', gap: 8, alignItems: 'center' }}>
          <View style={{ flex: 1 }}>
            <Search label={t('bookings.find')} value={find} onChange={setFind} testID="find-booking" />
          </View>
          <View style={{ flexDirection: 'row', gap: 8 }} role="radiogroup" aria-label={t('bookings.onlyWhich')}>
            {ONLY.map((one) => (
              <ChoiceChip
                key={one}
                label={t(`bookings.only.${one}`)}
                on={only === one}
                onPress={() => setOnly(one)}
                testID={`only-${one}`}
              />
            ))}
          </View>
        </View>
      ) : null}
      {stale ? <Tag kind="ask">{t('day.asOf', { time: new Date(data.keptAt).toTimeString().slice(0, 5) })}</Tag> : null}
      {error && !data ? (
        <Notice
          kind="stop"
          title={said(error)}
          action={<Button mode="outlined" label={t('common.again')} onPress={() => void refetch()} />}
        />
      ) : null}
      {isPending ? <Body>{t('common.loading')}</Body> : null}
    </View>
  );
  return (
    <Screen
      title={t('nav.bookings')}
      sub={data ? `${data.base.name} · ${month}` : month}
      right={
        wide ? (
          <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
            {turn}
            {newHire}
          </View>
        ) : (
          turn
        )
      }
      top={top}
      fill={wide}
      {...(wide ? {} : { footer: newHire })}
    >
      {data ? (
        wide ? (
          <BookedTable
            hires={data.hires.filter(({ state }) => only === 'all' || phaseOf(state) === only)}
            zone={zone}
            now={now}
            find={find}
            none={t(data.hires.length === 0 ? 'bookings.noneWeek' : 'bookings.noneFound')}
            onOpen={open}
          />
        ) : (
          <BookedDay hires={data.hires} day={day} zone={zone} now={now} onOpen={open} />
        )
      ) : null}
      {picking ? (
        <DayPicker
          day={day}
          title={t('bookings.pick')}
          take={t('bookings.save')}
          onPick={(next) => {
            setPicking(false);
            if (next !== undefined) go({ day: next });
          }}
        />
      ) : null}
    </Screen>
  );
};
