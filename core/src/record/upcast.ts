import { EVENT_KINDS, type HireEvent } from './event';
import { EVENT_VERSION } from '../events/version';

type Raw = Record<string, unknown>;

/**
 * How each older version becomes the next one. Old events are read for ever, so rows are only ever added here; the
 * stored event stays as it was signed, its digest is taken before upcasting.
 */
const STEPS: Readonly<Record<number, (raw: Raw) => Raw>> = {
  // Version 0, of the first trials: counts had no state and a walk was called `leg`.
  0: (raw) => {
    const { leg, ...body } = raw.body as Raw;
    const renamed: Raw = leg === undefined ? body : { ...body, walk: leg };
    return { ...raw, v: 1, body: renamed.kind === 'counted' ? { state: 'fine', ...renamed } : renamed };
  },
};

export type Read = { ok: true; event: HireEvent } | { ok: false; reason: 'unknownVersion' | 'unknownKind' | 'doesNotFit'; detail: string };

/** What somebody sent where a word or a number is expected, to be told to people. */
const shown = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number' ? String(value).slice(0, 40) : typeof value;

export type Upcast = { ok: true; raw: Raw } | Extract<Read, { ok: false }>;

export const upcast = (raw: unknown): Upcast => {
  if (typeof raw !== 'object' || raw === null) return { ok: false, reason: 'doesNotFit', detail: 'not an object' };
  let current = raw as Raw;
  while (typeof current.v === 'number' && current.v < EVENT_VERSION) {
    const step = STEPS[current.v];
    if (!step || typeof current.body !== 'object' || current.body === null)
      return { ok: false, reason: 'unknownVersion', detail: `v ${shown(current.v)}` };
    current = step(current);
  }
  if (current.v !== EVENT_VERSION) return { ok: false, reason: 'unknownVersion', detail: `v ${shown(current.v)}` };
  return { ok: true, raw: current };
};

/**
 * An event that somebody has read and checked already, as today's version: a phone takes the quay's word for what the
 * quay holds.
 */
export const trustEvent = (raw: unknown): Read => {
  const raised = upcast(raw);
  if (!raised.ok) return raised;
  const event = raised.raw as HireEvent;
  const kind = (raised.raw.body as { kind?: unknown } | undefined)?.kind;
  return EVENT_KINDS.some((one) => one === kind) ? { ok: true, event } : { ok: false, reason: 'unknownKind', detail: shown(kind) };
};
