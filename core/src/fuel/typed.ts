import type { Gauge } from '../fleet/rows';
import { typedNumber } from '../number/typed';

/** A needle is read in sixteenths of its way, everything else in its own unit. */
export const SIXTEENTHS = 16;

/** What a reading comes to on the gauge's own scale, or why it cannot be. */
export type Read =
  /** Nothing was read yet. */
  | { is: 'nothing' }
  /** Beyond what the gauge can show, or no figure at all. */
  | { is: 'range' }
  /** Lower than at departure, where it only counts up. */
  | { is: 'back'; was: number }
  /** `unusual`: the band the operator knows it to stay within, where it did not. */
  | { is: 'read'; shown: number; unusual: readonly [number, number] | undefined };

type Case = {
  /** What it showed at departure. */
  was?: number | undefined;
  /** A totaliser was set to zero on the way. */
  zeroed?: boolean;
};

/** @param shown on the gauge's own scale */
export const judgeReading = (gauge: Gauge, shown: number | undefined, { was, zeroed = false }: Case = {}): Read => {
  if (shown === undefined) return { is: 'nothing' };
  if (!Number.isFinite(shown) || shown < gauge.min || shown > gauge.max) return { is: 'range' };
  const onlyUp = gauge.reads === 'counter' || (gauge.reads === 'totaliser' && !zeroed);
  if (onlyUp && was !== undefined && shown < was) return { is: 'back', was };
  const { band } = gauge;
  return { is: 'read', shown, unusual: band && (shown < band[0] || shown > band[1]) ? band : undefined };
};

/**
 * A reading as it was typed.
 * @param sixteenths whether a needle was read in sixteenths rather than on its own scale
 */
export const typedReading = (gauge: Gauge, text: string, { sixteenths = false, ...more }: Case & { sixteenths?: boolean } = {}): Read => {
  if (text.trim() === '') return { is: 'nothing' };
  const typed = typedNumber(text);
  const shown = sixteenths && gauge.reads === 'needle' ? gauge.min + (typed / SIXTEENTHS) * (gauge.max - gauge.min) : typed;
  return judgeReading(gauge, shown, more);
};
