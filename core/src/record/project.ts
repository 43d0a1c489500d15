import equal from 'fast-deep-equal';
import type { Subject } from '../events/define';
import { definitionOf, type EventBody, type EventKind, mergeOf, subjectOf, type Walk } from './event';
import { happenedAt, type Held } from './held';
import { undoneIds } from './undone';

/**
 * The record: what a set of events comes to. Any order of arrival, any number of times: the same result, because
 * nothing below looks at arrival. Two values for one thing that nobody replaced are a contradiction and stay one.
 */

type BodyOf<K extends EventKind> = Extract<EventBody, { kind: K }>;

/** One thing that has one value: what was counted of a fitting going out, say. */
export type Slot<K extends EventKind = EventKind> = {
  subject: Subject;
  /** The value that stands; the oldest of them while there is a contradiction nobody has settled. */
  value: BodyOf<K>;
  by: Held;
  /** Every standing event of the slot, oldest first: more than one distinct value is a contradiction. */
  standing: Held[];
  contradiction: boolean;
  /** Who said which of several values stands; the others stay to be seen. */
  settledBy?: Held;
};

export type HireRecord = {
  slots: ReadonlyMap<string, Slot>;
  contradictions: Slot[];
  /** Made before a seal or the closing that does not cover it, arrived after: kept outside, shown to a manager. */
  late: Held[];
  /** Made after the closing, or about a walk after its seal: proposals, not part of the values. */
  proposed: Held[];
  /**
   * What was entered of a walk after it was signed, and counts all the same. Of the return: what the quay entered until the
   * closing, since a return that the renter walked alone is looked at again like that, and what a machine found in the
   * photographs. Of the departure: what was put right before she cast off, by whoever makes that walk; it has to be signed
   * again before she goes.
   */
  again: Held[];
  /** What a terminal said after the closing of what it was asked before: the quay's own word, and no proposal. */
  answered: Held[];
  /** Phones whose clock was off by more than two minutes when they delivered. */
  wrongClocks: { device: string; behindMs: number }[];
  bookVersion: number | undefined;
};

/** By which a subject is found among others; two lists of parts never have the same. */
const keyOf = (subject: Subject): string => JSON.stringify(subject);

const byTime = (a: Held, b: Held): number =>
  happenedAt(a) - happenedAt(b) ||
  (a.event.device < b.event.device ? -1 : a.event.device > b.event.device ? 1 : a.event.deviceSeq - b.event.deviceSeq) ||
  (a.event.id < b.event.id ? -1 : a.event.id > b.event.id ? 1 : 0);

const isAfterwards = (body: EventBody): boolean => definitionOf(body).afterClosing;

const walkOf = (body: EventBody): Walk | undefined => ('walk' in body ? body.walk : undefined);
const walkAt = (held: Held | undefined): Walk | undefined => held && walkOf(held.event.body);

/** Standing events of each slot, oldest first: not undone, and not replaced by one that is not undone. */
const standingOf = (all: readonly Held[]): Map<string, Held[]> => {
  const undone = undoneIds(all);
  const slots = new Map<string, Held[]>();
  /** Who was replaced, and in which slots. */
  const replaced = new Map<string, Set<string>>();
  for (const held of all) {
    const subject = subjectOf(held.event.body);
    if (subject === undefined || undone.has(held.event.id)) continue;
    const key = keyOf(subject);
    const rows = slots.get(key);
    if (rows) rows.push(held);
    else slots.set(key, [held]);
    // A correction speaks only about its own thing, whatever else it names.
    for (const id of held.event.replaces) {
      if (id === held.event.id) continue;
      const keys = replaced.get(id);
      if (keys) keys.add(key);
      else replaced.set(id, new Set([key]));
    }
  }
  for (const [key, rows] of slots) {
    if (rows.length === 1) continue;
    const standing = rows.filter(({ event }) => replaced.get(event.id)?.has(key) !== true);
    // Events that replace each other in a ring would leave nothing; nothing entered is dropped, so all of them stand.
    slots.set(key, (standing.length > 0 ? standing : rows).sort(byTime));
  }
  return slots;
};

/** The one that somebody said is right, among several standing; nothing while those who said so disagree themselves. */
const settlement = (
  subject: Subject,
  standing: readonly Held[],
  all: ReadonlyMap<string, readonly Held[]>,
): { by: Held; settledBy: Held } | undefined => {
  const said = all.get(keyOf(['settled', ...subject])) ?? [];
  const named = new Set(said.flatMap(({ event: { body } }) => (body.kind === 'contradictionSettled' ? [body.stands] : [])));
  const by = named.size === 1 ? standing.find(({ event }) => named.has(event.id)) : undefined;
  return by && { by, settledBy: said[said.length - 1]! };
};

/** Whether two that stand for one subject say different things, where only one of them can be right. */
const disagree = (a: Held, b: Held): boolean => mergeOf(a.event.body) === 'replace' && !equal(a.event.body, b.event.body);

/** @param held every event known, in any order, any number of times */
export const project = (held: Iterable<Held>): HireRecord => {
  const known = new Map<string, Held>();
  for (const one of held) {
    const other = known.get(one.event.id);
    // Kept here and held by the server is the same event; the server's copy says when it came and whose clock was wrong.
    if (!other || (other.receivedAt === undefined && one.receivedAt !== undefined)) known.set(one.event.id, one);
  }
  const everything = [...known.values()].sort((a, b) => (a.event.id < b.event.id ? -1 : 1));

  // The closing and the seals decide which events count, so they are found first, among themselves: a seal can be
  // replaced by a later one that both sign, never undone.
  const FENCING: readonly EventKind[] = ['sealed', 'closed', 'contradictionSettled'];
  const first = standingOf(everything.filter(({ event: { body } }) => FENCING.includes(body.kind)));
  const fence = (...subject: Subject) => {
    const standing = first.get(keyOf(subject)) ?? [];
    const one = settlement(subject, standing, first)?.by ?? standing[0];
    if (!one || !('covers' in one.event.body)) return undefined;
    return { one, covers: new Set(one.event.body.covers), at: happenedAt(one) };
  };
  const closing = fence('closed');
  const seals = { out: fence('out', 'sealed'), in: fence('in', 'sealed') };
  const late: Held[] = [];
  const again: Held[] = [];
  const proposed: Held[] = [];
  const answered: Held[] = [];
  const ofAfterwards = (target: string) => {
    const of = known.get(target)?.event.body;
    return of !== undefined && isAfterwards(of);
  };
  /** What was signed can be put right by the quay, which shows; it cannot be taken away, nor signed by halves. */
  const looksAgain = (one: Held, line: { covers: ReadonlySet<string>; at: number }): boolean => {
    const { body, replaces } = one.event;
    if (happenedAt(one) <= line.at || (one.actor.role !== 'hand' && one.actor.role !== 'manager')) return false;
    if (body.kind === 'undone') return replaces.every((id) => !line.covers.has(id) && known.get(id)?.event.body.kind !== 'sealed');
    return body.kind !== 'signed' && body.kind !== 'signRefused';
  };
  // While she still lies at the quay a miscount can be put right; once she is off, departure is what was signed.
  const left = standingOf(everything.filter(({ event: { body } }) => body.kind === 'castOff' || body.kind === 'undone')).get(
    keyOf(['castOff']),
  )?.[0];
  const leftAt = left ? happenedAt(left) : Infinity;
  const putsRight = (one: Held, line: { covers: ReadonlySet<string>; at: number }): boolean => {
    const { body, replaces } = one.event;
    const at = happenedAt(one);
    if (at <= line.at || at >= leftAt || one.actor.role === 'quay') return false;
    if (body.kind === 'undone') return replaces.every((id) => !line.covers.has(id) && known.get(id)?.event.body.kind !== 'sealed');
    return body.kind !== 'signRefused';
  };
  const outside = (one: Held): boolean => {
    const { body, id, replaces } = one.event;
    if (body.kind === 'closed' || isAfterwards(body) || (body.kind === 'undone' && replaces.length > 0 && replaces.every(ofAfterwards)))
      return false;
    // An undo concerns the walks of what it takes away.
    const concerns = (walk: Walk) =>
      body.kind === 'undone'
        ? replaces.some((target) => walkAt(known.get(target)) === walk)
        : body.kind !== 'sealed' && walkOf(body) === walk;
    for (const line of [closing, seals.out && concerns('out') ? seals.out : undefined, seals.in && concerns('in') ? seals.in : undefined]) {
      if (!line || line.covers.has(id) || line.one.event.id === id) continue;
      if ((line === seals.in && looksAgain(one, line)) || (line === seals.out && putsRight(one, line))) {
        again.push(one);
        continue;
      }
      (body.kind === 'depositAnswered' ? answered : happenedAt(one) <= line.at ? late : proposed).push(one);
      return true;
    }
    return false;
  };
  const counting = closing || seals.out || seals.in ? everything.filter((one) => !outside(one)) : everything;

  const slots = new Map<string, Slot>();
  const contradictions: Slot[] = [];
  const standingNow = standingOf(counting);
  for (const [key, standing] of standingNow) {
    const subject = subjectOf(standing[0]!.event.body)!;
    const differs = standing.slice(1).some((other) => disagree(standing[0]!, other));
    const settled = differs ? settlement(subject, standing, standingNow) : undefined;
    const by = settled?.by ?? standing[0]!;
    const contradiction = differs && !settled;
    const slot: Slot = { subject, value: by.event.body, by, standing, contradiction, ...(settled ? { settledBy: settled.settledBy } : {}) };
    slots.set(key, slot);
    if (contradiction) contradictions.push(slot);
  }
  const clocks = new Map<string, number>();
  for (const { event, behindMs } of everything) {
    if (behindMs !== undefined && Math.abs(behindMs) > 120_000 && Math.abs(behindMs) >= Math.abs(clocks.get(event.device) ?? 0))
      clocks.set(event.device, behindMs);
  }
  const started = slots.get(keyOf(['out', 'started']));
  const undone = again.length > 0 ? undoneIds(counting) : new Set<string>();
  return {
    slots,
    contradictions: contradictions.sort((a, b) => (keyOf(a.subject) < keyOf(b.subject) ? -1 : 1)),
    late: late.sort(byTime),
    // What was added and taken away again leaves what was signed as it was.
    again: again.filter(({ event }) => !undone.has(event.id)).sort(byTime),
    proposed: proposed.sort(byTime),
    answered: answered.sort(byTime),
    wrongClocks: [...clocks].map(([device, behindMs]) => ({ device, behindMs })).sort((a, b) => (a.device < b.device ? -1 : 1)),
    bookVersion: started?.by.event.bookVersion,
  };
};

/** The slot of one thing, whatever fills it. */
export const slotAt = (record: HireRecord, subject: Subject): Slot | undefined => record.slots.get(keyOf(subject));

/** Whether anything stands for a subject. */
export const hasSlot = (record: HireRecord, subject: Subject): boolean => record.slots.has(keyOf(subject));

/** The slot of one thing, typed by the kinds that can fill it. */
export const slot = <K extends EventKind>(record: HireRecord, subject: Subject, ...kinds: K[]): Slot<K> | undefined => {
  const found = slotAt(record, subject);
  return found && (kinds as string[]).includes(found.value.kind) ? (found as unknown as Slot<K>) : undefined;
};

/** All slots whose subject begins with these parts, in the order they were first entered. */
export const slotsUnder = <K extends EventKind>(record: HireRecord, prefix: Subject, kind: K): Slot<K>[] =>
  [...record.slots.values()]
    .filter(({ subject, value }) => value.kind === kind && prefix.every((part, i) => subject[i] === part))
    .sort((a, b) => byTime(a.by, b.by)) as unknown as Slot<K>[];

/** What was entered of a walk after it was signed, and has to be signed again: signatures themselves are no such thing. */
export const unsignedOf = (record: HireRecord, walk: Walk): Held[] =>
  record.again.filter(({ event: { body } }) => walkOf(body) === walk && body.kind !== 'signed');
