import { getBookings } from '@quay/contract/hire';
import { queryOptions } from '@tanstack/react-query';
import { now } from '../platform/clock';
import { call } from './api';
import { saveDay, orSaved } from './hire';
import { localDb } from './localDb';

/** Hires that touch some days of a base; without signal those that were asked for last. @param from first day @param to the day after the last */
export const bookingsQuery = (base: string | undefined, { from, to }: { from: string; to: string }) => {
  const id = `bookings/${base ?? ''}/${from}`;
  return queryOptions({
    queryKey: ['bookings', base ?? '', from, to],
    queryFn: () =>
      orSaved(
        async () => ({ ...(await call(getBookings, { query: { from, to, ...(base === undefined ? {} : { base }) } })), keptAt: now() }),
        (found) => saveDay({ ...found, id }),
        async () => (await localDb()).get('days', id),
      ),
    refetchInterval: 60_000,
  });
};
