import { type BoatChoice, bookHire, type NewHire as Booking } from '@quay/contract/booking';
import { clockOf, dateOf } from '@quay/core/time/zone';
import { isDay } from '@quay/core/time/calendar';
import { LANGUAGES } from '@quay/core/words/words';
import { readClock, writeDay } from '@quay/core/time/typedDay';
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { call, NoAnswer, Refused } from '../../../local/api';
import { useErrorWords } from '../../../local/errorWords';
import { fetchWalkIns } from '../../../local/prefetch';
import { problemWords } from '../../../local/problemWords';
import { choices } from '../../../local/walkIn/choices';
import { bookHere, NotOnThisPhone } from '../../../local/walkIn/saved';
import { Card, Notice } from '../../../ui/board';
import { useNow } from '../../../ui/clock';
import { Button } from '../../../ui/controls/button';
import { useSchemaForm } from '../../../ui/controls/form';
import { useSnack } from '../../../ui/controls/snack';
import { whenOf } from '../../../ui/format';
import { useRoom } from '../../../ui/room';
import { Screen } from '../../../ui/screen';
import { Body, SlabBold } from '../../../ui/words';
import { sumOf } from '../../settlement/SumField';
import { BoatChoices } from '../BoatChoices';
import { HoursCard } from '../HoursCard';
import { HoursNotice } from '../HoursNotice';
import { BLANK_HIRE, newHireForm, startOn, timesOf } from './newHireForm';
import { useHalfTyped } from './useHalfTyped';
import { RenterCard } from '../RenterCard';

/** Widest that a form is read at, px. */
const MEASURE = 1100;

/** Somebody hires a boat, today or on another day: when, how many, which boat is free, who. */
export const NewHire = () => {
  const { t, i18n } = useTranslation();
  const router = useRouter();
  const client = useQueryClient();
  const snack = useSnack();
  const errorWords = useErrorWords();
  const { wide } = useRoom();
  const now = useNow(60_000);
  const asked = useLocalSearchParams<{ day?: string; base?: string; boat?: string; clock?: string }>();
  const day = asked.day !== undefined && isDay(asked.day) ? asked.day : undefined;
  // Until the base has said where it lies, its clocks are those of this device.
  const [zone, setZone] = useState(() => Intl.DateTimeFormat().resolvedOptions().timeZone);
  /** Sent twice under one id, it is booked once. */
  const [id] = useState(() => `h-${uuidv7()}`);
  const [fault, setFault] = useState<string>();
  /** What is in the way of these hours, and may be insisted on. */
  const [tightAt, setTightAt] = useState<{ of: string; words: string }>();
  const [opened] = useState(now);
  /** Where somebody pressed on the calendar, else when somebody who asks now can leave. */
  const startAt = (at: string) => {
    const start = startOn(day, opened, at);
    return asked.clock !== undefined && readClock(asked.clock) !== undefined
      ? { date: day === undefined ? start.date : writeDay(day), clock: asked.clock }
      : start;
  };
  const schema = useMemo(() => newHireForm(zone, opened), [zone, opened]);
  const form = useSchemaForm(schema, {
    ...BLANK_HIRE,
    ...startAt(zone),
    boat: asked.boat ?? '',
  });
  const set = form.setValue;
  const begun = useHalfTyped(form, asked.day === undefined && asked.boat === undefined);
  const [date, clock, hours, backDate, backClock, adults, children, wish, handover] = form.watch([
    'date',
    'clock',
    'hours',
    'backDate',
    'backClock',
    'adults',
    'children',
    'boat',
    'handover',
  ]);
  const times = timesOf({ date, clock, hours, backDate, backClock }, zone);
  const people = adults + children;
  // As usual, until somebody says otherwise.
  const way = form.getFieldState('handover').isTouched ? handover : undefined;
  const found = useQuery({
    queryKey: ['choices', asked.base ?? '', times?.from, times?.to, people, way],
    queryFn: () => choices({ base: asked.base, ...times!, people, handover: way }),
    enabled: times !== undefined,
    placeholderData: keepPreviousData,
    refetchInterval: 60_000,
  });
  const { data } = found;
  const { base, currency = 'EUR' } = data ?? {};
  if (base && base.zone !== zone) setZone(base.zone);
  // Whoever books here may do so again where there is no signal.
  const known = data?.asOf === undefined ? base?.id : undefined;
  useEffect(() => {
    if (known !== undefined) void fetchWalkIns(known);
  }, [known]);
  // What was not touched follows what the quay says: its clocks instead of this device's, its way to hand over.
  useEffect(() => {
    if (form.getFieldState('date').isDirty || form.getFieldState('clock').isDirty) return;
    const start = startAt(zone);
    set('date', start.date);
    set('clock', start.clock);
  }, [zone, day, opened, form, set]); // eslint-disable-line react-hooks/exhaustive-deps
  const usual = data?.handover;
  useEffect(() => {
    if (usual !== undefined && !form.getFieldState('handover').isTouched) set('handover', usual);
  }, [usual, form, set]);
  const spoken = data?.languages[0];
  useEffect(() => {
    if (spoken !== undefined && !form.getFieldState('language').isTouched) set('language', spoken);
  }, [spoken, form, set]);
  const boats = data?.boats ?? [];
  // Whichever is free and smallest, unless another is chosen.
  const boat = boats.find((one) => one.id === wish) ?? boats.find(({ is }) => is === 'free');
  const against = data !== undefined && data.hours.rule === 'ask' && data.hours.faults.length > 0;
  const refused = data !== undefined && data.hours.rule === 'refuse' && data.hours.faults.length > 0;
  const bookable = boat !== undefined && (boat.is === 'free' || boat.is === 'tight');
  const when = (at: string) => whenOf(at, zone, now, i18n.language);
  // Back to the day and the base that one came from.
  const back = () =>
    router.replace({
      pathname: '/bookings',
      params: { ...(day === undefined ? {} : { day }), ...(asked.base === undefined ? {} : { base: asked.base }) },
    });
  // Insisted on is what was said to be in the way, and nothing that was chosen since.
  const asking = boat && times ? [boat.id, times.from, times.to].join() : undefined;
  const tight = tightAt && tightAt.of === asking ? tightAt.words : undefined;
  // What was said of another boat or other hours is no longer to the point.
  useEffect(() => setFault(undefined), [asking]);
  /** Where there is no way to the quay; it is asked there whether the boat was free after all. */
  const bookOnPhone = async (hire: Booking, { name, is, clashes }: BoatChoice) => {
    if (is === 'tight' && hire.insist !== true) {
      const figures = { minutes: Math.min(...clashes.map(({ minutes }) => minutes)), needs: data?.turnaroundMinutes ?? 0 };
      setTightAt({ of: asking!, words: problemWords(t, { code: 'boatTight', figures }) });
      return;
    }
    try {
      await bookHere(hire);
    } catch (error) {
      if (!(error instanceof NotOnThisPhone)) throw error;
      setFault(t('newHire.offline'));
      return;
    }
    begun.drop();
    snack({ text: t('newHire.bookedHere', { boat: name, renter: hire.renter }) });
    router.replace(`/hire/${id}`);
  };
  const book = (insist: boolean) =>
    form.handleSubmit(async (entered) => {
      setFault(undefined);
      if (!boat || !times || asking === undefined) return;
      const depositMinor = entered.deposit.trim() === '' ? boat.depositMinor : sumOf(entered.deposit, currency);
      if (depositMinor === undefined) return form.setError('deposit', { type: 'custom', message: 'settle.badSum' });
      const hire: Booking = {
        id,
        boat: boat.id,
        ...times,
        renter: entered.renter,
        contact: entered.contact.trim(),
        ...(entered.person === undefined ? {} : { person: entered.person }),
        language: entered.language,
        handover: entered.handover,
        party: { adults: entered.adults, children: entered.children },
        depositMinor,
        notes: entered.notes,
        ...(insist ? { insist } : {}),
        // They were told above what is against these hours.
        ...(against ? { insistHours: true } : {}),
      };
      if (data?.asOf !== undefined) return bookOnPhone(hire, boat);
      try {
        await call(bookHire, { body: hire });
      } catch (error) {
        if (error instanceof NoAnswer) return bookOnPhone(hire, boat);
        if (!(error instanceof Refused)) throw error;
        if (error.problem.code === 'changedMeanwhile') {
          // It came through when no answer did, and something was typed anew since: there it is, to be changed.
          snack({ text: t('newHire.wasBooked') });
          router.replace(`/hire/${id}`);
          return;
        }
        if (error.problem.code === 'boatTight') setTightAt({ of: asking, words: errorWords(error) });
        else setFault(errorWords(error));
        void found.refetch();
        return;
      }
      await Promise.all(['bookings', 'day', 'choices'].map((key) => client.invalidateQueries({ queryKey: [key] })));
      begun.drop();
      snack({ text: t('newHire.booked', { boat: boat.name, renter: entered.renter }) });
      router.replace(`/hire/${id}?show=link`);
    })();
  const leaveAt = (from: string) => {
    // The return moves with it.
    if (hours === '' && times) set('hours', String((Date.parse(times.to) - Date.parse(times.from)) / 3_600_000));
    set('date', writeDay(dateOf(from, zone)), { shouldDirty: true });
    set('clock', clockOf(from, zone), { shouldDirty: true });
  };
  const boatCard = (
    <Card style={{ gap: 10 }}>
      <SlabBold size={22} heading={2}>
        {t('newHire.boat')}
      </SlabBold>
      {found.error && !data ? (
        <Notice
          kind="stop"
          title={found.error instanceof NoAnswer ? t('newHire.offline') : errorWords(found.error)}
          action={<Button mode="outlined" label={t('common.again')} onPress={() => void found.refetch()} />}
        />
      ) : null}
      {found.isFetching && !data ? <Body>{t('common.loading')}</Body> : null}
      {times === undefined ? <Body tone="soft">{t('newHire.timesFirst')}</Body> : null}
      {data?.asOf === undefined ? null : (
        <Notice kind="ask" title={t('newHire.here', { time: clockOf(new Date(data.asOf).toISOString(), zone) })}>
          <Body>{t(boats.length > 0 ? 'newHire.hereWhy' : 'newHire.noneHere')}</Body>
        </Notice>
      )}
      {data && data.asOf === undefined && boats.length === 0 ? <Notice kind="ask" title={t('newHire.noBoats')} /> : null}
      {data && boats.length > 0 && boats.every(({ is }) => is !== 'free') ? <Notice kind="ask" title={t('newHire.noneFree')} /> : null}
      <BoatChoices
        boats={boats}
        chosen={boat?.id}
        zone={zone}
        now={now}
        onChoose={(one) => {
          set('boat', one);
        }}
        onMove={(one, from) => {
          set('boat', one);
          leaveAt(from);
        }}
      />
    </Card>
  );
  const renter = (
    <RenterCard form={form} currency={currency} depositMinor={boat?.depositMinor ?? 0} languages={data?.languages ?? LANGUAGES} />
  );
  const footer = (
    <View style={{ gap: 8 }}>
      {fault ? <Notice kind="stop" title={fault} /> : null}
      {tight ? <Notice kind="ask" title={tight} /> : null}
      <Button
        mode="contained"
        label={
          bookable
            ? t(tight || against ? 'newHire.insist' : 'newHire.book', { boat: boat.name })
            : t(boat ? 'newHire.chooseFree' : 'newHire.chooseBoat')
        }
        {...(times ? { hint: t('newHire.span', { from: when(times.from), to: when(times.to) }) } : {})}
        tone={tight || against ? 'warning' : 'primary'}
        disabled={!bookable || !times || refused}
        busy={form.formState.isSubmitting}
        onPress={() => void book(tight !== undefined)}
        testID="book-hire"
      />
    </View>
  );
  return (
    <Screen
      title={t('newHire.title')}
      {...(data ? { sub: data.base.name } : {})}
      onBack={back}
      {...(wide ? { measure: MEASURE } : {})}
      footer={footer}
    >
      {begun.restored ? (
        <View style={{ padding: 12, paddingBottom: 0 }}>
          <Notice
            kind="ok"
            title={t('newHire.halfTyped')}
            action={<Button mode="outlined" label={t('newHire.beginAnew')} onPress={begun.anew} testID="begin-anew" />}
          />
        </View>
      ) : null}
      <View style={{ padding: 12, gap: 12, flexDirection: wide ? 'row' : 'column', alignItems: wide ? 'flex-start' : 'stretch' }}>
        <View style={wide ? { flex: 1, gap: 12 } : { gap: 12 }}>
          <HoursCard form={form} times={times} zone={zone} now={now} />
          {data && times ? <HoursNotice hours={data.hours} zone={zone} now={now} onMove={leaveAt} /> : null}
          {wide ? renter : null}
        </View>
        <View style={wide ? { flex: 1, gap: 12 } : { gap: 12 }}>
          {boatCard}
          {wide ? null : renter}
        </View>
      </View>
    </Screen>
  );
};
