import type { Calendar } from '@quay/contract/calendar';
import type { CalendarHire } from '@quay/contract/calendar';
import { type Booked, clashesOf } from '@quay/core/booking/choices';
import { type CalendarView, daysOf, eachDay, laterBy, moved, pulled, type Slot, STEP_MIN } from '@quay/core/booking/calendar';
import { instantOf } from '@quay/core/time/zone';
import { useCallback, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { FlatList, ScrollView, View } from 'react-native';
import { useHandler } from '../../../ui/controls/handler';
import { Timeline } from '../../../platform/timeline';
import { useRoom } from '../../../ui/room';
import { Body } from '../../../ui/words';
import { BoatRow } from './BoatRow';
import { movable, NAMES, ROW, type Wish } from './grid';
import { CalendarHead } from './CalendarHead';
import { ServiceSheet } from './ServiceSheet';
import { MovedBar } from './MovedBar';

const MINUTE_MS = 60_000;
const NONE: readonly never[] = [];

const byBoatOf = <R extends { boat: string }>(rows: readonly R[]): ReadonlyMap<string, R[]> => {
  const found = new Map<string, R[]>();
  for (const row of rows) {
    const own = found.get(row.boat);
    if (own) own.push(row);
    else found.set(row.boat, [row]);
  }
  return found;
};

/** Boats down, time across: hires are moved by dragging, made longer by pulling, both by keys as well, and kept with a press. */
export const CalendarDesk = ({
  data,
  view,
  day,
  now,
  onOpen,
  onNew,
}: {
  data: Calendar;
  view: CalendarView;
  day: string;
  now: number;
  onOpen: (hire: string) => void;
  /** Somebody pressed where nobody has a boat. */
  onNew: (boat: string, at: string) => void;
}) => {
  const { t } = useTranslation();
  const { width } = useRoom();
  const [wish, setWish] = useState<Wish>();
  const [service, setService] = useState<string>();
  const { zone } = data.base;
  const days = useMemo(() => {
    const { from, to } = daysOf(view, day);
    return eachDay(from, to);
  }, [view, day]);
  const { from, to } = daysOf(view, day);
  const [start, end] = [Date.parse(instantOf(`${from}T00:00`, zone)), Date.parse(instantOf(`${to}T00:00`, zone))];
  const lane = Math.max(600, width - NAMES - 32);
  const pxPerMin = lane / ((end - start) / MINUTE_MS);
  const step = STEP_MIN[view];
  const booked = useMemo(
    (): Booked[] => [
      ...data.hires.map(({ id, boat, from: leaves, to: back }) => ({ hire: id, boat, from: leaves, to: back })),
      ...data.outOfService.map(({ boat, from: since, to: until }) => ({ hire: null, boat, from: since, to: until })),
    ],
    [data],
  );
  const slotOf = (hire: CalendarHire): Slot => (wish?.hire.id === hire.id ? wish.slot : { boat: hire.boat, from: hire.from, to: hire.to });
  const push = (id: string, steps: number, rows: number, byKeys = false) => {
    const hire = data.hires.find((one) => one.id === id);
    if (!hire) return;
    const slot = slotOf(hire);
    const at = data.boats.findIndex((one) => one.id === slot.boat);
    const boat = data.boats[Math.min(data.boats.length - 1, Math.max(0, at + rows))]!.id;
    setWish({ hire, slot: moved(slot, steps * step, boat, zone), byKeys });
  };
  const pull = (id: string, steps: number, byKeys = false) => {
    const hire = data.hires.find((one) => one.id === id);
    if (hire) setWish({ hire, slot: pulled(slotOf(hire), steps * step, step, zone), byKeys });
  };
  const onPush = useHandler(push);
  const onPull = useHandler(pull);
  // What keys do with the bar that has the focus; Enter opens it, and keeps it where it was pushed to.
  const keys = (id: string, key: string, shift: boolean): boolean => {
    const hire = data.hires.find((one) => one.id === id);
    const may = hire && movable(hire);
    if (!may) return false;
    const along = key === 'ArrowRight' ? 1 : key === 'ArrowLeft' ? -1 : 0;
    const across = key === 'ArrowDown' ? 1 : key === 'ArrowUp' ? -1 : 0;
    if (key === 'Escape' && wish) setWish(undefined);
    else if (shift && along !== 0 && may.end) pull(id, along, true);
    else if (!shift && (along !== 0 || across !== 0) && may.along) push(id, along, across, true);
    else return false;
    return true;
  };
  const latestKeys = useHandler((...args: Parameters<typeof keys>) => void keys(...args));
  const onKey = useCallback(
    (id: string, key: string, shift: boolean): boolean => {
      if (!/^(Arrow|Escape$)/.test(key)) return false;
      latestKeys(id, key, shift);
      return true;
    },
    [latestKeys],
  );
  const byBoat = useMemo(() => byBoatOf(data.hires), [data.hires]);
  const awayByBoat = useMemo(() => byBoatOf(data.outOfService), [data.outOfService]);
  /** What was pushed lies in her row, or is gone from it. */
  const isTouched = (boat: string) => wish !== undefined && (wish.slot.boat === boat || wish.hire.boat === boat);
  /** Her hires, with the one that was pushed where it was pushed to. */
  const hiresOf = (boat: string): readonly CalendarHire[] => {
    const own = byBoat.get(boat) ?? NONE;
    if (!wish || !isTouched(boat)) return own;
    const others = own.filter(({ id }) => id !== wish.hire.id);
    return wish.slot.boat === boat ? [...others, { ...wish.hire, ...wish.slot }] : others;
  };
  const clashes = wish ? clashesOf({ ...wish.slot, hire: wish.hire.id }, booked, data.turnaroundMinutes) : [];
  const grid = useMemo(() => ({ start, pxPerMin, lane, zone, days }), [start, pxPerMin, lane, zone, days]);
  const onPressed = useHandler((boat: string, minutes: number) =>
    onNew(boat, laterBy(new Date(start).toISOString(), Math.floor(minutes / step) * step, zone)),
  );
  const onOpened = useHandler(onOpen);
  return (
    <View style={{ flex: 1 }}>
      <ScrollView horizontal style={{ flex: 1 }} contentContainerStyle={{ flexGrow: 1 }}>
        <View style={{ width: NAMES + lane, paddingHorizontal: 16, flex: 1, boxSizing: 'content-box' }}>
          <CalendarHead view={view} grid={grid} now={now} />
          {data.boats.length === 0 ? <Body style={{ padding: 16 }}>{t('newHire.noBoats')}</Body> : null}
          <Timeline stepPx={step * pxPerMin} rowPx={ROW} onMoved={onPush} onPulled={onPull}>
            <FlatList
              data={data.boats}
              keyExtractor={({ id }) => id}
              getItemLayout={(_, index) => ({ length: ROW, offset: ROW * index, index })}
              initialNumToRender={14}
              windowSize={3}
              style={{ flex: 1 }}
              extraData={wish}
              renderItem={({ item: boat }) => (
                <BoatRow
                  boat={boat}
                  grid={grid}
                  hires={hiresOf(boat.id)}
                  outOfService={awayByBoat.get(boat.id) ?? NONE}
                  wish={isTouched(boat.id) ? wish?.hire.id : undefined}
                  byKeys={isTouched(boat.id) && wish?.byKeys === true}
                  clashing={isTouched(boat.id) && clashes.some(({ is }) => is === 'overlaps')}
                  now={now}
                  onOpen={onOpened}
                  onKey={onKey}
                  onBoat={setService}
                  onNew={onPressed}
                />
              )}
            />
          </Timeline>
        </View>
      </ScrollView>
      {wish ? <MovedBar wish={wish} data={data} clashes={clashes} now={now} onDone={() => setWish(undefined)} /> : null}
      {service === undefined ? null : (
        <ServiceSheet
          boat={data.boats.find(({ id }) => id === service)!}
          zone={zone}
          away={data.outOfService.filter(({ boat }) => boat === service)}
          onOpen={onOpen}
          onClose={() => setService(undefined)}
        />
      )}
    </View>
  );
};
