import { mdiCalendarSearch, mdiChevronLeft, mdiChevronRight } from '@mdi/js';
import { CALENDAR_VIEWS, daysOf, turned } from '@quay/core/booking/calendar';
import { PHASES, phaseOf } from '@quay/core/day/bookings';
import { clockOf, dateOf, mondayOf, shiftDay } from '@quay/core/time/zone';
import { isDay } from '@quay/core/time/calendar';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { bookingsQuery } from '../../local/bookings';
import { calendarQuery } from '../../local/calendar';
import { useHiresHere, withHiresHere } from '../../local/walkIn/saved';
import { useMe } from '../../local/session';
import { useErrorWords } from '../../local/errorWords';
import { localeOf } from '../../i18n';
import { Notice, Tag } from '../../ui/board';
import { useNow } from '../../ui/clock';
import { Button, IconButton } from '../../ui/controls/button';
import { rememberChoice, rememberedChoice } from '../../platform/browser';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { Choices } from '../../ui/controls/choices';
import { Scroll } from '../../ui/scroll';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { Search } from '../../ui/controls/search';
import { Body } from '../../ui/words';
import { DayPicker } from '../../ui/controls/when';
import { BookedDay } from './BookedDay';
import { BookedTable } from './BookedTable';
import { CalendarDesk } from './calendar/CalendarDesk';
import { FoundHires, LEAST_TO_FIND } from './FoundHires';
import { Week } from './Week';

/** Which hires a desk shows. */
const ONLY = ['all', ...PHASES] as const;
type Only = (typeof ONLY)[number];

/** How a desk shows them: a list of the week, or boats and their time. */
const VIEWS = ['list', ...CALENDAR_VIEWS] as const;
type Shown = (typeof VIEWS)[number];
const VIEW = 'bookings-view';

/** What is booked at a base: a day at a time on a phone; on a desk a week as a table, or the boats and their time. Which day and base, the address says. */
export const Bookings = () => {
  const { t, i18n } = useTranslation();
  const said = useErrorWords();
  const router = useRouter();
  const me = useMe().data;
  const now = useNow(60_000);
  const { wide } = useRoom();
  const asked = useLocalSearchParams<{ day?: string; base?: string }>();
  const [find, setFind] = useState('');
  const [only, setOnly] = useState<Only>('all');
  const [picking, setPicking] = useState(false);
  const [chosen, setChosen] = useState<Shown>(() => VIEWS.find((one) => one === rememberedChoice(VIEW)) ?? 'list');
  const view = wide ? chosen : 'list';
  const grid = view === 'list' ? 'week' : view;
  // Until the base has said where it lies, today is the day of this device.
  const [zone, setZone] = useState(() => Intl.DateTimeFormat().resolvedOptions().timeZone);
  const today = dateOf(new Date(now).toISOString(), zone);
  const day = asked.day !== undefined && isDay(asked.day) ? asked.day : today;
  const monday = mondayOf(day);
  const { data, error, refetch, isPending } = useQuery({
    ...bookingsQuery(asked.base, { from: monday, to: shiftDay(monday, 7) }),
    placeholderData: keepPreviousData,
  });
  const here = useHiresHere();
  const hires = data ? withHiresHere(data, here, { from: monday, to: shiftDay(monday, 7) }) : [];
  const calendar = useQuery({ ...calendarQuery(asked.base, daysOf(grid, day)), enabled: view !== 'list' });
  if (data && data.base.zone !== zone) setZone(data.base.zone);
  const go = (params: { day?: string; base?: string }) => router.setParams(params);
  const open = (id: string) => router.push(`/hire/${id}`);
  const days = Array.from({ length: 7 }, (_, i) => shiftDay(monday, i));
  const month = new Intl.DateTimeFormat(localeOf(i18n.language), {
    ...(view === 'day' ? { weekday: 'long' as const, day: 'numeric' as const } : {}),
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  }).format(Date.parse(`${day}T12:00:00Z`));
  const turn = (
    <View style={{ flexDirection: 'row', gap: 2 }}>
      <IconButton
        path={mdiChevronLeft}
        label={t(`bookings.earlier.${grid}`)}
        onPress={() => go({ day: turned(grid, day, -1) })}
        plain
        testID="earlier"
      />
      <IconButton path={mdiCalendarSearch} label={t('bookings.pick')} onPress={() => setPicking(true)} plain testID="pick-day" />
      <IconButton
        path={mdiChevronRight}
        label={t(`bookings.later.${grid}`)}
        onPress={() => go({ day: turned(grid, day, 1) })}
        plain
        testID="later"
      />
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
  const inAndOut =
    me?.staff.role === 'manager' ? (
      <Button mode="outlined" label={t('exchange.open')} onPress={() => router.push('/bookings/exchange')} testID="in-and-out" />
    ) : null;
  const search = <Search label={t('bookings.find')} value={find} onChange={setFind} testID="find-booking" />;
  const finding = find.trim().length >= LEAST_TO_FIND;
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
      {wide ? (
        <View style={{ flexDirection: 'row', gap: 12, alignItems: 'center' }}>
          <View style={{ flex: 1 }}>{search}</View>
          <Choices
            label={t('bookings.view')}
            options={VIEWS}
            labelOf={(one) => t(`bookings.views.${one}`)}
            value={view}
            onChange={(one) => {
              setChosen(one);
              rememberChoice(VIEW, one);
            }}
            testID="view"
          />
        </View>
      ) : null}
      {view === 'list' ? (
        <Week days={days} day={day} today={today} zone={zone} hires={hires} wide={wide} onDay={(next) => go({ day: next })} />
      ) : null}
      {wide ? null : search}
      {wide && view === 'list' ? (
        <Choices
          label={t('bookings.onlyWhich')}
          options={ONLY}
          labelOf={(one) => t(`bookings.only.${one}`)}
          value={only}
          onChange={setOnly}
          testID="only"
        />
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
            {inAndOut}
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
      {view !== 'list' ? (
        <>
          {calendar.error && !calendar.data ? <Notice kind="stop" title={said(calendar.error)} /> : null}
          {finding ? (
            <Scroll style={{ flex: 1 }}>
              <FoundHires find={find} now={now} onOpen={open} />
            </Scroll>
          ) : calendar.data ? (
            <CalendarDesk
              key={`${calendar.data.base.id}/${view}/${daysOf(view, day).from}`}
              data={calendar.data}
              view={view}
              day={day}
              now={now}
              onOpen={open}
              onNew={(boat, at) => {
                const when = `day=${dateOf(at, calendar.data.base.zone)}&clock=${clockOf(at, calendar.data.base.zone)}`;
                router.push(`/bookings/new?${when}&base=${calendar.data.base.id}&boat=${boat}`);
              }}
            />
          ) : null}
        </>
      ) : data ? (
        wide ? (
          <>
            <BookedTable
              hires={hires.filter(({ state }) => only === 'all' || phaseOf(state) === only)}
              zone={zone}
              now={now}
              find={find}
              none={t(hires.length === 0 ? 'bookings.noneWeek' : 'bookings.noneFound')}
              onOpen={open}
            />
            {finding ? (
              <Scroll style={{ flex: 1 }}>
                <FoundHires find={find} now={now} onOpen={open} />
              </Scroll>
            ) : null}
          </>
        ) : finding ? (
          <FoundHires find={find} now={now} onOpen={open} />
        ) : (
          <>
            <BookedDay hires={hires} day={day} zone={zone} now={now} onOpen={open} />
            <View style={{ padding: 12 }}>{inAndOut}</View>
          </>
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
