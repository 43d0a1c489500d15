import { rememberChoice, rememberedChoice } from './browser';

/**
 * The one clock of the app. It is the phone's own, but in a demonstration, whose day is made at an hour when there is
 * something to see: the quay says how far that is ahead, and the phone goes by it without signal as well.
 */
const AHEAD = 'clock-ahead-ms';

let aheadMs = Number(rememberedChoice(AHEAD) ?? 0) || 0;

/** The present, ms since 1970. */
export const now = (): number => Date.now() + aheadMs;

/** @param said what the quay said of its clock with an answer; nothing where it goes by the real one */
export const goByClockOf = (said: string | null): void => {
  const ahead = said === null ? 0 : Number(said);
  if (ahead === aheadMs || !Number.isSafeInteger(ahead)) return;
  aheadMs = ahead;
  rememberChoice(AHEAD, String(ahead));
  for (const listener of listeners) listener();
};

const listeners = new Set<() => void>();
/** Calls back when the clock was set. @returns how to stop */
export const onClockSet = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Whether what is shown as the present is a demonstration's. */
export const isAnotherClock = (): boolean => aheadMs !== 0;

/** A moment that the device itself has measured, by the app's clock. */
export const byClock = (deviceMs: number): number => deviceMs + aheadMs;
