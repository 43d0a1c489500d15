import { baseForecast, type Forecast } from '@quay/contract/weather';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { call, NoAnswer } from '../../local/api';
import { rememberChoice, rememberedChoice } from '../../platform/browser';

export type Foreseen = { forecast: Forecast; simulated: boolean } | undefined;

/** A forecast is given out by the hour; asked for a little more often. */
const EVERY_MS = 10 * 60_000;

/** What is expected at a base, kept for when there is no signal; nothing where nobody says. Old ones say themselves how old they are. */
export const useForecast = (baseId: string): Foreseen => {
  const key = `forecast/${baseId}`;
  const { data } = useQuery({
    queryKey: ['forecast', baseId],
    queryFn: async () => {
      try {
        const reply = await call(baseForecast, { params: { baseId } });
        rememberChoice(key, reply.is === 'forecast' ? JSON.stringify(reply) : '');
        return reply;
      } catch (cause) {
        if (cause instanceof NoAnswer) return null;
        throw cause;
      }
    },
    refetchInterval: EVERY_MS,
  });
  return useMemo(() => {
    if (data) return data.is === 'forecast' ? data : undefined;
    const text = rememberedChoice(key);
    return text === undefined || text === '' ? undefined : (JSON.parse(text) as NonNullable<Foreseen>);
  }, [data, key]);
};
