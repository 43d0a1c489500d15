import { conditionsOf, type Conditions, type Given, type Place } from '@quay/core/docking/place';
import { baseWeather } from '@quay/contract/weather';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { call, NoAnswer } from '../../local/api';
import { now } from '../../platform/clock';
import { rememberChoice, rememberedChoice } from '../../platform/browser';

type Fields = { [F in keyof Conditions]?: number };
/** Figures and when they were had: from the mast, or by hand. */
type Had = { at: string; figures: Fields };
export type From = { is: 'mast' | 'mastOld'; at: string; simulated: boolean } | { is: 'hand'; at: string } | { is: 'nobody' | 'silent' };
type Known = { from: From; given: Given; setByHand: (figures: Fields | undefined) => void };
export type WindAndWater = Known & {
  now: Conditions;
  /** Figures that are missing or cannot be, with an estimate in their place. */
  estimated: (keyof Conditions)[];
};

const MINUTE = 60_000;
/** What the mast said longer ago than this is shown as old. */
const FRESH_MIN = 10;
/** What was set by hand longer ago than this nobody relies on any more. */
const HAND_MIN = 180;

const remembered = <T>(key: string): T | undefined => {
  const text = rememberedChoice(key);
  return text === undefined || text === '' ? undefined : (JSON.parse(text) as T);
};

/** What is known of wind and water at a base: by hand where somebody set them lately, else as the mast has them, kept for when there is no signal. */
export const useGiven = (baseId: string): Known => {
  const [handKey, mastKey] = [`wind-hand/${baseId}`, `wind-mast/${baseId}`];
  const [hand, setHand] = useState(() => remembered<Had>(handKey));
  const { data, error } = useQuery({
    queryKey: ['weather', baseId],
    queryFn: async () => {
      try {
        const reply = await call(baseWeather, { params: { baseId } });
        if (reply.is === 'observed') rememberChoice(mastKey, JSON.stringify(reply));
        return reply;
      } catch (cause) {
        // Without signal what the mast said last is better than nothing, and shown with its hour.
        if (cause instanceof NoAnswer) return null;
        throw cause;
      }
    },
    refetchInterval: MINUTE,
  });
  return useMemo(() => {
    const setByHand = (figures: Fields | undefined) => {
      const had = figures && { at: new Date(now()).toISOString(), figures };
      rememberChoice(handKey, had ? JSON.stringify(had) : '');
      setHand(had);
    };
    const old = (at: string, minutes: number) => now() - Date.parse(at) > minutes * MINUTE;
    const last = data?.is === 'observed' ? data : remembered<Extract<NonNullable<typeof data>, { is: 'observed' }>>(mastKey);
    const made = (given: Given, from: From): Known => ({ given, from, setByHand });
    if (hand && !old(hand.at, HAND_MIN)) return made(hand.figures, { is: 'hand', at: hand.at });
    if (data?.is === 'silent' || data?.is === 'none' || error) return made({}, { is: data?.is === 'silent' ? 'silent' : 'nobody' });
    if (!last || (!data && old(last.observed.at, HAND_MIN))) return made({}, { is: 'nobody' });
    const { windFromDeg, windMs, currentToDeg, currentMs, waterM, at } = last.observed;
    return made(
      { windFromDeg, windMs, currentToDeg, currentMs, waterM },
      { is: old(at, FRESH_MIN) ? 'mastOld' : 'mast', at, simulated: last.simulated },
    );
  }, [data, error, hand, handKey, mastKey]);
};

/** Wind and water at a berth, with an estimate for what nobody knows. */
export const useConditions = (baseId: string, berth: Place): WindAndWater => {
  const known = useGiven(baseId);
  return useMemo(() => ({ ...known, ...conditionsOf(known.given, berth) }), [known, berth]);
};
