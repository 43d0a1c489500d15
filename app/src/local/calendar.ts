import { getCalendar } from '@quay/contract/calendar';
import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { call } from './api';

/** The boats of a base and what is booked of them on some days. @param from first day @param to the day after the last */
export const calendarQuery = (base: string | undefined, { from, to }: { from: string; to: string }) =>
  queryOptions({
    queryKey: ['calendar', base ?? '', from, to],
    queryFn: () => call(getCalendar, { query: { from, to, ...(base === undefined ? {} : { base }) } }),
    placeholderData: keepPreviousData,
    refetchInterval: 60_000,
  });
